/**
 * A score read as parts: the fewest skills of the catalogue that make it up, and what is none in
 * between. Skills are known by how they are jumped (arms, feet, direction), not by how they are written.
 */
import { cellOf } from "../grid.js";
import { printScore } from "../rope/print.js";
import { expandBeats, withoutDefaults, type Beat, type Score } from "../rope/score.js";
import { traceBeats, type TracedBeat } from "../rope/trace.js";
import type { Hand } from "../rope/arms.js";
import { sidesOf, type SideName } from "../sides.js";
import { sideScore, type Catalogue } from "../syllabus/catalogue.js";
import { closedUp, gathered, type ComboPart } from "./part.js";

/** Turns that are no skill of the catalogue cost more than any skill does, and a whole one less than one closed up. */
const UNKNOWN = 3;
const WHOLE = 1;
const CLOSED_UP = 1.5;

function beatKey({ beat, turns, direction, landing, takeOff, weight }: TracedBeat): string {
  const arms = turns.map(({ arms: one, turn }) => (turn.caught ? `${one}!` : one)).join(" ");
  const from = takeOff === weight ? "" : `${takeOff}>`;
  return `${arms} ${from}${landing} ${[...beat.gestures].join("+")} ${turns.length === 0 ? "" : direction}`;
}

interface Known {
  readonly part: ComboPart;
  readonly keys: readonly string[];
  readonly cost: number;
}

type Index = ReadonlyMap<string, readonly Known[]>;

const indexes = new WeakMap<Catalogue, Index>();

/** Every side of every skill by its first beat; the catalogue's first skill first among equals. */
function indexOf(catalogue: Catalogue): Index {
  const found = indexes.get(catalogue);
  if (found !== undefined) return found;
  const index = new Map<string, Known[]>();
  const add = (subject: string, side: SideName, score: Score) => {
    const { beats } = traceBeats(expandBeats(score), score.direction, "r");
    const keys = beats.map(beatKey);
    const put = (known: Known) => index.set(keys[0] ?? "", [...(index.get(keys[0] ?? "") ?? []), known]);
    const part = { subject, side, score: printScore(score), times: 1 };
    put({ part, keys, cost: WHOLE });
    const closed = closedUp(part);
    if (closed !== null) put({ part: closed, keys: keys.slice(0, -1), cost: CLOSED_UP });
  };
  for (const skill of catalogue.skills.values()) {
    for (const side of sidesOf(skill)) {
      const score = sideScore(skill, side);
      if (score !== null) add(skill.id, side, score);
    }
  }
  indexes.set(catalogue, index);
  return index;
}

function startsWith(keys: readonly string[], at: number, wanted: readonly string[]): boolean {
  return wanted.every((key, place) => keys[at + place] === key);
}

function textOfBeat(beat: Beat, traced: TracedBeat): string {
  const { direction } = traced;
  return printScore({ direction, items: [{ unit: beat, count: null }] });
}

/** The parts of a score, from the first; O(beats × skills that begin alike). */
export function partsOfScore(catalogue: Catalogue, score: Score, dominant: Hand = "r"): readonly ComboPart[] {
  const plain = withoutDefaults(score);
  const beats = expandBeats(plain);
  const traced = traceBeats(beats, plain.direction, dominant).beats;
  const keys = traced.map(beatKey);
  const index = indexOf(catalogue);
  // What the rest costs from each beat on, and the skill that it begins with; null for none.
  const costs = new Array<number>(beats.length + 1).fill(0);
  const taken = new Array<Known | null>(beats.length).fill(null);
  for (let at = beats.length - 1; at >= 0; at -= 1) {
    let best = UNKNOWN + cellOf(costs, at + 1);
    for (const known of index.get(keys[at] ?? "") ?? []) {
      if (!startsWith(keys, at, known.keys)) continue;
      const cost = known.cost + cellOf(costs, at + known.keys.length);
      if (cost >= best) continue;
      best = cost;
      taken[at] = known;
    }
    costs[at] = best;
  }
  const parts: ComboPart[] = [];
  for (let at = 0; at < beats.length;) {
    const known = taken[at] ?? null;
    const beat = beats[at];
    const one = traced[at];
    if (known !== null) parts.push(known.part);
    else if (beat !== undefined && one !== undefined)
      parts.push({ subject: null, side: "whole", score: textOfBeat(beat, one), times: 1 });
    at += known === null ? 1 : known.keys.length;
  }
  return gathered(parts);
}
