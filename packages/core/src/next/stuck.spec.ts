import { describe, expect, it } from "@jest/globals";
import { DAY_MS } from "../instant.js";
import { foldEntries, type SideEntry } from "../record/evidence.js";
import { isStuck } from "./stuck.js";

const NOW = Date.UTC(2026, 5, 1);

/** One lesson a day, a streak drill each: clean tries, misses, best in a row. */
function after(...lessons: readonly (readonly [clean: number, misses: number, best: number])[]) {
  const entries = lessons.map(([clean, misses, bestStreak], day): SideEntry => ({
    type: "set",
    id: `s${day}`,
    drill: { kind: "streak", count: 15 },
    clean,
    misses: misses === 0 ? [] : [{ count: misses }],
    bestStreak,
    at: NOW + day * DAY_MS,
    lesson: new Date(NOW + day * DAY_MS).toISOString().slice(0, 10),
  }));
  return isStuck(foldEntries(entries, { kind: "streak", count: 15 }));
}

describe("stuck", () => {
  it("is three lessons of ten tries with no better streak nor chance than before them", () => {
    expect(after([8, 2, 6], [6, 6, 4], [5, 7, 5], [6, 6, 6])).toBe(true);
  });

  it("is not a better streak or a better chance, nor two lessons, nor a few tries a lesson", () => {
    expect(after([8, 2, 6], [6, 6, 4], [5, 7, 5], [6, 6, 7])).toBe(false);
    expect(after([4, 8, 6], [6, 6, 4], [7, 5, 5], [9, 3, 6])).toBe(false);
    expect(after([8, 2, 6], [6, 6, 4], [5, 7, 5])).toBe(false);
    expect(after([8, 2, 6], [3, 3, 3], [3, 3, 3], [3, 3, 3])).toBe(false);
  });

  it("overlooks a lesson of few tries between honest ones", () => {
    expect(after([8, 2, 6], [6, 6, 4], [1, 1, 1], [5, 7, 5], [6, 6, 6])).toBe(true);
  });
});
