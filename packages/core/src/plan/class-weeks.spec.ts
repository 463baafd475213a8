import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import type { PathStep } from "../next/goal-path.js";
import { HANDBOOK_MODEL } from "../record/model.js";
import { triesOfAll } from "../record/tries.js";
import type { SideName } from "../sides.js";
import { sideOf, syllabusOf } from "../syllabus/syllabus.js";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { classWeeksSteps, type ClassWeeksAsked, type ClassWeeksStudent } from "./class-weeks.js";
import { ENOUGH_CHANCE, lessonDays, planWeeks } from "./weeks.js";

const SYLLABUS = syllabusOf({
  catalogue: catalogueOf(["cross", "one", ""], ["swing", "one", ""], ["turn", "two", ""]),
  school: FIVE_IN_A_ROW,
});

/** A step as `cross` or `turn left`. */
function step(text: string, expected: number): PathStep {
  const [id = "", side = "whole"] = text.split(" ");
  const of = sideOf(SYLLABUS, id, side as SideName);
  return { of, gate: of.gate, status: "ready", tries: { expected, low: expected / 2, high: expected * 2 } };
}

function studentOf(id: string, ways: Readonly<Record<string, number>>): ClassWeeksStudent {
  const steps = Object.entries(ways).map(([skill, tries]) => step(skill, tries));
  const tries = triesOfAll(
    steps.map((one) => one.tries),
    HANDBOOK_MODEL,
  );
  return {
    id,
    context: {
      ...{ steps, tries, reviews: [], triesALesson: 60, grows: false, allowance: null },
      ...{ landingsOf: () => 1, multiplesOf: () => 0, landingsThisWeek: 0, weekStartsOn: 1 },
    },
  };
}

function planClassWeeks(students: readonly ClassWeeksStudent[], asked: ClassWeeksAsked) {
  const steps = classWeeksSteps(students, asked);
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
  }
}

const ASKED = { today: "2026-05-31", until: "2026-07-30", weekdays: [1] };

describe("a class's weeks toward a date", () => {
  it("are each student's own, with what most of them work at first", () => {
    const students = [
      studentOf("a", { cross: 30, swing: 100 }),
      studentOf("b", { cross: 500 }),
      studentOf("c", { swing: 50 }),
    ];
    const plan = planClassWeeks(students, ASKED);
    const lessons = lessonDays(ASKED.today, ASKED.until, ASKED.weekdays);
    for (const [place, { context }] of students.entries())
      expect(plan.students[place]?.plan).toEqual(planWeeks({ ...context, ...ASKED, lessons }));
    const [first] = plan.weeks;
    expect(first?.work.map(({ subject, students: who }) => [subject, who])).toEqual([
      ["cross", ["a", "b"]],
      ["swing", ["a", "c"]],
    ]);
    expect(first?.work[0]?.finishing).toEqual(["a"]);
    expect(plan.weeks.at(-1)?.isTaper).toBe(true);
    expect(plan.likely).toBe(plan.students.filter((one) => one.plan.chance >= ENOUGH_CHANCE).length);
  });

  it("have a skill of two sides reached once, with its second side", () => {
    const plan = planClassWeeks([studentOf("a", { "turn left": 70, "turn right": 200 })], ASKED);
    const reached = plan.weeks.flatMap(({ work }, week) =>
      work.flatMap(({ subject, finishing }) => (finishing.length > 0 ? [[week, subject]] : [])),
    );
    const own = plan.students[0]?.plan.weeks ?? [];
    const last = own.findLastIndex((week) => week.work.some((one) => one.finishes));
    expect(own.flatMap((week) => week.work.filter((one) => one.finishes))).toHaveLength(2);
    expect(reached).toEqual([[last, "turn"]]);
  });

  it("say what makes it likely for three of four, and it does", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 900 }), { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 1, max: 3 }),
        (tries, aWeek) => {
          const students = tries.map((many, place) => studentOf(String(place), { cross: many }));
          const asked = { ...ASKED, weekdays: Array.from({ length: aWeek }, (_, day) => 1 + day) };
          const plan = planClassWeeks(students, asked);
          const enough = Math.ceil(0.75 * students.length);
          expect(plan.gives.length === 0 || plan.likely < enough).toBe(true);
          expect(plan.chanceOfAll).toBeLessThanOrEqual(
            Math.min(...plan.students.map((one) => one.plan.chance)) + 1e-12,
          );
          for (const give of plan.gives) {
            expect(give.likely).toBeGreaterThanOrEqual(enough);
            if (give.code !== "later") continue;
            const then = planClassWeeks(students, { ...asked, until: give.until });
            expect([then.likely, then.gives]).toEqual([give.likely, []]);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it("are nothing of nobody, and done where everybody is", () => {
    expect(planClassWeeks([], ASKED)).toEqual({
      ...{ weeks: [], students: [], likely: 0, chanceOfAll: 1, gives: [] },
    });
    const done = planClassWeeks([studentOf("a", {})], ASKED);
    expect([done.likely, done.chanceOfAll, done.gives]).toEqual([1, 1, []]);
    expect(done.students[0]?.plan.outlook).toBe("there");
  });
});
