/**
 * What mends a faulty join: the shortest insertions that make it legal, found by search over the
 * model's states, and the other side or another variant of either part. Ranked by what they add in
 * counts and hand moves. Three beats of nine kinds are tried at most: under a thousand states.
 */
import { checkBeat, type CheckState } from "../rope/check.js";
import { measureScore } from "../rope/measure.js";
import { scoreOf } from "../rope/parse.js";
import { expandBeats, type Beat, type Direction } from "../rope/score.js";
import { sidesOf } from "../sides.js";
import { siblingsOf, skillOf, type Catalogue } from "../syllabus/catalogue.js";
import type { Hand } from "../rope/arms.js";
import { faultCount, isSideways, judgeCombo, stateAfter, type JudgeOptions } from "./judge.js";
import {
  comboScore,
  gathered,
  mirrorPart,
  ownDirection,
  partOfSkill,
  repeatedScore,
  type ComboPart,
} from "./part.js";
import { partsOfScore } from "./read-parts.js";
import { stateKey } from "./rope-graph.js";

export type RepairKind = "insert" | "mirror" | "mirror-before" | "variant" | "variant-before";

export interface Repair {
  readonly kind: RepairKind;
  /** What is put between, or stands where a part stood. */
  readonly change: readonly ComboPart[];
  /** The whole combo with it. */
  readonly parts: readonly ComboPart[];
  /** Counts and hand moves that it adds; less than 0 where it saves some. */
  readonly cost: number;
  /** What is still wrong elsewhere. */
  readonly left: number;
}

/** Beats that may stand between two parts: bounces, open turns, side swings and half turns. */
const FILLERS = ["o", "o/r", "o/l", "sr", "sl", "sr+turnr", "sl+turnl", "o+turnr", "o+turnl"] as const;
const LONGEST = 3;
const MOST = 6;

const FILLER_BEATS: readonly (readonly [string, Beat])[] = FILLERS.flatMap((text) => {
  const [beat] = expandBeats(scoreOf(text));
  return beat === undefined ? [] : [[text, beat] as const];
});

interface Reached {
  readonly state: CheckState;
  readonly texts: readonly string[];
}

interface Goal {
  readonly beats: readonly Beat[];
  readonly direction: Direction | null;
  readonly options: JudgeOptions & { readonly dominant: Hand };
}

/** A beat without a fault and without an entry that is too early; null otherwise. */
function cleanStep(state: CheckState, beat: Beat, { dominant, sideways }: Goal["options"]) {
  const next = checkBeat(state, beat, dominant);
  const isEarly = next.traced.turns.some(({ from, arms }) => isSideways(from, arms, sideways));
  return next.faults.length > 0 || isEarly ? null : next;
}

/** Whether the goal's beats follow cleanly, its first turn with the rope turning its own way. */
function leads(from: CheckState, { beats, direction, options }: Goal): boolean {
  let state = from;
  let turned: Direction | null = null;
  for (const beat of beats) {
    const next = cleanStep(state, beat, options);
    if (next === null) return false;
    turned ??= next.traced.turns[0]?.direction ?? null;
    ({ state } = next);
  }
  return turned === direction;
}

/** Fillers told apart by what the rope does: a bounce on one foot is no other repair than a bounce. */
function ropeOf(texts: readonly string[]): string {
  return texts.map((text) => text.replace(/\/[lr]/, "")).join(" ");
}

/** Sequences of fillers that lead to the goal, the shortest first, and those one longer. */
function insertions(start: CheckState, goal: Goal): readonly (readonly string[])[] {
  const found = new Map<string, readonly string[]>();
  const seen = new Set([stateKey(start)]);
  let shortest = LONGEST;
  let edge: readonly Reached[] = [{ state: start, texts: [] }];
  for (let length = 1; length <= Math.min(LONGEST, shortest + 1); length += 1) {
    const reached: Reached[] = [];
    for (const { state, texts } of edge) {
      for (const [text, beat] of FILLER_BEATS) {
        const next = cleanStep(state, beat, goal.options);
        if (next === null) continue;
        const longer = [...texts, text];
        if (!leads(next.state, goal)) {
          const key = stateKey(next.state);
          // Of two ways into one state the first found is gone on with: what follows is the same.
          if (!seen.has(key)) reached.push({ state: next.state, texts: longer });
          seen.add(key);
        } else if (!found.has(ropeOf(longer))) {
          found.set(ropeOf(longer), longer);
          shortest = Math.min(shortest, length);
        }
      }
    }
    edge = reached;
  }
  const all = [...found.values()];
  // Two half turns mend everything; they are named only where the body has to turn.
  const straight = all.filter((texts) => !texts.some((text) => text.includes("turn")));
  return (straight.length > 0 ? straight : all).slice(0, MOST * 2);
}

function costOf(parts: readonly ComboPart[], dominant: Hand): number {
  const score = comboScore(parts);
  if (score === null) return 0;
  const { beats, handMoves } = measureScore(score, { dominant });
  return beats + handMoves;
}

/** The fillers as parts, each with the rope turning as it does there. */
function fillerParts(
  catalogue: Catalogue,
  start: CheckState,
  texts: readonly string[],
  dominant: Hand,
): readonly ComboPart[] {
  let state = start;
  return texts.flatMap((text) => {
    const [beat] = expandBeats(scoreOf(text));
    if (beat === undefined) return [];
    const next = checkBeat(state, beat, dominant);
    ({ state } = next);
    const direction = next.traced.direction === "backward" ? "< " : "";
    return partsOfScore(catalogue, scoreOf(direction + text));
  });
}

/** In a longer combo so many parts on each side of the join are judged with a repair, and no more. */
const AROUND = 12;

/** The other variants of a part, on its own side where they have one. */
function variantsOf(catalogue: Catalogue, part: ComboPart): readonly ComboPart[] {
  if (part.subject === null) return [];
  return siblingsOf(catalogue, part.subject).flatMap((subject) => {
    const sides = sidesOf(skillOf(catalogue, subject));
    const side = sides.find((one) => one === part.side) ?? sides.at(-1) ?? "whole";
    const variant = partOfSkill(catalogue, subject, side);
    return variant === null ? [] : [{ ...variant, times: part.times }];
  });
}

/** The repairs of a join in a combo that is judged whole. */
function repairsAt(
  catalogue: Catalogue,
  parts: readonly ComboPart[],
  place: number,
  options: Goal["options"],
): readonly Repair[] {
  const after = parts[place];
  const before = parts[place - 1];
  if (after === undefined || before === undefined) return [];
  const judged = judgeCombo(parts, options);
  const here = judged.parts[place];
  if (here === undefined || here.join.length + here.sideways.length === 0) return [];
  const wrong = faultCount(judged);
  const cost = costOf(parts, options.dominant);
  const repairs: Repair[] = [];
  const consider = (kind: RepairKind, change: readonly ComboPart[], written: readonly ComboPart[]) => {
    const made = gathered(written);
    const left = faultCount(judgeCombo(made, options));
    if (left >= wrong) return;
    repairs.push({ kind, change, parts: made, cost: costOf(made, options.dominant) - cost, left });
  };
  const score = repeatedScore(after);
  const start = stateAfter(parts.slice(0, place), options.dominant);
  const goal = { beats: expandBeats(score), direction: ownDirection(score), options };
  for (const texts of insertions(start, goal)) {
    const change = fillerParts(catalogue, start, texts, options.dominant);
    consider("insert", change, [...parts.slice(0, place), ...change, ...parts.slice(place)]);
  }
  const swap = (kind: RepairKind, at: number, part: ComboPart) =>
    consider(kind, [part], parts.with(at, part));
  swap("mirror", place, mirrorPart(after));
  swap("mirror-before", place - 1, mirrorPart(before));
  for (const variant of variantsOf(catalogue, after)) swap("variant", place, variant);
  for (const variant of variantsOf(catalogue, before)) swap("variant-before", place - 1, variant);
  return repairs;
}

function byPrice(one: Repair, other: Repair): number {
  return one.left - other.left || one.cost - other.cost || one.change.length - other.change.length;
}

/**
 * The repairs of the join before part `place`, the cheapest first, at most six; none for the first
 * part and for a join with nothing wrong. In a combo of more than two dozen parts what is left wrong
 * is told of the dozen on each side.
 */
export function repairsOf(
  catalogue: Catalogue,
  parts: readonly ComboPart[],
  place: number,
  asked: JudgeOptions = {},
): readonly Repair[] {
  const options = { ...asked, dominant: asked.dominant ?? ("r" as const) };
  const from = Math.max(0, place - AROUND);
  const near = parts.slice(from, place + AROUND);
  const [head, tail] = [parts.slice(0, from), parts.slice(place + AROUND)];
  return repairsAt(catalogue, near, place - from, options)
    .toSorted(byPrice)
    .slice(0, MOST)
    .map((repair) => ({ ...repair, parts: gathered([...head, ...repair.parts, ...tail]) }));
}
