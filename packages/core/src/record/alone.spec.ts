import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { DAY_MS } from "../instant.js";
import type { LoggedSet } from "../log/line.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { taughtCatalogue } from "../testing/taught-catalogue.js";
import { beliefOf } from "./belief.js";
import { chanceCourse } from "./chance-course.js";
import { cleanOf } from "./chance.js";
import { NO_FACTS, type SideFacts } from "./facts.js";
import { foldLines } from "./fold.js";
import { nothingBefore } from "./mark.js";
import { HANDBOOK_MODEL } from "./model.js";
import { reaches } from "./reaching.js";

const syllabus = syllabusOf({ catalogue: taughtCatalogue(), school: FIVE_IN_A_ROW });
const reader = { syllabus, model: HANDBOOK_MODEL };
const NOON = Date.UTC(2026, 5, 1, 12);

const anySet = fc.record({
  day: fc.integer({ min: 0, max: 20 }),
  clean: fc.integer({ min: 0, max: 60 }),
  missed: fc.integer({ min: 0, max: 20 }),
  kind: fc.constantFrom("streak", "one-out", "shadow"),
});

function logged(index: number, one: { day: number; clean: number; missed: number; kind: string }): LoggedSet {
  const at = NOON + one.day * DAY_MS;
  return {
    ...{ id: `${index}`.padStart(4, "0"), subject: "cross", side: "left", drill: { kind: one.kind } },
    ...{ clean: one.clean, misses: one.missed > 0 ? [{ count: one.missed }] : [], bestStreak: one.clean },
    ...{ at, lesson: new Date(at).toISOString().slice(0, 10) },
  };
}

const alone = (set: LoggedSet): LoggedSet => ({ ...set, isAlone: true });

function factsOf(sets: readonly LoggedSet[]): SideFacts {
  const folded = foldLines({ sets, decisions: [] }, reader);
  return folded.find(({ owner }) => owner.subject === "cross" && owner.side === "left")?.facts ?? NO_FACTS;
}

const chanceOf = (facts: SideFacts) =>
  cleanOf(beliefOf("cross", facts, null, NOON + 21 * DAY_MS, HANDBOOK_MODEL));

describe("what a student counts alone", () => {
  it("clears nothing, passes no rung, begins no review and is no best, however much of it there is", () => {
    fc.assert(
      fc.property(fc.array(anySet, { minLength: 1, maxLength: 12 }), (all) => {
        const {
          clean: _clean,
          missed: _missed,
          countedAt: _at,
          lastAt: _last,
          ...facts
        } = factsOf(all.map((one, index) => alone(logged(index, one))));
        const { clean: _no, missed: _none, countedAt: _never, lastAt: _nobody, ...nothing } = NO_FACTS;
        expect(facts).toEqual(nothing);
      }),
    );
  });

  it("moves the chance the same way as a set that was seen, and less far", () => {
    fc.assert(
      fc.property(anySet, anySet, (before, one) => {
        const seen = { ...logged(0, before), drill: { kind: "streak" } };
        const next = { ...logged(1, { ...one, day: 21 }), drill: { kind: "streak" } };
        const was = chanceOf(factsOf([seen]));
        const byAlone = chanceOf(factsOf([seen, alone(next)])) - was;
        const bySeen = chanceOf(factsOf([seen, next])) - was;
        expect(Math.abs(byAlone)).toBeLessThanOrEqual(Math.abs(bySeen) + 1e-9);
        expect(byAlone * bySeen).toBeGreaterThanOrEqual(-1e-9);
      }),
    );
  });

  it("is nothing that a programme asks for", () => {
    const set = logged(0, { day: 0, clean: 60, missed: 0, kind: "streak" });
    const of = { subject: "cross", side: "left" } as const;
    const gate = { kind: "streak", count: 10 } as const;
    expect(reaches(set, of, gate, syllabus)).toBe(true);
    expect(reaches(alone(set), of, gate, syllabus)).toBe(false);
  });
});

describe("the course of a chance", () => {
  const mark = (day: number, clean: number, missed: number) => ({
    ...{ at: NOON + day * DAY_MS, id: `${day}` },
    facts: { ...NO_FACTS, clean, missed, countedAt: NOON + day * DAY_MS },
  });

  it("is told after each lesson, in order, and not of before the first", () => {
    const course = chanceCourse(
      "cross",
      [mark(7, 20, 2), nothingBefore({ at: NOON, id: "" }), mark(0, 2, 8)],
      null,
      HANDBOOK_MODEL,
    );
    expect(course.map(({ at }) => (at - NOON) / DAY_MS)).toEqual([0, 7]);
    // By hand: start 0.5 with weight 2.
    expect(course.map(({ chance }) => chance)).toEqual([(2 + 1) / 12, (20 + 1) / 24]);
  });

  it("leans on what was known of the other side then, and not on what came later", () => {
    const other = [mark(0, 0, 30), mark(30, 90, 0)];
    const [lean] = chanceCourse("cross", [mark(1, 0, 0)], other, HANDBOOK_MODEL);
    const [later] = chanceCourse("cross", [mark(31, 0, 0)], other, HANDBOOK_MODEL);
    expect(lean?.chance).toBeLessThan(0.4);
    expect(later?.chance).toBeGreaterThan(0.6);
  });
});
