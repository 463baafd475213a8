/**
 * The weeks back from a date (a show, a grading): the tries left to the goals, with their range, spread
 * over the lessons until then within what a lesson and a week of landings hold; reviews where they fall
 * due; what is left over; and an honest answer to whether it will be enough.
 */
import { DAY_MS, type LocalDate } from "../instant.js";
import type { TriesLeft } from "../record/tries.js";
import { weekStart } from "../record/load.js";
import type { PathStep } from "../next/goal-path.js";
import type { Side } from "../syllabus/side.js";
import type { SubjectSide } from "../syllabus/roles.js";

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
  /** Tries toward the goals that a lesson holds. */
  readonly triesALesson: number;
  /** Weighted landings of one try at a side. */
  readonly landingsOf: (side: Side) => number;
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
}

/**
 * `there`: nothing is left to do. `likely`: even the high end of the range fits. `even`: the expected
 * tries fit. `unlikely`: only the low end fits. `not-by-then`: not even that.
 */
export type Outlook = "there" | "likely" | "even" | "unlikely" | "not-by-then";

export interface WeeksPlan {
  readonly weeks: readonly WeekOfPlan[];
  readonly tries: TriesLeft;
  /** Tries that the lessons until the date hold, within the landings. */
  readonly holds: number;
  readonly outlook: Outlook;
  /** Sides that the plan reaches by the date, in order, at the expected tries. */
  readonly reached: readonly SubjectSide[];
  /** Lessons that the expected tries and their range would take. */
  readonly lessonsNeeded: TriesLeft;
}

export const MOST_WEEKS = 104;

function outlookOf({ expected, low, high }: TriesLeft, holds: number): Outlook {
  if (expected <= 0) return "there";
  if (high <= holds) return "likely";
  if (expected <= holds) return "even";
  return low <= holds ? "unlikely" : "not-by-then";
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

/** The plan; the same for the same question. O(weeks + steps). */
export function planWeeks(context: WeeksContext): WeeksPlan {
  const {
    steps,
    tries,
    lessons,
    triesALesson,
    landingsOf,
    allowance,
    landingsThisWeek,
    weekStartsOn,
    today,
  } = context;
  const thisWeek = weekStart(today, weekStartsOn);
  const byWeek = new Map<LocalDate, LocalDate[]>();
  for (const day of lessons) {
    const start = weekStart(day, weekStartsOn);
    byWeek.set(start, [...(byWeek.get(start) ?? []), day]);
  }
  const left = steps.map((step) => ({ step, tries: step.tries.expected }));
  const meanLandings =
    tries.expected > 0
      ? steps.reduce((total, one) => total + landingsOf(one.of) * one.tries.expected, 0) / tries.expected
      : 1;
  // The first week has whatever was due before it, too.
  const [first] = byWeek.keys();
  const reached: SubjectSide[] = [];
  let holds = 0;
  const weeks = [...byWeek].map(([start, days]): WeekOfPlan => {
    const landingsLeft =
      allowance === null ? Infinity : Math.max(0, allowance - (start === thisWeek ? landingsThisWeek : 0));
    let room = triesALesson * days.length;
    let landings = 0;
    const work: (SubjectSide & { tries: number; finishes: boolean })[] = [];
    for (const one of left) {
      const each = landingsOf(one.step.of);
      const byLandings = each > 0 ? (landingsLeft - landings) / each : Infinity;
      const done = Math.min(one.tries, room, Math.max(0, byLandings));
      if (done <= 0) continue;
      one.tries -= done;
      room -= done;
      landings += done * each;
      const { subject, side } = one.step.of;
      const finishes = one.tries < 1e-6;
      work.push({ subject, side, tries: done, finishes });
      if (finishes) reached.push({ subject, side });
      else break;
    }
    const planned = work.reduce((total, one) => total + one.tries, 0);
    const slack = Math.max(0, Math.min(room, (landingsLeft - landings) / meanLandings));
    holds += planned + slack;
    const next = new Date(Date.parse(`${start}T12:00:00Z`) + 7 * DAY_MS).toISOString().slice(0, 10);
    const isDue = (due: LocalDate) => (due >= start || start === first) && due < next;
    const reviews = context.reviews
      .filter((one) => isDue(one.due))
      .map(({ subject, side }) => ({ subject, side }));
    return { start, lessons: days, work, reviews, landings, slack };
  });
  const perLesson = lessons.length > 0 && holds > 0 ? holds / lessons.length : triesALesson;
  const needed = (many: number) => Math.ceil(many / perLesson);
  return {
    weeks,
    tries,
    holds,
    outlook: outlookOf(tries, holds),
    reached,
    lessonsNeeded: { expected: needed(tries.expected), low: needed(tries.low), high: needed(tries.high) },
  };
}
