/** What is asked of an interval clock, and the stretches that it comes to. */
import { CATALOGUE, CLOCK_COUNTS, INTERVALS, type Interval } from "@mirrup/catalogue";
import { expandBeats, skillOf, usualTempo, type Score } from "@mirrup/core";
import {
  callsClock,
  circuitClock,
  mixOf,
  roundsClock,
  wholeFours,
  type MixMove,
  type Stretch,
} from "@mirrup/core/teaching";
import { piecesClock, type ClockPiece, type Jumping } from "@mirrup/core/combos";
import type { ClockCombo, PoolMove } from "./pool.js";

export const CLOCK_KINDS = ["rounds", "circuit", "mix", "combo"] as const;
export type ClockKind = (typeof CLOCK_KINDS)[number];

export interface ClockAsked {
  readonly kind: ClockKind;
  readonly rounds: number;
  /** Seconds. */
  readonly work: number;
  readonly rest: number;
  readonly sets: number;
  readonly setRest: number;
  readonly what: string;
  /** The circuit's parts after the bounces, as `cross:left`. */
  readonly parts: readonly string[];
  /** How often each line is done, and the counts of rest after it. */
  readonly lineSets: number;
  readonly recover: number;
  readonly minutes: number;
  /** Counts of each call. */
  readonly every: number;
  /** The combo that is done in each round, by its id; the first there is, where it is none. */
  readonly combo: string;
  /** Counts a minute. */
  readonly tempo: number;
}

const BOUNCE = skillOf(CATALOGUE, CATALOGUE.roles.bounce ?? "");
const BOUNCES = { name: BOUNCE.name, counts: CLOCK_COUNTS.bounces };
/** What everything is counted by, and joined with. */
const COUNT: Score = scoreOfBounce();

function scoreOfBounce(): Score {
  if (BOUNCE.score === null) throw new Error(`${BOUNCE.name} has no score to count by.`);
  return BOUNCE.score;
}

/** The work and the rest of a ready one, in place of those that are asked. */
export function withInterval(asked: ClockAsked, { rounds, work, rest }: Interval): ClockAsked {
  return { ...asked, kind: "rounds", sets: 1, rounds, work, rest };
}

const PLAIN: ClockAsked = {
  ...{ kind: "rounds", rounds: 1, work: 60, rest: 60, sets: 1, setRest: 90, what: "" },
  ...{ parts: [], lineSets: CLOCK_COUNTS.lineSets, recover: CLOCK_COUNTS.recover },
  ...{ minutes: 2, combo: "", every: CLOCK_COUNTS.every, tempo: Math.round(usualTempo(COUNT)) },
};
export const FIRST_ASKED = withInterval(PLAIN, INTERVALS[0]);

/** The least and the most of each number. */
export const BOUNDS = {
  rounds: [1, 30],
  work: [5, 900],
  rest: [0, 600],
  sets: [1, 10],
  setRest: [0, 900],
  lineSets: [1, 6],
  recover: [0, 64],
  minutes: [1, 20],
  every: [4, 32],
  tempo: [60, 220],
} as const satisfies Partial<Record<keyof ClockAsked, readonly [number, number]>>;
export type ClockNumber = keyof typeof BOUNDS;

export interface MadeClock {
  readonly stretches: readonly Stretch[];
  /** Cleared, but not to be jumped over and over. */
  readonly leftOut: readonly MixMove[];
}

/** What a clock can be made of. */
export interface ClockMeans {
  /** The moves that may be called. */
  readonly pool: readonly PoolMove[];
  readonly combos: readonly ClockCombo[];
  readonly jumper: Omit<Jumping, "tempo">;
  /** Which order of a mix. */
  readonly seed: number;
}

/** The programme that is asked for; no stretches where nothing can be made of it. */
export function stretchesOf(asked: ClockAsked, { pool, combos, jumper, seed }: ClockMeans): MadeClock {
  switch (asked.kind) {
    case "rounds":
      return { stretches: roundsClock(asked), leftOut: [] };
    case "circuit": {
      const parts = asked.parts.flatMap((key) => pool.filter((move) => move.key === key));
      if (parts.length === 0) return { stretches: [], leftOut: [] };
      const named = parts.map(({ name, score }) => ({ name, counts: wholeFours(expandBeats(score).length) }));
      const { lineSets: sets, recover, tempo } = asked;
      return { stretches: circuitClock({ parts: [BOUNCES, ...named], sets, recover, tempo }), leftOut: [] };
    }
    case "mix": {
      const { minutes, every, tempo } = asked;
      const calls = Math.max(1, Math.round((minutes * tempo) / every));
      const mix = mixOf(pool, { calls, every, seed, bounce: COUNT });
      const named = mix.calls.map(({ move }) => ({ name: move.name, counts: every }));
      return { stretches: callsClock(named, tempo), leftOut: mix.leftOut };
    }
    case "combo": {
      const combo = combos.find((one) => one.id === asked.combo) ?? combos[0];
      if (combo === undefined) return { stretches: [], leftOut: [] };
      const piece = { ...combo, rest: asked.rest, restName: null };
      const pieces = new Array<ClockPiece>(asked.rounds).fill(piece);
      return { stretches: piecesClock(pieces, { tempo: asked.tempo, ...jumper }), leftOut: [] };
    }
  }
}
