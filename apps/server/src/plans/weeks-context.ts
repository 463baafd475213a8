import { fusedFirstOf } from "@mirrup/catalogue";
import { DAY_MS, type LocalDate } from "@mirrup/core";
import { mayGrow, type ClassWeeksStudent, type WeeksContext } from "@mirrup/core/planning";
import {
  goalPath,
  landingsOf,
  multiplesOf,
  weekLoad,
  type Goal,
  type LessonLoad,
  type Reading,
  type Standing,
} from "@mirrup/core/teaching";
import type { Scope } from "../database/scope.js";
import { RefusedFieldsProblem } from "../problems/problem.js";
import { goalsFor, type StudentEntity } from "../students/index.js";
import { todayOf, weekStartsOn } from "./today.js";

const MOST_DAYS = 2 * 366;
/** Tries toward the goals in a lesson of somebody who has had none yet. */
const USUAL_TRIES = 60;
/** Lessons that the tries of a lesson are read from. */
const LESSONS_LOOKED_BACK = 4;

export interface WeeksLearner {
  readonly student: StudentEntity;
  readonly reading: Reading;
  readonly loads: readonly LessonLoad[];
}

/** The way to some goals from where somebody stands. */
export function wayTo(
  scope: Scope,
  { student, reading }: WeeksLearner,
  goals: readonly Goal[],
): Pick<WeeksContext, "steps" | "tries"> {
  const fusedFirst = fusedFirstOf(student.settings, scope.studio.settings);
  const { steps, tries } = goalPath(reading, goalsFor(scope, student, reading, goals), { fusedFirst });
  return { steps, tries };
}

/** What a student's weeks toward some goals are made of; `tries` a lesson, or those of the last lessons. */
export function weeksContext(
  scope: Scope,
  learner: WeeksLearner,
  goals: readonly Goal[],
  tries: number | undefined,
): ClassWeeksStudent["context"] {
  const { student, reading, loads } = learner;
  const today = todayOf(scope);
  const { allowance, landings } = weekLoad(loads, today, weekStartsOn(scope));
  return {
    ...wayTo(scope, learner, goals),
    allowance,
    reviews: reading.standings.flatMap(({ of: { subject, side }, facts }) =>
      facts.review === null ? [] : [{ subject, side, due: facts.review.due }],
    ),
    triesALesson: tries ?? usualTries(reading.standings),
    landingsOf: ({ score }) => landingsOf(score),
    multiplesOf: ({ score }) => multiplesOf(score),
    grows: mayGrow(student.birthYear, today),
    landingsThisWeek: landings,
    weekStartsOn: weekStartsOn(scope),
  };
}

/** Refuses a date that is past or too far. */
export function checkDate(today: LocalDate, until: LocalDate): void {
  const field = "until";
  if (until <= today) {
    const message = "That date is not ahead of today. Choose one that is.";
    throw new RefusedFieldsProblem([{ field, code: "past-date", message }]);
  }
  if (Date.parse(until) - Date.parse(today) > MOST_DAYS * DAY_MS) {
    const message = "That date is more than two years ahead. Choose one within two years.";
    throw new RefusedFieldsProblem([{ field, code: "far-date", message }]);
  }
}

/** The middle of what the last lessons came to in tries, over all sides. */
function usualTries(standings: readonly Standing[]): number {
  const byLesson = new Map<LocalDate, number>();
  for (const { facts } of standings) {
    for (const { lesson, worked } of facts.lessons)
      byLesson.set(lesson, (byLesson.get(lesson) ?? 0) + worked);
  }
  const recent = [...byLesson].sort(([one], [other]) => (one < other ? 1 : -1));
  const tries = recent.slice(0, LESSONS_LOOKED_BACK).map(([, many]) => many);
  tries.sort((one, other) => one - other);
  return Math.max(1, Math.round(tries[Math.floor(tries.length / 2)] ?? USUAL_TRIES));
}
