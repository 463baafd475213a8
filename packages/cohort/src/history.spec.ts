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

  it("lead somewhere: more is reached in the second half than in the first", () => {
    const reached = (from: number, to: number) =>
      new Set(
        taught(4)
          .filter((set) => set.lesson >= from && set.lesson < to && set.bestStreak >= set.count)
          .map((set) => `${set.subject}:${set.side}`),
      );
    const before = reached(0, 12);
    expect([...reached(12, 24)].some((key) => !before.has(key))).toBe(true);
    expect(before.size).toBeGreaterThan(2);
  });
});
