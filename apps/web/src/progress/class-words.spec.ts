import { describe, expect, it } from "@jest/globals";
import type { RefitView, StudentProgress } from "@mirrup/contract";
import { NO_PRACTICE, type PracticeDay } from "@mirrup/core/teaching";
import { csvOf } from "../app/sheet.js";
import { attendanceWords, classSheet, concernsOf, holdUpsOf, oddsRows, refitWords } from "./class-words.js";

const student = (name: string, more: Partial<StudentProgress> = {}): StudentProgress => ({
  ...{ studentId: name, name, lastAt: "2026-06-01T10:00:00.000Z", isAway: false, standsStill: false },
  ...{ stuck: [], behind: null, days: 6, clean: 80, missed: 20, landings: 1200.4, cleared: [] },
  ...{ came: 0, missing: 0, heldUpBy: [] },
  ...more,
});

describe("who of a class needs looking at", () => {
  it("is told by why, with what is known", () => {
    const told = concernsOf([
      student("Ada", { isAway: true, standsStill: true }),
      student("Ben", { stuck: [{ subject: "cross", side: "left" }] }),
      student("Cy", { behind: { subject: "cross", weaker: "right", chance: 0.4, other: 0.9 } }),
      student("Dot", { isAway: true, lastAt: null }),
    ]).map(({ title, students }) => [title, students.map((one) => `${one.student.name}: ${one.why}`)]);
    expect(told).toEqual([
      ["Not seen for 21 days", ["Ada: last on 1 June 2026", "Dot: never practised"]],
      ["Standing still", ["Ada: nothing cleared in 6 days of practice"]],
      ["Stuck", ["Ben: cross, left side"]],
      ["One side behind", ["Cy: cross: right 40%, the other 90%"]],
    ]);
  });
});

describe("what holds a class up", () => {
  it("is what comes first for most of them, with who they are", () => {
    const cross = { subject: "cross", side: "left" } as const;
    const double = { subject: "double-under", side: "whole" } as const;
    const all = [
      student("Ada", { heldUpBy: [double, cross] }),
      student("Ben", { heldUpBy: [cross] }),
      student("Cy"),
    ];
    expect(
      holdUpsOf(all).map(({ subject, students }) => [subject, students.map(({ name }) => name)]),
    ).toEqual([
      ["cross", ["Ada", "Ben"]],
      ["double-under", ["Ada"]],
    ]);
  });
});

describe("a class's numbers", () => {
  it("say how many of the places in lessons were taken", () => {
    expect(attendanceWords([student("Ada")])).toMatch(/^Nobody was marked/);
    expect(attendanceWords([student("Ada", { came: 7, missing: 1 }), student("Ben", { came: 2 })])).toBe(
      "90% of the places in lessons were taken.",
    );
  });

  it("go out as a table in which nothing is run as a formula", () => {
    const [, row] = csvOf(classSheet({ students: [student("=SUM(A1)", { came: 3 })] })).split("\r\n");
    expect(row).toBe(`"'=SUM(A1)",2026-06-01,3,0,6,80,20,1200,0`);
  });
});

describe("how honest the odds were", () => {
  const day = (subject: string, odds: PracticeDay["odds"]): PracticeDay => ({
    ...{ ...NO_PRACTICE, day: "2026-06-01", subject, side: "whole", odds },
  });
  const told = { sets: 15, said: 9, came: 12 };

  it("is told by class and by kind, where enough sets tell", () => {
    const { classes, kinds } = oddsRows([
      day("cross", { streak: told, "one-out": told }),
      day("side-swing-cross", { streak: told }),
      day("double-under", { "one-out": { sets: 1, said: 1, came: 0 } }),
    ]);
    expect(classes.map(({ name, sets }) => [name, sets])).toEqual([["Cross", 30]]);
    expect(kinds).toEqual([{ name: "In a row", sets: 30, said: 18, came: 24 }]);
  });

  it("says what refitting made of the handbook's numbers", () => {
    const refit: RefitView = { version: 0, at: null, sets: 0, changed: [] };
    expect(refitWords(refit)).toMatch(/^The odds go by the handbook’s numbers/);
    const fitted: RefitView = {
      ...{ version: 2, at: "2026-06-01T10:00:00.000Z", sets: 1200 },
      changed: [
        { of: "startMiss", key: "cross", from: 0.5, to: 0.3 },
        { of: "pace", key: "double", from: 90, to: 61.2 },
      ],
    };
    expect(refitWords(fitted)).toBe(
      "The odds were fitted to this studio’s own log on 1 June 2026, from 1,200 sets. Changed most: the miss at a first try of a cross from 50% to 30% and the tries that halve the misses of a double from 90 to 61.",
    );
    const single: RefitView["changed"] = [
      { of: "aloneWeight", key: "", from: 0.5, to: 0.25 },
      { of: "halfLifeDays", key: "", from: 21, to: 42 },
    ];
    expect(refitWords({ ...fitted, changed: single })).toMatch(
      /counts alone weighs against one that was seen from 50% to 25% and the days after which .* from 21 to 42\.$/,
    );
    expect(refitWords({ ...fitted, changed: [] })).toContain("Nothing came out another");
  });
});
