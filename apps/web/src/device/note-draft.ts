/** A note as far as it was typed: on the device at each key, so that a page that dies between two of them loses none. */
import { isOfKind, type Command } from "./command.js";
import type { Outbox } from "./outbox.js";

const KEY = "mirrup-note";

export type Draft = Command<"note">;

export function keepDraft(draft: Draft, storage: Storage): void {
  try {
    storage.setItem(KEY, JSON.stringify(draft));
  } catch {
    // A browser that keeps nothing has the pause in typing to lose.
  }
}

function isDraft(value: unknown): value is Draft {
  const { id, at, sender, kind } = Object(value) as Partial<Command>;
  return (
    kind === "note" &&
    [id, at, Reflect.get(Object(value), "setId")].every((one) => typeof one === "string") &&
    typeof sender?.personId === "string"
  );
}

/** What was typed and is not among what waits yet; null for nothing that can be read. */
export function keptDraft(storage: Storage): Draft | null {
  try {
    const found: unknown = JSON.parse(storage.getItem(KEY) ?? "null");
    return isDraft(found) ? found : null;
  } catch {
    return null;
  }
}

/** Says what was typed; its draft goes once the device keeps it among what waits, or the server has it. */
export async function sayTyped(
  typed: Draft,
  outbox: Pick<Outbox, "say" | "becomes">,
  storage: Storage,
): Promise<void> {
  const became = outbox.becomes(typed.id);
  // A page on its way out is refused what it asks of the device, and nothing else has what was typed.
  if ((await outbox.say([typed])) || (await became).kind === "told") dropDraft(typed, storage);
}

/** Forgets a draft; one of another set, or typed on since, stays. */
function dropDraft(said: Command, storage: Storage): void {
  const kept = keptDraft(storage);
  if (kept === null || !isOfKind(said, "note")) return;
  if (kept.setId === said.setId && kept.text === said.text) storage.removeItem(KEY);
}
