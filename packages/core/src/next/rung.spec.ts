import { describe, expect, it } from "@jest/globals";
import { passedRung, rungAfter, rungDrill } from "./rung.js";

const GATE = { kind: "streak", count: 30 } as const;
const drillOf = (count: number) => rungDrill({ count, chance: 0.8 }, GATE, 30, 0.9);

describe("a rung as a drill", () => {
  it("is single repetitions at the bottom, a climb, the gate's streak with an aim, and the gate at its top", () => {
    expect(drillOf(1)).toEqual({ drill: { kind: "one-out", count: 5 }, aim: 1, chance: 0.8 });
    expect(drillOf(5)).toEqual({
      drill: { kind: "climb", top: 5, onMiss: "repeat" },
      aim: null,
      chance: 0.8,
    });
    expect(drillOf(12)).toEqual({ drill: GATE, aim: 12, chance: 0.8 });
    expect(drillOf(30)).toEqual({ drill: GATE, aim: null, chance: 0.8 });
  });

  it("leads to a hold by streaks, and ends in the hold", () => {
    const hold = { kind: "hold", seconds: 30 } as const;
    const of = (count: number) => rungDrill({ count, chance: 0.8 }, hold, 60, 0.9).drill;
    expect([of(12), of(60)]).toEqual([{ kind: "streak", count: 12 }, hold]);
  });
});

describe("a short gate", () => {
  it("is tried whole with the rung as its aim, unless hardly a try comes clean", () => {
    const five = { kind: "streak", count: 5 } as const;
    expect(rungDrill({ count: 1, chance: 0.6 }, five, 5, 0.6)).toEqual({ drill: five, aim: 1, chance: 0.6 });
    expect(rungDrill({ count: 1, chance: 0.2 }, five, 5, 0.2).drill).toEqual({ kind: "one-out", count: 5 });
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
