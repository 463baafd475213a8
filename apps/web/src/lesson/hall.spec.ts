import { describe, expect, it } from "@jest/globals";
import type { Attendance, LessonProgress, LessonView } from "@mirrup/contract";
import type { Place } from "@mirrup/core/planning";
import {
  isOutOfDate,
  secondsLeft,
  stepAfter,
  stepBefore,
  stepAt,
  studentsHere,
  turnsBegun,
  turnsWith,
  withoutAway,
  withRun,
} from "./hall.js";
import { leftWords } from "../app/left-words.js";
import { runsTogether } from "../device/shown.js";
import type { ShownPlan } from "./shown.js";

const NOW = new Date("2026-06-01T17:00:00.000Z");
const PLACE: Place = {
  station: 0,
  side: "whole",
  use: "frontier",
  drill: { kind: "streak", count: 5 },
  cautions: [],
  chance: null,
  reason: null,
};
const PLAN: ShownPlan = {
  warmUpMinutes: 5,
  closeMinutes: 2,
  rotations: [8, 8, 8].map((minutes) => ({ minutes, stations: [] })),
  students: ["a", "b"].map((id) => ({ id, places: [PLACE, PLACE, PLACE] })),
};
const at = (step: number): LessonProgress => ({
  step,
  startedAt: NOW.toISOString(),
  minutes: 8,
  skipped: [],
});

describe("a lesson under way", () => {
  it("goes from the warm-up through its turns to the close, and ends", () => {
    let progress = stepAfter(PLAN, null, NOW);
    const kinds: string[] = [];
    while (progress !== null) {
      kinds.push(stepAt(PLAN, progress)?.kind ?? "none");
      progress = stepAfter(PLAN, progress, NOW);
    }
    expect(kinds).toEqual(["warm-up", "turn", "turn", "turn", "close"]);
  });

  it("goes back the way it came, each step as it was left, and no further", () => {
    const later = new Date(NOW.getTime() + 60_000);
    const first = stepAfter(PLAN, null, NOW);
    const second = stepAfter(PLAN, first && { ...first, minutes: 7 }, later);
    const third = stepAfter(PLAN, second && { ...second, skipped: [1] }, later);
    expect(third?.trail).toHaveLength(2);
    const back = third && stepBefore(third);
    expect(back).toEqual({ ...second, skipped: [] });
    const start = back && stepBefore(back);
    expect(start).toMatchObject({ step: 0, startedAt: NOW.toISOString(), minutes: 7, trail: [] });
    expect(start && stepBefore(start)).toBeNull();
    // Of a class that a device of an older version held no way is known.
    expect(stepBefore(at(2))).toBeNull();
  });

  it("passes over a step of no minutes", () => {
    expect(stepAfter({ ...PLAN, warmUpMinutes: 0 }, null, NOW)?.step).toBe(1);
    expect(stepAfter({ ...PLAN, closeMinutes: 0 }, at(3), NOW)).toBeNull();
  });

  it.each([
    [null, 0],
    [at(0), 0],
    [at(2), 2],
    [at(4), 3],
  ])("has begun so many turns", (progress, turns) => {
    expect(turnsBegun(PLAN, progress)).toBe(turns);
  });

  it("counts its step down, and on once it is over", () => {
    const after = (seconds: number) => leftWords(secondsLeft(at(1), NOW.getTime() + 1000 * seconds));
    expect([after(0), after(475), after(480), after(492)]).toEqual(["8:00", "0:05", "0:00", "+0:12"]);
  });

  it("shares what is left among the later turns", () => {
    expect(turnsWith(PLAN, 1, -2)).toEqual([8, 7, 7]);
    expect(turnsWith(PLAN, 2, -6)).toEqual([8, 8, 2]);
  });
});

describe("who is planned for in the hall", () => {
  const option = (id: string, hasStopped = false) => ({
    id,
    hasStopped,
    options: [],
    heightMm: null,
    landingsLeft: null,
    multiplesLeft: null,
  });
  const lesson = (
    attendance: Readonly<Record<string, Attendance>>,
    progress: LessonProgress | null = null,
  ) => ({
    progress,
    students: Object.entries(attendance).map(([studentId, value]) => ({
      studentId,
      attendance: value,
      places: [],
    })),
  });

  it("is whoever came, not who is away, stopped or is not of the lesson", () => {
    const came = lesson({ a: "present", b: "absent", c: "expected", d: "present" });
    const here = studentsHere(
      came,
      ["a", "b", "c", "d", "e"].map((id) => option(id, id === "d")),
      0,
    );
    expect(here.map((one) => one.id)).toEqual(["a", "c"]);
  });

  it("misses the first turn where they come late, and nothing more once it has begun", () => {
    const fromOf = (progress: LessonProgress | null, begun: number) =>
      studentsHere(lesson({ a: "late" }, progress), [option("a")], begun)[0]?.from;
    expect(fromOf(null, 0)).toBe(1);
    expect(fromOf(at(2), 2)).toBe(2);
  });

  it("has a rope along as the hall says, or else as their record does", () => {
    const has = (ownRope: boolean | null, hasOwnRope: boolean) => {
      const held = lesson({ a: "present" });
      const students = held.students.map((one) => ({ ...one, ownRope }));
      return studentsHere({ ...held, students }, [{ ...option("a"), hasOwnRope }], 0)[0]?.hasOwnRope;
    };
    expect([has(null, true), has(null, false), has(false, true), has(true, false)]).toEqual([
      true,
      false,
      false,
      true,
    ]);
  });

  it("leaves out who is away, and for whom jumping has ended, also of a turn that has begun", () => {
    const left = (stopped: boolean) =>
      withoutAway(PLAN, lesson({ a: "absent", b: "late" }), [{ id: "b", hasStopped: stopped }]);
    expect(left(false).students.map((one) => one.id)).toEqual(["b"]);
    expect(left(true).students).toEqual([]);
  });

  it("makes the plan out of date when somebody goes or comes", () => {
    const here = (...ids: readonly string[]) => ids.map((id) => ({ id, from: 0 }));
    expect(isOutOfDate(PLAN, here("a", "b"), 1)).toBe(false);
    expect(isOutOfDate(PLAN, here("a"), 1)).toBe(true);
    expect(isOutOfDate(PLAN, here("a", "b", "c"), 1)).toBe(true);
    // After the last turn there is nothing to plan.
    expect(isOutOfDate(PLAN, here("a", "c"), 3)).toBe(false);
    expect(isOutOfDate(PLAN, [...here("a", "b"), { id: "late", from: 3 }], 1)).toBe(false);
    // Who comes late has no place in the first turn.
    expect(isOutOfDate(PLAN, [...here("a"), { id: "b", from: 1 }], 0)).toBe(true);
  });
});

describe("taps that wait to be sent", () => {
  it("are one, the later word on each thing counting", () => {
    const first = { attendance: { a: "late", b: "absent" }, progress: at(1) } as const;
    const second = { attendance: { a: "present" }, progress: at(2) } as const;
    expect(runsTogether(first, second)).toEqual({
      attendance: { a: "present", b: "absent" },
      progress: at(2),
    });
  });

  it("are seen in the lesson before the server has them", () => {
    const lesson: LessonView = {
      ...{
        id: "l",
        version: 1,
        groupId: null,
        title: "Evening",
        day: "2026-06-01",
        startTime: null,
        minutes: 60,
      },
      ...{ place: "", plan: null, progress: null, finishedAt: null },
      students: [{ studentId: "a", attendance: "expected", ownRope: null, places: [] }],
    };
    expect(withRun(lesson, { ownRopes: { a: false } }).students[0]).toMatchObject({
      ...{ studentId: "a", attendance: "expected", ownRope: false },
    });
    expect(runsTogether({ ownRopes: { a: true, b: true } }, { ownRopes: { a: false } })).toEqual({
      ownRopes: { a: false, b: true },
    });
    const seen = withRun(lesson, {
      attendance: { a: "late", new: "present" },
      progress: at(1),
      finished: true,
    });
    expect(seen.students.map((one) => [one.studentId, one.attendance])).toEqual([
      ["a", "late"],
      ["new", "present"],
    ]);
    expect([seen.progress?.step, seen.finishedAt === null]).toEqual([1, false]);
    expect(withRun(seen, { finished: false }).finishedAt).toBeNull();
    expect(withRun(lesson, {})).toEqual(lesson);
  });
});
