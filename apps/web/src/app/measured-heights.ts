import type { JumpMeasure } from "@mirrup/contract";
import { DEFAULT_CLEARANCE } from "@mirrup/core";

const LEAST_OVER_ROPE = 0.005;

/**
 * How high they jump by turns a jump, metres, as measured last; only what was measured. A jump that
 * would not clear the rope was measured wrongly, and counts as one that just does.
 */
export function measuredHeights(jumps: readonly JumpMeasure[]): Readonly<Record<number, number>> {
  const oldestFirst = jumps.toReversed();
  return Object.fromEntries(
    oldestFirst.map(({ turns, heightMm }) => [
      turns,
      Math.max(heightMm / 1000, DEFAULT_CLEARANCE + LEAST_OVER_ROPE),
    ]),
  );
}
