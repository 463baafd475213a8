/**
 * The base test of foundation first (teaching.md, Gates): the five base jumps all at 100 in one
 * lesson, with at most two misses over all their sets of that lesson. It stands in the log's facts
 * as a subject of its own.
 */
import type { Instant } from "../instant.js";
import type { Side } from "../sides.js";
import { missCount, type PracticeSet } from "./set.js";

export const BASE_TEST = "base-test";
export const BASE_TEST_COUNT = 100;
const BASE_TEST_MISSES = 2;

export const BASE_TEST_PARTS: readonly (readonly [subject: string, side: Side])[] = [
  ["basic-bounce", "whole"],
  ["run-step", "whole"],
  ["single-leg-hop", "left"],
  ["single-leg-hop", "right"],
  ["high-knees", "whole"],
];

export interface BaseTestSet extends PracticeSet {
  readonly subject: string;
  readonly side: Side;
}

/** When the sets of one lesson passed the base test; null where they did not. */
export function baseTestPassedAt(sets: readonly BaseTestSet[]): Instant | null {
  const parts = BASE_TEST_PARTS.map(([subject, side]) =>
    sets.filter((set) => set.subject === subject && set.side === side),
  );
  const reached = parts.every((part) => part.some((set) => set.bestStreak >= BASE_TEST_COUNT));
  const all = parts.flat();
  const misses = all.reduce((sum, set) => sum + missCount(set.misses), 0);
  return reached && misses <= BASE_TEST_MISSES ? Math.max(...all.map((set) => set.at)) : null;
}
