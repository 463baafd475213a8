import { expect, it } from "@jest/globals";
import { isForgotten } from "./forgotten.js";

const HOUR = 3_600_000;

it("what was begun is of now for half a day, over midnight and a clock a little wrong", () => {
  const begun = Date.UTC(2026, 4, 1, 23, 50);
  for (const later of [0, HOUR, 11.9 * HOUR, -0.5 * HOUR])
    expect(isForgotten(begun, begun + later)).toBe(false);
  for (const later of [12 * HOUR, 300 * HOUR, -2 * HOUR])
    expect(isForgotten(begun, begun + later)).toBe(true);
});
