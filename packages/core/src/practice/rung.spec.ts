import { describe, expect, it } from "@jest/globals";
import { passedRung, rungAfter, rungDrill } from "./rung.js";

const GATE = { kind: "streak", count: 20 } as const;
const drillOf = (count: number) => rungDrill({ count, chance: 0.8 }, GATE, 20, 0.9);

describe("a rung as a drill", () => {
  it("is single repetitions at the bottom, a climb, a streak, and the gate at its top", () => {
    expect(drillOf(1).drill).toEqual({ kind: "one-out", count: 5 });
    expect(drillOf(1).chance).toBeCloseTo(0.9 ** 5 + 5 * 0.9 ** 4 * 0.1, 9);
    expect(drillOf(5)).toEqual({ drill: { kind: "climb", top: 5, onMiss: "repeat" }, chance: 0.8 });
    expect(drillOf(12).drill).toEqual({ kind: "streak", count: 12 });
    expect(rungDrill({ count: 60, chance: 0.8 }, { kind: "hold", seconds: 30 }, 60, 0.9).drill).toEqual({
      kind: "hold",
      seconds: 30,
    });
  });
});

describe("a rung that was passed", () => {
  const set = (
    drill: Parameters<typeof passedRung>[0]["drill"],
    clean: number,
    missed: number,
    bestStreak: number,
  ) => passedRung({ drill, clean, misses: missed === 0 ? [] : [{ count: missed }], bestStreak });

  it("is the count that was reached, or one for single repetitions that passed", () => {
    expect(set({ kind: "streak", count: 8 }, 11, 2, 8)).toBe(8);
    expect(set({ kind: "streak", count: 8 }, 11, 2, 7)).toBe(0);
    expect(set({ kind: "climb", top: 4 }, 10, 0, 4)).toBe(4);
    expect(set({ kind: "one-out", count: 5 }, 4, 1, 1)).toBe(1);
    expect(set({ kind: "one-out", count: 5 }, 3, 2, 1)).toBe(0);
    expect(set({ kind: "one-out", count: 5 }, 1, 0, 1)).toBe(0);
    expect(set({ kind: "shadow", count: 10 }, 10, 0, 1)).toBe(0);
  });

  it("is followed by one half as far again, up to the gate", () => {
    const climbed = [1, 3, 5, 8, 12, 18, 20].map((passed) => rungAfter(passed, 20));
    expect(climbed).toEqual([3, 5, 8, 12, 18, 20, 20]);
  });
});
