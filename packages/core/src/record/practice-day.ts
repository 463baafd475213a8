/**
 * What a student did at a side on one day, as sums that add up: to a week, to a season, whatever comes late. It says
 * nothing of gates and holds on to no edition of what is taught, so that it is made of the log alone. O(sets).
 */
import { grouped } from "../grouped.js";
import type { LocalDate } from "../instant.js";
import type { LoggedSet } from "../log/line.js";
import { missCount } from "../log/set.js";
import { Tally } from "../tally.js";
import { DRILL_ROWS, parseDrill } from "../syllabus/drill.js";
import type { SubjectSide } from "../syllabus/roles.js";
import { isPassed } from "./passing.js";

/** How many of each; what there was none of is not named. */
export type Counts = Readonly<Record<string, number>>;

const NONE = 0;

/** How many of one. */
export function countOf(counts: Counts, key: string): number {
  return counts[key] ?? NONE;
}

export interface PracticeSums {
  readonly sets: number;
  /** Tries of every drill. */
  readonly clean: number;
  readonly missed: number;
  /** Of these, the tries of drills without a score of their own: of the skill as it is. */
  readonly wholeClean: number;
  readonly wholeMissed: number;
  /** The most in a row of the skill as it is; 0 where no drill of a row was done. */
  readonly bestStreak: number;
  /** Tries that the student counted alone and nobody has accepted; in none of the numbers above. */
  readonly aloneClean: number;
  readonly aloneMissed: number;
  /** Misses by the fault that was noted. */
  readonly faults: Counts;
  /** Tries by the kind of drill. */
  readonly kinds: Counts;
  /** What was said before sets and what came, by the kind of drill. */
  readonly odds: Readonly<Record<string, Odds>>;
}

/** Sets before which a chance was said, these chances summed, and how many of the sets passed. */
export interface Odds {
  readonly sets: number;
  readonly said: number;
  readonly came: number;
}

export interface PracticeDay extends SubjectSide, PracticeSums {
  readonly day: LocalDate;
}

export const NO_PRACTICE: PracticeSums = {
  ...{ sets: 0, clean: 0, missed: 0, wholeClean: 0, wholeMissed: 0, bestStreak: 0 },
  ...{ aloneClean: 0, aloneMissed: 0, faults: {}, kinds: {}, odds: {} },
};

const NO_ODDS: Odds = { sets: 0, said: 0, came: 0 };

function addOdds(one: Odds, other: Odds): Odds {
  return { sets: one.sets + other.sets, said: one.said + other.said, came: one.came + other.came };
}

/** What was said and what came, of every kind together. */
export function oddsOf({ odds }: Pick<PracticeSums, "odds">): Odds {
  return Object.values(odds).reduce(addOdds, NO_ODDS);
}

/** A set with the chance that was said before it, where one was. */
export type SaidSet = LoggedSet & { readonly said?: number };

function added(one: Counts, other: Counts): Counts {
  const sums = new Tally<string>();
  for (const [key, many] of [...Object.entries(one), ...Object.entries(other)]) sums.add(key, many);
  return Object.fromEntries(sums.entries());
}

/** Two sums as one; in any order, and any two first. */
export function addPractice(one: PracticeSums, other: PracticeSums): PracticeSums {
  return {
    sets: one.sets + other.sets,
    clean: one.clean + other.clean,
    missed: one.missed + other.missed,
    wholeClean: one.wholeClean + other.wholeClean,
    wholeMissed: one.wholeMissed + other.wholeMissed,
    bestStreak: Math.max(one.bestStreak, other.bestStreak),
    aloneClean: one.aloneClean + other.aloneClean,
    aloneMissed: one.aloneMissed + other.aloneMissed,
    faults: added(one.faults, other.faults),
    kinds: added(one.kinds, other.kinds),
    odds: Object.fromEntries(
      [...new Set([...Object.keys(one.odds), ...Object.keys(other.odds)])].map((kind) => [
        kind,
        addOdds(one.odds[kind] ?? NO_ODDS, other.odds[kind] ?? NO_ODDS),
      ]),
    ),
  };
}

function practiceOf(set: SaidSet): PracticeSums {
  const missed = missCount(set.misses);
  if (set.isAlone === true) return { ...NO_PRACTICE, aloneClean: set.clean, aloneMissed: missed };
  const drill = parseDrill(set.drill);
  const isWhole = drill !== null && drill.score === undefined && DRILL_ROWS[drill.kind].isEvidence;
  const isRow = isWhole && DRILL_ROWS[drill.kind].meets.includes("streak");
  const faults = new Tally<string>();
  for (const { fault, count = 1 } of set.misses) if (fault !== undefined) faults.add(fault, count);
  return {
    ...NO_PRACTICE,
    ...{ sets: 1, clean: set.clean, missed },
    ...(isWhole ? { wholeClean: set.clean, wholeMissed: missed } : {}),
    ...(isRow ? { bestStreak: set.bestStreak } : {}),
    faults: Object.fromEntries(faults.entries()),
    kinds: { [set.drill.kind]: set.clean + missed },
    ...(set.said === undefined || drill === null
      ? {}
      : { odds: { [set.drill.kind]: { sets: 1, said: set.said, came: Number(isPassed(drill, set)) } } }),
  };
}

/** The key under which a day's sums of a side stand together. */
const keyOf = ({ day, subject, side }: Pick<PracticeDay, "day" | "subject" | "side">) =>
  `${day} ${subject} ${side}`;

/** Days of the same side as one, in order of first appearance. */
export function mergeDays(days: readonly PracticeDay[]): readonly PracticeDay[] {
  return [...grouped(days, keyOf).values()].flatMap((same) => {
    const [first] = same;
    if (first === undefined) return [];
    const { day, subject, side } = first;
    return [{ day, subject, side, ...same.reduce<PracticeSums>(addPractice, NO_PRACTICE) }];
  });
}

/** One student's sets, by day and side. */
export function practiceDays(sets: readonly SaidSet[]): readonly PracticeDay[] {
  return mergeDays(
    sets.map((set) => ({ day: set.lesson, subject: set.subject, side: set.side, ...practiceOf(set) })),
  );
}
