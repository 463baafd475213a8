import { cellOf } from "../grid.js";
import type { Instant, LocalDate } from "../instant.js";
import type { LoggedDrill } from "../syllabus/drill.js";
import type { FaultCode } from "../syllabus/fault.js";

export const COUNTED_BY = ["tapped", "sensor", "sound", "hand", "student"] as const;
export type CountedBy = (typeof COUNTED_BY)[number];

/** One miss, or `count` misses whose places nobody noted. */
export interface Miss {
  /** The try's number, from 1 to clean + misses. */
  readonly position?: number;
  readonly fault?: FaultCode;
  /** The rope bottom within the repetition at which it caught, from 1. */
  readonly turn?: number;
  readonly count?: number;
}

/** One set of one student, as the log keeps it (teaching.md, What counts). */
export interface PracticeSet {
  readonly id: string;
  /** As some device wrote it; `parseDrill` says what it is. */
  readonly drill: LoggedDrill;
  readonly clean: number;
  readonly misses: readonly Miss[];
  readonly bestStreak: number;
  readonly seconds?: number;
  /** When it happened, by which the log is ordered. */
  readonly at: Instant;
  /** The studio's calendar day of `at`. */
  readonly lesson: LocalDate;
  /** Counted by the student with nobody there, and not accepted since: a hint of what they can do, and no proof. */
  readonly isAlone?: true;
}

export function missCount(misses: readonly Miss[]): number {
  return misses.reduce((sum, miss) => sum + (miss.count ?? 1), 0);
}

/** What is wrong with a set's own numbers, each with the field it is about. */
export interface SetFault {
  readonly field: string;
  readonly code: "streak-above-clean" | "position-past-tries" | "position-twice" | "streak-past-run";
  readonly message: string;
}

type Counts = Pick<PracticeSet, "clean" | "misses" | "bestStreak">;

/** The tries in order, true for clean, as far as the misses' positions are known. */
function triesOf({ clean, misses }: Counts): boolean[] {
  const tries = new Array<boolean>(clean + missCount(misses)).fill(true);
  for (const { position } of misses) if (position !== undefined) tries[position - 1] = false;
  return tries;
}

function longestRun(tries: readonly boolean[]): number {
  let run = 0;
  let longest = 0;
  for (const clean of tries) {
    run = clean ? run + 1 : 0;
    longest = Math.max(longest, run);
  }
  return longest;
}

/** The runs of clean tries between the misses; the best alone where their places are not all known. */
export function runsOf(set: Counts): readonly number[] {
  const places = set.misses.flatMap(({ position }) => position ?? []).sort((one, other) => one - other);
  if (places.length < set.misses.length) return [set.bestStreak];
  const tries = set.clean + missCount(set.misses);
  const edges = [0, ...places];
  return [...places, tries + 1].map((place, index) => place - cellOf(edges, index) - 1);
}

/** Checks that a set's counts fit each other; an empty list means that they do. */
export function checkSetCounts(set: Counts): SetFault[] {
  const faults: SetFault[] = [];
  const tries = set.clean + missCount(set.misses);
  const seen = new Set<number>();
  set.misses.forEach(({ position }, index) => {
    if (position === undefined) return;
    const field = `misses[${index}].position`;
    if (position > tries) {
      const message = `The miss is put at try ${position}, but there were only ${tries}. Put it between 1 and ${tries}.`;
      faults.push({ field, code: "position-past-tries", message });
    } else if (seen.has(position)) {
      const message = `Two misses are put at try ${position}. Give each its own place.`;
      faults.push({ field, code: "position-twice", message });
    }
    seen.add(position);
  });
  if (set.bestStreak > set.clean) {
    const message = `The best streak is ${set.bestStreak}, more than the ${set.clean} clean tries. Give at most ${set.clean}.`;
    faults.push({ field: "bestStreak", code: "streak-above-clean", message });
  } else if (faults.length === 0) {
    const longest = longestRun(triesOf(set));
    if (set.bestStreak > longest) {
      const message = `The best streak is ${set.bestStreak}, but between the misses at most ${longest} were clean in a row.`;
      faults.push({ field: "bestStreak", code: "streak-past-run", message });
    }
  }
  return faults;
}

/**
 * The most clean tries among any `window` consecutive ones. Misses whose places are unknown are
 * taken to fall where they hurt most, so that nobody is cleared by a guess.
 */
export function bestCleanWithin(set: Counts, window: number): number {
  const tries = triesOf(set);
  if (tries.length <= window) return set.clean;
  let clean = tries.slice(0, window).filter(Boolean).length;
  let best = clean;
  for (let end = window; end < tries.length; end += 1) {
    clean += Number(tries[end]) - Number(tries[end - window]);
    best = Math.max(best, clean);
  }
  const unplaced = set.misses.reduce(
    (sum, miss) => sum + (miss.position === undefined ? (miss.count ?? 1) : 0),
    0,
  );
  return Math.max(0, best - unplaced);
}
