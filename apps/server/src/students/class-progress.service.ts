import { fusedFirstOf, settingValue } from "@mirrup/catalogue";
import {
  REFITTED_NUMBERS,
  REFITTED_TABLES,
  type ClassPeriodQuery,
  type ClassProgressView,
  type RefittedNumber,
  type RefitView,
  type StudentProgress,
} from "@mirrup/contract";
import { grouped, type SubjectSide } from "@mirrup/core";
import {
  addPractice,
  furthestBehind,
  HANDBOOK_MODEL,
  heldUpBy,
  isAway,
  loadWeeks,
  mergeDays,
  NO_PRACTICE,
  readModel,
  standsStill,
  type PracticeDay,
  type PracticeSums,
  type Reading,
} from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { MembersService } from "../groups/index.js";
import { daysOf, loadsBetween, skillsReading, StandingsService } from "../standings/index.js";
import { goalsFor } from "./goals.js";
import { clearedIn, periodOf, type Period } from "./progress.service.js";
import type { StudentEntity } from "./student.entity.js";
import { StudentsService } from "./students.service.js";

/** A number of the model that is another by less than this says the same. */
const SAME = 0.1;

interface Attended {
  readonly studentId: string;
  readonly came: number;
  readonly missing: number;
}

/** Who came to the lessons of a period that have been held; one query. */
async function attendanceIn(
  { manager, studio }: Scope,
  ids: readonly string[],
  { from, to }: Period,
): Promise<ReadonlyMap<string, Attended>> {
  const rows = await manager.query<Attended[]>(
    `SELECT visit.student_id AS "studentId",
            count(*) FILTER (WHERE visit.attendance IN ('present', 'late'))::int AS came,
            count(*) FILTER (WHERE visit.attendance = 'absent')::int AS missing
       FROM lesson_student AS visit
       JOIN lesson ON lesson.studio_id = visit.studio_id AND lesson.id = visit.lesson_id
      WHERE visit.studio_id = $1 AND visit.student_id = ANY ($2) AND lesson.day BETWEEN $3 AND $4
      GROUP BY visit.student_id`,
    [studio.id, ids, from, to],
  );
  return new Map(rows.map((row) => [row.studentId, row]));
}

const sideOf = ({ subject, side }: SubjectSide): SubjectSide => ({ subject, side });

/** What one student's part of a class's period comes to. */
function progressOf(
  scope: Scope,
  student: StudentEntity,
  reading: Reading,
  of: {
    readonly period: Period;
    readonly days: readonly PracticeDay[];
    readonly landings: number;
    readonly attended: Attended | undefined;
  },
): StudentProgress {
  const { days, period, landings, attended } = of;
  const cleared = clearedIn(scope, reading, period);
  const sums = days.reduce<PracticeSums>(addPractice, NO_PRACTICE);
  const lastAt = reading.standings.reduce<number | null>(
    (last, { facts }) => (facts.lastAt === null ? last : Math.max(last ?? facts.lastAt, facts.lastAt)),
    null,
  );
  const fusedFirst = fusedFirstOf(student.settings, scope.studio.settings);
  return {
    ...{ studentId: student.id, name: student.name },
    lastAt: lastAt === null ? null : new Date(lastAt).toISOString(),
    isAway: isAway(lastAt, scope.now.getTime()),
    standsStill: standsStill(days, cleared.length),
    stuck: reading.standings.filter(({ isStuck }) => isStuck).map(({ of: side }) => sideOf(side)),
    behind: furthestBehind(reading, days),
    days: new Set(days.filter(({ sets }) => sets > 0).map(({ day }) => day)).size,
    ...{ clean: sums.clean, missed: sums.missed, landings, cleared },
    ...{ came: attended?.came ?? 0, missing: attended?.missing ?? 0 },
    heldUpBy: heldUpBy(reading, goalsFor(scope, student, reading), { fusedFirst })
      .filter((side) => side !== reading.syllabus.baseTest)
      .map(sideOf),
  };
}

/** How far a class has come, from the same sums as each student's; the log is read of nobody. */
@Injectable()
export class ClassProgressService {
  constructor(
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
    private readonly members: MembersService,
  ) {}

  async of(scope: Scope, { group, ...asked }: ClassPeriodQuery): Promise<ClassProgressView> {
    const period = periodOf(scope, asked);
    const all = await this.students.list(scope);
    const inGroup =
      group === undefined ? null : new Set((await this.members.studentsOf(scope, [group])).get(group));
    const students = inGroup === null ? all : all.filter(({ id }) => inGroup.has(id));
    const ids = students.map(({ id }) => id);
    const facts = await this.standings.factsOf(scope, students);
    const days = grouped(await daysOf(scope, ids, period), ({ studentId }) => studentId);
    const loads = grouped(await loadsBetween(scope, ids, period), ({ studentId }) => studentId);
    const attended = await attendanceIn(scope, ids, period);
    const told = students.map((student) =>
      progressOf(scope, student, skillsReading(scope, student, facts.get(student.id)), {
        period,
        days: days.get(student.id) ?? [],
        landings: (loads.get(student.id) ?? []).reduce((sum, { landings }) => sum + landings, 0),
        attended: attended.get(student.id),
      }),
    );
    const startsOn = Number(settingValue("week-start", scope.studio.settings));
    return {
      ...period,
      days: mergeDays([...days.values()].flat().map(({ studentId: _own, ...day }) => day)),
      // What a week may ask is one student's: a class has no allowance.
      weeks: loadWeeks([...loads.values()].flat(), period, startsOn).map((week) => ({
        ...week,
        allowance: null,
      })),
      cleared: told
        .flatMap(({ cleared }) => cleared)
        .sort((one, other) => (one.day < other.day ? -1 : one.day > other.day ? 1 : 0)),
      students: told,
    };
  }

  /** What the studio's own log has made of the learner model's numbers. */
  refitted({ studio }: Scope): RefitView {
    const model = studio.model === null ? HANDBOOK_MODEL : readModel(studio.model);
    const changed = [
      ...REFITTED_TABLES.flatMap((of): RefittedNumber[] => {
        const was: Readonly<Record<string, number>> = HANDBOOK_MODEL[of];
        return Object.entries(model[of]).map(([key, to]) => ({ of, key, from: was[key] ?? to, to }));
      }),
      ...REFITTED_NUMBERS.map((of) => ({ of, key: "", from: HANDBOOK_MODEL[of], to: model[of] })),
    ].filter(({ from, to }) => Math.abs(to / from - 1) >= SAME);
    const by = ({ from, to }: RefittedNumber) => Math.abs(Math.log(to / from));
    return {
      ...{ version: model.version, at: studio.modelAt?.toISOString() ?? null, sets: studio.modelSets },
      changed: changed.sort((one, other) => by(other) - by(one)),
    };
  }
}
