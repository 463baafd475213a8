import type { DecisionRequest, DecisionsReply, LoggedDecision } from "@mirrup/contract";
import type { SideName } from "@mirrup/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { v7 as uuid } from "uuid";
import { post } from "../app/api.js";
import { offerUndo, tellFault } from "../app/undo.js";

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

/** Decides about a student's skill sides; what is derived from them is read anew, and undo is a void. */
export function useDecide(studentId: string) {
  const client = useQueryClient();
  const logged = useMutation({
    mutationFn: (decisions: readonly DecisionRequest[]) =>
      post<DecisionsReply>("/decisions", { decisions, sentAt: new Date().toISOString() }),
    onError: tellFault,
    onSettled: () =>
      Promise.all(
        [["students"], ["groups"], ["studio", "audit"]].map((queryKey) =>
          client.invalidateQueries({ queryKey }),
        ),
      ),
  });
  const requestOf = ({ id = uuid(), subject, side, decision, reason }: Deciding): DecisionRequest => ({
    id,
    studentId,
    subject,
    side,
    decision,
    reason,
    at: new Date().toISOString(),
  });
  const takeBack = (requests: readonly DecisionRequest[]) =>
    logged.mutateAsync(
      requests.map(({ id, subject, side }) =>
        requestOf({ subject, side, decision: { kind: "void", target: id }, reason: "" }),
      ),
    );
  const decide = async (...all: readonly Deciding[]): Promise<boolean> => {
    const requests = all.map(requestOf);
    try {
      await logged.mutateAsync(requests);
    } catch {
      return false;
    }
    const [{ done } = {}] = all;
    if (done !== undefined) offerUndo(done, () => void takeBack(requests).catch(() => undefined));
    return true;
  };
  return { decide, isPending: logged.isPending };
}
