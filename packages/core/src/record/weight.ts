/**
 * How much a set counts by its age (teaching.md, The learner model): its weight halves every 21
 * days. Kept relative to a fixed epoch the sums only ever grow and are scaled once on reading
 * (2^(days / 21) stays far inside a double for centuries).
 */
import { DAY_MS, type Instant } from "../instant.js";

export const WEIGHT_EPOCH: Instant = Date.UTC(2020, 0, 1);
export const WEIGHT_HALF_LIFE_DAYS = 21;

/** The weight of a set at `instant`, relative to one at the epoch. */
export function weightAt(instant: Instant): number {
  return 2 ** ((instant - WEIGHT_EPOCH) / DAY_MS / WEIGHT_HALF_LIFE_DAYS);
}

/** What kept sums are multiplied by to count at `now`. */
export function weightScale(now: Instant): number {
  return 1 / weightAt(now);
}
