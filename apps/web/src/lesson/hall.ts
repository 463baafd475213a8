/** A lesson under way: which step it is at, and what has changed since it was planned. Pure. */
import type { BegunStep, LessonProgress, LessonRun, LessonStudent, LessonView } from "@mirrup/contract";
import { retimed, type ClassStudent } from "@mirrup/core/planning";
import { stepsOf, type LessonStep, type ShownPlan } from "./shown.js";

/** Turns that are over or under way: those that a new plan leaves as they are. */
export function turnsBegun(plan: ShownPlan, progress: LessonProgress | null): number {
  return progress === null ? 0 : Math.min(plan.rotations.length, Math.max(0, progress.step));
}

export function stepAt(plan: ShownPlan, progress: LessonProgress | null): LessonStep | null {
  return progress === null ? null : (stepsOf(plan)[progress.step] ?? null);
}

/** The plan without who is away, and for whom jumping has ended: a turn that had begun may still have them. */
export function withoutAway(
  plan: ShownPlan,
  { students }: Pick<LessonView, "students">,
  people: readonly { readonly id: string; readonly hasStopped: boolean }[],
): ShownPlan {
  const absent = students.filter((one) => one.attendance === "absent").map((one) => one.studentId);
  const stopped = people.filter((one) => one.hasStopped).map((one) => one.id);
  const away = new Set([...absent, ...stopped]);
  return { ...plan, students: plan.students.filter((one) => !away.has(one.id)) };
}

/** Seconds that the step still has; below nothing once it is over its time. */
export function secondsLeft({ startedAt, minutes }: LessonProgress, now: number): number {
  return Math.round(60 * minutes - (now - Date.parse(startedAt)) / 1000);
}

/** The step after this one; a step of no minutes is passed over. Null where the lesson is over. */
export function stepAfter(
  plan: ShownPlan,
  progress: LessonProgress | null,
  now: Date,
): LessonProgress | null {
  const steps = stepsOf(plan);
  const from = progress === null ? 0 : progress.step + 1;
  const next = steps.findIndex((step, place) => place >= from && step.minutes > 0);
  if (next < 0) return null;
  const minutes = steps[next]?.minutes ?? 0;
  return {
    ...{ step: next, startedAt: now.toISOString(), minutes, skipped: progress?.skipped ?? [] },
    trail: progress === null ? [] : [...(progress.trail ?? []), begunOf(progress)],
  };
}

const begunOf = ({ step, startedAt, minutes }: BegunStep): BegunStep => ({ step, startedAt, minutes });

/** The step before this one as it was left, its clock running on; null where none is known. */
export function stepBefore({ skipped, trail = [] }: LessonProgress): LessonProgress | null {
  const before = trail.at(-1);
  if (before === undefined) return null;
  return {
    ...before,
    skipped: skipped.filter((step) => step < before.step),
    trail: trail.slice(0, -1),
  };
}

/** The turns' minutes when the later ones have so many more together, or fewer. */
export function turnsWith(plan: ShownPlan, begun: number, more: number): readonly number[] {
  const minutes = plan.rotations.map((turn) => turn.minutes);
  const later = minutes.slice(begun).reduce((sum, one) => sum + one, 0);
  return retimed(minutes, begun, later + more);
}

/** Who is planned for from now on: nobody who is away, and who comes late from the turn after next. */
export function studentsHere<T extends Omit<ClassStudent, "from">>(
  { students, progress }: Pick<LessonView, "students" | "progress">,
  options: readonly (T & { readonly hasStopped: boolean })[],
  begun: number,
): readonly (T & { readonly from: number })[] {
  const came = new Map(students.map((one) => [one.studentId, one]));
  return options.flatMap((one) => {
    const visit = came.get(one.id);
    if (visit === undefined || visit.attendance === "absent" || one.hasStopped) return [];
    // Before the lesson begins, who is late misses its first turn.
    const from = visit.attendance === "late" && progress === null ? 1 : begun;
    const { ownRope = null } = visit;
    return [{ ...one, from, ...(ownRope === null ? {} : { hasOwnRope: ownRope }) }];
  });
}

/** Whether the turns to come have somebody who is not here or not here yet, or lack somebody who is. */
export function isOutOfDate(
  plan: ShownPlan,
  here: readonly { readonly id: string; readonly from: number }[],
  begun: number,
): boolean {
  const placesOf = new Map(plan.students.map((one) => [one.id, one.places]));
  const ids = new Set(here.map((one) => one.id));
  const turns = plan.rotations.map((_, turn) => turn).filter((turn) => turn >= begun);
  const isMisplaced = here.some(({ id, from }) =>
    turns.some((turn) => turn >= from === ((placesOf.get(id)?.[turn] ?? null) === null)),
  );
  const isGone = plan.students.some(
    ({ id, places }) => !ids.has(id) && turns.some((turn) => (places[turn] ?? null) !== null),
  );
  return isMisplaced || isGone;
}

/** The lesson with what waits on this device to be sent. */
export function withRun(
  lesson: LessonView,
  { attendance = {}, ownRopes = {}, progress, finished }: LessonRun,
): LessonView {
  const known = new Set(lesson.students.map((one) => one.studentId));
  const newcomers = Object.keys(attendance).filter((id) => !known.has(id));
  const students = [
    ...lesson.students,
    ...newcomers.map((studentId): LessonStudent => ({ studentId, attendance: "expected", places: [] })),
  ];
  return {
    ...lesson,
    students: students.map((one) => ({
      ...one,
      attendance: attendance[one.studentId] ?? one.attendance,
      ownRope: ownRopes[one.studentId] ?? one.ownRope ?? null,
    })),
    ...(progress === undefined ? {} : { progress }),
    ...(finished === undefined
      ? {}
      : { finishedAt: finished ? (lesson.finishedAt ?? new Date().toISOString()) : null }),
  };
}
