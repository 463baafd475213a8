/**
 * What placement believes after some answers. Given the level the strands are independent, so the
 * posterior is kept as one table of leans for each strand and level; every sum is exact.
 */
import { cellOf } from "../grid.js";
import type { PlacementAnswer } from "../log/decision.js";
import { LEANS, LEVELS, SIDES_TOGETHER, type Model } from "./model.js";

/** How often a few tries show each answer where a side is known, and where it is not. */
export const ANSWER_CHANCES: Readonly<
  Record<PlacementAnswer, { readonly known: number; readonly unknown: number }>
> = {
  clean: { known: 0.88, unknown: 0.05 },
  nearly: { known: 0.1, unknown: 0.25 },
  no: { known: 0.02, unknown: 0.7 },
};

/** One answer: the side's number and what was seen. */
export interface Seen {
  readonly index: number;
  readonly answer: PlacementAnswer;
}

export interface PlacementBelief {
  readonly model: Model;
  /** P(level). */
  readonly levels: Float64Array;
  /** P(known | level), by side, then level. */
  readonly byLevel: Float64Array;
  /** P(lean | level), by strand, then level, then lean. */
  readonly leans: Float64Array;
  /** P(known | level, lean), by side, then level, then lean; answers to a side or its mate have moved it. */
  readonly known: Float64Array;
  /** P(known), by side. */
  readonly chances: Float64Array;
}

/**
 * P(known) of a side that has been seen, given level and lean, and the likelihood of what was seen.
 */
function afterOwn(
  known: number,
  answer: PlacementAnswer,
): { readonly known: number; readonly likelihood: number } {
  const chances = ANSWER_CHANCES[answer];
  const likelihood = known * chances.known + (1 - known) * chances.unknown;
  return { known: (known * chances.known) / likelihood, likelihood };
}

/**
 * P(both sides of a skill known): as far as they go together the likelier is known wherever the other
 * is, each for itself for the rest.
 */
export function bothSides(one: number, other: number): number {
  return SIDES_TOGETHER * Math.min(one, other) + (1 - SIDES_TOGETHER) * one * other;
}

/** P(known) of a side once the chance of its mate, which was seen, has moved from `before` to `after`. */
function afterMate(own: number, before: number, after: number): number {
  const both = bothSides(before, own);
  const ifKnown = before > 0 ? both / before : own;
  const ifNot = before < 1 ? (own - both) / (1 - before) : own;
  return after * ifKnown + (1 - after) * ifNot;
}

/** Works one answer into the chances of its side and the other, and into the leans of its strand. */
function see(model: Model, { index, answer }: Seen, known: Float64Array, leans: Float64Array): void {
  const strand = cellOf(model.strandOf, index);
  const mate = model.mateOf[index] ?? null;
  for (let place = 0; place < LEVELS * LEANS; place += 1) {
    const own = index * LEVELS * LEANS + place;
    const table = strand * LEVELS * LEANS + place;
    const before = cellOf(known, own);
    const after = afterOwn(before, answer);
    leans[table] = cellOf(leans, table) * after.likelihood;
    known[own] = after.known;
    if (mate === null) continue;
    const other = mate * LEVELS * LEANS + place;
    known[other] = afterMate(cellOf(known, other), before, after.known);
  }
}

/** The belief after the answers so far. O(answers · levels · leans + sides · levels · leans). */
export function beliefAfter(model: Model, seen: readonly Seen[]): PlacementBelief {
  const known = Float64Array.from(model.known);
  const leans = new Float64Array(model.strands * LEVELS * LEANS);
  for (let place = 0; place < leans.length; place += 1) leans[place] = cellOf(model.leanPrior, place % LEANS);
  for (const one of seen) see(model, one, known, leans);
  const levels = Float64Array.from(model.levelPrior);
  for (let strand = 0; strand < model.strands; strand += 1) {
    for (let level = 0; level < LEVELS; level += 1) {
      const from = (strand * LEVELS + level) * LEANS;
      let sum = 0;
      for (let lean = 0; lean < LEANS; lean += 1) sum += cellOf(leans, from + lean);
      for (let lean = 0; lean < LEANS; lean += 1) leans[from + lean] = cellOf(leans, from + lean) / sum;
      levels[level] = cellOf(levels, level) * sum;
    }
  }
  const total = levels.reduce((sum, one) => sum + one, 0);
  levels.forEach((one, level) => (levels[level] = one / total));
  const sides = model.nodes.length;
  const byLevel = new Float64Array(sides * LEVELS);
  const chances = new Float64Array(sides);
  for (let index = 0; index < sides; index += 1) {
    const strand = cellOf(model.strandOf, index);
    for (let level = 0; level < LEVELS; level += 1) {
      let sum = 0;
      for (let lean = 0; lean < LEANS; lean += 1) {
        sum +=
          cellOf(leans, (strand * LEVELS + level) * LEANS + lean) *
          cellOf(known, (index * LEVELS + level) * LEANS + lean);
      }
      byLevel[index * LEVELS + level] = sum;
      chances[index] = cellOf(chances, index) + cellOf(levels, level) * sum;
    }
  }
  return { model, levels, byLevel, leans, known, chances };
}
