import type { SetRequest } from "@mirrup/contract";
import type { SideName } from "@mirrup/core";
import { roundCounts, type RoundAnswer } from "@mirrup/core/teaching";
import { v7 as uuid } from "uuid";

/** What one student is to do where a round is not the same for all. */
export interface RoundTask {
  readonly side: SideName;
  /** In a row. */
  readonly asked: number;
}

/** A round's answer as the set that it stands for. */
export function roundSet(
  who: { readonly studentId: string; readonly subject: string },
  { side, asked }: RoundTask,
  answer: RoundAnswer,
  at: Date,
): SetRequest {
  return {
    id: uuid(),
    ...who,
    side,
    drill: { kind: "streak", count: asked },
    ...roundCounts(answer, asked),
    countedBy: "hand",
    at: at.toISOString(),
  };
}
