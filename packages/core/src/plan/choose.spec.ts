import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import type { Effort } from "../syllabus/effort.js";
import { PHASES, type Phase } from "./block.js";
import { canBeOrdered, choose, objectiveOf, orderOf, type Choosable, type Limits } from "./choose.js";

const block = (changes: Partial<Choosable> = {}): Choosable => ({
  worth: 5,
  minutes: 5,
  landings: 100,
  multiples: 0,
  effort: "crosses",
  phase: "main",
  isReview: false,
  mate: null,
  ...changes,
});
const WIDE: Limits = { minutes: 60, reviewMinutes: 12, landings: Infinity, multiples: Infinity };

function subsets(count: number): number[][] {
  return Array.from({ length: 2 ** count }, (_, bits) =>
    Array.from({ length: count }, (_place, place) => place).filter((place) => (bits >> place) & 1),
  );
}

/** The same question by trying everything. */
function bruteForce(candidates: readonly Choosable[], limits: Limits): number {
  const sum = (places: readonly number[], of: (one: Choosable) => number) =>
    places.reduce((total, place) => total + of(candidates[place] ?? block()), 0);
  const allowed = subsets(candidates.length).filter(
    (places) =>
      sum(places, (one) => one.minutes) <= limits.minutes &&
      sum(places, (one) => (one.isReview ? one.minutes : 0)) <= limits.reviewMinutes &&
      sum(places, (one) => one.landings) <= limits.landings &&
      sum(places, (one) => one.multiples) <= limits.multiples &&
      orderOf(candidates, places, PHASES) !== null,
  );
  return Math.max(...allowed.map((places) => objectiveOf(candidates, places)));
}

describe("choosing the blocks of a plan", () => {
  it("takes what is worth most within the minutes", () => {
    const candidates = [
      block({ worth: 9, minutes: 8, effort: "multiples" }),
      block({ worth: 6, minutes: 5 }),
      block({ worth: 5, minutes: 5, effort: "swings" }),
    ];
    expect(choose(candidates, { ...WIDE, minutes: 10 }, PHASES)).toEqual({ places: [1, 2], objective: 11 });
    expect(choose(candidates, { ...WIDE, minutes: 4 }, PHASES)).toEqual({ places: [], objective: 0 });
  });

  it("keeps the sides in step, and varies the effort", () => {
    const sides = [
      block({ worth: 5, mate: 1 }),
      block({ worth: 2, mate: 0 }),
      block({ worth: 3, effort: "swings" }),
      block({ worth: 3, effort: "swings" }),
    ];
    expect(choose(sides, { ...WIDE, minutes: 15 }, PHASES).places).toEqual([0, 1, 2]);
  });

  it("never lets two blocks of one effort follow each other", () => {
    const same = [block(), block(), block({ effort: "swings", worth: 1 })];
    const { places } = choose(same, WIDE, PHASES);
    expect(orderOf(same, places, PHASES)?.map((place) => same[place]?.effort)).toEqual([
      "crosses",
      "swings",
      "crosses",
    ]);
    expect(choose([block(), block()], WIDE, PHASES).places).toEqual([0]);
  });

  it("knows whether there is an order without looking for it", () => {
    const efforts: Effort[] = ["crosses", "swings", "multiples"];
    const phases: Phase[] = ["review", "main", "late-hard"];
    const any = fc.record({ effort: fc.constantFrom(...efforts), phase: fc.constantFrom(...phases) });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 9 }), (list) => {
        const candidates = list.map((one) => block(one));
        const places = list.map((_, place) => place);
        expect(canBeOrdered(candidates, places, PHASES)).toBe(orderOf(candidates, places, PHASES) !== null);
      }),
      { numRuns: 2000 },
    );
  });

  it("is the best there is, by brute force on small cases", () => {
    const efforts: Effort[] = ["crosses", "swings", "multiples"];
    const phases: Phase[] = ["review", "main", "late-hard"];
    const any = fc.record({
      worth: fc.integer({ min: 1, max: 10 }),
      minutes: fc.integer({ min: 2, max: 9 }),
      landings: fc.integer({ min: 10, max: 200 }),
      multiples: fc.integer({ min: 0, max: 60 }),
      effort: fc.constantFrom(...efforts),
      phase: fc.constantFrom(...phases),
    });
    fc.assert(
      fc.property(
        fc.array(any, { maxLength: 8 }),
        fc.integer({ min: 5, max: 40 }),
        fc.integer({ min: 0, max: 500 }),
        (list, minutes, landings) => {
          const candidates = list.map((one, place) => {
            const mate =
              place % 2 === 0 && place + 1 < list.length ? place + 1 : place % 2 === 1 ? place - 1 : null;
            return block({ ...one, isReview: one.phase === "review", mate });
          });
          const limits = { minutes, reviewMinutes: minutes / 5, landings, multiples: 80 };
          expect(choose(candidates, limits, PHASES).objective).toBeCloseTo(
            Math.max(0, bruteForce(candidates, limits)),
            9,
          );
        },
      ),
      { numRuns: 500 },
    );
  });
});
