/** Views of a student's standings that are more than a list of them. */
import { CATALOGUE } from "@mirrup/catalogue";
import type { PathView, SchoolReading } from "@mirrup/contract";
import {
  goalPath,
  isMet,
  SCHOOL_IDS,
  statusCodes,
  type Goal,
  type SchoolId,
  type Standing,
  type StandingContext,
} from "@mirrup/core";
import { RefusedFieldsProblem } from "../problems/problem.js";

/** Goals from an address, `cross:left`. Refuses those that name no skill. */
export function goalsOf(texts: readonly string[]): readonly Goal[] {
  return texts.map((text) => {
    const at = text.lastIndexOf(":");
    const goal = { subject: text.slice(0, at), side: text.slice(at + 1) as Goal["side"] };
    if (CATALOGUE.skills.has(goal.subject)) return goal;
    const message = `"${goal.subject}" is not a skill of the catalogue. Choose one from the skill book.`;
    throw new RefusedFieldsProblem([{ field: "goal", code: "unknown-subject", message }]);
  });
}

export function pathOf(
  standings: readonly Standing[],
  goals: readonly Goal[],
  context: StandingContext,
): PathView {
  return { goals, ...goalPath(standings, goals, context) };
}

export function schoolsOf(under: (school: SchoolId) => readonly Standing[]): SchoolReading[] {
  return SCHOOL_IDS.map((school) => {
    const standings = under(school);
    const cleared = standings.filter((one) => isMet(one.status)).length;
    return { school, codes: statusCodes(standings), cleared };
  });
}
