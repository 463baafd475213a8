import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { betaCdf, betaQuantile } from "./beta.js";

describe("the Beta distribution", () => {
  it("agrees with its closed forms", () => {
    expect(betaCdf(0.3, 1, 1)).toBeCloseTo(0.3, 12);
    expect(betaCdf(0.3, 2, 1)).toBeCloseTo(0.09, 12);
    expect(betaQuantile(0.1, 1, 3)).toBeCloseTo(1 - 0.9 ** (1 / 3), 10);
  });

  it("inverts itself", () => {
    const shape = fc.double({ min: 0.6, max: 400, noNaN: true });
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), shape, shape, (probability, a, b) => {
        expect(betaCdf(betaQuantile(probability, a, b), a, b)).toBeCloseTo(probability, 6);
      }),
    );
  });
});
