import type { SetRequest } from "@mirrup/contract";
import type { Drill, SideName } from "@mirrup/core";
import { roundCounts, type RoundAnswer } from "@mirrup/core/teaching";

/** What one student is to do where a round is not the same for all. */
export interface RoundTask {
  readonly side: SideName;
  readonly drill: Drill;
}

/** A round's answer as the set that it stands for; `beats` are those of a repetition. */
export function roundSet(
  {
    beats,
    ...who
  }: { readonly id: string; readonly studentId: string; readonly subject: string; readonly beats: number },
  { side, drill }: RoundTask,
  answer: RoundAnswer,
  at: Date,
): SetRequest {
  return {
    ...who,
    side,
    drill,
    ...roundCounts(answer, drill, beats),
    countedBy: "hand",
    at: at.toISOString(),
  };
}
