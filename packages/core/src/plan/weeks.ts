/**
 * The weeks back from a date (a show, a grading): the tries left to the goals, with their range, spread
 * over the lessons until then within what a lesson and a week of landings hold; a taper before the date;
 * reviews where they fall due; what is left over; and an honest answer to whether it will be enough.
 */
import { DAY_MS, dayAfter, type LocalDate } from "../instant.js";
import { chanceWithin, type TriesLeft } from "../record/tries.js";
import { weekStart } from "../record/load.js";
import type { PathStep } from "../next/goal-path.js";
import type { Side } from "../syllabus/side.js";
import type { SubjectSide } from "../syllabus/roles.js";
import { PLAN_LIMITS } from "./weights.js";

export interface WeeksContext {
  /** The way to the goals, every side after what it needs. */
  readonly steps: readonly PathStep[];
  /** Tries of all of it, with their range. */
  readonly tries: TriesLeft;
  /** Sides that are cleared and when their review is due. */
  readonly reviews: readonly (SubjectSide & { readonly due: LocalDate })[];
  /** The days of the lessons until the date, in order. */
  readonly lessons: readonly LocalDate[];
  readonly today: LocalDate;
  readonly until: LocalDate;
  /** Tries toward the goals that a lesson holds. */
  readonly triesALesson: number;
  /** Weighted landings of one try at a side. */
  readonly landingsOf: (side: Side) => number;
  readonly multiplesOf: (side: Side) => number;
  /** Who may still grow has a day without multiples after one with them. */
  readonly grows: boolean;
  /** Landings that a week may come to, and what this week has had; null where nothing is judged. */
  readonly allowance: number | null;
  readonly landingsThisWeek: number;
  /** From 1 for Monday to 7 for Sunday. */
  readonly weekStartsOn: number;
}

export interface WeekOfPlan {
  readonly start: LocalDate;
  readonly lessons: readonly LocalDate[];
  readonly work: readonly (SubjectSide & { readonly tries: number; readonly finishes: boolean })[];
  readonly reviews: readonly SubjectSide[];
  /** Weighted landings of the tries that are planned. */
  readonly landings: number;
  /** Tries that the week's lessons and landings would still hold. */
  readonly slack: number;
  /** Days on which multiples are planned. */
  readonly highImpact: readonly LocalDate[];
  /** Whether it is the week before the date, which goes easy. */
  readonly isTaper: boolean;
}

/**
 * `there`: nothing is left to do. `likely`: three in four or more. `even`: it can go either way. `unlikely`:
 * less than even. `not-by-then`: less than one in ten.
 */
export type Outlook = "there" | "likely" | "even" | "unlikely" | "not-by-then";

export interface WeeksPlan {
  readonly weeks: readonly WeekOfPlan[];
  readonly tries: TriesLeft;
  /** Tries that the lessons until the date hold, within the landings. */
  readonly holds: number;
  readonly outlook: Outlook;
  /** That it is done by then. */
  readonly chance: number;
  /** Sides that the plan reaches by the date, in order, at the expected tries. */
  readonly reached: readonly SubjectSide[];
  /** Lessons that the expected tries and their range would take. */
  readonly lessonsNeeded: TriesLeft;
}

export const MOST_WEEKS = 104;
export const MOST_LESSONS_A_WEEK = 7;

/** From this chance on a plan may be counted on: the instructor's three in four. */
export const ENOUGH_CHANCE = 0.75;
const EVEN_CHANCE = 0.5;
const HARDLY_CHANCE = 0.1;

function outlookOf({ expected }: TriesLeft, chance: number): Outlook {
  if (expected <= 0) return "there";
  if (chance >= ENOUGH_CHANCE) return "likely";
  if (chance >= EVEN_CHANCE) return "even";
  return chance >= HARDLY_CHANCE ? "unlikely" : "not-by-then";
}

/** The days after `today` and before `until` that fall on one of the weekdays, 1 for Monday. */
export function lessonDays(
  today: LocalDate,
  until: LocalDate,
  weekdays: readonly number[],
): readonly LocalDate[] {
  const days: LocalDate[] = [];
  const noon = (day: LocalDate) => Date.parse(`${day}T12:00:00Z`);
  for (let at = noon(today) + DAY_MS; at < noon(until); at += DAY_MS) {
    const day = new Date(at);
    if (weekdays.includes(day.getUTCDay() || 7)) days.push(day.toISOString().slice(0, 10));
    if (days.length >= MOST_WEEKS * 7) break;
  }
  return days;
}

/** `count` lessons a week, as far apart as a week allows: the days from 1 to 7. */
export function spreadWeekdays(count: number): readonly number[] {
  const most = Math.min(7, Math.max(1, Math.round(count)));
  return Array.from({ length: most }, (_, place) => 1 + Math.floor((place * 7) / most));
}

/** The last days before a date that is far enough go easy: half of the tries. */
const TAPER_DAYS = 7;
const TAPER_SHARE = 0.5;
const LEAST_DAYS_TO_TAPER = 21;

/** A step of the way with what is left of it. */
interface Left {
  readonly step: PathStep;
  tries: number;
}

/** The weeks in the making: lesson after lesson takes what comes first and can be done that day. */
class Calendar {
  readonly reached: SubjectSide[] = [];
  holds = 0;
  private readonly left: readonly Left[];
  private readonly meanLandings: number;
  /** The first day that goes easy; null where the date is too near for any. */
  private readonly taperFrom: LocalDate | null;
  private lastHighImpact: LocalDate | null = null;

  constructor(private readonly context: WeeksContext) {
    const { steps, tries, landingsOf, today, until } = context;
    const isFar = dayAfter(today, LEAST_DAYS_TO_TAPER) <= until;
    this.taperFrom = isFar ? dayAfter(until, -TAPER_DAYS) : null;
    this.left = steps.map((step) => ({ step, tries: step.tries.expected }));
    const landings = steps.reduce((sum, one) => sum + landingsOf(one.of) * one.tries.expected, 0);
    this.meanLandings = tries.expected > 0 ? landings / tries.expected : 1;
  }

  isTaper(day: LocalDate): boolean {
    return this.taperFrom !== null && day >= this.taperFrom;
  }

  /** What a step needs that is itself still to be done on this way. */
  private isOpen({ step }: Left): boolean {
    return this.left.every((one) => one.tries < 1e-6 || !step.of.kin.includes(one.step.of));
  }

  week(start: LocalDate, days: readonly LocalDate[]): Omit<WeekOfPlan, "reviews"> {
    const { context } = this;
    const { allowance, landingsThisWeek, today, weekStartsOn, triesALesson } = context;
    const had = start === weekStart(today, weekStartsOn) ? landingsThisWeek : 0;
    let landingsLeft = allowance === null ? Infinity : Math.max(0, allowance - had);
    const work = new Map<Side, { tries: number; finishes: boolean }>();
    const highImpact: LocalDate[] = [];
    let [landings, slack] = [0, 0];
    for (const day of days) {
      let room = triesALesson * (this.isTaper(day) ? TAPER_SHARE : 1);
      let multiples = this.multiplesOn(day);
      for (const one of this.left) {
        const { of } = one.step;
        if (one.tries < 1e-6 || !this.isOpen(one)) continue;
        const [each, turns] = [context.landingsOf(of), context.multiplesOf(of)];
        const byLandings = each > 0 ? landingsLeft / each : Infinity;
        const byMultiples = turns > 0 ? multiples / turns : Infinity;
        const done = Math.min(one.tries, room, byLandings, byMultiples);
        if (done <= 0) continue;
        one.tries -= done;
        room -= done;
        landings += done * each;
        landingsLeft -= done * each;
        multiples -= done * turns;
        if (turns > 0 && highImpact.at(-1) !== day) highImpact.push(day);
        const finishes = one.tries < 1e-6;
        const { tries: before = 0 } = work.get(of) ?? {};
        work.set(of, { tries: before + done, finishes });
        if (finishes) this.reached.push({ subject: of.subject, side: of.side });
      }
      if (highImpact.at(-1) === day) this.lastHighImpact = day;
      slack += Math.max(0, Math.min(room, landingsLeft / this.meanLandings - slack));
    }
    const done = [...work].map(([{ subject, side }, one]) => ({ subject, side, ...one }));
    this.holds += slack + done.reduce((sum, one) => sum + one.tries, 0);
    const isTaper = days.some((day) => this.isTaper(day));
    return { start, lessons: days, work: done, landings, slack, highImpact, isTaper };
  }

  private multiplesOn(day: LocalDate): number {
    if (!this.context.grows) return Infinity;
    const isRestDay = this.lastHighImpact !== null && dayAfter(this.lastHighImpact, 1) === day;
    return isRestDay ? 0 : PLAN_LIMITS.growingMultiples;
  }
}

/** The plan; the same for the same question. O(lessons · steps²). */
export function planWeeks(context: WeeksContext): WeeksPlan {
  const { tries, lessons, triesALesson, weekStartsOn } = context;
  const byWeek = new Map<LocalDate, LocalDate[]>();
  for (const day of lessons) {
    const start = weekStart(day, weekStartsOn);
    byWeek.set(start, [...(byWeek.get(start) ?? []), day]);
  }
  // The first week has whatever was due before it, too.
  const [first] = byWeek.keys();
  const calendar = new Calendar(context);
  const weeks = [...byWeek].map(([start, days]): WeekOfPlan => {
    const next = dayAfter(start, 7);
    const isDue = (due: LocalDate) => (due >= start || start === first) && due < next;
    const reviews = context.reviews
      .filter((one) => isDue(one.due))
      .map(({ subject, side }) => ({ subject, side }));
    return { ...calendar.week(start, days), reviews };
  });
  const { holds, reached } = calendar;
  const chance = chanceWithin(tries, holds);
  const perLesson = lessons.length > 0 && holds > 0 ? holds / lessons.length : triesALesson;
  const needed = (many: number) => Math.ceil(many / perLesson);
  return {
    weeks,
    tries,
    holds,
    outlook: outlookOf(tries, chance),
    chance,
    reached,
    lessonsNeeded: { expected: needed(tries.expected), low: needed(tries.low), high: needed(tries.high) },
  };
}
