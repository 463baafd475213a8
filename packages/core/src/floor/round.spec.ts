import { describe, expect, it } from "@jest/globals";
import { askedInARow, roundCounts, type RoundAnswer } from "./round.js";
import { checkSetCounts } from "../log/set.js";

describe("an answer to a round", () => {
  it("comes to a set: all of it, four fifths, nothing, or the number", () => {
    expect(roundCounts("made-it", 10)).toEqual({ clean: 10, misses: [], bestStreak: 10 });
    expect(roundCounts("nearly", 10)).toEqual({ clean: 8, misses: [{ position: 9 }], bestStreak: 8 });
    expect(roundCounts("not-yet", 10)).toEqual({ clean: 0, misses: [{ position: 1 }], bestStreak: 0 });
    expect(roundCounts(14, 10)).toEqual({ clean: 14, misses: [], bestStreak: 14 });
  });

  it("never calls it made when it was only nearly so, and always fits itself", () => {
    for (const asked of [1, 2, 3, 20]) {
      const answers: readonly RoundAnswer[] = ["made-it", "nearly", "not-yet", 0, asked - 1];
      for (const answer of answers) expect(checkSetCounts(roundCounts(answer, asked))).toEqual([]);
      expect(roundCounts("nearly", asked).bestStreak).toBeLessThan(asked);
    }
  });
});

describe("what a drill asks in a row", () => {
  it.each([
    [{ kind: "streak", count: 12 }, 12],
    [{ kind: "climb", top: 6, onMiss: "repeat" }, 6],
    [{ kind: "rounds", rounds: 3 }, 3],
    [{ kind: "toe-catch", count: 5 }, 4],
    [{ kind: "hold", seconds: 30 }, 30],
    [{ kind: "hold", seconds: 0.1 }, 1],
  ] as const)("of %j is %d", (asked, count) => {
    expect(askedInARow(asked, 2)).toBe(count);
  });
});
