import type { DecisionRequest, DecisionsReply } from "@mirrup/contract";
import type { SubjectSide } from "@mirrup/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { v7 as uuid } from "uuid";
import { post } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { offerUndo, tellFault } from "../app/undo.js";

/** What was ticked on paper, of one student. */
export interface Tick extends SubjectSide {
  readonly studentId: string;
}

/** Types ticks back from a sheet, all or none in one request; all of it can be taken back at once. */
export function useTicks() {
  const client = useQueryClient();
  const send = useMutation({
    mutationFn: (decisions: readonly DecisionRequest[]) =>
      post<DecisionsReply>("/decisions", { decisions, sentAt: new Date().toISOString() }),
    onError: tellFault,
    onSettled: () => readAnew(client, { topics: ["students"] }),
  });
  const takeBack = (requests: readonly DecisionRequest[]) =>
    send.mutate(
      requests.map((one) => ({
        ...one,
        id: uuid(),
        decision: { kind: "void", target: one.id },
        reason: "",
        at: new Date().toISOString(),
      })),
    );
  /** Whether they are stored; `done` is what is said then. */
  const log = async (ticks: readonly Tick[], reason: string, done: string): Promise<boolean> => {
    const at = new Date().toISOString();
    const requests = ticks.map(({ studentId, subject, side }): DecisionRequest => ({
      ...{ id: uuid(), studentId, subject, side, reason, at },
      decision: { kind: "clear", count: null },
    }));
    const stored = await send.mutateAsync(requests).catch(() => null);
    if (stored === null) return false;
    offerUndo(done, () => takeBack(requests));
    return true;
  };
  return { log, isPending: send.isPending };
}
