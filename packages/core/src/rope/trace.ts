/**
 * A score as it is jumped: every beat written out, with what is carried from one to the next (the
 * arms before a link, an open cross resolved, the direction, the weight, the facing). Rules,
 * measures and timing all read it, so that none of them carries state of its own. O(beats).
 */
import { isWrap, resolveCross, type Arms, type Hand } from "./arms.js";
import { turnsBody, type Foot } from "./feet.js";
import { flip, landingOf, type Beat, type Direction, type Turn } from "./score.js";

export interface TracedTurn {
  readonly turn: Turn;
  /** The arms with an open cross resolved. */
  readonly arms: Arms;
  /** The arms that the link comes from: the turn before, or `o` at rest. */
  readonly from: Arms;
  /** Whether the rope was at rest before: on the first turn and after a `!`. */
  readonly fromRest: boolean;
  readonly direction: Direction;
}

export interface TracedBeat {
  readonly beat: Beat;
  readonly turns: readonly TracedTurn[];
  readonly takeOff: Foot;
  readonly landing: Foot;
  /** What the beat before landed on. */
  readonly weight: Foot;
  /** The rope's direction when the beat begins; a multiple may flip it inside. */
  readonly direction: Direction;
  /** Whether the rope was turning before the beat. */
  readonly turning: boolean;
}

export interface Trace {
  readonly beats: readonly TracedBeat[];
  readonly endDirection: Direction;
  readonly endFacing: "front" | "back";
  readonly endLanding: Foot;
}

/** Leaving the crouch, or a wrap, brings the rope out on the other side. */
function leaves(last: Arms | null, arms: Arms): boolean {
  return last !== null && last !== arms && (last === "k" || isWrap(last));
}

/** What of a rope under way decides what may follow. */
export interface RopeState {
  readonly direction: Direction;
  readonly facing: Trace["endFacing"];
  readonly weight: Foot;
  /** The turn before, kept across `.`; null at rest. */
  readonly before: Arms | null;
  /** The turn before, kept across a `!` too; null at the start. */
  readonly last: Arms | null;
}

/** The jumper standing with the rope at rest. */
export function atRest(direction: Direction): RopeState {
  return { direction, facing: "front", weight: "b", before: null, last: null };
}

/** One beat jumped out of a state, and the state that it leaves. */
export function traceBeat(
  state: RopeState,
  beat: Beat,
  dominant: Hand,
): { readonly traced: TracedBeat; readonly state: RopeState } {
  let { direction, facing, before, last } = state;
  const { weight } = state;
  const turns: TracedTurn[] = [];
  for (const turn of beat.turns) {
    const arms: Arms = turn.arms === "x" ? resolveCross(before, dominant) : turn.arms;
    if (leaves(last, arms)) direction = flip(direction);
    turns.push({ turn, arms, from: before ?? "o", fromRest: before === null, direction });
    last = arms;
    before = turn.caught ? null : arms;
  }
  const landing = landingOf(beat);
  const traced = {
    beat,
    turns,
    takeOff: beat.takeOff ?? weight,
    landing,
    weight,
    direction: turns[0]?.direction ?? state.direction,
    turning: state.before !== null,
  };
  if (beat.gestures.some(turnsBody)) {
    direction = flip(direction);
    facing = facing === "front" ? "back" : "front";
  }
  return { traced, state: { direction, facing, weight: landing, before, last } };
}

export function traceBeats(beats: readonly Beat[], start: Direction, dominant: Hand): Trace {
  let state = atRest(start);
  const traced = beats.map((beat) => {
    const next = traceBeat(state, beat, dominant);
    ({ state } = next);
    return next.traced;
  });
  return {
    beats: traced,
    endDirection: state.direction,
    endFacing: state.facing,
    endLanding: state.weight,
  };
}
