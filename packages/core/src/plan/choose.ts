/**
 * The best set of blocks under limits: exact, by branch and bound over the candidates in the order of
 * their worth. O(2^candidates) at worst; the bound, by the minutes that are left, cuts nearly all of it.
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

/**
 * The blocks of each phase in an order without two of one effort running, the phases one after another; the
 * first such by their places, null where there is none. What is left of each effort decides, so that no
 * combination of these is tried twice.
 */
export function orderOf(
  candidates: readonly Choosable[],
  places: readonly number[],
  phases: readonly Phase[],
): readonly number[] | null {
  const byPhase = phases.map((phase) => places.filter((place) => candidates[place]?.phase === phase));
  const effortAt = (place: number) => candidates[place]?.effort;
  const hopeless = new Set<string>();
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
    const before = last === undefined ? undefined : effortAt(last);
    const key = `${phase} ${before ?? ""} ${left.map(effortAt).sort().join(" ")}`;
    if (hopeless.has(key)) return null;
    for (const place of left) {
      if (last !== undefined && before === effortAt(place)) continue;
      const found = extend(
        [...done, place],
        phase,
        left.filter((one) => one !== place),
      );
      if (found !== null) return found;
    }
    hopeless.add(key);
    return null;
  };
  return extend([], 0, byPhase[0] ?? []);
}

/**
 * Whether so many blocks of each effort can stand in a row that comes after one effort and ends in another,
 * no two of one effort running: of what stands between, none may be more than every second, and none that
 * is beside an end of its own more than that leaves.
 */
function canStand(counts: ReadonlyMap<Effort, number>, after: Effort | null, last: Effort): boolean {
  const between = [...counts.values()].reduce((sum, count) => sum + count, 0) - 1;
  return [...counts].every(([effort, count]) => {
    const ends = Number(effort === after) + Number(effort === last);
    return count - Number(effort === last) <= Math.floor((between + 1 - ends) / 2);
  });
}

/** Whether `orderOf` has an order, without looking for it. O(phases · efforts³). */
export function canBeOrdered(
  candidates: readonly Choosable[],
  places: readonly number[],
  phases: readonly Phase[],
): boolean {
  let ends: readonly (Effort | null)[] = [null];
  for (const phase of phases) {
    const counts = new Map<Effort, number>();
    for (const place of places) {
      const one = candidates[place];
      if (one?.phase === phase) counts.set(one.effort, (counts.get(one.effort) ?? 0) + 1);
    }
    if (counts.size === 0) continue;
    const before = ends;
    ends = [...counts.keys()].filter((last) => before.some((after) => canStand(counts, after, last)));
    if (ends.length === 0) return false;
  }
  return true;
}

/** What is used of each limit. */
interface Used {
  readonly minutes: number;
  readonly reviewMinutes: number;
  readonly landings: number;
  readonly multiples: number;
}

const NOTHING_USED: Used = { minutes: 0, reviewMinutes: 0, landings: 0, multiples: 0 };

function using(used: Used, one: Choosable): Used {
  return {
    minutes: used.minutes + one.minutes,
    reviewMinutes: used.reviewMinutes + (one.isReview ? one.minutes : 0),
    landings: used.landings + one.landings,
    multiples: used.multiples + one.multiples,
  };
}

function isWithin(used: Used, limits: Limits): boolean {
  return (
    used.minutes <= limits.minutes + HAIR &&
    used.reviewMinutes <= limits.reviewMinutes + HAIR &&
    used.landings <= limits.landings + HAIR &&
    used.multiples <= limits.multiples + HAIR
  );
}

/**
 * The most that candidates from a place on can still bring in so many minutes: the worthiest minutes first,
 * the last of them in part, and none of the losses.
 */
function mostOf(candidates: readonly Choosable[]): (from: number, minutes: number) => number {
  const dense = candidates
    .map((one, place) => ({ place, worth: one.worth, minutes: one.minutes }))
    .filter(({ worth }) => worth > 0)
    .sort((one, other) => other.worth * one.minutes - one.worth * other.minutes);
  return (from, minutes) => {
    let [left, most] = [minutes + HAIR, 0];
    for (const one of dense) {
      if (one.place < from) continue;
      if (one.minutes >= left) return most + (one.worth * left) / one.minutes;
      left -= one.minutes;
      most += one.worth;
    }
    return most;
  };
}

/**
 * The choice of greatest objective that fits the limits and can be put in order; the first in
 * lexicographic order of places among equals, so that the same question has one answer.
 */
export function choose(candidates: readonly Choosable[], limits: Limits, phases: readonly Phase[]): Chosen {
  const most = mostOf(candidates);
  let best: Chosen = { places: [], objective: 0 };
  const visit = (place: number, taken: readonly number[], gained: number, used: Used) => {
    const objective = objectiveOf(candidates, taken);
    if (objective > best.objective + HAIR && canBeOrdered(candidates, taken, phases)) {
      best = { places: taken, objective };
    }
    const one = candidates[place];
    if (one === undefined) return;
    if (gained + most(place, limits.minutes - used.minutes) <= best.objective + HAIR) return;
    const more = using(used, one);
    if (isWithin(more, limits)) {
      // What is lost to an effort that is there already stays lost, whatever else comes.
      const same = taken.filter((at) => candidates[at]?.effort === one.effort).length;
      visit(place + 1, [...taken, place], gained + one.worth - same * PLAN_WEIGHTS.sameEffort, more);
    }
    visit(place + 1, taken, gained, used);
  };
  visit(0, [], 0, NOTHING_USED);
  return best;
}
