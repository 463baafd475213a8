import { describe, expect, it } from "@jest/globals";
import { scoreOf } from "../rope/parse.js";
import { landingsOf, weekAllowance } from "./load.js";

describe("landings", () => {
  it("weigh one leg, doubles and triples, and multiply where both hold", () => {
    expect(
      ["o", "o/r", "(o o)", "(o o o)", "(o o)/r>r", "sr xr o", "o/r o/l"].map(scoreOf).map(landingsOf),
    ).toEqual([1, 1.5, 1.5, 2, 2.25, 3, 3]);
    expect(landingsOf(null)).toBe(1);
  });
});

describe("the week's allowance", () => {
  it("is judged after two recorded weeks, and never below 3,000", () => {
    expect(weekAllowance([2500])).toBeNull();
    expect(weekAllowance([2500, 2000])).toBe(3000);
    expect(weekAllowance([4000, 4000, 4000, 4000, 90_000])).toBeCloseTo(4400, 9);
  });
});
