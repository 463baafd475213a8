/** What was counted at home, as the set that is sent. */
import type { HomeSet } from "@mirrup/contract";
import type { Drill, SideName } from "@mirrup/core";
import { runOf, type Run, type Tap } from "@mirrup/core/teaching";

export interface Counting {
  readonly id: string;
  readonly subject: string;
  readonly side: SideName;
  readonly drill: Drill;
  readonly taps: readonly Tap[];
  /** The phone's clock. */
  readonly startedAt: number;
}

export function elapsedOf({ startedAt }: Counting, now: number): number {
  return Math.max(0, (now - startedAt) / 1000);
}

export function runAt(counting: Counting, now: number): Run {
  return runOf(counting.drill, counting.taps, elapsedOf(counting, now));
}

/** A counting with one more tap, unless it is over. */
export function tapped(counting: Counting, kind: "clean" | "miss", now: number): Counting {
  if (runAt(counting, now).end !== "running") return counting;
  return { ...counting, taps: [...counting.taps, { kind, at: elapsedOf(counting, now) }] };
}

export function undone(counting: Counting): Counting {
  return { ...counting, taps: counting.taps.slice(0, -1) };
}

/** The set that was tapped. */
export function tappedSet(counting: Counting, now: number): HomeSet {
  const { id, subject, side, drill } = counting;
  const { clean, misses, bestStreak, tries } = runAt(counting, now);
  const last = counting.taps.at(-1)?.at ?? 0;
  const ticks = tries.flatMap((one) => (one.kind === "clean" && one.at !== undefined ? [one.at] : []));
  const isClocked = drill.kind === "hold" || drill.kind === "count";
  const seconds = Math.round(10 * (isClocked ? elapsedOf(counting, now) : last)) / 10;
  return {
    ...{ id, subject, side, drill, clean, misses, bestStreak, seconds },
    ...(ticks.length === clean && clean > 0 ? { ticks } : {}),
    at: new Date(now).toISOString(),
  };
}

/** What somebody counted in their head. */
export interface Typed {
  readonly clean: number;
  readonly missed: number;
  /** In a row; null where nobody counted that. */
  readonly best: number | null;
}

/** What is wrong with what was typed, in a sentence; null for nothing. */
export function typedFault({ clean, missed, best }: Typed): string | null {
  const most = 5000;
  const numbers = [clean, missed, ...(best === null ? [] : [best])];
  if (numbers.some((one) => !Number.isInteger(one) || one < 0)) return "Give whole numbers, 0 or more.";
  if (clean + missed === 0) return "Give at least one try.";
  if (clean + missed > most) return `Give at most ${most} tries. Write the rest as another set.`;
  return best !== null && best > clean
    ? `${best} in a row is more than the ${clean} clean ones. Give at most ${clean}.`
    : null;
}

export function typedSet(
  { id, subject, side, drill }: Omit<Counting, "taps" | "startedAt">,
  { clean, missed, best }: Typed,
  now: number,
): HomeSet {
  return {
    ...{ id, subject, side, drill, clean },
    misses: missed === 0 ? [] : [{ count: missed }],
    // Without a miss between all are in a row; where nobody knows, none is claimed.
    bestStreak: best ?? (missed === 0 ? clean : 0),
    at: new Date(now).toISOString(),
  };
}
