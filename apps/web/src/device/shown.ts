/** What was said on this device and is not with the server yet, over what was read of it. Pure. */
import type { JumpMeasure, LessonRun } from "@mirrup/contract";
import { localDate } from "@mirrup/core";
import { isOfKind, type Command } from "./command.js";

/** What was pressed last of a student on a day; undefined where nothing waits. */
export function pressedOf(
  said: readonly Command[],
  studentId: string,
  day: string,
  timeZone: string,
): boolean | undefined {
  return said
    .filter((one) => isOfKind(one, "stop"))
    .filter((one) => one.studentId === studentId && localDate(Date.parse(one.at), timeZone) === day)
    .at(-1)?.stops;
}

/** Two runs as one: the later word on each thing counts. */
export function runsTogether(earlier: LessonRun, later: LessonRun): LessonRun {
  const by = (of: "attendance" | "ownRopes") =>
    earlier[of] === undefined && later[of] === undefined ? {} : { [of]: { ...earlier[of], ...later[of] } };
  return { ...earlier, ...later, ...by("attendance"), ...by("ownRopes") };
}

/** What waits of a lesson; null for nothing. */
export function runOf(said: readonly Command[], lessonId: string): LessonRun | null {
  const runs = said
    .filter((one) => isOfKind(one, "lesson"))
    .flatMap((one) => (one.lessonId === lessonId ? [one.run] : []));
  return runs.length === 0 ? null : runs.reduce(runsTogether);
}

/** A student whom this device has told of, or is about to. */
export interface Newcomer {
  readonly id: string;
  readonly name: string;
}

/** Who was added on this device, in order. */
export function newcomersOf(said: readonly Command[]): readonly Newcomer[] {
  return said
    .filter((one) => isOfKind(one, "student"))
    .map(({ studentId, name }) => ({ id: studentId, name }));
}

/** A student's measured jumps as they are with what was said here: the newest first, without what is taken back. */
export function jumpsOf(
  said: readonly Command[],
  studentId: string,
  stored: readonly JumpMeasure[],
): readonly JumpMeasure[] {
  const jumps = new Map(stored.map((jump) => [jump.id, jump]));
  for (const one of said) {
    if (!isOfKind(one, "jump") || one.studentId !== studentId) continue;
    if (one.removed) jumps.delete(one.jump.id);
    else jumps.set(one.jump.id, one.jump);
  }
  return [...jumps.values()].sort((one, other) => (one.measuredAt < other.measuredAt ? 1 : -1));
}
