import { describe, expect, it } from "@jest/globals";
import type { Place } from "@mirrup/core/planning";
import { alreadyDone, readMarks, setsOfMarks } from "./marks.js";
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
const LESSON = { day: "2026-06-01", startTime: "17:30", batch: "5b3cf5b4-40a5-4a4e-9a56-0d1f1f6f7a10" };
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

  it("are the same sets when the same batch is sent again, and others in another batch or turn", () => {
    const idsOf = (batch: string, marks: Parameters<typeof setsOfMarks>[3]) =>
      setsOfMarks({ ...LESSON, batch }, PLAN, "a", marks, LATER).map(({ id }) => id);
    const first = idsOf(LESSON.batch, ["made-it", "made-it"]);
    expect(new Set(first).size).toBe(2);
    expect(idsOf(LESSON.batch, ["made-it", "made-it"])).toEqual(first);
    // Another mark of one turn is another set; that of the other turn stays what it was.
    const corrected = idsOf(LESSON.batch, ["made-it", 7]);
    expect([corrected[0] === first[0], corrected[1] === first[1]]).toEqual([true, false]);
    const again = idsOf("8f1de3a2-0d4b-4a3f-8f80-0a4b64cbb5a1", ["made-it", "made-it"]);
    expect(again.filter((id) => first.includes(id))).toEqual([]);
  });

  it("are known to be written down where that side was done on the day", () => {
    const sets = setsOfMarks(LESSON, PLAN, "a", ["made-it", 4], LATER);
    const side = (studentId: string, subject: string, of: "left" | "right") => ({
      studentId,
      subject,
      side: of,
    });
    expect(alreadyDone(sets, [])).toEqual([]);
    const done = [
      side("a", "cross", "left"),
      side("b", "side-swing", "left"),
      side("a", "side-swing", "right"),
    ];
    expect(alreadyDone(sets, done).map(({ subject }) => subject)).toEqual(["cross"]);
  });
});
