import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { ropesGiven, ropeShares, type RopePair, type RopeStock, type RopeWish } from "./rope-stock.js";

const wish = (ropeMm: number | null, hasOwnRope = false): RopeWish => ({ ropeMm, hasOwnRope });
const stock = (lengthMm: number | null, many: number, kind: RopeStock["kind"] = null): RopeStock => ({
  kind,
  lengthMm,
  many,
});

const length = fc.constantFrom(null, 2000, 2200, 2400, 2600);
const people = fc.array(
  fc.record({ ropeMm: length, hasOwnRope: fc.boolean() }, { requiredKeys: ["ropeMm", "hasOwnRope"] }),
  { maxLength: 9 },
);
const ropes = fc.array(
  fc.record({ kind: fc.constant(null), lengthMm: length, many: fc.integer({ min: 0, max: 3 }) }),
  { maxLength: 4 },
);
const total = (numbers: readonly number[]) => numbers.reduce((sum, one) => sum + one, 0);

/** Places to jump with a rope that somebody of this need can use. */
const placesFor = (need: number, all: readonly RopeStock[], lent: readonly RopeWish[]) =>
  total(all.filter((one) => (one.lengthMm ?? Infinity) + 50 >= need).map((one) => 2 * one.many)) +
  lent.filter((one) => (one.ropeMm ?? 0) + 50 >= need).length;

describe("the share of a turn with a rope", () => {
  it("is all of it where everybody has one, and for two who take turns", () => {
    expect(ropeShares(null, [wish(2000), wish(null)])).toEqual([1, 1]);
    expect(ropeShares([stock(null, 1)], [wish(2000), wish(2600)])).toEqual([1, 1]);
    expect(ropeShares([stock(null, 1)], [wish(2000), wish(2600), wish(2000), wish(null)])).toEqual([
      0.5, 0.5, 0.5, 0.5,
    ]);
  });

  it("is short for the tall alone where the ropes are", () => {
    const four = [wish(2600), wish(2600), wish(2600), wish(2000)];
    expect(ropeShares([stock(2600, 1), stock(2000, 1)], four)).toEqual([2 / 3, 2 / 3, 2 / 3, 1]);
    // A knot shortens a rope that is too long.
    expect(ropeShares([stock(2600, 2)], four)).toEqual([1, 1, 1, 1]);
    expect(ropeShares([stock(2550, 2)], four)).toEqual([1, 1, 1, 1]);
    expect(ropeShares([stock(2540, 2)], four)).toEqual([0, 0, 0, 1]);
  });

  it("is all of it for who brought one, and a partner has a place with them", () => {
    expect(ropeShares([], [wish(2400, true), wish(2400)])).toEqual([1, 1]);
    expect(ropeShares([], [wish(2400, true), wish(2600)])).toEqual([1, 0]);
    expect(ropeShares([], [wish(2400, true), wish(2200), wish(2200)])).toEqual([1, 0.5, 0.5]);
  });

  it("gives nobody more than there is, and nothing that somebody worse off could have", () => {
    fc.assert(
      fc.property(people, ropes, (all, hall) => {
        const shares = ropeShares(hall, all);
        const lent = all.filter((one) => one.hasOwnRope);
        const waiting = all.flatMap((one, place) =>
          one.hasOwnRope ? [] : [{ need: one.ropeMm ?? 0, share: shares[place] ?? NaN }],
        );
        for (const { need, share } of waiting) {
          expect(share).toBeGreaterThanOrEqual(0);
          expect(share).toBeLessThanOrEqual(1);
          const taller = waiting.filter((one) => one.need >= need);
          expect(total(taller.map((one) => one.share))).toBeLessThanOrEqual(
            placesFor(need, hall, lent) + 1e-9,
          );
          if (share > 1 - 1e-9) continue;
          // Whoever is short could have more only from others who have no more than they.
          const isSettled = waiting.some(({ need: from }) => {
            const group = waiting.filter((one) => one.need >= from);
            const isFull = total(group.map((one) => one.share)) >= placesFor(from, hall, lent) - 1e-9;
            return from <= need && isFull && group.every((one) => one.share <= share + 1e-9);
          });
          expect(isSettled).toBe(true);
        }
      }),
    );
  });

  it("is less for nobody with a rope more", () => {
    fc.assert(
      fc.property(people, ropes, length, (all, hall, more) => {
        const before = ropeShares(hall, all);
        ropeShares([...hall, stock(more, 1)], all).forEach((share, place) =>
          expect(share).toBeGreaterThanOrEqual((before[place] ?? 1) - 1e-9),
        );
      }),
    );
  });
});

describe("the ropes that are given out", () => {
  const pair = (needs: readonly RopeWish[], changes: Partial<RopePair> = {}): RopePair => ({
    people: needs,
    skillClass: "cross",
    cautions: [],
    chosen: null,
    ...changes,
  });

  it("suit what is done: beads for new steps, thin for speed, for fused doubles what is taught with", () => {
    const kinds = (["thin", "heavy", "beaded"] as const).map((kind) => stock(null, 1, kind));
    const pairs = [
      pair([wish(null)], { skillClass: "triple" }),
      pair([wish(null)], { skillClass: "fused-double", chosen: "heavy" }),
      pair([wish(null)], { skillClass: "footwork" }),
    ];
    const places = ropesGiven(kinds, pairs).map((one) => (one.from === "stock" ? one.place : one.from));
    expect(places).toEqual([0, 1, 2]);
    const chosen = ropesGiven(kinds, [pair([wish(null)], { chosen: "thin" })]);
    expect(chosen).toEqual([{ from: "stock", place: 0, isSlow: false }]);
  });

  it("are neither beaded nor wire where a rope can lash the neck, and slow where there is nothing else", () => {
    const risky = pair([wish(2000)], { cautions: ["neck"] });
    const both = [stock(2000, 1, "beaded"), stock(2200, 1, "heavy")];
    expect(ropesGiven(both, [risky])).toEqual([{ from: "stock", place: 1, isSlow: false }]);
    expect(ropesGiven(both, [{ ...risky, chosen: "beaded" }])).toEqual([
      { from: "stock", place: 1, isSlow: false },
    ]);
    expect(ropesGiven([stock(2000, 1, "wire")], [risky])).toEqual([
      { from: "stock", place: 0, isSlow: true },
    ]);
  });

  it("are the nearest in length, long enough for the taller of two", () => {
    const lengths = [stock(2000, 1), stock(2600, 1), stock(2400, 1)];
    expect(ropesGiven(lengths, [pair([wish(2300), wish(1900)])])).toEqual([
      { from: "stock", place: 2, isSlow: false },
    ]);
    expect(ropesGiven([stock(2000, 1)], [pair([wish(2300)])])).toEqual([{ from: "none" }]);
  });

  it("spare the ropes of the hall where somebody brought one, unless it is too short for the other", () => {
    const hall = [stock(2600, 1)];
    expect(ropesGiven(hall, [pair([wish(2400, true), wish(2000)])])).toEqual([{ from: "own" }]);
    expect(ropesGiven(hall, [pair([wish(2000, true), wish(2600)])])).toEqual([
      { from: "stock", place: 0, isSlow: false },
    ]);
    expect(ropesGiven([], [pair([wish(2000, true), wish(2600)])])).toEqual([{ from: "own" }]);
  });

  it("go first to who is named first, if as many have one", () => {
    const two = [pair([wish(2000)]), pair([wish(2000)]), pair([wish(2600)])];
    const has = (hall: readonly RopeStock[]) => ropesGiven(hall, two).map((one) => one.from === "stock");
    expect(has([stock(2600, 1)])).toEqual([true, false, false]);
    expect(has([stock(2600, 1), stock(2000, 1)])).toEqual([true, true, false]);
    expect(has([stock(2600, 2)])).toEqual([true, true, false]);
    expect(ropesGiven([stock(2600, 1), stock(2000, 1)], [...two].reverse()).map((one) => one.from)).toEqual([
      "stock",
      "stock",
      "none",
    ]);
  });

  it("go to as many pairs as can be, and to none twice", () => {
    const pairs = fc.array(
      length.map((need) => pair([wish(need)])),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(pairs, ropes, (list, hall) => {
        const given = ropesGiven(hall, list);
        hall.forEach((one, place) => {
          const out = given.filter((rope) => rope.from === "stock" && rope.place === place).length;
          expect(out).toBeLessThanOrEqual(one.many);
        });
        // As many as a greedy that goes from the tallest down, which is best where long ropes suit the short too.
        const left = hall.map((one) => one.many);
        let most = 0;
        for (const need of list.map((one) => one.people[0]?.ropeMm ?? 0).sort((one, other) => other - one)) {
          const place = hall.findIndex(
            ({ lengthMm }, at) => (left[at] ?? 0) > 0 && (lengthMm ?? Infinity) + 50 >= need,
          );
          if (place < 0) continue;
          left[place] = (left[place] ?? 0) - 1;
          most += 1;
        }
        expect(given.filter((one) => one.from === "stock").length).toBe(most);
      }),
    );
  });
});
