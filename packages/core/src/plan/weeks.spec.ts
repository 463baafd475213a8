import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import type { PathStep } from "../next/goal-path.js";
import { HANDBOOK_MODEL } from "../record/model.js";
import { triesOfAll } from "../record/tries.js";
import { sideOf, syllabusOf } from "../syllabus/syllabus.js";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { lessonDays, planWeeks, spreadWeekdays, type WeeksContext } from "./weeks.js";

const SKILLS = ["cross", "fused", ...Array.from({ length: 8 }, (_, place) => `skill ${String(place)}`)];
const SYLLABUS = syllabusOf({
  catalogue: catalogueOf(...SKILLS.map((id) => [id.replace(" ", "-"), "one", ""] as const)),
  school: FIVE_IN_A_ROW,
});

function step(id: string, expected: number, low = expected / 2, high = expected * 2): PathStep {
  const of = sideOf(SYLLABUS, id.replace(" ", "-"), "whole");
  return { of, gate: of.gate, status: "ready", tries: { expected, low, high } };
}

/** What the tries of independent steps come to, as the path has it. */
function triesOf(steps: readonly PathStep[]) {
  return triesOfAll(
    steps.map(({ tries }) => tries),
    HANDBOOK_MODEL,
  );
}

/** Mondays and Thursdays of four weeks. */
const LESSONS = lessonDays("2026-05-31", "2026-06-29", [1, 4]);

const STEPS = [step("cross", 150), step("fused", 100)];
const CONTEXT: WeeksContext = {
  steps: STEPS,
  tries: triesOf(STEPS),
  reviews: [],
  lessons: LESSONS,
  today: "2026-05-31",
  triesALesson: 60,
  landingsOf: () => 1,
  allowance: null,
  landingsThisWeek: 0,
  weekStartsOn: 1,
};

describe("the days of lessons", () => {
  it("are the weekdays that were named, after today and before the date", () => {
    expect(LESSONS.slice(0, 3)).toEqual(["2026-06-01", "2026-06-04", "2026-06-08"]);
    expect(LESSONS).toHaveLength(8);
    expect(lessonDays("2026-06-01", "2026-06-01", [1])).toEqual([]);
    expect(lessonDays("2026-06-02", "2026-06-01", [1, 2, 3])).toEqual([]);
  });

  it.each([
    [1, [1]],
    [2, [1, 4]],
    [3, [1, 3, 5]],
    [9, [1, 2, 3, 4, 5, 6, 7]],
  ])("lie apart, %d a week", (count, days) => {
    expect(spreadWeekdays(count)).toEqual(days);
  });
});

describe("the weeks toward a date", () => {
  it("do what comes first first, and say when each is reached", () => {
    const plan = planWeeks(CONTEXT);
    expect(plan.weeks).toHaveLength(4);
    expect(plan.weeks[0]?.work).toEqual([{ subject: "cross", side: "whole", tries: 120, finishes: false }]);
    expect(plan.weeks[1]?.work).toEqual([
      { subject: "cross", side: "whole", tries: 30, finishes: true },
      { subject: "fused", side: "whole", tries: 90, finishes: false },
    ]);
    expect(plan.reached.map((one) => one.subject)).toEqual(["cross", "fused"]);
    expect(plan.weeks[3]?.slack).toBe(120);
    expect(plan.holds).toBe(480);
  });

  it.each<[string, readonly PathStep[]]>([
    ["there", []],
    ["likely", [step("cross", 200, 100, 400)]],
    ["even", [step("cross", 400, 100, 800)]],
    ["unlikely", [step("cross", 700, 400, 1500)]],
    ["not-by-then", [step("cross", 900, 500, 1500)]],
  ])("are %s by the range of the tries left", (outlook, steps) => {
    expect(planWeeks({ ...CONTEXT, steps, tries: triesOf(steps) }).outlook).toBe(outlook);
  });

  it("say how many lessons it would take where it is not enough", () => {
    const steps = [step("cross", 900, 500, 1500)];
    const plan = planWeeks({ ...CONTEXT, steps, tries: triesOf(steps) });
    expect(plan.lessonsNeeded).toEqual({ expected: 15, low: 9, high: 25 });
    expect(plan.reached).toEqual([]);
  });

  it("keep within the week's landings, this week's already made among them", () => {
    const plan = planWeeks({
      ...CONTEXT,
      today: "2026-06-01",
      lessons: LESSONS.slice(1),
      landingsOf: () => 10,
      allowance: 500,
      landingsThisWeek: 400,
    });
    expect(plan.weeks[0]?.work[0]?.tries).toBe(10);
    for (const week of plan.weeks) expect(week.landings).toBeLessThanOrEqual(500);
    expect(plan.outlook).not.toBe("likely");
  });

  it("place reviews in the week in which they fall due, and overdue ones in the first", () => {
    const reviews = [
      { subject: "bounce", side: "whole", due: "2026-05-02" },
      { subject: "swing", side: "left", due: "2026-06-18" },
      { subject: "step", side: "whole", due: "2026-12-01" },
    ] as const;
    const { weeks } = planWeeks({ ...CONTEXT, reviews });
    expect(weeks.map((week) => week.reviews.map((one) => one.subject))).toEqual([
      ["bounce"],
      [],
      ["swing"],
      [],
    ]);
  });

  it("never plan more than is left, or than a lesson holds", () => {
    const steps = fc.array(fc.integer({ min: 1, max: 500 }), { maxLength: 8 });
    fc.assert(
      fc.property(
        steps,
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 1, max: 20 }),
        (tries, room, each) => {
          const asked = tries.map((many, place) => step(`skill ${place}`, many));
          const context = {
            ...CONTEXT,
            steps: asked,
            tries: triesOf(asked),
            triesALesson: room,
            landingsOf: () => each,
            allowance: 3000,
          };
          const { weeks, reached, holds } = planWeeks(context);
          let planned = 0;
          for (const week of weeks) {
            const ofWeek = week.work.reduce((sum, one) => sum + one.tries, 0);
            expect(ofWeek).toBeLessThanOrEqual(room * week.lessons.length + 1e-6);
            expect(week.landings).toBeLessThanOrEqual(3000 + 1e-6);
            planned += ofWeek;
          }
          const all = tries.reduce((sum, one) => sum + one, 0);
          expect(planned).toBeLessThanOrEqual(all + 1e-6);
          expect(holds).toBeGreaterThanOrEqual(planned - 1e-6);
          expect(reached.length === tries.length).toBe(planned > all - 1e-6);
        },
      ),
    );
  });
});
