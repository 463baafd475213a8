import { describe, expect, it } from "@jest/globals";
import { ropeFit } from "./rope-fit.js";

describe("the rope fit", () => {
  it("follows the handbook's formula, tip to tip", () => {
    expect(ropeFit(1600, "armpit", "beginner")).toBe(2 * 1200 + 20);
    expect(ropeFit(1600, "chest", "beginner")).toBe(2 * 1152 + 20);
    expect(ropeFit(1600, "chest", "crosses-and-doubles")).toBe(2 * (1152 - 65) + 20);
    expect(ropeFit(1600, "armpit", "speed")).toBe(2 * (1200 - 120) + 20);
  });
});
