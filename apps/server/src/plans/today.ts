import { settingValue } from "@mirrup/catalogue";
import { dayAfter, localDate } from "@mirrup/core";
import { mayGrow, PLAN_LIMITS, type ClassStudent, type StudentPlanContext } from "@mirrup/core/planning";
import { weekLoad, type LessonLoad } from "@mirrup/core/teaching";
import type { Scope } from "../database/scope.js";
import { fittingRope, type StudentEntity } from "../students/index.js";

/** The day on which the studio's week starts, from 1 for Monday. */
export function weekStartsOn(scope: Scope): number {
  return Number(settingValue("week-start", scope.studio.settings));
}

export function todayOf(scope: Scope): string {
  return localDate(scope.now.getTime(), scope.studio.timeZone);
}

/** Whether the new, hard skill is tried early or late, by the student's setting or the studio's. */
export function hardSkillOf(scope: Scope, student?: StudentEntity): "late" | "early" {
  const own = student === undefined ? [] : [student.settings];
  return settingValue("hard-skill", ...own, scope.studio.settings) === "early" ? "early" : "late";
}

/** The length of rope that a student should have, mm, where their height is known; and whether they have one. */
export function ropeOf(
  scope: Scope,
  student: StudentEntity,
): Required<Pick<ClassStudent, "ropeMm" | "hasOwnRope">> {
  const { ropeKind, ropeLengthMm } = student;
  return {
    ropeMm: fittingRope(scope, student),
    hasOwnRope: ropeKind !== null || ropeLengthMm !== null,
  };
}

/**
 * What the week and the lesson leave of landings and, for whoever still grows, of multiples; null
 * where nothing is judged. A day of many multiples has one without them after it.
 */
export function leftToday(
  scope: Scope,
  { birthYear }: Pick<StudentEntity, "birthYear">,
  loads: readonly LessonLoad[],
): Required<Pick<StudentPlanContext, "landingsLeft" | "multiplesLeft" | "isRestDay">> {
  const today = todayOf(scope);
  const week = weekLoad(loads, today, weekStartsOn(scope));
  const multiplesOn = (day: string) => loads.find((one) => one.day === day)?.multiples ?? 0;
  const done = multiplesOn(today);
  const grows = mayGrow(birthYear, today);
  return {
    landingsLeft: week.allowance === null ? null : Math.max(0, week.allowance - week.landings),
    multiplesLeft: grows ? Math.max(0, PLAN_LIMITS.growingMultiples - done) : null,
    isRestDay: grows && multiplesOn(dayAfter(today, -1)) >= PLAN_LIMITS.highImpact,
  };
}
