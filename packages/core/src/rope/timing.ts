/**
 * When the rope is where (rope-model.md, Timing): a jumper in free flight, the bottoms of a beat
 * evenly spaced about the middle of its air time, and the hands moving in between.
 */
import { cellOf } from "../grid.js";
import { UNDER_FEET, type Hand } from "./arms.js";
import { airtimeOf } from "./physics.js";
import { linkCost } from "./cost.js";
import { hasPass } from "./measure.js";
import { expandBeats, type Score } from "./score.js";
import { traceBeats, type TracedBeat } from "./trace.js";

/** Metres for all beats, or by number of turns (0: hops and beats with no pass under the feet). */
export type Heights = number | Readonly<Record<number, number>>;

export interface TimingOptions {
  readonly height?: Heights;
  /** Ground contact, seconds. */
  readonly contact?: number;
  /** Metres that the feet must be above the rope. */
  readonly clearance?: number;
  readonly dominant?: Hand;
}

export interface BeatTiming {
  /** Take-off, seconds from the first one. */
  readonly start: number;
  readonly airtime: number;
  readonly cycle: number;
  /** Seconds a turn; null for a hop. */
  readonly period: number | null;
  /** Turns a minute; null for a hop. */
  readonly turnRate: number | null;
  /** When the rope is at the bottom of each turn, seconds. */
  readonly bottoms: readonly number[];
}

export interface TurnPlace {
  readonly beat: number;
  readonly turn: number;
}

export interface LinkTiming {
  readonly from: TurnPlace;
  readonly to: TurnPlace;
  readonly cost: number;
  /** Seconds in which the hands can move. */
  readonly window: number;
  /** Hand moves a second. */
  readonly demand: number;
}

export interface Timing {
  /** Seconds from the first take-off to the end of the last cycle. */
  readonly duration: number;
  readonly beats: readonly BeatTiming[];
  readonly links: readonly LinkTiming[];
  /** The first link of greatest demand, as an index into `links`. */
  readonly tightest: number | null;
}

export const DEFAULT_CONTACT = 0.25;
export const DEFAULT_CLEARANCE = 0.015;
/** The hands can move between 15 % and 70 % of the way from one bottom to the next. */
export const WINDOW_FROM = 0.15;
export const WINDOW_TO = 0.7;
const WINDOW_SHARE = 0.55;
const DEFAULT_HEIGHTS = [0.05, 0.05, 0.18, 0.28, 0.38] as const;
const HEIGHT_STEP = 0.1;
const SAME_DEMAND = 1e-9;

/** The height that a beat of so many turns is jumped at when nothing else is said, metres. */
export function defaultHeight(turns: number): number {
  return DEFAULT_HEIGHTS[turns] ?? 0.38 + HEIGHT_STEP * (turns - 4);
}

function inRange(name: string, value: number, isIn: boolean, range: string): number {
  if (Number.isFinite(value) && isIn) return value;
  throw new RangeError(`${name} is ${value}; it must be ${range}.`);
}

interface Body {
  readonly contact: number;
  readonly clearance: number;
}

function bodyOf({ contact = DEFAULT_CONTACT, clearance = DEFAULT_CLEARANCE }: TimingOptions): Body {
  return {
    contact: inRange("contact", contact, contact > 0, "above 0 s"),
    clearance: inRange("clearance", clearance, clearance >= 0, "0 m or more"),
  };
}

function heightFor(beat: TracedBeat, heights: Heights | undefined, { clearance }: Body): number {
  const pass = hasPass(beat);
  const turns = pass ? beat.turns.length : 0;
  const height = (typeof heights === "number" ? heights : heights?.[turns]) ?? defaultHeight(turns);
  return pass
    ? inRange("height", height, height > clearance, `above the clearance, ${clearance} m`)
    : inRange("height", height, height >= 0, "0 m or more");
}

interface Flight {
  readonly airtime: number;
  readonly cycle: number;
  readonly period: number | null;
}

/** Air time, cycle and period of a beat jumped at `height`. */
function flightOf(beat: TracedBeat, height: number, { contact, clearance }: Body): Flight {
  const count = beat.turns.length;
  const airtime = airtimeOf(height);
  const cycle = airtime + contact;
  if (count === 0) return { airtime, cycle, period: null };
  let period = cycle / count;
  if (hasPass(beat)) {
    const above = airtimeOf(height - clearance);
    beat.turns.forEach(({ arms, turn }, index) => {
      const offset = Math.abs(2 * index - (count - 1));
      if (UNDER_FEET[arms] && !turn.caught && offset > 0) period = Math.min(period, above / offset);
    });
    if (count > 1) period = Math.min(period, airtime / (count - 1));
  }
  return { airtime, cycle, period };
}

function beatTiming(beat: TracedBeat, start: number, flight: Flight): BeatTiming {
  const { airtime, cycle, period } = flight;
  if (period === null) return { start, airtime, cycle, period, turnRate: null, bottoms: [] };
  const first = start + (airtime - (beat.turns.length - 1) * period) / 2;
  const bottoms = beat.turns.map((_, index) => first + index * period);
  return { start, airtime, cycle, period, turnRate: 60 / period, bottoms };
}

function linksOf(beats: readonly TracedBeat[], timings: readonly BeatTiming[]): LinkTiming[] {
  const links: LinkTiming[] = [];
  let from: (TurnPlace & { readonly at: number }) | null = null;
  beats.forEach(({ turns }, beat) => {
    turns.forEach((traced, turn) => {
      const at = cellOf(cellOf(timings, beat).bottoms, turn);
      if (from !== null && !traced.fromRest) {
        const cost = linkCost(traced.from, traced.arms);
        const window = WINDOW_SHARE * (at - from.at);
        const { beat: fromBeat, turn: fromTurn } = from;
        links.push({
          from: { beat: fromBeat, turn: fromTurn },
          to: { beat, turn },
          cost,
          window,
          demand: cost / window,
        });
      }
      from = { beat, turn, at };
    });
  });
  return links;
}

function tightestOf(links: readonly LinkTiming[]): number | null {
  if (links.length === 0) return null;
  const most = links.reduce((highest, { demand }) => Math.max(highest, demand), 0);
  return links.findIndex(({ demand }) => demand >= most * (1 - SAME_DEMAND));
}

/** The timing of a score, legal or not. Throws a `RangeError` for numbers out of range. O(beats). */
export function timeScore(score: Score, options: TimingOptions = {}): Timing {
  const body = bodyOf(options);
  const { beats } = traceBeats(expandBeats(score), score.direction, options.dominant ?? "r");
  let start = 0;
  const timings = beats.map((beat) => {
    const timing = beatTiming(beat, start, flightOf(beat, heightFor(beat, options.height, body), body));
    start += timing.cycle;
    return timing;
  });
  const links = linksOf(beats, timings);
  return { duration: start, beats: timings, links, tightest: tightestOf(links) };
}

/** Beats a minute of a score as it is usually jumped: at the usual heights and contact. */
export function usualTempo(score: Score): number {
  const { beats, duration } = timeScore(score);
  return (60 * beats.length) / duration;
}

/**
 * The lowest jump height in whole millimetres above the clearance, in metres, at which the beat's
 * turn rate stays at or below `maxTurnRate` (turns a minute); the rate falls as the height grows, so
 * a doubling and a bisection find it. Throws a `RangeError` for a beat that the score does not have.
 */
export function lowestHeight(
  score: Score,
  beat: number,
  maxTurnRate: number,
  options: Omit<TimingOptions, "height"> = {},
): number {
  const body = bodyOf(options);
  inRange("maxTurnRate", maxTurnRate, maxTurnRate > 0, "above 0 turns a minute");
  const { beats } = traceBeats(expandBeats(score), score.direction, options.dominant ?? "r");
  const traced = beats[beat];
  if (traced === undefined)
    throw new RangeError(`beat is ${beat}; it must be from 0 to ${beats.length - 1}.`);
  const fits = (millimetres: number) => {
    const { period } = flightOf(traced, millimetres / 1000, body);
    return period === null || 60 / period <= maxTurnRate;
  };
  let low = Math.max(0, Math.floor(body.clearance * 1000) - 1);
  while (low / 1000 <= body.clearance) low += 1;
  if (fits(low)) return low / 1000;
  let high = low * 2;
  while (!fits(high)) high *= 2;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (fits(middle)) high = middle;
    else low = middle;
  }
  return high / 1000;
}
