import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { partsOf } from "../testing/combo-catalogue.js";
import { planFreestyle, type FreestyleCombo } from "./freestyle.js";

const combo = (id: string, text: string): FreestyleCombo => ({ id, parts: partsOf(text) });
const COMBOS = [
  combo("swings", "o*2 [sr o]*3"),
  combo("doubles", "o*2 [(o o)]*4 o*2"),
  combo("crosses", "o [xr o]*3 o"),
  combo("fused", "o (o xr) o o"),
  combo("steps", "[o/r o/l]*4"),
];
const ASKED = {
  seconds: 60,
  rest: 4,
  tempo: 120,
  dominant: "r",
  goals: [],
  roles: { rests: [], bounce: "basic-bounce" },
} as const;

describe("a freestyle", () => {
  it("does each combo once, with rests between and none after the last", () => {
    const plan = planFreestyle(COMBOS, ASKED);
    expect(plan.pieces.map((piece) => piece.id).sort()).toEqual(COMBOS.map((one) => one.id).sort());
    expect(plan.pieces.at(-1)).toMatchObject({ rest: 0, activeRest: null });
    plan.pieces.slice(1).forEach((piece, place) => {
      const before = plan.pieces[place];
      expect(piece.at).toBeCloseTo((before?.at ?? 0) + (before?.seconds ?? 0) + (before?.rest ?? 0), 9);
    });
  });

  it("rests longer after multiples", () => {
    const { pieces } = planFreestyle(COMBOS, ASKED);
    const rests = new Map(
      pieces.filter((piece) => piece.rest > 0).map((piece) => [piece.effort, piece.rest]),
    );
    expect(rests.get("multiples") ?? 6).toBe(6);
    expect(rests.get("arms")).toBe(4);
  });

  it("does not do the same effort twice running where it can be helped", () => {
    const four = COMBOS.filter((one) => one.id !== "steps");
    const { pieces } = planFreestyle(four, ASKED);
    const twice = pieces.filter((piece, place) => piece.effort === pieces[place - 1]?.effort);
    expect(twice).toEqual([]);
  });

  it("touches every goal that its combos have, and names the others", () => {
    const plan = planFreestyle(COMBOS, { ...ASKED, seconds: 6, goals: ["double", "half-turn"] });
    expect(plan.pieces.map((piece) => piece.id)).toContain("doubles");
    expect(plan.untouched).toEqual(["half-turn"]);
    expect(plan.leftOut.length).toBe(COMBOS.length - plan.pieces.length);
  });

  it("keeps its time, however short", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 180 }), fc.integer({ min: 0, max: 30 }), (seconds, rest) => {
        const plan = planFreestyle(COMBOS, { ...ASKED, seconds, rest });
        expect(plan.seconds).toBeLessThanOrEqual(seconds);
        expect(new Set(plan.pieces.map((piece) => piece.id)).size).toBe(plan.pieces.length);
      }),
      { numRuns: 40 },
    );
    expect(planFreestyle([], ASKED).pieces).toEqual([]);
  });
});
