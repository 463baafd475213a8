/**
 * A score made ready to be shown at any time: who jumps it, how high, with which rope, where each
 * landing stands and when the rope is where. `pose.ts` reads it.
 */
import { cellOf } from "../grid.js";
import type { Hand } from "../rope/arms.js";
import { turnsBody } from "../rope/feet.js";
import { expandBeats, type Score } from "../rope/score.js";
import { GRAVITY } from "../rope/physics.js";
import { DEFAULT_CONTACT, timeScore, type Heights, type Timing } from "../rope/timing.js";
import { traceBeats, type TracedBeat } from "../rope/trace.js";
import { bodyOf, type Body } from "./body.js";
import { depthOf } from "./cord.js";
import { lastBefore, turningKeys, type TurningKey } from "./turning.js";
import { stanceOf, type Stance } from "./stance.js";

export interface Jumper {
  /** Standing, metres. */
  readonly height?: number;
  /** Handle tip to handle tip, metres; by the rope fit where none is told. */
  readonly rope?: number;
  readonly jump?: Heights;
  /** Ground contact, seconds. */
  readonly contact?: number;
  /** Metres that the feet must be above the rope. */
  readonly clearance?: number;
  readonly dominant?: Hand;
  /** When everything is, where that is known already; else it is timed by the jump, the contact and the clearance. */
  readonly timing?: Timing;
}

/** A half turn of the body: from when to when, and which way. */
export interface BodyTurn {
  readonly from: number;
  readonly to: number;
  /** Radians, to the left. */
  readonly by: number;
}

export interface Motion {
  readonly body: Body;
  readonly beats: readonly TracedBeat[];
  readonly timing: Timing;
  readonly starts: readonly number[];
  /** The stance before the first take-off, then that of each landing. */
  readonly stances: readonly Stance[];
  readonly keys: readonly TurningKey[];
  readonly times: readonly number[];
  readonly turns: readonly BodyTurn[];
  /** How much higher than usual the hands are held, that the rope just passes under the feet. */
  readonly raised: number;
  /** Seconds: the figure stands before `from`, and after `to`. */
  readonly from: number;
  readonly to: number;
}

const OPEN_APART = 0.94;
const OPEN_ABOVE = 0.905;
const FEET_HALF = 0.16;
const PASSES_UNDER = 0.045;
const LEAST_RAISED = -0.12;
const MOST_RAISED = 0.34;

/** Whoever has a longer rope holds the hands higher, and the reverse, as far as that goes. */
function raisedFor({ cord, scale }: Body): number {
  const deep = depthOf(cord, OPEN_APART * scale, FEET_HALF * scale);
  const raised = deep - PASSES_UNDER - OPEN_ABOVE * scale;
  return Math.min(MOST_RAISED * scale, Math.max(LEAST_RAISED * scale, raised));
}

function bodyTurns(beats: readonly TracedBeat[], timing: Timing): BodyTurn[] {
  return beats.flatMap(({ beat }, place): BodyTurn[] => {
    const gesture = beat.gestures.find(turnsBody);
    const here = timing.beats[place];
    if (gesture === undefined || here === undefined) return [];
    const from = here.bottoms.at(-1) ?? here.start;
    const next = timing.beats.slice(place + 1).find(({ bottoms }) => bottoms.length > 0)?.bottoms[0];
    const span = (next ?? from + here.cycle) - from;
    return [
      { from: from - 0.1 * span, to: from + 0.62 * span, by: gesture === "turnl" ? Math.PI : -Math.PI },
    ];
  });
}

/** A score as a jumper's motion. Throws a `RangeError` for measures out of range. O(beats). */
export function motionOf(score: Score, jumper: Jumper = {}): Motion {
  const body = bodyOf(jumper.height, jumper.rope);
  const { jump: height, contact, clearance, dominant = "r" } = jumper;
  const timing = jumper.timing ?? timeScore(score, { height, contact, clearance, dominant });
  const { beats } = traceBeats(expandBeats(score), score.direction, dominant);
  const keys = turningKeys(beats, timing);
  return {
    body,
    beats,
    timing,
    starts: timing.beats.map(({ start }) => start),
    stances: [
      stanceOf(beats[0]?.takeOff ?? "b", []),
      ...beats.map(({ landing, beat }) => stanceOf(landing, beat.gestures)),
    ],
    keys,
    times: keys.map(({ at }) => at),
    turns: bodyTurns(beats, timing),
    raised: raisedFor(body),
    from: cellOf(keys, 0).at,
    to: timing.duration,
  };
}

/** How far the body is turned to the left at a time, radians. O(turns of the body before it). */
export function yawAt(
  { turns }: Motion,
  at: number,
  easing: (at: number, from: number, to: number) => number,
): number {
  let yaw = 0;
  for (const { from, to, by } of turns) {
    if (from >= at) break;
    yaw += by * easing(at, from, to);
  }
  return yaw;
}

/** Between which landings one is, and how far into the flight or the contact. */
export interface Moment {
  readonly before: Stance;
  readonly after: Stance;
  /** Share of the air time flown; 1 in the contact after it. */
  readonly flown: number;
  /** How far the feet have risen, metres. */
  readonly rise: number;
  /** How far the hips give way on the floor, metres. */
  readonly give: number;
}

/** From the speed that one lands at to the one that one leaves at: a cubic, so that nothing jerks. */
function giveOf(share: number, contact: number, landing: number, leaving: number): number {
  const s = share;
  const low = contact * ((s * s * s - 2 * s * s + s) * -landing + (s * s * s - s * s) * leaving);
  return -low;
}

/** Where in its jumps the motion is at a time. O(log beats). */
export function momentAt(motion: Motion, at: number): Moment {
  const { timing, stances, starts } = motion;
  const standing = cellOf(stances, 0);
  const first = timing.beats[0];
  const speedOf = (airtime: number) => (GRAVITY * airtime) / 2;
  if (first === undefined || at < 0) {
    const share = Math.min(1, Math.max(0, 1 + at / DEFAULT_CONTACT));
    const give = giveOf(share, DEFAULT_CONTACT, 0, first === undefined ? 0 : speedOf(first.airtime));
    return { before: standing, after: standing, flown: 1, rise: 0, give };
  }
  const place = lastBefore(starts, at);
  const { start, airtime, cycle } = cellOf(timing.beats, place);
  const [before, after] = [cellOf(stances, place), cellOf(stances, place + 1)];
  const since = at - start;
  if (since < airtime)
    return {
      ...{ before, after, flown: since / airtime, give: 0 },
      rise: (GRAVITY / 2) * since * (airtime - since),
    };
  const contact = cycle - airtime;
  const share = Math.min(1, (since - airtime) / contact);
  const next = timing.beats[place + 1];
  const leaving = next === undefined ? 0 : speedOf(next.airtime);
  return { before, after, flown: 1, rise: 0, give: giveOf(share, contact, speedOf(airtime), leaving) };
}
