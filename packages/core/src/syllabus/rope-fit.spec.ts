import { describe, expect, it } from "@jest/globals";
import { ropeFit, ropeMisfit } from "./rope-fit.js";

describe("the rope fit", () => {
  it("follows the handbook's formula, tip to tip", () => {
    expect(ropeFit(1600, "armpit", "beginner")).toBe(2 * 1200 + 20);
    expect(ropeFit(1600, "chest", "beginner")).toBe(2 * 1152 + 20);
    expect(ropeFit(1600, "chest", "crosses-and-doubles")).toBe(2 * (1152 - 65) + 20);
    expect(ropeFit(1600, "armpit", "speed")).toBe(2 * (1200 - 120) + 20);
  });

  it("tells how far a rope is from it, and leaves alone what makes no difference", () => {
    expect(ropeMisfit(2460, 2420)).toBe(40);
    expect(ropeMisfit(2380, 2420)).toBe(-40);
    expect([2401, 2420, 2439].map((length) => ropeMisfit(length, 2420))).toEqual([0, 0, 0]);
    expect([2400, 2440].map((length) => ropeMisfit(length, 2420))).toEqual([-20, 20]);
  });
});
