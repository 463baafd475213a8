/**
 * What placement believes before it asks (teaching.md knows no numbers for this; they are ours, and
 * stated here). A student has a level, and on each strand a lean above or below it. Whether a side is
 * known follows from the level, the lean and the side's depth, which is how many tries lie between
 * nothing and it. The two sides of a skill go together. Levels and leans are small grids, so every
 * expectation below is an exact sum.
 */
import { beliefOf } from "../record/belief.js";
import { NO_FACTS } from "../record/facts.js";
import { HANDBOOK_MODEL, type LearnerModel } from "../record/model.js";
import { expectedTriesTo } from "../record/tries.js";
import type { Side } from "../syllabus/side.js";
import type { Syllabus } from "../syllabus/syllabus.js";

/** What is known of a student before the first question; nothing has to be. */
export interface Background {
  readonly years?: number;
  readonly age?: number;
  readonly strongerSide: "left" | "right";
}

export const LEVELS = 33;
export const LEANS = 9;
/** Leans from −2 to 2 standard deviations. */
const LEAN_SPREAD = 1.1;
/** How sharply knowing falls off with depth, and how much deeper the weaker side lies. */
const SHARPNESS = 2.5;
const WEAKER_SIDE = 0.3;
/** How far the two sides of a skill are known or not known together. */
export const SIDES_TOGETHER = 0.75;
/** Practice of a year, in the unit of depth, for a student of average gifts. */
const LESSONS_A_YEAR = 80;
const TRIES_A_LESSON = 100;

export interface Model {
  readonly nodes: readonly Side[];
  /** The number of the strand that each side is on. */
  readonly strandOf: readonly number[];
  readonly strands: number;
  /** The number of the other side of the same skill; null where there is none. */
  readonly mateOf: readonly (number | null)[];
  /** P(known | level, lean), by side, then level, then lean. */
  readonly known: Float64Array;
  readonly levelPrior: Float64Array;
  readonly leanPrior: Float64Array;
}

/**
 * Tries from nothing to a side, over all that it needs (of an either the lesser), on a log scale.
 * One pass in the catalogue's order; what two needs share is counted once for each skill.
 */
function depthsOf({ sides }: Syllabus, model: LearnerModel): readonly number[] {
  const closures: (ReadonlyMap<number, number> | undefined)[] = [];
  const total = (closure: ReadonlyMap<number, number>) =>
    [...closure.values()].reduce((sum, tries) => sum + tries, 0);
  return sides.map((side, index) => {
    const { skillClass } = side.skill;
    const belief = beliefOf(skillClass, NO_FACTS, null, 0, model);
    const own = expectedTriesTo(belief, side.gate, { skillClass, gateStreak: side.gateStreak }, model);
    const closure = new Map<number, number>([[index, own]]);
    for (const ways of side.needs) {
      const merged = ways.map((way) => new Map(way.flatMap((one) => [...(closures[one.of.index] ?? [])])));
      const least = merged.reduce<Map<number, number> | null>(
        (best, one) => (best === null || total(one) < total(best) ? one : best),
        null,
      );
      for (const [needed, tries] of least ?? []) closure.set(needed, tries);
    }
    closures[index] = closure;
    return Math.log2(total(closure));
  });
}

function standardNormal(points: number, reach: number): { readonly at: number[]; readonly weight: number[] } {
  const at = Array.from({ length: points }, (_, place) => reach * ((2 * place) / (points - 1) - 1));
  const density = at.map((x) => Math.exp((-x * x) / 2));
  const sum = density.reduce((total, one) => total + one, 0);
  return { at, weight: density.map((one) => one / sum) };
}

/** The level that years of jumping lead one to expect, and how far off it may be; null for no idea. */
function expectedLevel({
  years,
  age,
}: Background): { readonly mean: number; readonly spread: number } | null {
  if (years === undefined) return null;
  // The young learn a little slower; adults have often moved before.
  const pace = age !== undefined && age < 9 ? 0.6 : 1;
  return { mean: Math.log2(20 + pace * years * LESSONS_A_YEAR * TRIES_A_LESSON), spread: 2 };
}

/** The model of a student under a school. O(sides · levels · leans). */
export function placementModel(
  syllabus: Syllabus,
  background: Background,
  learner: LearnerModel = HANDBOOK_MODEL,
): Model {
  const { catalogue, sides: nodes } = syllabus;
  const depths = depthsOf(syllabus, learner);
  const strandIndex = new Map(
    catalogue.strands.flatMap((strand, number) => strand.skills.map((id) => [id, number] as const)),
  );
  const strandOf = (subject: string): number => {
    const index = strandIndex.get(subject);
    if (index === undefined) throw new RangeError(`${subject} stands in no strand`);
    return index;
  };
  const isWeaker = nodes.map(({ side }) => side !== "whole" && side !== background.strongerSide);
  const low = Math.min(...depths) - 2;
  const high = Math.max(...depths) + 2;
  const levels = Array.from({ length: LEVELS }, (_, place) => low + ((high - low) * place) / (LEVELS - 1));
  const lean = standardNormal(LEANS, 2);
  const known = new Float64Array(nodes.length * LEVELS * LEANS);
  depths.forEach((depth, index) => {
    const own = depth + (isWeaker[index] === true ? WEAKER_SIDE : 0);
    levels.forEach((level, place) => {
      lean.at.forEach((offset, number) => {
        const above = SHARPNESS * (level + LEAN_SPREAD * offset - own);
        known[(index * LEVELS + place) * LEANS + number] = 1 / (1 + Math.exp(-above));
      });
    });
  });
  const expected = expectedLevel(background);
  const prior = levels.map((level) =>
    expected === null ? 1 : Math.exp(-(((level - expected.mean) / expected.spread) ** 2) / 2) + 0.02,
  );
  const sum = prior.reduce((total, one) => total + one, 0);
  return {
    nodes,
    strandOf: nodes.map(({ subject }) => strandOf(subject)),
    strands: catalogue.strands.length,
    mateOf: nodes.map(({ other }) => other?.index ?? null),
    known,
    levelPrior: Float64Array.from(prior, (one) => one / sum),
    leanPrior: Float64Array.from(lean.weight),
  };
}
