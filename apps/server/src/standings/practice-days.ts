/** What was done at each side on each day, kept in step with the log: a record is read from it, however long the log. */
import { DAY_MS, grouped, type LocalDate, type SideName } from "@mirrup/core";
import { mergeDays, practiceDays, type PracticeDay } from "@mirrup/core/teaching";
import { Between, In } from "typeorm";
import type { Scope } from "../database/scope.js";
import { insertAll } from "../database/insert-all.js";
import {
  acceptedBy,
  DecisionEntity,
  LOG_SET_FIELDS,
  SetEntity,
  voidedBy,
  type LogSet,
} from "../log/index.js";
import { loggedSet } from "./log-lines.js";
import { PracticeDayEntity } from "./practice-day.entity.js";

/** A student's sums of a day. */
interface OwnDay extends PracticeDay {
  readonly studentId: string;
}

const keyOf = ({ studentId, day, subject, side }: Pick<OwnDay, "studentId" | "day" | "subject" | "side">) =>
  `${studentId} ${day} ${subject} ${side}`;

function daysIn(scope: Scope, sets: readonly LogSet[]): readonly OwnDay[] {
  return [...grouped(sets, (set) => set.studentId)].flatMap(([studentId, own]) =>
    practiceDays(own.map((set) => loggedSet(set, scope.studio.timeZone))).map((day) => ({
      ...day,
      studentId,
    })),
  );
}

function rowOf(scope: Scope, { studentId, day, subject, side, ...sums }: OwnDay): PracticeDayEntity {
  return { studioId: scope.studio.id, studentId, day, subject, side, sums };
}

const dayOf = ({ studentId, day, subject, side, sums }: PracticeDayEntity): OwnDay => ({
  ...{ studentId, day, subject, side },
  ...sums,
});

/** Adds sets to their days; one read and one write however many. */
export async function addDays(scope: Scope, sets: readonly LogSet[]): Promise<void> {
  if (sets.length === 0) return;
  const added = daysIn(scope, sets);
  const touched = new Set(added.map(keyOf));
  const rows = await scope.manager.findBy(PracticeDayEntity, {
    studioId: scope.studio.id,
    studentId: In([...new Set(added.map((one) => one.studentId))]),
    day: In([...new Set(added.map((one) => one.day))]),
  });
  const kept = rows.map(dayOf).filter((one) => touched.has(keyOf(one)));
  const both = [...grouped([...kept, ...added], (one) => one.studentId)].flatMap(([studentId, own]) =>
    mergeDays(own).map((day) => ({ ...day, studentId })),
  );
  await write(scope, both);
}

async function write(scope: Scope, days: readonly OwnDay[]): Promise<void> {
  if (days.length === 0) return;
  await scope.manager.upsert(
    PracticeDayEntity,
    days.map((day) => rowOf(scope, day)),
    ["studioId", "studentId", "day", "subject", "side"],
  );
}

/**
 * The days of one student's sets made anew from all that stands of them: after some were taken back, or accepted. One
 * statement a day and side, and three more however many: a whole file's sets can be taken back at once.
 */
export async function remakeDays(scope: Scope, studentId: string, sets: readonly SetEntity[]): Promise<void> {
  if (sets.length === 0) return;
  const { manager, studio } = scope;
  const about = await manager
    .createQueryBuilder(DecisionEntity, "line")
    .where({ studioId: studio.id, studentId })
    .andWhere("line.decision ->> 'kind' IN ('void', 'accept')")
    .getMany();
  const voided = voidedBy(about);
  const accepted = acceptedBy(about);
  const made: OwnDay[] = [];
  const lost: Pick<PracticeDayEntity, "studioId" | "studentId" | "day" | "subject" | "side">[] = [];
  for (const { day, subject, side } of daysIn(scope, sets)) {
    const around = await setsAround(scope, { studentId, day, subject, side });
    const standing = around
      .filter(({ id }) => !voided.has(id))
      .map((set): LogSet => (accepted.has(set.id) ? { ...set, countedBy: "hand" } : set));
    const own = daysIn(scope, standing).filter((one) => one.day === day);
    made.push(...own);
    if (own.length === 0) lost.push({ studioId: studio.id, studentId, day, subject, side });
  }
  await write(scope, made);
  if (lost.length > 0) await manager.delete(PracticeDayEntity, lost);
}

interface DayKey {
  readonly studentId: string;
  readonly day: LocalDate;
  readonly subject: string;
  readonly side: SideName;
}

/** The sets of a side around a day, along the index by subject. */
function setsAround(
  { manager, studio }: Scope,
  { studentId, day, subject, side }: DayKey,
): Promise<readonly LogSet[]> {
  const noon = Date.parse(`${day}T12:00:00Z`);
  const query = manager.createQueryBuilder(SetEntity, "line").select([]);
  for (const field of LOG_SET_FIELDS) query.addSelect(`line.${field}`, field);
  return (
    query
      .where({ studioId: studio.id, studentId, subject, side })
      // The day of any time zone lies within.
      .andWhere("line.happened_at BETWEEN :from AND :to", {
        from: new Date(noon - 2 * DAY_MS),
        to: new Date(noon + 2 * DAY_MS),
      })
      .getRawMany<LogSet>()
  );
}

/** Makes all days of a student anew from the sets that stand. */
export async function remakeAllDays(scope: Scope, studentId: string, sets: readonly LogSet[]): Promise<void> {
  await scope.manager.delete(PracticeDayEntity, { studioId: scope.studio.id, studentId });
  const rows = daysIn(scope, sets).map((day) => rowOf(scope, day));
  if (rows.length > 0) await insertAll(scope.manager, PracticeDayEntity, rows);
}

/** What some students did from one day to another. */
export async function daysOf(
  { manager, studio }: Scope,
  studentIds: readonly string[],
  { from, to }: { readonly from: LocalDate; readonly to: LocalDate },
): Promise<readonly OwnDay[]> {
  const where = { studioId: studio.id, studentId: In([...studentIds]), day: Between(from, to) };
  return (await manager.findBy(PracticeDayEntity, where)).map(dayOf);
}
