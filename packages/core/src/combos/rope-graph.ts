/**
 * The model's state graph: what may follow what, with parts as its edges. A state is all that the
 * rules ask of what came before (arms, direction, weight, rows, hops); facing is left out, since no
 * rule asks it. Made as it is walked, and each edge judged once by the rope's own rules.
 */
import type { Arms, Hand } from "../rope/arms.js";
import { linkCost } from "../rope/cost.js";
import { checkBeat, standing, type CheckState } from "../rope/check.js";
import { longestRow } from "../rope/link-rules.js";
import { expandBeats, type Beat, type Direction } from "../rope/score.js";
import { isSideways } from "./judge.js";
import { ownDirection, repeatedScore, type ComboPart } from "./part.js";

/** Two states with one key allow the same things next. */
export function stateKey({ rope, row, hops }: CheckState): string {
  const { before, last, direction, weight } = rope;
  const rows = before === null || longestRow(before) === null ? 0 : row;
  return `${before ?? "-"} ${last ?? "-"} ${direction} ${weight} ${rows} ${Math.min(2, hops)}`;
}

export interface Edge {
  /** The state's number that it leads to. */
  readonly to: number;
  /** Hand moves, the link into it among them. */
  readonly moves: number;
}

interface Move {
  readonly beats: readonly Beat[];
  readonly direction: Direction | null;
}

export interface RopeGraph {
  /** The number of the state of whoever stands, the rope turning forward. */
  readonly start: number;
  /** Whether the rope turns forward in a state. */
  readonly isForward: (state: number) => boolean;
  /** Where a part leads from a state; null where it cannot follow. */
  readonly edge: (state: number, part: number) => Edge | null;
}

export function ropeGraph(
  parts: readonly ComboPart[],
  dominant: Hand,
  sideways: ReadonlySet<Arms> | undefined,
): RopeGraph {
  const moves = parts.map((part): Move => {
    const score = repeatedScore(part);
    return { beats: expandBeats(score), direction: ownDirection(score) };
  });
  const states: CheckState[] = [];
  const numbers = new Map<string, number>();
  const edges: (Edge | null | undefined)[][] = [];
  const numberOf = (state: CheckState): number => {
    const key = stateKey(state);
    const known = numbers.get(key);
    if (known !== undefined) return known;
    numbers.set(key, states.length);
    states.push(state);
    edges.push([]);
    return states.length - 1;
  };
  const judge = (from: number, { beats, direction }: Move): Edge | null => {
    let state = states[from] ?? standing("forward");
    let turned: Direction | null = null;
    let cost = 0;
    for (const beat of beats) {
      const next = checkBeat(state, beat, dominant);
      if (next.faults.length > 0) return null;
      for (const turn of next.traced.turns) {
        if (isSideways(turn.from, turn.arms, sideways)) return null;
        turned ??= turn.direction;
        cost += linkCost(turn.from, turn.arms);
      }
      ({ state } = next);
    }
    return turned === direction ? { to: numberOf(state), moves: cost } : null;
  };
  return {
    start: numberOf(standing("forward")),
    isForward: (state) => states[state]?.rope.direction === "forward",
    edge: (state, part) => {
      const known = edges[state]?.[part];
      if (known !== undefined) return known;
      const move = moves[part];
      const made = move === undefined ? null : judge(state, move);
      const row = edges[state];
      if (row !== undefined) row[part] = made;
      return made;
    },
  };
}
