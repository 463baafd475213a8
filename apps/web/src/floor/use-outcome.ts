import type { Opened, SetRequest, SetsReply, StandingChange } from "@mirrup/contract";
import { useOutbox } from "../device/index.js";

/** What became of a finished set. */
export type Outcome =
  | { readonly kind: "sending" }
  | { readonly kind: "kept" }
  | { readonly kind: "signed-out" }
  | { readonly kind: "refused"; readonly message: string }
  | {
      readonly kind: "stored";
      readonly change: StandingChange | undefined;
      readonly opened: readonly Opened[];
    };

function storedBy(reply: SetsReply, set: SetRequest): Outcome {
  const mine = (one: { readonly studentId: string }) => one.studentId === set.studentId;
  return {
    kind: "stored",
    change: reply.changes.find((one) => mine(one) && one.subject === set.subject && one.side === set.side),
    opened: reply.opened.filter(mine),
  };
}

/** What becomes of a finished set, for as long as it is looked at. */
export function useOutcome(set: SetRequest | null): Outcome {
  const { replies, refused, silent, signedOut } = useOutbox();
  if (set === null) return { kind: "sending" };
  const reply = replies.get(set.id);
  if (reply !== undefined) return storedBy(reply, set);
  const refusal = refused.find((one) => one.command.id === set.id)?.refusal;
  if (refusal) return { kind: "refused", message: refusal.message };
  if (signedOut) return { kind: "signed-out" };
  return { kind: silent ? "kept" : "sending" };
}
