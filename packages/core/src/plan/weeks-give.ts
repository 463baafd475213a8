/** What would have to give for goals to be likely by a date: more lessons, a later date, a nearer goal, one goal less. */
import { dayAfter, type LocalDate } from "../instant.js";
import type { Goal, PathStep } from "../next/goal-path.js";
import type { LearnerModel } from "../record/model.js";
import { triesOfAll, type TriesLeft } from "../record/tries.js";
import type { SubjectSide } from "../syllabus/roles.js";
import {
  ENOUGH_CHANCE,
  lessonDays,
  MOST_LESSONS_A_WEEK,
  MOST_WEEKS,
  planWeeks,
  spreadWeekdays,
  type WeeksContext,
} from "./weeks.js";

export type Give =
  | { readonly code: "lessons"; readonly aWeek: number; readonly chance: number }
  | { readonly code: "later"; readonly until: LocalDate; readonly chance: number }
  /** The furthest side on the way that is likely by then. */
  | ({ readonly code: "nearer"; readonly chance: number } & SubjectSide)
  | { readonly code: "without"; readonly goal: Goal; readonly chance: number };

export interface GiveContext extends WeeksContext {
  /** From 1 for Monday: the days of the lessons. */
  readonly weekdays: readonly number[];
  readonly model: LearnerModel;
  /** The way without one of several goals. */
  readonly without: readonly {
    readonly goal: Goal;
    readonly steps: readonly PathStep[];
    readonly tries: TriesLeft;
  }[];
}

function moreLessons(context: GiveContext): Give | null {
  const { today, until, weekdays } = context;
  for (let aWeek = weekdays.length + 1; aWeek <= MOST_LESSONS_A_WEEK; aWeek += 1) {
    const lessons = lessonDays(today, until, spreadWeekdays(aWeek));
    const { chance } = planWeeks({ ...context, lessons });
    if (chance >= ENOUGH_CHANCE) return { code: "lessons", aWeek, chance };
  }
  return null;
}

/** The first date, in weeks after the one asked for, by which it is likely; by halving, for it never gets worse. */
function later(context: GiveContext): Give | null {
  const chanceBy = (until: LocalDate) => {
    const lessons = lessonDays(context.today, until, context.weekdays);
    return planWeeks({ ...context, until, lessons }).chance;
  };
  const at = (weeks: number) => dayAfter(context.until, 7 * weeks);
  let [short, long] = [0, MOST_WEEKS];
  if (chanceBy(at(long)) < ENOUGH_CHANCE) return null;
  while (long - short > 1) {
    const middle = Math.floor((short + long) / 2);
    if (chanceBy(at(middle)) >= ENOUGH_CHANCE) long = middle;
    else short = middle;
  }
  return { code: "later", until: at(long), chance: chanceBy(at(long)) };
}

function nearer(context: GiveContext): Give | null {
  const { steps, model } = context;
  for (let count = steps.length - 1; count > 0; count -= 1) {
    const first = steps.slice(0, count);
    const last = first.at(-1);
    const tries = triesOfAll(
      first.map((step) => step.tries),
      model,
    );
    const { chance } = planWeeks({ ...context, steps: first, tries });
    if (last !== undefined && chance >= ENOUGH_CHANCE) {
      const { subject, side } = last.of;
      return { code: "nearer", subject, side, chance };
    }
  }
  return null;
}

/** Nothing where it is likely as it is. */
export function whatGives(context: GiveContext): readonly Give[] {
  if (planWeeks(context).chance >= ENOUGH_CHANCE) return [];
  const without = context.without.flatMap(({ goal, steps, tries }): Give[] => {
    const { chance } = planWeeks({ ...context, steps, tries });
    return chance >= ENOUGH_CHANCE ? [{ code: "without", goal, chance }] : [];
  });
  return [moreLessons(context), later(context), nearer(context), ...without].filter((one) => one !== null);
}
