import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import type { Miss } from "../log/set.js";
import { DRILL_KINDS, DRILL_ROWS, doseOf, parseDrill, withDose, type Drill } from "../syllabus/drill.js";
import { isPassed, neededDose, passedDose } from "./passing.js";

function counted(clean: number, misses: readonly Miss[] = [], bestStreak = clean, seconds?: number) {
  return { clean, misses, bestStreak, ...(seconds === undefined ? {} : { seconds }) };
}
/** So many misses whose places nobody noted. */
const missed = (count: number): readonly Miss[] => (count === 0 ? [] : [{ count }]);

describe("whether a set passed its drill", () => {
  it("of tries by how many of them are right, once all are made", () => {
    const catches: Drill = { kind: "toe-catch", count: 5 };
    const passes = (clean: number, misses: number) => isPassed(catches, counted(clean, missed(misses), 1));
    expect([passes(4, 1), passes(3, 2), passes(4, 0), passes(5, 0)]).toEqual([true, false, false, true]);
  });

  it("of the whole by beginning it: only what was held back counts against it", () => {
    const whole: Drill = { kind: "whole", count: 5 };
    const baulked = (count: number): readonly Miss[] => [{ count, fault: "baulk" }, { count: 5 - count }];
    expect(isPassed(whole, counted(0, missed(5), 0))).toBe(true);
    expect(isPassed(whole, counted(0, baulked(1), 0))).toBe(true);
    expect(isPassed(whole, counted(0, baulked(2), 0))).toBe(false);
    expect(isPassed(whole, counted(4, [], 1))).toBe(false);
  });

  it("of goes at a part once one of them comes", () => {
    const goes: Drill = { kind: "part-counts", count: 3 };
    expect(isPassed(goes, counted(1, missed(2), 1))).toBe(true);
    expect(isPassed(goes, counted(0, missed(3), 0))).toBe(false);
  });

  it("in a row by the best streak, and not by what is clean in all", () => {
    const streak: Drill = { kind: "streak", count: 5 };
    expect(isPassed(streak, counted(9, missed(1), 5))).toBe(true);
    expect(isPassed(streak, counted(9, missed(3), 4))).toBe(false);
    expect(isPassed({ kind: "climb", top: 4, onMiss: "repeat" }, counted(10, [], 3))).toBe(false);
  });

  it("by the clock: a hold without a miss, a count in its time", () => {
    const hold: Drill = { kind: "hold", seconds: 30 };
    expect(isPassed(hold, counted(60, [], 60, 30))).toBe(true);
    expect(isPassed(hold, counted(60, missed(1), 40, 30))).toBe(false);
    expect(isPassed(hold, counted(58, [], 58, 29))).toBe(false);
    const count: Drill = { kind: "count", count: 60, seconds: 30 };
    expect(isPassed(count, counted(60, missed(2), 40, 30))).toBe(true);
    expect(isPassed(count, counted(60, [], 60, 31))).toBe(false);
    expect(isPassed(count, counted(59, [], 59, 30))).toBe(false);
  });

  it("is never undone by one more that is right in place of one that is not", () => {
    const kinds = fc.constantFrom(...DRILL_KINDS.filter((kind) => DRILL_ROWS[kind].measure !== "clock"));
    const tries = fc.integer({ min: 1, max: 20 });
    fc.assert(
      fc.property(kinds, fc.integer({ min: 1, max: 12 }), tries, tries, (kind, dose, clean, misses) => {
        const parsed = parseDrill({ kind });
        if (parsed === null) throw new Error(kind);
        const drill = withDose(parsed, dose);
        const before = isPassed(drill, counted(clean, missed(misses), clean));
        const after = isPassed(drill, counted(clean + 1, missed(misses - 1), clean + 1));
        expect(before && !after).toBe(false);
      }),
    );
  });

  it("says how much of it: rounds and rungs by number, the rest all or nothing", () => {
    const climb: Drill = { kind: "climb", top: 5, onMiss: "repeat" };
    expect(passedDose(climb, counted(6, missed(1), 3))).toBe(3);
    expect(passedDose(climb, counted(30, [], 9))).toBe(5);
    expect(neededDose(climb)).toBe(doseOf(climb));
    const streak: Drill = { kind: "streak", count: 5 };
    expect([passedDose(streak, counted(5)), passedDose(streak, counted(4)), neededDose(streak)]).toEqual([
      1, 0, 1,
    ]);
  });
});
