/** Work and rest as they are often asked for (drills.md, Programmes, intervals, circuits). */
export interface Interval {
  readonly name: string;
  readonly rounds: number;
  /** Seconds. */
  readonly work: number;
  readonly rest: number;
}

/** The first is what a clock is at first. */
export const INTERVALS: readonly [Interval, ...Interval[]] = [
  { name: "20 s on, 40 s off, 5 rounds", rounds: 5, work: 20, rest: 40 },
  { name: "3 rounds of 3 min, 1 min off", rounds: 3, work: 180, rest: 60 },
  { name: "4 rounds of 70 s, 35 s off", rounds: 4, work: 70, rest: 35 },
];

/** What a clock is at first: its circuits and mixes, in counts. */
export const CLOCK_COUNTS = {
  /** A circuit's first part. */
  bounces: 4,
  /** Each line so often, and the counts of rest after it. */
  lineSets: 2,
  recover: 8,
  /** A mix calls every so many. */
  every: 8,
} as const;
