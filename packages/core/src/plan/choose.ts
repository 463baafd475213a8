/**
 * The best set of blocks under limits: exact, by branch and bound over the candidates in the order of
 * their worth. O(2^candidates) at worst; the bound cuts nearly all of it.
 */
import { PLAN_WEIGHTS } from "./weights.js";
import type { Effort } from "../syllabus/effort.js";
import type { Phase } from "./block.js";

/** What choosing has to know of a candidate. */
export interface Choosable {
  readonly worth: number;
  readonly minutes: number;
  readonly landings: number;
  readonly multiples: number;
  readonly effort: Effort;
  readonly phase: Phase;
  readonly isReview: boolean;
  /** The place of the same skill's other side among the candidates; null where it is not there. */
  readonly mate: number | null;
}

export interface Limits {
  readonly minutes: number;
  readonly reviewMinutes: number;
  /** Infinity where nothing is judged. */
  readonly landings: number;
  readonly multiples: number;
}

export interface Chosen {
  /** Places in the list of candidates, ascending. */
  readonly places: readonly number[];
  readonly objective: number;
}

const HAIR = 1e-9;

/** What blocks are worth together: each its own worth, less for repeated efforts and for sides left behind. */
export function objectiveOf(candidates: readonly Choosable[], places: readonly number[]): number {
  const taken = new Set(places);
  const efforts = new Map<Effort, number>();
  let objective = 0;
  for (const place of places) {
    const one = candidates[place];
    if (one === undefined) continue;
    const before = efforts.get(one.effort) ?? 0;
    efforts.set(one.effort, before + 1);
    objective += one.worth - before * PLAN_WEIGHTS.sameEffort;
    if (one.mate !== null && !taken.has(one.mate)) objective -= PLAN_WEIGHTS.sideBehind;
  }
  return objective;
}

/** Whether the blocks of each phase can stand in an order without two of one effort running, the phases one after another. */
export function orderOf(
  candidates: readonly Choosable[],
  places: readonly number[],
  phases: readonly Phase[],
): readonly number[] | null {
  const byPhase = phases.map((phase) => places.filter((place) => candidates[place]?.phase === phase));
  const effortAt = (place: number) => candidates[place]?.effort;
  const extend = (
    done: readonly number[],
    phase: number,
    left: readonly number[],
  ): readonly number[] | null => {
    if (left.length === 0) {
      const next = byPhase[phase + 1];
      return next === undefined ? done : extend(done, phase + 1, next);
    }
    const last = done.at(-1);
    for (const place of left) {
      if (last !== undefined && effortAt(last) === effortAt(place)) continue;
      const found = extend(
        [...done, place],
        phase,
        left.filter((one) => one !== place),
      );
      if (found !== null) return found;
    }
    return null;
  };
  return extend([], 0, byPhase[0] ?? []);
}

function fits(candidates: readonly Choosable[], places: readonly number[], limits: Limits): boolean {
  let [minutes, reviewMinutes, landings, multiples] = [0, 0, 0, 0];
  for (const place of places) {
    const one = candidates[place];
    if (one === undefined) continue;
    minutes += one.minutes;
    if (one.isReview) reviewMinutes += one.minutes;
    landings += one.landings;
    multiples += one.multiples;
  }
  return (
    minutes <= limits.minutes + HAIR &&
    reviewMinutes <= limits.reviewMinutes + HAIR &&
    landings <= limits.landings + HAIR &&
    multiples <= limits.multiples + HAIR
  );
}

/**
 * The choice of greatest objective that fits the limits and can be put in order; the first in
 * lexicographic order of places among equals, so that the same question has one answer.
 */
export function choose(candidates: readonly Choosable[], limits: Limits, phases: readonly Phase[]): Chosen {
  // Most that could still be gained from a place on: every later worth, none of the losses.
  const rest = candidates.map((_, place) =>
    candidates.slice(place).reduce((sum, one) => sum + Math.max(0, one.worth), 0),
  );
  let best: Chosen = { places: [], objective: 0 };
  const visit = (place: number, taken: readonly number[], gained: number) => {
    const objective = objectiveOf(candidates, taken);
    if (objective > best.objective + HAIR && orderOf(candidates, taken, phases) !== null) {
      best = { places: taken, objective };
    }
    if (place >= candidates.length || gained + (rest[place] ?? 0) <= best.objective + HAIR) return;
    const next = [...taken, place];
    if (fits(candidates, next, limits)) visit(place + 1, next, gained + (candidates[place]?.worth ?? 0));
    visit(place + 1, taken, gained);
  };
  visit(0, [], 0);
  return best;
}
