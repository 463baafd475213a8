import type { DecisionRequest, SetRequest } from "@mirrup/contract";
import type { DecisionEntity } from "./decision.entity.js";
import type { SetEntity } from "./set.entity.js";

/** The log's line as the request that would have made it, so that what was sent twice can be told. */
export function requestOf(stored: SetEntity): SetRequest {
  const { id, studentId, subject, side, drill, clean, misses, bestStreak, seconds, said, countedBy, ticks } =
    stored;
  const at = stored.deviceAt.toISOString();
  const common = { id, studentId, subject, side, drill, clean, misses, bestStreak, countedBy, at };
  return {
    ...common,
    ...(seconds === null ? {} : { seconds }),
    ...(said === null ? {} : { said }),
    ...(ticks === null ? {} : { ticks }),
  };
}

export function decisionRequestOf(stored: DecisionEntity): DecisionRequest {
  const { id, studentId, subject, side, decision, reason } = stored;
  return { id, studentId, subject, side, decision, reason, at: stored.deviceAt.toISOString() };
}
