/** The outbox of this page, for tests of what is said by way of it. */
import type { SetRequest } from "@mirrup/contract";
import { act } from "@testing-library/react";
import { outbox } from "../device/index.js";

/** Lets go of all that waits or was refused, so that the next test begins with nothing. */
export async function emptyOutbox(): Promise<void> {
  const { waiting, refused } = outbox.current();
  for (const one of [...waiting, ...refused]) await act(() => outbox.discard(one));
}

/** The sets that wait to be sent, as they were said. */
export function waitingSets(): readonly SetRequest[] {
  return outbox
    .current()
    .waiting.flatMap(({ command }): SetRequest[] => (command.kind === "set" ? [command.set] : []));
}
