import { UNDER_FEET, type Hand } from "./arms.js";
import { linkCost } from "./cost.js";
import type { Foot } from "./feet.js";
import { expandBeats, type Direction, type Score } from "./score.js";
import { traceBeats, type TracedBeat } from "./trace.js";

export interface Measures {
  readonly turns: number;
  readonly beats: number;
  /** The largest number of turns in one beat. */
  readonly highest: number;
  /** The cost of all links, the first turn's and those after a `!` from open. */
  readonly handMoves: number;
  /** The cost of the links inside beats. */
  readonly airMoves: number;
  /** Beats with a pass under the feet, and hops. */
  readonly contacts: number;
  readonly endDirection: Direction;
  readonly endFacing: "front" | "back";
  readonly endLanding: Foot;
}

/** Whether the rope passes under the feet in the beat; a caught turn is no pass. */
export function hasPass({ turns }: TracedBeat): boolean {
  return turns.some(({ arms, turn }) => UNDER_FEET[arms] && !turn.caught);
}

/** Counts a score, legal or not (rope-model.md, Cost of a link). O(beats). */
export function measureScore(score: Score, { dominant = "r" }: { readonly dominant?: Hand } = {}): Measures {
  const { beats, endDirection, endFacing, endLanding } = traceBeats(
    expandBeats(score),
    score.direction,
    dominant,
  );
  let turns = 0;
  let highest = 0;
  let handMoves = 0;
  let airMoves = 0;
  let contacts = 0;
  for (const beat of beats) {
    turns += beat.turns.length;
    highest = Math.max(highest, beat.turns.length);
    beat.turns.forEach(({ from, arms }, index) => {
      const cost = linkCost(from, arms);
      handMoves += cost;
      if (index > 0) airMoves += cost;
    });
    if (beat.turns.length === 0 || hasPass(beat)) contacts += 1;
  }
  return {
    turns,
    beats: beats.length,
    highest,
    handMoves,
    airMoves,
    contacts,
    endDirection,
    endFacing,
    endLanding,
  };
}
