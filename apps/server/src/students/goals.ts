/** What a student works toward: the goals, with what is left of a programme in its place. */
import { programmesOf } from "@mirrup/core";
import { goalsInForce, type Goal, type Reading } from "@mirrup/core/teaching";
import type { Scope } from "../database/scope.js";
import { leadingSide, type StudentEntity } from "./student.entity.js";

/** The student's own goals, or others that are asked about, in force for them. */
export function goalsFor(
  scope: Scope,
  student: StudentEntity,
  reading: Reading,
  goals: readonly Goal[] = student.goals,
): readonly Goal[] {
  const programmes = programmesOf(scope.overlay);
  // Nobody works at what is ended.
  const going = goals.filter(({ subject }) => programmes.get(subject)?.isEnded !== true);
  return goalsInForce(going, programmes, reading, leadingSide(student));
}
