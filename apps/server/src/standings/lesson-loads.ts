/** The landings of each lesson, kept in step with the log, so that a week is read without it. */
import { DAY_MS, localDate, sideScore } from "@mirrup/core";
import { setLoad } from "@mirrup/core/teaching";
import { Between, In, MoreThanOrEqual } from "typeorm";
import type { Scope } from "../database/scope.js";
import type { LogSet } from "../log/index.js";
import { LessonLoadEntity } from "./lesson-load.entity.js";

/** Weeks further back say nothing about this one's allowance. */
const LOOKED_BACK_DAYS = 400;
const KEY = ["studioId", "studentId", "day"];

type Row = Pick<LessonLoadEntity, keyof LessonLoadEntity>;

function loadOf(scope: Scope, set: LogSet, times: 1 | -1): Row {
  // A set of a combo says itself what was jumped; of what the catalogue has not, each try was a landing.
  const skill = scope.catalogue.skills.get(set.subject) ?? scope.hidden.get(set.subject);
  const score = skill === undefined ? null : sideScore(skill, set.side);
  const { landings, multiples } = setLoad(score, set);
  return {
    studioId: scope.studio.id,
    studentId: set.studentId,
    day: localDate(set.happenedAt.getTime(), scope.studio.timeZone),
    landings: times * landings,
    estimated: set.countedBy === "hand" || set.countedBy === "student" ? times * landings : 0,
    multiples: times * multiples,
  };
}

function keyOf({ studentId, day }: Row): string {
  return `${studentId} ${day}`;
}

function sums(rows: readonly Row[]): readonly Row[] {
  const byKey = new Map<string, Row>();
  for (const row of rows) {
    const sum = byKey.get(keyOf(row)) ?? { ...row, landings: 0, estimated: 0, multiples: 0 };
    byKey.set(keyOf(row), {
      ...sum,
      landings: sum.landings + row.landings,
      estimated: sum.estimated + row.estimated,
      multiples: sum.multiples + row.multiples,
    });
  }
  return [...byKey.values()];
}

/** Adds sets to their lessons, or takes them out; one read and one write however many. */
export async function addLoads(scope: Scope, sets: readonly LogSet[], times: 1 | -1 = 1): Promise<void> {
  if (sets.length === 0) return;
  const added = sums(sets.map((set) => loadOf(scope, set, times)));
  const kept = await scope.manager.findBy(LessonLoadEntity, {
    studioId: scope.studio.id,
    studentId: In([...new Set(added.map((row) => row.studentId))]),
    day: In([...new Set(added.map((row) => row.day))]),
  });
  const touched = new Set(added.map(keyOf));
  const rows = sums([...kept.filter((row) => touched.has(keyOf(row))), ...added]);
  await scope.manager.upsert(LessonLoadEntity, [...rows], KEY);
}

/** Makes a student's lessons anew from all of their sets. */
export async function remakeLoads(scope: Scope, studentId: string, sets: readonly LogSet[]): Promise<void> {
  await scope.manager.delete(LessonLoadEntity, { studioId: scope.studio.id, studentId });
  await addLoads(scope, sets);
}

/** The lessons of some students from one day to another, in no order. */
export async function loadsBetween(
  { manager, studio }: Scope,
  studentIds: readonly string[],
  { from, to }: { readonly from: string; readonly to: string },
): Promise<readonly LessonLoadEntity[]> {
  const studentId = In([...studentIds]);
  return manager.findBy(LessonLoadEntity, { studioId: studio.id, studentId, day: Between(from, to) });
}

/** The lessons of some students in the last year and a bit, in no order; one query. */
export async function loadsOf(
  scope: Scope,
  studentIds: readonly string[],
): Promise<ReadonlyMap<string, readonly LessonLoadEntity[]>> {
  const first = localDate(scope.now.getTime() - LOOKED_BACK_DAYS * DAY_MS, scope.studio.timeZone);
  const rows = await scope.manager.findBy(LessonLoadEntity, {
    studioId: scope.studio.id,
    studentId: In([...studentIds]),
    day: MoreThanOrEqual(first),
  });
  return new Map(studentIds.map((id) => [id, rows.filter((row) => row.studentId === id)]));
}
