/**
 * How even a rope sounds, from the times of its ticks (teaching.md, Rhythm): tapped, sensed, or found in
 * a recording. O(n log n).
 */
import { cellOf } from "../grid.js";

/** A gap this much longer than the median interval breaks a run; the hair above 1.6 keeps an exact 1.6 whole. */
const BREAK = 1.6 + 1e-9;
const FEWEST_TICKS = 3;
/** An interval this many standard deviations from the mean of its kind stands out. */
const STANDS_OUT = 2;

export interface Rhythm {
  /** Ticks a minute, from the median interval. */
  readonly tempo: number;
  /** Ticks in each run, in order. */
  readonly runs: readonly number[];
  readonly longestRun: number;
  /** 100 × (1 − coefficient of variation of the intervals within runs), not below 0. */
  readonly evenness: number;
  /** How the tempo changes, percent a minute; null where the ticks span no time to tell. */
  readonly drift: number | null;
  /** The ticks, by their place, whose interval before them stands out. */
  readonly standouts: readonly number[];
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((one, other) => one - other);
  const middle = Math.floor(sorted.length / 2);
  const upper = cellOf(sorted, middle);
  return sorted.length % 2 === 1 ? upper : (cellOf(sorted, middle - 1) + upper) / 2;
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

interface Interval {
  /** The place of the tick that ends it. */
  readonly place: number;
  /** When it ends, and how long it is, seconds. */
  readonly at: number;
  readonly length: number;
}

/** The slope of the tempo over time by least squares, as percent of its mean a minute. */
function driftOf(intervals: readonly Interval[]): number | null {
  const times = intervals.map((one) => one.at);
  const tempos = intervals.map((one) => 60 / one.length);
  const [middle, usual] = [mean(times), mean(tempos)];
  const spread = times.reduce((sum, time) => sum + (time - middle) ** 2, 0);
  if (spread === 0) return null;
  const along = times.reduce(
    (sum, time, place) => sum + (time - middle) * (cellOf(tempos, place) - usual),
    0,
  );
  return ((along / spread) * 60 * 100) / usual;
}

/**
 * The rhythm of ticks at `times`, seconds, in ascending order. Fewer than three ticks, or ticks that
 * all fall together, give null.
 */
export function rhythmOf(times: readonly number[]): Rhythm | null {
  if (times.length < FEWEST_TICKS) return null;
  const intervals = times.slice(1).map((at, index): Interval => {
    return { place: index + 1, at, length: at - (times[index] ?? at) };
  });
  const usual = median(intervals.map((one) => one.length));
  if (usual <= 0) return null;
  const within = intervals.filter((one) => one.length <= BREAK * usual);
  const runs = intervals.reduce<number[]>(
    (found, one) => {
      if (one.length > BREAK * usual) return [...found, 1];
      return [...found.slice(0, -1), cellOf(found, found.length - 1) + 1];
    },
    [1],
  );
  const lengths = within.map((one) => one.length);
  const average = mean(lengths);
  const deviation = Math.sqrt(mean(lengths.map((length) => (length - average) ** 2)));
  return {
    tempo: 60 / usual,
    runs,
    longestRun: Math.max(...runs),
    evenness: Math.max(0, 100 * (1 - deviation / average)),
    drift: within.length < 2 ? null : driftOf(within),
    standouts: within
      .filter((one) => deviation > 0 && Math.abs(one.length - average) > STANDS_OUT * deviation)
      .map((one) => one.place),
  };
}

/** The tempo that somebody taps, beats a minute: the median of the last intervals; null for fewer than two taps. */
export function tappedTempo(times: readonly number[]): number | null {
  const LAST = 8;
  const recent = times.slice(-LAST);
  if (recent.length < 2) return null;
  const usual = median(recent.slice(1).map((at, index) => at - (recent[index] ?? at)));
  return usual > 0 ? 60 / usual : null;
}
