/** When a combo's rope is at the bottom, and which turns are fused: what a click track sounds. */
import { cellOf } from "../grid.js";
import { UNDER_FEET } from "../rope/arms.js";
import { expandBeats, type Score } from "../rope/score.js";
import { traceBeats } from "../rope/trace.js";
import type { Timing } from "../rope/timing.js";

export interface Click {
  /** Seconds from the first take-off. */
  readonly at: number;
  /** The count that it belongs to, from 0. */
  readonly beat: number;
  /** Whether the arms change into the turn within the jump. */
  readonly isFused: boolean;
  readonly isUnderFeet: boolean;
}

/** One click for each bottom of the rope, in order. */
export function clicksOf(score: Score, timing: Timing): readonly Click[] {
  const { beats } = traceBeats(expandBeats(score), score.direction, "r");
  return beats.flatMap(({ turns }, beat) =>
    turns.map(({ arms, from }, turn): Click => ({
      at: cellOf(cellOf(timing.beats, beat).bottoms, turn),
      beat,
      isFused: turn > 0 && from !== arms,
      isUnderFeet: UNDER_FEET[arms],
    })),
  );
}
