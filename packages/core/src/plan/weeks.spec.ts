import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import type { PathStep } from "../next/goal-path.js";
import { HANDBOOK_MODEL } from "../record/model.js";
import { chanceWithin, triesOfAll } from "../record/tries.js";
import { sideOf, syllabusOf } from "../syllabus/syllabus.js";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { whatGives, type GiveContext } from "./weeks-give.js";
import { ENOUGH_CHANCE, lessonDays, planWeeks, spreadWeekdays, type WeeksContext } from "./weeks.js";

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
  until: "2026-07-30",
  triesALesson: 60,
  landingsOf: () => 1,
  multiplesOf: () => 0,
  grows: false,
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
  ])("are %s by the chance that the range of the tries left gives", (outlook, steps) => {
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

describe("the week before a date", () => {
  it("goes easy where the date is three weeks away or more, and no other does", () => {
    const until = "2026-06-29";
    const { weeks, holds } = planWeeks({ ...CONTEXT, until });
    expect(weeks.map((week) => week.isTaper)).toEqual([false, false, false, true]);
    expect(holds).toBe(6 * 60 + 2 * 30);
    const soon = { ...CONTEXT, today: "2026-06-10", until, lessons: lessonDays("2026-06-10", until, [1, 4]) };
    expect(planWeeks(soon).weeks.some((week) => week.isTaper)).toBe(false);
  });
});

describe("the days of multiples of somebody who may still grow", () => {
  const daily = lessonDays("2026-05-31", "2026-06-14", [1, 2, 3, 4, 5, 6, 7]);
  const steps = [step("cross", 5000), step("fused", 5000)];
  const context = (grows: boolean): WeeksContext => ({
    ...{ ...CONTEXT, grows, steps, tries: triesOf(steps), lessons: daily, triesALesson: 200 },
    multiplesOf: ({ subject }) => (subject === "cross" ? 1 : 0),
  });

  it("lie apart, hold no more than a lesson may, and the days between are for the rest", () => {
    const { weeks } = planWeeks(context(true));
    const days = weeks.flatMap((week) => week.highImpact);
    expect(days.length).toBeGreaterThan(3);
    const gaps = days.slice(1).map((day, place) => Date.parse(day) - Date.parse(days[place] ?? ""));
    expect(Math.min(...gaps)).toBeGreaterThanOrEqual(2 * 86_400_000);
    for (const { work, highImpact, lessons } of weeks) {
      const triesOn = (subject: string) => work.find((one) => one.subject === subject)?.tries ?? 0;
      expect(triesOn("cross")).toBeLessThanOrEqual(150 * highImpact.length);
      expect(triesOn("cross") + triesOn("fused")).toBe(200 * lessons.length);
    }
  });

  it("are any for who is grown", () => {
    const { weeks } = planWeeks(context(false));
    expect(weeks.flatMap((week) => week.highImpact)).toEqual(daily);
    expect(weeks.every((week) => week.work.every((one) => one.subject === "cross"))).toBe(true);
  });
});

describe("the chance that it is done by then", () => {
  it("is one in ten at the low end of the range, nine at the high one, and grows with what the lessons hold", () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 500 }), fc.integer({ min: 2, max: 20 }), (low, times) => {
        const tries = { expected: low * 2, low, high: low * times };
        expect(chanceWithin(tries, low)).toBeCloseTo(0.1, 3);
        expect(chanceWithin(tries, low * times)).toBeCloseTo(0.9, 3);
        const chances = [0, 1, low, 2 * low, 50 * low].map((holds) => chanceWithin(tries, holds));
        expect([...chances].sort((one, other) => one - other)).toEqual(chances);
      }),
    );
    expect(chanceWithin({ expected: 0, low: 0, high: 0 }, 0)).toBe(1);
  });
});

describe("what would have to give", () => {
  const context = (steps: readonly PathStep[], changes: Partial<GiveContext> = {}): GiveContext => ({
    ...{ ...CONTEXT, steps, tries: triesOf(steps), until: "2026-06-29", weekdays: [1, 4] },
    ...{ model: HANDBOOK_MODEL, without: [] },
    ...changes,
  });

  it("is nothing where it is likely as it is", () => {
    expect(whatGives(context([step("cross", 50)]))).toEqual([]);
  });

  it("is each of the ways that make it likely, the least of each", () => {
    const steps = [step("cross", 150), step("fused", 700)];
    const gives = whatGives(context(steps));
    expect(gives.map((give) => give.code)).toEqual(["lessons", "later", "nearer"]);
    for (const give of gives) expect(give.chance).toBeGreaterThanOrEqual(ENOUGH_CHANCE);
    expect(gives).toContainEqual(
      expect.objectContaining({ code: "nearer", subject: "cross", side: "whole" }),
    );
    const [lessons, later] = gives;
    const chanceOf = (changes: Partial<GiveContext>) => planWeeks(context(steps, changes)).chance;
    if (lessons?.code !== "lessons" || later?.code !== "later") throw new Error("It gives other things.");
    const fewer = lessonDays(CONTEXT.today, "2026-06-29", spreadWeekdays(lessons.aWeek - 1));
    expect(chanceOf({ lessons: fewer })).toBeLessThan(ENOUGH_CHANCE);
    const weekBefore = new Date(Date.parse(later.until) - 7 * 86_400_000).toISOString().slice(0, 10);
    const shorter = lessonDays(CONTEXT.today, weekBefore, [1, 4]);
    expect(chanceOf({ until: weekBefore, lessons: shorter })).toBeLessThan(ENOUGH_CHANCE);
  });

  it("is one goal of several, where the others are likely without it", () => {
    const [cross, fused] = [step("cross", 150), step("fused", 4000)];
    const goalOf = (subject: string) => ({ subject, side: "whole" as const });
    const without = [
      { goal: goalOf("fused"), steps: [cross], tries: triesOf([cross]) },
      { goal: goalOf("cross"), steps: [fused], tries: triesOf([fused]) },
    ];
    const gives = whatGives(context([cross, fused], { without }));
    expect(gives.filter((give) => give.code === "without")).toEqual([
      expect.objectContaining({ goal: goalOf("fused") }),
    ]);
  });
});
