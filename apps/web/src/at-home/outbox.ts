/** What was counted at home, on the phone until the server has it. */
import type { HomeSet, HomeSetsReply, SetsReply } from "@mirrup/contract";
import { post } from "../app/api.js";
import { commandsIn, openDevice, Outbox, type Command } from "../device/parts/index.js";

const NAME = "mirrup-home";
const LONGEST_ALONE_MS = 40_000;

function homeSetOf(command: Command): readonly HomeSet[] {
  if (command.kind !== "set") return [];
  const { studentId: _own, countedBy: _student, ...set } = command.set;
  return [set];
}

async function tell(token: string, batch: readonly Command[], longestMs: number): Promise<SetsReply> {
  const body = { sets: batch.flatMap(homeSetOf), sentAt: new Date().toISOString() };
  const { stored, clockAheadSeconds } = await post<HomeSetsReply>(`/home/${token}/sets`, body, {
    longestMs,
  });
  return { stored, alreadyStored: [], clockAhead: [], clockAheadSeconds, changes: [], opened: [] };
}

/** The outbox of one link; what another link of this phone has waits for that. */
export function homeOutbox(token: string): Outbox {
  let opened: ReturnType<typeof openDevice> | undefined;
  return new Outbox({
    store: commandsIn(() => (opened ??= openDevice(NAME))),
    tell: (batch, longestMs) => tell(token, batch, longestMs),
    sender: () => senderOf(token),
    onSignedOut: () => undefined,
    alone: (work) =>
      isSecureContext
        ? navigator.locks.request(NAME, { signal: AbortSignal.timeout(LONGEST_ALONE_MS) }, work)
        : work(),
    toOtherTabs: () => undefined,
    after: (milliseconds, work) => {
      const timer = setTimeout(work, milliseconds);
      return () => clearTimeout(timer);
    },
  });
}

const senderOf = (token: string) => ({ personId: "student", studioId: token });

/** A set as it waits on the phone; whose it is, the link says. */
export function commandOf(token: string, set: HomeSet): Command {
  return {
    ...{ kind: "set", id: set.id, at: set.at, sender: senderOf(token) },
    set: { ...set, studentId: "", countedBy: "student" },
  };
}
