import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { checkSetCounts, missCount } from "../log/set.js";
import { isPassed } from "../record/passing.js";
import { DRILL_KINDS, DRILL_ROWS, doseOf, parseDrill, withDose, type Drill } from "../syllabus/drill.js";
import { askedOf, ROUND_ANSWERS, roundCounts, type RoundAnswer } from "./round.js";

const streak: Drill = { kind: "streak", count: 10 };
const hold: Drill = { kind: "hold", seconds: 30, tempo: 120 };
const catches: Drill = { kind: "toe-catch", count: 5 };

describe("an answer to a round", () => {
  it("in a row is all of it, four fifths, nothing, or the number", () => {
    expect(roundCounts("made-it", streak, 1)).toEqual({ clean: 10, misses: [], bestStreak: 10 });
    expect(roundCounts("nearly", streak, 1)).toEqual({ clean: 8, misses: [{ position: 9 }], bestStreak: 8 });
    expect(roundCounts("not-yet", streak, 1)).toEqual({ clean: 0, misses: [{ position: 1 }], bestStreak: 0 });
    expect(roundCounts(14, streak, 1)).toEqual({ clean: 14, misses: [], bestStreak: 14 });
  });

  it("to a hold is how long it was held, in repetitions by its tempo, and a miss where it ended early", () => {
    expect(roundCounts("made-it", hold, 2)).toEqual({ clean: 30, misses: [], bestStreak: 30, seconds: 30 });
    expect(roundCounts(12.5, hold, 2)).toEqual({
      ...{ clean: 12, misses: [{ position: 13 }], bestStreak: 12, seconds: 12.5 },
    });
    expect(roundCounts(99, hold, 2).seconds).toBe(30);
  });

  it("to tries is so many right, and the best in a row is the least that it can have been", () => {
    expect(roundCounts("made-it", catches, 1)).toEqual({ clean: 4, misses: [{ count: 1 }], bestStreak: 2 });
    expect(roundCounts(5, catches, 1)).toEqual({ clean: 5, misses: [], bestStreak: 5 });
    expect(roundCounts(3, catches, 1)).toEqual({ clean: 3, misses: [{ count: 2 }], bestStreak: 1 });
    expect(roundCounts(9, catches, 1)).toEqual(roundCounts(5, catches, 1));
  });

  it("in a time says nothing of what was in a row", () => {
    const count: Drill = { kind: "count", seconds: 30, count: 50 };
    expect(roundCounts(44, count, 1)).toEqual({ clean: 44, misses: [], bestStreak: 0 });
  });
});

describe("whatever the drill and its dose", () => {
  const drill = fc
    .tuple(fc.constantFrom(...DRILL_KINDS), fc.integer({ min: 1, max: 60 }))
    .map(([kind, dose]) => {
      const usual = parseDrill({ kind });
      if (usual === null) throw new Error(kind);
      return withDose(usual, dose);
    });
  const answer: fc.Arbitrary<RoundAnswer> = fc.oneof(
    fc.constantFrom(...ROUND_ANSWERS),
    fc.integer({ min: 0, max: 200 }),
  );

  it("an answer fits itself as a set, and no more tries are made of it than there were", () => {
    fc.assert(
      fc.property(drill, answer, fc.integer({ min: 1, max: 4 }), (of, given, beats) => {
        const counts = roundCounts(given, of, beats);
        expect(checkSetCounts(counts)).toEqual([]);
        if (DRILL_ROWS[of.kind].measure === "tries")
          expect(counts.clean + missCount(counts.misses)).toBe(doseOf(of));
      }),
    );
  });

  it("made it passes the drill, and less does not", () => {
    fc.assert(
      fc.property(drill, fc.constantFrom("nearly" as const, "not-yet" as const), (of, less) => {
        expect(isPassed(of, roundCounts("made-it", of, 1))).toBe(true);
        // Of the whole, and of goes at a part, it is enough to have begun or to have had one.
        if (of.kind !== "whole" && of.kind !== "part-counts")
          expect(isPassed(of, roundCounts(less, of, 1))).toBe(false);
      }),
    );
  });

  it("made it is at least what was asked, and nearly less", () => {
    fc.assert(
      fc.property(drill, (of) => {
        const of1 = (given: RoundAnswer) => {
          const { seconds, clean } = roundCounts(given, of, 1);
          return seconds ?? clean;
        };
        expect(of1("made-it")).toBeGreaterThanOrEqual(askedOf(of));
        expect(of1("nearly")).toBeLessThan(askedOf(of));
        expect(of1("not-yet")).toBe(0);
      }),
    );
  });
});
