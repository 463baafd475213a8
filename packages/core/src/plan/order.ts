/** In which order a plan has its blocks: phase by phase, no two of one effort running where that can be. */
import { Tally } from "../tally.js";
import { cellOf } from "../grid.js";
import type { Effort } from "../syllabus/effort.js";
import type { Phase } from "./block.js";

interface Ordered {
  readonly effort: Effort;
  readonly phase: Phase;
}

/**
 * The blocks of each phase in an order without two of one effort running, the phases one after another; the
 * first such by their places, null where there is none. What is left of each effort decides, so that no
 * combination of these is tried twice.
 */
export function orderOf(
  candidates: readonly Ordered[],
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
 * The blocks of each phase in an order with as few of one effort running as can be had by taking, each time,
 * another effort than the last one's, that of which most is left: for what has no order without any.
 */
export function spreadOf(
  candidates: readonly Ordered[],
  places: readonly number[],
  phases: readonly Phase[],
): readonly number[] {
  const done: number[] = [];
  for (const phase of phases) {
    const left = places.filter((place) => candidates[place]?.phase === phase);
    const effortAt = (place: number) => cellOf(candidates, place).effort;
    while (left.length > 0) {
      const before = done.at(-1);
      const last = before === undefined ? null : effortAt(before);
      const rank = (place: number) =>
        (effortAt(place) === last ? 0 : 1000) +
        left.filter((one) => effortAt(one) === effortAt(place)).length;
      const next = left.reduce((best, place) => (rank(place) > rank(best) ? place : best));
      done.push(next);
      left.splice(left.indexOf(next), 1);
    }
  }
  return done;
}

/**
 * Whether so many blocks of each effort can stand in a row that comes after one effort and ends in another,
 * no two of one effort running: of what stands between, none may be more than every second, and none that
 * is beside an end of its own more than that leaves.
 */
function canStand(
  counts: readonly (readonly [Effort, number])[],
  after: Effort | null,
  last: Effort,
): boolean {
  const all = counts.reduce((sum, [, count]) => sum + count, 0);
  for (const [effort, count] of counts) {
    const ends = Number(effort === after) + Number(effort === last);
    if (count - Number(effort === last) > Math.floor((all - ends) / 2)) return false;
  }
  return true;
}

/** Whether `orderOf` has an order, without looking for it. O(phases · efforts³). */
export function canBeOrdered(
  candidates: readonly Ordered[],
  places: readonly number[],
  phases: readonly Phase[],
): boolean {
  let ends: readonly (Effort | null)[] = [null];
  for (const phase of phases) {
    const counts = new Tally<Effort>();
    for (const place of places) {
      const one = candidates[place];
      if (one?.phase === phase) counts.add(one.effort);
    }
    const entries = counts.entries();
    if (entries.length === 0) continue;
    const before = ends;
    ends = entries.flatMap(([last]) =>
      before.some((after) => canStand(entries, after, last)) ? [last] : [],
    );
    if (ends.length === 0) return false;
  }
  return true;
}
