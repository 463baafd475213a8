import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import type { Effort } from "../syllabus/effort.js";
import { PHASES, type Phase } from "./block.js";
import { choose, objectiveOf, weigh, type Choosable, type Limits } from "./choose.js";
import { canBeOrdered, orderOf, spreadOf } from "./order.js";

const block = (changes: Partial<Choosable> = {}): Choosable => ({
  worth: 5,
  minutes: 5,
  landings: 100,
  multiples: 0,
  effort: "crosses",
  phase: "main",
  isReview: false,
  work: null,
  isKept: false,
  mate: null,
  ...changes,
});
const WIDE: Limits = { minutes: 60, reviewMinutes: 12, landings: Infinity, multiples: Infinity };

function subsets(count: number): number[][] {
  return Array.from({ length: 2 ** count }, (_, bits) =>
    Array.from({ length: count }, (_place, place) => place).filter((place) => (bits >> place) & 1),
  );
}

const USES = ["minutes", "reviewMinutes", "landings", "multiples"] as const;

/** Every choice that may be made, with what it is worth: by trying everything. */
function allChoices(candidates: readonly Choosable[], limits: Limits) {
  const one = (place: number) => candidates[place] ?? block();
  const use = (place: number, limit: (typeof USES)[number]) =>
    limit === "reviewMinutes" ? (one(place).isReview ? one(place).minutes : 0) : one(place)[limit];
  const sum = (places: readonly number[], limit: (typeof USES)[number]) =>
    places.reduce((total, place) => total + use(place, limit), 0);
  const all = [...candidates.keys()];
  const kept = all.filter((place) => one(place).isKept);
  const isWithin = (places: readonly number[]) =>
    USES.every(
      (limit) =>
        sum(places, limit) <= limits[limit] ||
        // Past it by what is kept: nothing more of it.
        places.every((place) => kept.includes(place) || use(place, limit) === 0),
    );
  const minutesOf = (places: readonly number[], work: Choosable["work"]) =>
    places.reduce((total, place) => total + (one(place).work === work ? one(place).minutes : 0), 0);
  const hasBegun = all.some(
    (place) => one(place).work === "begun" && (kept.includes(place) || isWithin([...kept, place])),
  );
  const isDeep = (places: readonly number[]) =>
    !hasBegun || minutesOf(places, "new") <= Math.max(minutesOf(places, "begun"), minutesOf(kept, "new"));
  const hasOrder = orderOf(candidates, kept, PHASES) !== null;
  return subsets(candidates.length)
    .filter(
      (places) =>
        kept.every((place) => places.includes(place)) &&
        isWithin(places) &&
        isDeep(places) &&
        (!hasOrder || orderOf(candidates, places, PHASES) !== null),
    )
    .map((places) => ({ places, objective: objectiveOf(candidates, places) }));
}

describe("choosing the blocks of a plan", () => {
  it("takes what is worth most within the minutes", () => {
    const candidates = [
      block({ worth: 9, minutes: 8, effort: "multiples" }),
      block({ worth: 6, minutes: 5 }),
      block({ worth: 5, minutes: 5, effort: "swings" }),
    ];
    expect(choose(candidates, { ...WIDE, minutes: 10 }, PHASES)).toMatchObject({
      places: [1, 2],
      objective: 11,
    });
    expect(choose(candidates, { ...WIDE, minutes: 4 }, PHASES)).toMatchObject({ places: [], objective: 0 });
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

  it("puts what has no order into one with as few of one effort running as there can be", () => {
    const efforts: Effort[] = ["crosses", "swings", "multiples"];
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...efforts), { maxLength: 9 }), (list) => {
        const candidates = list.map((effort) => block({ effort }));
        const places = [...candidates.keys()];
        const order = spreadOf(candidates, places, PHASES);
        expect([...order].sort((one, other) => one - other)).toEqual(places);
        const repeats = order.filter(
          (at, place) => place > 0 && list[at] === list[order[place - 1] ?? -1],
        ).length;
        const most = Math.max(0, ...efforts.map((effort) => list.filter((one) => one === effort).length));
        // Whatever stands more than once beside all others is beside its own.
        expect(repeats).toBe(Math.max(0, most - 1 - (list.length - most)));
      }),
    );
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

  it("is the best there is, and so with and without each, by brute force on small cases", () => {
    const efforts: Effort[] = ["crosses", "swings", "multiples"];
    const phases: Phase[] = ["review", "main", "late-hard"];
    const any = fc.record({
      worth: fc.integer({ min: 1, max: 10 }),
      minutes: fc.integer({ min: 2, max: 9 }),
      landings: fc.constantFrom(0, 40, 90, 200),
      multiples: fc.constantFrom(0, 0, 30, 60),
      effort: fc.constantFrom(...efforts),
      phase: fc.constantFrom(...phases),
      work: fc.constantFrom("begun" as const, "new" as const, null),
      isKept: fc.constantFrom(true, false, false, false, false),
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
          const all = allChoices(candidates, limits);
          const bestOf = (choices: typeof all) => Math.max(-Infinity, ...choices.map((one) => one.objective));
          const { places, objective, otherwise } = weigh(candidates, limits, PHASES);
          expect(objective).toBeCloseTo(bestOf(all), 9);
          expect(all.find((one) => String(one.places) === String(places))?.objective).toBeCloseTo(
            objective,
            9,
          );
          const others = candidates.map(({ isKept }, place) => {
            const isOther = (choice: readonly number[]) => choice.includes(place) !== places.includes(place);
            const best = bestOf(all.filter((one) => isOther(one.places)));
            return isKept || best === -Infinity ? null : best.toFixed(6);
          });
          expect(otherwise.map((one) => one?.toFixed(6) ?? null)).toEqual(others);
        },
      ),
      { numRuns: 500 },
    );
  });
});
