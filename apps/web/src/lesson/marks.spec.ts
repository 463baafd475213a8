import { describe, expect, it } from "@jest/globals";
import type { Place } from "@mirrup/core/planning";
import { readMarks, setsOfMarks } from "./marks.js";
import type { ShownPlan } from "./shown.js";

const place = (station: number, count: number): Place => ({
  station,
  side: "left",
  use: "frontier",
  drill: { kind: "streak", count },
  cautions: [],
  chance: null,
  reason: null,
});
const PLAN: ShownPlan = {
  warmUpMinutes: 5,
  closeMinutes: 2,
  rotations: [8, 7].map((minutes) => ({
    minutes,
    stations: ["cross", "side-swing"].map((subject) => ({ subject, watchedBy: "nobody" })),
  })),
  students: [{ id: "a", places: [place(0, 5), place(1, 12)] }],
};
const LESSON = { day: "2026-06-01", startTime: "17:30" };
const LATER = new Date("2026-06-02T09:00:00");

describe("marks typed back", () => {
  it.each([
    ["m n x 12 -", ["made-it", "nearly", "not-yet", 12, null]],
    ["mnx", ["made-it", "nearly", "not-yet"]],
    ["+~X.", ["made-it", "nearly", "not-yet", null]],
    ["M12n", ["made-it", 12, "nearly"]],
    ["99999", [9999]],
    ["  ", []],
  ])("reads %j", (text, marks) => {
    expect(readMarks(text, 5)).toEqual({ ok: true, marks });
  });

  it("says which mark means nothing, and when there are too many", () => {
    expect(readMarks("m ? n", 5)).toEqual({ ok: false, fault: { code: "unknown", mark: "?" } });
    expect(readMarks("mmm", 2)).toEqual({ ok: false, fault: { code: "too-many" } });
  });

  it("become sets of what was planned, each at the end of its turn", () => {
    const sets = setsOfMarks(LESSON, PLAN, "a", ["made-it", 4], LATER);
    expect(sets).toMatchObject([
      { studentId: "a", subject: "cross", side: "left", drill: { kind: "streak", count: 5 }, bestStreak: 5 },
      {
        subject: "side-swing",
        drill: { kind: "streak", count: 12 },
        bestStreak: 4,
        misses: [{ position: 5 }],
      },
    ]);
    expect(sets.map((set) => set.at)).toEqual(
      ["17:43", "17:50"].map((time) => new Date(`2026-06-01T${time}:00`).toISOString()),
    );
  });

  it("leave out what was not done, and never lie ahead of now", () => {
    const now = new Date("2026-06-01T17:40:00");
    const sets = setsOfMarks(LESSON, PLAN, "a", [null, "not-yet"], now);
    expect(sets.map((set) => [set.subject, set.clean, set.at])).toEqual([
      ["side-swing", 0, now.toISOString()],
    ]);
    expect(setsOfMarks(LESSON, PLAN, "stranger", ["made-it"], now)).toEqual([]);
  });
});
