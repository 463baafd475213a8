import { describe, expect, it } from "@jest/globals";
import type { LoggedSet } from "../log/line.js";
import { NOW } from "../testing/small-reading.js";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import { drillsFor, reaches } from "./reaching.js";

const CATALOGUE = catalogueOf(["bounce", "one", ""], ["cross", "two", "bounce"]);
const SYLLABUS = syllabusOf({ catalogue: CATALOGUE, school: FIVE_IN_A_ROW });
const set = (more: Partial<LoggedSet> = {}): LoggedSet => ({
  ...{ id: "a", subject: "cross", side: "left", drill: { kind: "streak" }, clean: 6, misses: [] },
  ...{ bestStreak: 6, at: NOW, lesson: "2026-06-01" },
  ...more,
});

describe("whether a set came to what is asked", () => {
  const cross = { subject: "cross", side: "left" } as const;
  it("is told by its own counts, on its own side", () => {
    const asked = { kind: "streak", count: 6 } as const;
    expect(reaches(set(), cross, asked, SYLLABUS)).toBe(true);
    expect(reaches(set({ bestStreak: 5 }), cross, asked, SYLLABUS)).toBe(false);
    expect(reaches(set(), { subject: "cross", side: "right" }, asked, SYLLABUS)).toBe(false);
    expect(reaches(set({ drill: { kind: "shadow" } }), cross, asked, SYLLABUS)).toBe(false);
    expect(reaches(set({ drill: { kind: "from another build" } }), cross, asked, SYLLABUS)).toBe(false);
    expect(reaches(set({ seconds: 30 }), cross, { kind: "hold", seconds: 30 }, SYLLABUS)).toBe(false);
    const held = set({ drill: { kind: "hold" }, seconds: 30 });
    expect(reaches(held, cross, { kind: "hold", seconds: 30 }, SYLLABUS)).toBe(true);
    expect(
      reaches(
        set({ drill: { kind: "whole" }, clean: 1, bestStreak: 1 }),
        cross,
        { kind: "clean", clean: 1, of: 1 },
        SYLLABUS,
      ),
    ).toBe(true);
  });

  it("can be asked of no kind of drill beside those that are named for it", () => {
    expect(drillsFor("hold")).toEqual(["hold"]);
    expect(drillsFor("streak")).toContain("climb");
    expect(drillsFor("clean")).not.toContain("shadow");
  });
});
