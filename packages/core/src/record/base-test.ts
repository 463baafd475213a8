/**
 * The base test of foundation first (teaching.md, Gates): the five base jumps all at 100 in one
 * lesson, with at most two misses over all their sets of that lesson. It stands in the log's facts
 * as a subject of its own.
 */
import type { Instant } from "../instant.js";
import type { SideName } from "../sides.js";
import { missCount, type PracticeSet } from "../log/set.js";

export const BASE_TEST = "base-test";
export const BASE_TEST_COUNT = 100;
const BASE_TEST_MISSES = 2;

export const BASE_TEST_PARTS: readonly (readonly [subject: string, side: SideName])[] = [
  ["basic-bounce", "whole"],
  ["run-step", "whole"],
  ["single-leg-hop", "left"],
  ["single-leg-hop", "right"],
  ["high-knees", "whole"],
];

export interface BaseTestSet extends PracticeSet {
  readonly subject: string;
  readonly side: SideName;
}

function isPart(set: Pick<BaseTestSet, "subject" | "side">): boolean {
  return BASE_TEST_PARTS.some(([subject, side]) => set.subject === subject && set.side === side);
}

export interface BaseTestPart {
  readonly subject: string;
  readonly side: SideName;
  readonly reached: boolean;
}

/** How far the five parts are, with their one count of misses. */
export interface BaseTestProgress {
  readonly parts: readonly BaseTestPart[];
  /** The part to jump now; null when all are reached, or too much was missed. */
  readonly next: BaseTestPart | null;
  readonly missesLeft: number;
  readonly end: "running" | "passed" | "failed";
}

/** Where one lesson's sets stand in the base test; sets of other skills count for nothing. */
export function baseTestProgress(
  sets: readonly Omit<BaseTestSet, "id" | "lesson" | "at">[],
): BaseTestProgress {
  const parts = BASE_TEST_PARTS.map(([subject, side]) => ({
    subject,
    side,
    reached: sets.some(
      (set) => set.subject === subject && set.side === side && set.bestStreak >= BASE_TEST_COUNT,
    ),
  }));
  const missed = sets.filter(isPart).reduce((sum, set) => sum + missCount(set.misses), 0);
  const waiting = parts.find((part) => !part.reached) ?? null;
  const end = missed > BASE_TEST_MISSES ? "failed" : waiting === null ? "passed" : "running";
  return {
    parts,
    next: end === "running" ? waiting : null,
    missesLeft: Math.max(0, BASE_TEST_MISSES - missed),
    end,
  };
}

/** When the sets of one lesson passed the base test; null where they did not. */
export function baseTestPassedAt(sets: readonly BaseTestSet[]): Instant | null {
  if (baseTestProgress(sets).end !== "passed") return null;
  return Math.max(...sets.filter(isPart).map((set) => set.at));
}
