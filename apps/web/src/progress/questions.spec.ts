import { describe, expect, it } from "@jest/globals";
import type { ProgressView, SideProgressView, StandingItem } from "@mirrup/contract";
import { NO_PRACTICE, type PracticeDay } from "@mirrup/core/teaching";
import { csvOf } from "../app/sheet.js";
import { hasValues, questionSheet, tableOf, type Question } from "./question.js";
import {
  chanceQuestion,
  clearedQuestion,
  evennessQuestion,
  faultsQuestion,
  landingsQuestion,
  questionsOf,
  saidQuestion,
  sidesQuestion,
  skillQuestions,
  triesQuestion,
} from "./questions.js";

const day = (on: string, more: Partial<PracticeDay> = {}): PracticeDay => ({
  ...{ ...NO_PRACTICE, day: on, subject: "cross", side: "left", sets: 1, clean: 8, missed: 2 },
  ...{ wholeClean: 8, wholeMissed: 2, bestStreak: 6, kinds: { streak: 10 } },
  ...more,
});
const week = (weekStart: string, landings: number, allowance: number | null = 3000, estimated = 0) => ({
  ...{ weekStart, landings, allowance, estimated },
});
const VIEW: ProgressView = {
  ...{ from: "2026-06-01", to: "2026-06-14" },
  days: [
    day("2026-06-02", { faults: { toes: 2 } }),
    day("2026-06-02", { side: "right", clean: 20, missed: 0, wholeClean: 20, wholeMissed: 0 }),
    day("2026-06-09", { bestStreak: 9, odds: { streak: { sets: 20, said: 14, came: 15 } } }),
  ],
  weeks: [week("2026-06-01", 800, null), week("2026-06-08", 3400)],
  cleared: [
    { subject: "skier", side: "whole", day: "2026-06-03", by: "gate" },
    { subject: "cross", side: "right", day: "2026-06-09", by: "hand" },
  ],
};
const EMPTY: ProgressView = { ...VIEW, days: [], weeks: [week("2026-06-01", 0)], cleared: [] };

const valuesOf = (question: Question) =>
  Object.fromEntries(question.series.map(({ name, values }) => [name, values]));

const standing = (side: "left" | "right", cleanChance: number) =>
  ({ subject: "cross", side, cleanChance }) as StandingItem;

describe("what a record is asked", () => {
  it("tells what was cleared, week by week and by family", () => {
    const question = clearedQuestion(VIEW);
    expect(question.labels).toEqual(["1 Jun", "8 Jun"]);
    expect(valuesOf(question)).toMatchObject({ Footwork: [1, 0], Crosses: [0, 1], Multiples: [0, 0] });
    expect(question.sentence).toBe(
      "2 sides cleared: 1 of footwork and 1 of crosses. The last was the cross, right side, on 9 June 2026.",
    );
  });

  it("tells how much was tried, and what was tried alone apart from it", () => {
    expect(triesQuestion(VIEW).sentence).toBe("40 tries in 2 lessons, 90% of them clean.");
    expect(valuesOf(triesQuestion(VIEW))).toEqual({ clean: [28, 8], missed: [2, 2] });
    const alone = day("2026-06-10", { ...NO_PRACTICE, aloneClean: 12, aloneMissed: 1 });
    const both = triesQuestion({ days: [...VIEW.days, alone] });
    expect(both.sentence).toBe("40 tries in 2 lessons, 90% of them clean. Alone, seen by nobody: 13 tries.");
    expect(valuesOf(both)).toMatchObject({ clean: [28, 8, 0], alone: [0, 0, 13] });
  });

  it("names the weeks that went past their allowance, and says where it is an estimate", () => {
    expect(landingsQuestion(VIEW).sentence).toBe(
      "At the most 3,400 weighted landings a week. Past the allowance: the week of 8 Jun.",
    );
    const ofClass = landingsQuestion({ ...VIEW, weeks: [week("2026-06-08", 9000, null)] });
    expect(ofClass.sentence).toBe("At the most 9,000 weighted landings a week.");
    expect(ofClass.series.map(({ name }) => name)).toEqual(["landings"]);
    const guessed = { ...VIEW, weeks: [week("2026-06-08", 900, 3000, 900)] };
    expect(landingsQuestion(guessed).sentence).toBe(
      "At the most about 900 weighted landings a week. No week went past its allowance.",
    );
  });

  it("tells why it missed, and which fault has gone since when", () => {
    expect(faultsQuestion(VIEW).sentence).toBe(
      "2 misses have a fault noted, of 4. Most often: caught the toes (2).",
    );
    const days = [
      day("2026-05-20", { faults: { toes: 2 } }),
      day("2026-05-22", { faults: { toes: 1 } }),
      day("2026-06-02", { kinds: { "one-stop": 10 } }),
      day("2026-06-09", { clean: 30 }),
    ];
    expect(faultsQuestion({ ...VIEW, days }).sentence).toContain(
      "Gone since 22 May 2026 at the cross, left side: “caught the toes”, noted 3 times before and not in 42 tries since, after one, then stop.",
    );
    expect(faultsQuestion({ ...VIEW, days }, "class").sentence).not.toContain("Gone");
  });

  it("says which side is behind, most first, and where none is", () => {
    expect(sidesQuestion(VIEW, [standing("left", 0.5), standing("right", 0.9)]).sentence).toBe(
      "One side is behind in 1 skill, most at the cross: left 50%, the other 90%.",
    );
    expect(sidesQuestion(VIEW, [standing("left", 0.85), standing("right", 0.9)]).sentence).toBe(
      "Both sides of everything are within one in ten of each other.",
    );
  });

  it("holds what was said against what came", () => {
    expect(saidQuestion(VIEW).sentence).toBe(
      "Of 20 sets that were proposed, 7 in 10 were said to pass, and 8 in 10 did.",
    );
    expect(valuesOf(saidQuestion(VIEW))).toEqual({ said: [null, 70], came: [null, 75] });
  });

  it("has a sentence and no chart for each where nothing was done", () => {
    for (const question of questionsOf(EMPTY, [])) {
      expect(question.sentence).toMatch(/^(No|Nothing|Of 0 misses)/);
      expect(hasValues(question)).toBe(false);
    }
  });
});

describe("what is asked of one skill", () => {
  const course = (more: Partial<SideProgressView> = {}): SideProgressView => ({
    ...{ gate: { kind: "streak", count: 15 }, chances: [], rhythms: [], misses: [] },
    ...more,
  });
  const left = course({
    chances: [
      { at: "2026-06-02T17:00:00.000Z", chance: 0.5 },
      { at: "2026-06-14T17:00:00.000Z", chance: 0.8 },
    ],
    rhythms: [{ at: "2026-06-09T17:00:00.000Z", evenness: 91.4, tempo: 121 }],
  });

  it("draws the best of each lesson and side under its gate", () => {
    const [best] = skillQuestions(VIEW, "cross", [
      ["left", left],
      ["right", course()],
    ]);
    expect(best?.sentence).toBe("Best in a row: left 9 and right 6. The gate asks for 15 in a row.");
    expect(best === undefined ? null : valuesOf(best)).toEqual({
      ...{ left: [6, 9], right: [6, null], gate: [15, 15] },
    });
  });

  it("tells how the chance moved, and how even it sounded", () => {
    const chance = chanceQuestion([["left", left]]);
    expect(chance.sentence).toContain("left from 50% to 80%");
    expect(chance.labels).toEqual(["2 Jun", "now"]);
    expect(evennessQuestion([["left", left]]).sentence).toContain(
      "91 of 100 on the mean of 1 set; the last at 121 turns a minute",
    );
    expect(evennessQuestion([["left", course()]]).sentence).toBe(
      "No set of it was tapped in time or sensed.",
    );
  });

  it("leaves out what is of other skills", () => {
    const other = { ...VIEW, days: [...VIEW.days, day("2026-06-05", { subject: "skier", side: "whole" })] };
    const tries = skillQuestions(other, "cross", [["left", left]]).find(({ id }) => id === "tries");
    expect(tries?.labels).toEqual(["2 Jun", "9 Jun"]);
  });
});

describe("a question's numbers", () => {
  it("stand in a table with their unit, and in a file where nothing is run as a formula", () => {
    const question = { ...sidesQuestion(VIEW, [standing("left", 0.5)]), labels: ["=SUM(A1)"] };
    expect(tableOf(question).fields).toEqual([
      ...["Skill", "left (% of tries clean)", "right (% of tries clean)"],
    ]);
    expect(tableOf(question).rows).toEqual([["=SUM(A1)", "50", "0"]]);
    expect(csvOf(questionSheet(question)).split("\r\n")[1]).toBe(`"'=SUM(A1)",50,0`);
  });
});
