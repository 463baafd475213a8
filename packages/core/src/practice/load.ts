/**
 * Landings and the week's allowance of them (safety.md, load). A landing on two feet counts 1, on one
 * leg 1.5; after a double 1.5, after a triple or more 2. Where both hold, the factors multiply.
 */
import { expandBeats, landingOf, type Score } from "../rope/score.js";

const ONE_LEG = 1.5;
const DOUBLE = 1.5;
const TRIPLE = 2;

/** Weighted landings of once through a score; 1 for a skill outside the rope model. */
export function landingsOf(score: Score | null): number {
  if (score === null) return 1;
  return expandBeats(score).reduce((sum, beat) => {
    const turns = beat.turns.length;
    const air = turns > 2 ? TRIPLE : turns === 2 ? DOUBLE : 1;
    return sum + air * (landingOf(beat) === "b" ? 1 : ONE_LEG);
  }, 0);
}

export const LEAST_ALLOWANCE = 3000;
const GROWTH = 1.1;
const WEEKS_LOOKED_BACK = 4;
const WEEKS_NEEDED = 2;

/**
 * The week's allowance: the larger of 3,000 and 1.1 × the mean of the last four weeks that have any
 * record, newest first. Null before two weeks are recorded, when nothing is judged yet.
 */
export function weekAllowance(recordedWeeks: readonly number[]): number | null {
  if (recordedWeeks.length < WEEKS_NEEDED) return null;
  const weeks = recordedWeeks.slice(0, WEEKS_LOOKED_BACK);
  const mean = weeks.reduce((sum, one) => sum + one, 0) / weeks.length;
  return Math.max(LEAST_ALLOWANCE, GROWTH * mean);
}
