/**
 * Where the rope's speed has to change from one move to the next, and what makes it equal
 * (drills.md, Rope speed between moves). Every remedy is solved from the timing's own formulas: the
 * rope runs on evenly if the hop's whole cycle is as long as one turn of the multiple.
 */
import { UNDER_FEET } from "./arms.js";
import { heightOf, airtimeOf } from "./physics.js";
import { expandBeats, type Score } from "./score.js";
import {
  DEFAULT_CLEARANCE,
  DEFAULT_CONTACT,
  timeScore,
  type BeatTiming,
  type TimingOptions,
} from "./timing.js";
import { traceBeats, type TracedBeat } from "./trace.js";

export type SpeedRemedy =
  /** The slower one hops so high, metres, and so springily, seconds on the floor, that the rope runs on. */
  | { readonly kind: "quicker-hop"; readonly height: number; readonly contact: number; readonly rate: number }
  /** The faster one jumps so high, metres, that its rope is as calm as the other's. */
  | { readonly kind: "higher"; readonly height: number; readonly rate: number }
  /** So many bounces between, each a little faster than the one before; turns a minute. */
  | { readonly kind: "bounces"; readonly rates: readonly number[] };

export interface SpeedChange {
  /** The two beats that follow each other, from 0. */
  readonly from: number;
  readonly to: number;
  /** Turns a minute. */
  readonly rates: readonly [from: number, to: number];
  /** The faster over the slower. */
  readonly ratio: number;
  readonly remedies: readonly SpeedRemedy[];
}

/** Less is not felt. */
const FELT = 1.08;
/** How much faster one bounce can be than the one before. */
const STEP = 1.2;
/** A hop is not lower than that, nor shorter on the floor. */
const LEAST_HOP = 0.02;
const SPRINGY = 0.2;
const SHORTEST = 0.12;
/** Nobody jumps higher. */
const HIGHEST = 1.2;

/** How far the passes of a beat lie from the middle of its air time, in half periods (rope-model.md, Timing). */
function farthestPass({ turns }: TracedBeat): number {
  return turns.reduce(
    (most, { arms, turn }, place) =>
      UNDER_FEET[arms] && !turn.caught ? Math.max(most, Math.abs(2 * place - (turns.length - 1))) : most,
    0,
  );
}

/**
 * The lowest height, metres, at which a beat's period is `period` seconds: every bound on the period
 * is turned round, and the highest of them holds. Null where nobody jumps so high.
 */
export function heightForPeriod(
  beat: TracedBeat,
  period: number,
  { contact = DEFAULT_CONTACT, clearance = DEFAULT_CLEARANCE }: TimingOptions = {},
): number | null {
  const count = beat.turns.length;
  if (count === 0) return null;
  const far = farthestPass(beat);
  const airtimes = [count * period - contact, ...(count > 1 ? [(count - 1) * period] : [])];
  const heights = airtimes.map((airtime) => (airtime <= 0 ? 0 : heightOf(airtime)));
  if (far > 0) heights.push(clearance + heightOf(far * period));
  const height = Math.max(...heights, clearance + 0.001);
  return height > HIGHEST ? null : height;
}

function hopFor(period: number, contact: number): SpeedRemedy[] {
  for (const onFloor of [contact, SPRINGY].filter((floor) => floor <= contact)) {
    const airtime = period - onFloor;
    const height = airtime <= 0 ? 0 : heightOf(airtime);
    if (height >= LEAST_HOP) return [{ kind: "quicker-hop", height, contact: onFloor, rate: 60 / period }];
  }
  // Lower it cannot be: what is left is the time on the floor.
  const onFloor = period - airtimeOf(LEAST_HOP);
  if (onFloor < SHORTEST) return [];
  return [{ kind: "quicker-hop", height: LEAST_HOP, contact: onFloor, rate: 60 / period }];
}

function bouncesBetween(from: number, to: number): SpeedRemedy[] {
  const steps = Math.ceil(Math.abs(Math.log(to / from)) / Math.log(STEP) - 1e-9);
  if (steps < 2) return [];
  const rates = Array.from({ length: steps - 1 }, (_, step) => from * (to / from) ** ((step + 1) / steps));
  return [{ kind: "bounces", rates }];
}

function changeBetween(
  beats: readonly TracedBeat[],
  timings: readonly BeatTiming[],
  from: number,
  to: number,
  options: TimingOptions,
): SpeedChange[] {
  const [one, other] = [timings[from], timings[to]];
  if (one?.period == null || other?.period == null) return [];
  const ratio = Math.max(one.period, other.period) / Math.min(one.period, other.period);
  if (ratio < FELT) return [];
  const isFasterFirst = one.period < other.period;
  const [fastPeriod, slowPeriod] = isFasterFirst ? [one.period, other.period] : [other.period, one.period];
  const [fast, slow] = isFasterFirst ? [beats[from], beats[to]] : [beats[to], beats[from]];
  if (fast === undefined || slow === undefined) return [];
  const { contact = DEFAULT_CONTACT } = options;
  const higher = heightForPeriod(fast, slowPeriod, options);
  return [
    {
      ...{ from, to, ratio, rates: [60 / one.period, 60 / other.period] },
      remedies: [
        ...(slow.turns.length === 1 ? hopFor(fastPeriod, contact) : []),
        ...(higher === null ? [] : [{ kind: "higher", height: higher, rate: 60 / slowPeriod } as const]),
        ...bouncesBetween(60 / one.period, 60 / other.period),
      ],
    },
  ];
}

/** Where the rope has to run faster or slower: of the same two speeds the first place. Throws as `timeScore` does. O(beats). */
export function speedChanges(score: Score, options: TimingOptions = {}): readonly SpeedChange[] {
  const { beats: timings } = timeScore(score, options);
  const { beats } = traceBeats(expandBeats(score), score.direction, options.dominant ?? "r");
  const changes: SpeedChange[] = [];
  let before: number | null = null;
  beats.forEach((beat, place) => {
    if (beat.turns.length === 0) return;
    if (before !== null) changes.push(...changeBetween(beats, timings, before, place, options));
    before = beat.turns.some(({ turn }) => turn.caught) ? null : place;
  });
  const known = new Set<string>();
  return changes.filter(({ rates }) => {
    const key = rates
      .map((rate) => rate.toFixed(2))
      .sort()
      .join(" ");
    if (known.has(key)) return false;
    known.add(key);
    return true;
  });
}
