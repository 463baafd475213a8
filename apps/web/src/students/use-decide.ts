import type { DecisionRequest, LoggedDecision } from "@mirrup/contract";
import type { SideName } from "@mirrup/core";
import { useState } from "react";
import { v7 as uuid } from "uuid";
import { offerUndo, tellFault, tellNote } from "../app/undo.js";
import { outbox, sayDecisions } from "../device/index.js";

export interface Deciding {
  /** Made here where it is not given. */
  readonly id?: string;
  readonly subject: string;
  readonly side: SideName;
  readonly decision: LoggedDecision;
  readonly reason: string;
  /** What is said when it is done, beside a way back; nothing is said without. */
  readonly done?: string;
}

/** Decides about a student's skill sides, also while nobody answers; undo is a void. */
export function useDecide(studentId: string) {
  const [pending, setPending] = useState(0);
  const requestOf = ({ id = uuid(), subject, side, decision, reason }: Deciding): DecisionRequest => ({
    ...{ id, studentId, subject, side, decision, reason },
    at: new Date().toISOString(),
  });
  /** Whether it stands: with the server, or on this device until it answers. */
  const say = async (requests: readonly DecisionRequest[]): Promise<boolean> => {
    setPending((before) => before + 1);
    try {
      const became = await sayDecisions(studentId, requests);
      if (became.kind === "kept")
        tellNote("It is kept on this device, and counts as soon as the server answers.");
      if (became.kind !== "refused") return true;
      // Whoever decided looks at it now: it is not to be found among what waits.
      await outbox.discard(became.refused);
      tellFault(new Error(became.refused.refusal?.message));
      return false;
    } finally {
      setPending((before) => before - 1);
    }
  };
  const takeBack = (requests: readonly DecisionRequest[]) =>
    say(
      requests.map(({ id, subject, side }) =>
        requestOf({ subject, side, decision: { kind: "void", target: id }, reason: "" }),
      ),
    );
  const decide = async (...all: readonly Deciding[]): Promise<boolean> => {
    const requests = all.map(requestOf);
    if (!(await say(requests))) return false;
    const [{ done } = {}] = all;
    if (done !== undefined) offerUndo(done, () => void takeBack(requests));
    return true;
  };
  return { decide, isPending: pending > 0 };
}
