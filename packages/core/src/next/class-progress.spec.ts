import { describe, expect, it } from "@jest/globals";
import { DAY_MS } from "../instant.js";
import { NO_PRACTICE, type PracticeDay } from "../record/practice-day.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import { NOW, readingFrom } from "../testing/small-reading.js";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { taughtCatalogue } from "../testing/taught-catalogue.js";
import { AWAY_DAYS, furthestBehind, heldUpBy, isAway, standsStill } from "./class-progress.js";

const SYLLABUS = syllabusOf({ catalogue: taughtCatalogue(), school: FIVE_IN_A_ROW });

const day = (on: number, more: Partial<PracticeDay> = {}): PracticeDay => ({
  ...{ ...NO_PRACTICE, day: `2026-06-0${on}`, subject: "cross", side: "left", sets: 1, clean: 12 },
  ...more,
});
const counted = (clean: number, missed: number) => ({ clean, missed, countedAt: NOW, sets: 3 });

describe("who needs looking at", () => {
  it("stands still after four days that cleared nothing, however many sides were done on each", () => {
    const days = [1, 2, 3, 4].map((on) => day(on));
    expect(standsStill(days, 0)).toBe(true);
    expect(standsStill(days, 1)).toBe(false);
    expect(standsStill([...days.slice(0, 3), day(3, { side: "right" })], 0)).toBe(false);
    expect(standsStill([...days.slice(0, 3), day(4, { sets: 0, aloneClean: 40 })], 0)).toBe(false);
  });

  it("is away after three weeks, and where nothing was ever counted", () => {
    expect(isAway(NOW - AWAY_DAYS * DAY_MS, NOW)).toBe(false);
    expect(isAway(NOW - AWAY_DAYS * DAY_MS - 1, NOW)).toBe(true);
    expect(isAway(null, NOW)).toBe(true);
  });
});

describe("the side that falls behind", () => {
  const reading = readingFrom(SYLLABUS, [
    ["bounce", "whole", 5],
    ["cross", "left", counted(2, 18)],
    ["cross", "right", counted(30, 1)],
    ["front-back", "left", counted(10, 10)],
    ["front-back", "right", counted(30, 1)],
  ]);
  const practised = [day(1), day(2), day(2, { subject: "front-back", clean: 30 })];

  it("is the one with the most between it and the other, of what was practised enough", () => {
    expect(furthestBehind(reading, practised)).toMatchObject({ subject: "cross", weaker: "left" });
    expect(furthestBehind(reading, practised.slice(2))).toMatchObject({ subject: "front-back" });
    expect(furthestBehind(reading, practised.slice(0, 1))).toBeNull();
  });

  it("is none where both are near each other", () => {
    const even = readingFrom(SYLLABUS, [
      ["cross", "left", counted(28, 2)],
      ["cross", "right", counted(30, 1)],
    ]);
    expect(furthestBehind(even, practised)).toBeNull();
  });
});

describe("what holds somebody up", () => {
  const reading = readingFrom(SYLLABUS, [["bounce", "whole", 5]]);
  const held = (...goals: Parameters<typeof heldUpBy>[1]) =>
    heldUpBy(reading, goals).map(({ subject, side }) => `${subject} ${side}`);

  it("is what comes first on the way to each goal, each once", () => {
    expect(held({ subject: "front-back", side: "left" })).toEqual(["cross left"]);
    expect(
      held(
        { subject: "front-back", side: "left" },
        { subject: "cross", side: "left" },
        { subject: "double", side: "whole" },
      ),
    ).toEqual(["cross left", "double whole"]);
    expect(held({ subject: "bounce", side: "whole" })).toEqual([]);
    expect(held()).toEqual([]);
  });
});
