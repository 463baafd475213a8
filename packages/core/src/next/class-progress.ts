/**
 * What a coach sees of a class over some weeks, and would else find by looking through everybody: who stands still, who
 * has not come, whose weaker side falls behind, and what holds most of them up on the way to their goals.
 */
import { DAY_MS, type Instant } from "../instant.js";
import { cleanChance, standingOf, type Reading } from "../record/standing.js";
import type { PracticeDay } from "../record/practice-day.js";
import type { SideName } from "../sides.js";
import type { Side } from "../syllabus/side.js";
import { Tally } from "../tally.js";
import { goalPath, type Goal, type PathOptions } from "./goal-path.js";

/** Practised on so many days and nothing cleared: that stands still. */
export const STILL_DAYS = 4;
/** Not seen for so long, somebody is missed. */
export const AWAY_DAYS = 21;
/** So much less likely clean than the other, a side falls behind; by fewer tries nobody can tell. */
const BEHIND = 0.2;
const LEAST_TRIES = 20;

/** Whether so many days of practice have cleared nothing. */
export function standsStill(days: readonly PracticeDay[], cleared: number): boolean {
  const lessons = new Set(days.filter(({ sets }) => sets > 0).map(({ day }) => day));
  return cleared === 0 && lessons.size >= STILL_DAYS;
}

export function isAway(lastAt: Instant | null, now: Instant): boolean {
  return lastAt === null || now - lastAt > AWAY_DAYS * DAY_MS;
}

export interface BehindSide {
  readonly subject: string;
  readonly weaker: Exclude<SideName, "whole">;
  /** How likely a clean try is on it, and on the other. */
  readonly chance: number;
  readonly other: number;
}

/** The side that is furthest behind its other, of what was practised enough on either; null for none. */
export function furthestBehind(reading: Reading, days: readonly PracticeDay[]): BehindSide | null {
  const tries = new Tally<string>();
  for (const { subject, clean, missed } of days) tries.add(subject, clean + missed);
  const behind = reading.syllabus.sides.flatMap((side): BehindSide[] => {
    const { subject, other } = side;
    if (other === null || side.side === "whole" || tries.of(subject) < LEAST_TRIES) return [];
    const [chance, best] = [side, other].map((one) => cleanChance(standingOf(reading, one)));
    if (chance === undefined || best === undefined || best - chance < BEHIND) return [];
    return [{ subject, weaker: side.side, chance, other: best }];
  });
  return behind.sort((one, other) => other.other - other.chance - (one.other - one.chance))[0] ?? null;
}

/** The side that is first on the way to each of somebody's goals: what holds them up. In order, each once. */
export function heldUpBy(
  reading: Reading,
  goals: readonly Goal[],
  options: PathOptions = {},
): readonly Side[] {
  const first = goals.flatMap((goal) => goalPath(reading, [goal], options).steps[0]?.of ?? []);
  return [...new Set(first)];
}
