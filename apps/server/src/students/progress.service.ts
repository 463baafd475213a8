import { settingValue } from "@mirrup/catalogue";
import {
  LONGEST_PERIOD_DAYS,
  USUAL_PERIOD_WEEKS,
  type ClearedSide,
  type PeriodQuery,
  type ProgressView,
  type SideProgressView,
} from "@mirrup/contract";
import { DAY_MS, dayAfter, localDate, type LocalDate, type SubjectSide } from "@mirrup/core";
import { rhythmOf } from "@mirrup/core/combos";
import { chanceCourse, cleanChance, findStanding, loadWeeks, type Reading } from "@mirrup/core/teaching";
import { Injectable } from "@nestjs/common";
import type { Scope } from "../database/scope.js";
import { RefusedFieldsProblem } from "../problems/problem.js";
import { courseOf, daysOf, loadsBetween, StandingsService, todayIn } from "../standings/index.js";
import type { StudentEntity } from "./student.entity.js";
import { StudentsService } from "./students.service.js";

/** Weeks before a period that its first allowance looks back on. */
const WEEKS_BEFORE = 5;
const WEEK_DAYS = 7;

export interface Period {
  readonly from: LocalDate;
  readonly to: LocalDate;
}

/** The days that are asked for. Throws `RefusedFieldsProblem` where they end before they begin, or are too many. */
export function periodOf(scope: Scope, { from, to }: PeriodQuery): Period {
  const last = to ?? todayIn(scope);
  const first = from ?? dayAfter(last, 1 - USUAL_PERIOD_WEEKS * WEEK_DAYS);
  const refuse = (message: string) => new RefusedFieldsProblem([{ field: "from", code: "period", message }]);
  if (first > last) throw refuse("The period begins after it ends. Turn the two days round.");
  const days = 1 + (Date.parse(last) - Date.parse(first)) / DAY_MS;
  if (days > LONGEST_PERIOD_DAYS) throw refuse("Ask for at most a year at once.");
  return { from: first, to: last };
}

/** Sides that were cleared in a period and stand so now, in order of the days. */
export function clearedIn(scope: Scope, { standings }: Reading, { from, to }: Period): ClearedSide[] {
  return standings
    .flatMap(({ of, facts: { cleared } }): ClearedSide[] => {
      if (cleared === null) return [];
      const day = localDate(cleared.at, scope.studio.timeZone);
      const isIn = day >= from && day <= to;
      return isIn ? [{ subject: of.subject, side: of.side, day, by: cleared.by }] : [];
    })
    .sort((one, other) => (one.day < other.day ? -1 : one.day > other.day ? 1 : 0));
}

/** How far a student has come, from sums that are kept beside the log. */
@Injectable()
export class ProgressService {
  constructor(
    private readonly students: StudentsService,
    private readonly standings: StandingsService,
  ) {}

  async of(scope: Scope, id: string, asked: PeriodQuery): Promise<ProgressView> {
    const student = await this.students.getOrThrow(scope, id);
    const period = periodOf(scope, asked);
    // First: facts of older rules are made anew by it, and the days with them.
    const reading = await this.standings.readingOf(scope, student);
    const days = await daysOf(scope, [id], period);
    const before = dayAfter(period.from, -WEEKS_BEFORE * WEEK_DAYS);
    const lessons = await loadsBetween(scope, [id], { from: before, to: period.to });
    return {
      ...period,
      days: days.map(({ studentId: _own, ...day }) => day),
      weeks: loadWeeks(lessons, period, Number(settingValue("week-start", scope.studio.settings))),
      cleared: clearedIn(scope, reading, period),
    };
  }

  /** Throws `RefusedFieldsProblem` for a side that is not taught. */
  async ofSide(scope: Scope, student: StudentEntity, about: SubjectSide): Promise<SideProgressView> {
    const reading = await this.standings.readingOf(scope, student);
    const standing = findStanding(reading, about.subject, about.side);
    if (standing === null) {
      const message = "This side of the skill is not taught here.";
      throw new RefusedFieldsProblem([{ field: "subject", code: "unknown-subject", message }]);
    }
    const { of, facts } = standing;
    const { own, other } = await courseOf(scope, student.id, of);
    const course = chanceCourse(of.skill.skillClass, own, other, reading.model);
    const now = { at: scope.now.getTime(), chance: cleanChance(standing) };
    const last = await this.standings.setsOfSide(scope, student.id, about);
    // What nobody saw is told apart.
    const sets = last.filter(({ countedBy }) => countedBy !== "student").reverse();
    return {
      gate: of.gate,
      chances: (facts.countedAt === null ? [] : [...course, now]).map(({ at, chance }) => ({
        at: new Date(at).toISOString(),
        chance,
      })),
      rhythms: sets.flatMap(({ happenedAt, ticks }) => {
        const rhythm = ticks === null ? null : rhythmOf(ticks);
        if (rhythm === null) return [];
        const { evenness, tempo } = rhythm;
        return [{ at: happenedAt.toISOString(), evenness, tempo }];
      }),
      misses: sets
        .filter(({ drill }) => drill.score === undefined)
        .flatMap(({ misses }) =>
          misses.map(({ turn, fault, count }) => ({
            ...(turn === undefined ? {} : { turn }),
            ...(fault === undefined ? {} : { fault }),
            ...(count === undefined ? {} : { count }),
          })),
        ),
    };
  }
}
