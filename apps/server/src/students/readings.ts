/** Views of a student's standings that are more than a list of them. */
import type { PathView, SchoolReading } from "@mirrup/contract";
import { programmesOf, SCHOOL_IDS, type SchoolId, type SubjectSide } from "@mirrup/core";
import {
  goalPath,
  isMet,
  statusCodes,
  type Goal,
  type PathOptions,
  type Reading,
} from "@mirrup/core/teaching";
import type { Scope } from "../database/scope.js";
import { RefusedFieldsProblem } from "../problems/problem.js";

/** Goals from an address, `cross:left`. Refuses those that name no skill and no programme. */
export function goalsOf({ catalogue, overlay }: Scope, texts: readonly string[]): readonly Goal[] {
  return texts.map((text) => {
    const at = text.lastIndexOf(":");
    const goal = { subject: text.slice(0, at), side: text.slice(at + 1) as Goal["side"] };
    if (catalogue.skills.has(goal.subject) || programmesOf(overlay).has(goal.subject)) return goal;
    const message = `"${goal.subject}" is not a skill of the catalogue. Choose one from the skill book.`;
    throw new RefusedFieldsProblem([{ field: "goal", code: "unknown-subject", message }]);
  });
}

const named = ({ subject, side }: SubjectSide): SubjectSide => ({ subject, side });

/** The way to some goals, told with those that were asked for. */
export function pathOf(
  reading: Reading,
  goals: readonly Goal[],
  inForce: readonly Goal[],
  options: PathOptions,
): PathView {
  const { steps, choices, tries } = goalPath(reading, inForce, options);
  return {
    goals,
    steps: steps.map(({ of, ...step }) => ({ ...named(of), ...step })),
    choices: choices.map(({ of, taken, passed }) => ({
      ...named(of),
      taken: taken.map(named),
      passed: passed.map((way) => way.map(named)),
    })),
    tries,
  };
}

export function schoolsOf(under: (school: SchoolId) => Reading): SchoolReading[] {
  return SCHOOL_IDS.map((school) => {
    const { standings } = under(school);
    const cleared = standings.filter((one) => isMet(one.status)).length;
    return { school, codes: statusCodes(standings), cleared };
  });
}
