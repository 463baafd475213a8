/** What a combo comes to: counts, length, hand moves, the tightest link, the turn rate, the two sides. */
import { cellOf } from "../grid.js";
import { sideOfArms, type Hand } from "../rope/arms.js";
import { measureScore } from "../rope/measure.js";
import { defaultHeight, timeScore, type Timing } from "../rope/timing.js";
import { airtimeOf, heightOf } from "../rope/physics.js";
import { expandBeats, type Score } from "../rope/score.js";
import { traceBeats } from "../rope/trace.js";

/** A turn rate that changes by more than this from one beat to the next is felt as a jump. */
const RATE_JUMP = 1.3;

export const COMBO_TEMPO = { least: 60, most: 240, usual: 120 } as const;

/** How somebody jumps a combo. */
export interface Jumping {
  /** Bounces a minute. */
  readonly tempo: number;
  readonly dominant: Hand;
  /** How high by turns a jump, metres, where it was measured; the usual heights elsewhere. */
  readonly heights?: Readonly<Record<number, number>>;
}

/** At least this share of a bounce is spent on the ground: who bounces faster bounces lower. */
const LEAST_ON_GROUND = 0.15;

/** A measured bounce as it is at a tempo, metres: no higher than the tempo leaves time for. */
export function bounceAt(tempo: number, measured: number): number {
  return Math.min(measured, heightOf(((1 - LEAST_ON_GROUND) * 60) / tempo));
}

/**
 * The ground contact, seconds, at which single bounces come at a tempo in beats a minute: what a beat
 * of so many metres leaves of it. Throws a `RangeError` for a tempo that leaves no time on the ground.
 */
export function contactAt(tempo: number, height: number = defaultHeight(1)): number {
  const airtime = airtimeOf(height);
  const contact = 60 / tempo - airtime;
  if (contact > 0) return contact;
  throw new RangeError(`tempo is ${tempo}; it must be below ${Math.floor(60 / airtime)} beats a minute.`);
}

export interface RateJump {
  /** The beat in which the rope turns at another rate than before. */
  readonly beat: number;
  /** Turns a minute. */
  readonly from: number;
  readonly to: number;
}

export interface ComboMeasures {
  readonly counts: number;
  readonly turns: number;
  readonly highest: number;
  readonly seconds: number;
  readonly handMoves: number;
  readonly airMoves: number;
  readonly landings: number;
  /** Turns with a left or a right symbol. */
  readonly left: number;
  readonly right: number;
  readonly rateJumps: readonly RateJump[];
  readonly timing: Timing;
}

export function comboTiming(score: Score, { tempo, dominant, heights = {} }: Jumping): Timing {
  const bounce = heights[1] === undefined ? defaultHeight(1) : bounceAt(tempo, heights[1]);
  return timeScore(score, {
    contact: contactAt(tempo, bounce),
    height: { ...heights, 1: bounce },
    dominant,
  });
}

function rateJumpsOf({ beats }: Timing): readonly RateJump[] {
  const jumps: RateJump[] = [];
  let before: number | null = null;
  beats.forEach(({ turnRate }, beat) => {
    if (turnRate === null) return;
    const ratio = before === null ? 1 : Math.max(turnRate / before, before / turnRate);
    if (before !== null && ratio > RATE_JUMP) jumps.push({ beat, from: before, to: turnRate });
    before = turnRate;
  });
  return jumps;
}

/** Measures of a combo as it is jumped. O(beats). */
export function measureCombo(score: Score, jumping: Jumping): ComboMeasures {
  const { dominant } = jumping;
  const timing = comboTiming(score, jumping);
  const { beats, turns, highest, handMoves, airMoves, contacts } = measureScore(score, { dominant });
  const arms = traceBeats(expandBeats(score), score.direction, dominant).beats.flatMap((beat) =>
    beat.turns.map((turn) => sideOfArms(turn.arms)),
  );
  return {
    ...{ counts: beats, turns, highest, handMoves, airMoves, landings: contacts, timing },
    seconds: timing.duration,
    left: arms.filter((side) => side === "l").length,
    right: arms.filter((side) => side === "r").length,
    rateJumps: rateJumpsOf(timing),
  };
}

/** The greatest demand of any link, hand moves a second; 0 where there is none. */
export function demandOf({ links, tightest }: Timing): number {
  return tightest === null ? 0 : cellOf(links, tightest).demand;
}

/** The greatest demand among scores that somebody has cleared: what their hands have shown. */
export function demandShown(scores: readonly Score[], jumping: Jumping): number {
  return scores.reduce((most, score) => Math.max(most, demandOf(comboTiming(score, jumping))), 0);
}
