/**
 * The weeks of a whole class toward a date: every student's own weeks to the same goals, what most of them work at
 * in each, how many are likely to be ready, and what would have to give for enough of them to be.
 */
import { cellOf } from "../grid.js";
import { Tally } from "../tally.js";
import { dayAfter, type LocalDate } from "../instant.js";
import {
  ENOUGH_CHANCE,
  lessonDays,
  MOST_LESSONS_A_WEEK,
  MOST_WEEKS,
  planWeeks,
  spreadWeekdays,
  type WeeksContext,
  type WeeksPlan,
} from "./weeks.js";

/** A student of the class with their own way to the goals. */
export interface ClassWeeksStudent {
  readonly id: string;
  readonly context: Omit<WeeksContext, "lessons" | "until" | "today">;
}

export interface ClassWeeksAsked {
  readonly today: LocalDate;
  readonly until: LocalDate;
  /** From 1 for Monday. */
  readonly weekdays: readonly number[];
}

export interface ClassWeek {
  readonly start: LocalDate;
  readonly lessons: readonly LocalDate[];
  /** Skills that are worked at, those of most students first, and who has all sides of them by the end of the week. */
  readonly work: readonly {
    readonly subject: string;
    readonly students: readonly string[];
    readonly finishing: readonly string[];
  }[];
  readonly isTaper: boolean;
}

/** What would make it likely for enough of them. */
export type ClassGive =
  | { readonly code: "lessons"; readonly aWeek: number; readonly likely: number }
  | { readonly code: "later"; readonly until: LocalDate; readonly likely: number };

export interface ClassWeeksPlan {
  readonly weeks: readonly ClassWeek[];
  readonly students: readonly { readonly id: string; readonly plan: WeeksPlan }[];
  /** Students who are ready already or likely to be. */
  readonly likely: number;
  /** That all of them are, each for themselves. */
  readonly chanceOfAll: number;
  /** Nothing where enough are likely as it is, or nothing helps. */
  readonly gives: readonly ClassGive[];
}

/** A show can be counted on where so many of the class can. */
const ENOUGH_OF_A_CLASS = 0.75;

function plansOf(
  students: readonly ClassWeeksStudent[],
  { today, until, weekdays }: ClassWeeksAsked,
): readonly WeeksPlan[] {
  const lessons = lessonDays(today, until, weekdays);
  return students.map(({ context }) => planWeeks({ ...context, today, until, lessons }));
}

const likelyOf = (plans: readonly WeeksPlan[]) => plans.filter((one) => one.chance >= ENOUGH_CHANCE).length;

/** By skill: the sides of it that are still to be done on a student's way. */
function sidesLeft({ context }: ClassWeeksStudent): Tally<string> {
  return new Tally(context.steps.map(({ of }) => of.subject));
}

/** What the students' weeks come to together. */
function weeksTogether(
  students: readonly ClassWeeksStudent[],
  plans: readonly WeeksPlan[],
): readonly ClassWeek[] {
  const [first] = plans;
  const left = students.map(sidesLeft);
  return (first?.weeks ?? []).map(({ start, lessons, isTaper }, place) => {
    const bySubject = new Map<string, { students: Set<string>; finishing: Set<string> }>();
    plans.forEach((plan, number) => {
      const id = students[number]?.id ?? "";
      for (const { subject, finishes } of plan.weeks[place]?.work ?? []) {
        const work = bySubject.get(subject) ?? { students: new Set(), finishing: new Set() };
        work.students.add(id);
        bySubject.set(subject, work);
        if (!finishes) continue;
        const ofStudent = cellOf(left, number);
        ofStudent.add(subject, -1);
        if (ofStudent.of(subject) === 0) work.finishing.add(id);
      }
    });
    const work = [...bySubject].map(([subject, one]) => ({
      ...{ subject, students: [...one.students], finishing: [...one.finishing] },
    }));
    work.sort(
      (one, other) => other.students.length - one.students.length || (one.subject < other.subject ? -1 : 1),
    );
    return { start, lessons, work, isTaper };
  });
}

/** Yields after every question that it asks of the whole class. */
function* gives(
  students: readonly ClassWeeksStudent[],
  asked: ClassWeeksAsked,
): Generator<undefined, readonly ClassGive[]> {
  const enough = Math.ceil(ENOUGH_OF_A_CLASS * students.length);
  function* likelyWith(changes: Partial<ClassWeeksAsked>): Generator<undefined, number> {
    yield;
    return likelyOf(plansOf(students, { ...asked, ...changes }));
  }
  if ((yield* likelyWith({})) >= enough) return [];
  const found: ClassGive[] = [];
  for (let aWeek = asked.weekdays.length + 1; aWeek <= MOST_LESSONS_A_WEEK; aWeek += 1) {
    const likely = yield* likelyWith({ weekdays: spreadWeekdays(aWeek) });
    if (likely < enough) continue;
    found.push({ code: "lessons", aWeek, likely });
    break;
  }
  // By halving, since more weeks are never worse.
  const at = (weeks: number) => dayAfter(asked.until, 7 * weeks);
  let [short, long] = [0, MOST_WEEKS];
  let likely = yield* likelyWith({ until: at(long) });
  if (likely < enough) return found;
  while (long - short > 1) {
    const middle = Math.floor((short + long) / 2);
    const then = yield* likelyWith({ until: at(middle) });
    if (then >= enough) [long, likely] = [middle, then];
    else short = middle;
  }
  return [...found, { code: "later", until: at(long), likely }];
}

/**
 * The plan in steps, so that whoever runs it can do something else between two of them: each is O(students ·
 * lessons · steps²), and there are some twenty where something has to give.
 */
export function* classWeeksSteps(
  students: readonly ClassWeeksStudent[],
  asked: ClassWeeksAsked,
): Generator<undefined, ClassWeeksPlan> {
  const plans = plansOf(students, asked);
  yield;
  return {
    weeks: weeksTogether(students, plans),
    students: plans.flatMap((plan, place) => {
      const id = students[place]?.id;
      return id === undefined ? [] : [{ id, plan }];
    }),
    likely: likelyOf(plans),
    chanceOfAll: plans.reduce((chance, one) => chance * one.chance, 1),
    gives: students.length === 0 ? [] : yield* gives(students, asked),
  };
}
