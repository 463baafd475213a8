import type { DecisionRequest, DecisionsReply } from "@mirrup/contract";
import type { LocalDate, SubjectSide } from "@mirrup/core";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { v7 as uuid } from "uuid";
import { ownDay } from "../app/own-day.js";
import { post } from "../app/api.js";
import { readAnew } from "../app/read-anew.js";
import { useSame } from "../app/use-same.js";
import { offerUndo, tellFault } from "../app/undo.js";
import { voidOf } from "../app/void-of.js";

/** What was ticked on paper, of one student. */
export interface Tick extends SubjectSide {
  readonly studentId: string;
}

/** When something was seen on a day: now for today, noon of the device for any other. */
export function instantOn(day: string, now: Date): Date {
  return day === ownDay(now.getTime()) ? now : new Date(`${day}T12:00:00`);
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
  const same = useSame<readonly DecisionRequest[]>();
  const takeBack = (requests: readonly DecisionRequest[]) =>
    send.mutate(requests.map((one) => voidOf(one, new Date())));
  /** Whether they are stored; `done` is what is said then. `on` is the day on which it was seen; today where it is left out. */
  const log = async (
    ticks: readonly Tick[],
    reason: string,
    done: string,
    on: LocalDate = ownDay(),
  ): Promise<boolean> => {
    const requests = same.of(JSON.stringify([ticks, reason, on]), () => {
      const at = instantOn(on, new Date()).toISOString();
      return ticks.map(({ studentId, subject, side }): DecisionRequest => ({
        ...{ id: uuid(), studentId, subject, side, reason, at },
        decision: { kind: "clear", count: null },
      }));
    });
    const stored = await send.mutateAsync(requests).catch(() => null);
    if (stored === null) return false;
    same.forget();
    offerUndo(done, () => takeBack(requests));
    return true;
  };
  return { log, isPending: send.isPending };
}
