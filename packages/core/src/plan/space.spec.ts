import { describe, expect, it } from "@jest/globals";
import { circlesThatFit, clearRadius } from "./space.js";

describe("room on the floor", () => {
  it("gives each jumper half the arm span and 0.6 m", () => {
    expect(clearRadius(1600)).toBeCloseTo(1.4, 9);
    expect(clearRadius(null)).toBeCloseTo(1.5, 9);
  });

  it.each([
    [6, 9, 6],
    [5.9, 9, 3],
    [2, 30, 0],
  ])("lays circles of 3 m on %d × %d m", (widthMetres, lengthMetres, circles) => {
    expect(circlesThatFit({ widthMetres, lengthMetres }, 1.5)).toBe(circles);
  });
});
