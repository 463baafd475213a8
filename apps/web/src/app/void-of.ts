import type { DecisionRequest } from "@mirrup/contract";
import { v7 as uuid } from "uuid";

/** What takes back a set or a decision. */
export function voidOf(
  { id: target, studentId, subject, side }: Pick<DecisionRequest, "id" | "studentId" | "subject" | "side">,
  now: Date,
): DecisionRequest {
  return {
    ...{ id: uuid(), studentId, subject, side, reason: "", at: now.toISOString() },
    decision: { kind: "void", target },
  };
}
