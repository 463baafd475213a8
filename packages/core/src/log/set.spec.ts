import { describe, expect, it } from "@jest/globals";
import { bestCleanWithin, checkSetCounts } from "./set.js";

describe("the counts of a set", () => {
  const codes = (counts: Parameters<typeof checkSetCounts>[0]) =>
    checkSetCounts(counts).map((fault) => fault.code);

  it("refuse what cannot have happened", () => {
    expect(codes({ clean: 3, misses: [], bestStreak: 4 })).toEqual(["streak-above-clean"]);
    expect(codes({ clean: 3, misses: [{ position: 5 }], bestStreak: 3 })).toEqual(["position-past-tries"]);
    expect(codes({ clean: 3, misses: [{ position: 2 }, { position: 2 }], bestStreak: 1 })).toEqual([
      "position-twice",
    ]);
    expect(codes({ clean: 4, misses: [{ position: 3 }], bestStreak: 3 })).toEqual(["streak-past-run"]);
    expect(codes({ clean: 4, misses: [{ position: 3 }], bestStreak: 2 })).toEqual([]);
    expect(codes({ clean: 4, misses: [{ count: 2 }], bestStreak: 4 })).toEqual([]);
  });

  it("say how many were clean in any n consecutive tries", () => {
    const counts = { clean: 9, misses: [1, 2, 3, 9].map((position) => ({ position })), bestStreak: 5 };
    expect(bestCleanWithin(counts, 10)).toBe(9);
    expect(bestCleanWithin(counts, 5)).toBe(5);
    expect(bestCleanWithin({ clean: 9, misses: [{ count: 3 }], bestStreak: 0 }, 10)).toBe(7);
  });
});
