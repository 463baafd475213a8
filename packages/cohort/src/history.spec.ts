import { CATALOGUE, SCHOOLS } from "@mirrup/catalogue";
import { checkSetCounts, skillOf } from "@mirrup/core";
import { describe, expect, it } from "@jest/globals";
import { courseOf, lessonsOf, simulateStudent } from "./index.js";

const COURSE = courseOf(CATALOGUE);
const school = SCHOOLS["quick-frontier"];
const taught = (seed: number, level = 0.05, lessons = 24) =>
  lessonsOf(simulateStudent(COURSE, seed, level), { catalogue: CATALOGUE, school, lessons, seed });

describe("weeks of simulated lessons", () => {
  it("are the same for the same seed", () => {
    expect(taught(5)).toEqual(taught(5));
    expect(taught(5)).not.toEqual(taught(6));
  });

  it("are sets whose numbers fit each other, with faults that fit the skill", () => {
    for (const { subject, misses, ...counts } of taught(9)) {
      expect(checkSetCounts({ ...counts, misses })).toEqual([]);
      for (const { fault } of misses)
        if (fault !== undefined) expect(skillOf(CATALOGUE, subject).faults).toContain(fault);
    }
  });

  it("fill every lesson, in order, within an hour", () => {
    const sets = taught(3);
    expect(new Set(sets.map((set) => set.lesson)).size).toBe(24);
    const places = sets.map((set) => set.lesson * 100 + set.minute);
    expect(places).toEqual([...places].sort((one, other) => one - other));
    expect(Math.max(...sets.map((set) => set.minute))).toBeLessThan(60);
  });

  it("lead somewhere: everybody reaches some of it, and some reach more in the second half", () => {
    const students = [1, 2, 3, 4, 5, 6, 7, 8].map((seed) => {
      const reached = (from: number, to: number) =>
        new Set(
          taught(seed)
            .filter((set) => set.lesson >= from && set.lesson < to && set.bestStreak >= set.count)
            .map((set) => `${set.subject}:${set.side}`),
        );
      const before = reached(0, 12);
      return { before: before.size, more: [...reached(12, 24)].filter((key) => !before.has(key)).length };
    });
    expect(Math.min(...students.map((one) => one.before))).toBeGreaterThan(2);
    expect(students.some((one) => one.more > 0)).toBe(true);
  });
});
