import { describe, expect, it } from "@jest/globals";
import { scoreOf } from "../rope/parse.js";
import {
  landingsOf,
  loadWeeks,
  multiplesOf,
  setLoad,
  weekAllowance,
  weekLoad,
  weekStart,
  type LessonLoad,
} from "./load.js";

describe("landings", () => {
  it("weigh one leg, doubles and triples, and multiply where both hold", () => {
    expect(
      ["o", "o/r", "(o o)", "(o o o)", "(o o)/r>r", "sr xr o", "o/r o/l"].map(scoreOf).map(landingsOf),
    ).toEqual([1, 1.5, 1.5, 2, 2.25, 3, 3]);
    expect(landingsOf(null)).toBe(1);
  });
});

describe("the week's allowance", () => {
  it("is over the last four weeks, empty ones counting, and never below 3,000", () => {
    expect(weekAllowance([2500, 2000])).toBe(3000);
    expect(weekAllowance([4000, 4000, 4000, 4000])).toBeCloseTo(4400, 9);
    expect(weekAllowance([8000, 8000])).toBeCloseTo(4400, 9);
  });
});

describe("what a set asks of the legs", () => {
  const double = scoreOf("(o o)");
  it("counts every try, missed ones too, with the bounces between", () => {
    const counts = { clean: 6, misses: [{ position: 2 }, { count: 3 }] };
    expect(setLoad(double, { drill: { kind: "streak" }, ...counts })).toEqual({
      landings: 15,
      multiples: 10,
    });
    expect(setLoad(double, { drill: { kind: "spaced", spacing: 3 }, ...counts })).toEqual({
      landings: 45,
      multiples: 10,
    });
  });

  it("is by the drill's own score, and nothing for what is not jumped", () => {
    const counts = { clean: 10, misses: [] };
    expect(setLoad(double, { drill: { kind: "apart", score: "o" }, ...counts })).toEqual({
      landings: 10,
      multiples: 0,
    });
    expect(setLoad(double, { drill: { kind: "shadow" }, ...counts })).toEqual({ landings: 0, multiples: 0 });
    expect(multiplesOf(scoreOf("o (o o o) . (o xr)"))).toBe(2);
  });
});

describe("a week", () => {
  it("starts on the studio's day", () => {
    expect(weekStart("2026-11-25")).toBe("2026-11-23");
    expect(weekStart("2026-11-25", 7)).toBe("2026-11-22");
    expect(weekStart("2026-11-23")).toBe("2026-11-23");
    expect(weekStart("2026-03-01", 6)).toBe("2026-02-28");
  });

  const lesson = (day: string, landings: number, estimated = 0): LessonLoad => {
    return { day, landings, estimated, multiples: 0 };
  };

  it("is summed, and allowed by the weeks before it that have any record", () => {
    const lessons = [
      lesson("2026-11-24", 900, 100),
      lesson("2026-11-25", 700),
      lesson("2026-11-17", 9000),
      lesson("2026-11-03", 11_000),
    ];
    const week = weekLoad(lessons, "2026-11-25");
    expect(week).toMatchObject({ weekStart: "2026-11-23", landings: 1600, estimated: 100 });
    expect(week.allowance).toBeCloseTo(5500, 9);
  });

  it("has no allowance before two recorded weeks", () => {
    expect(weekLoad([lesson("2026-11-17", 4000)], "2026-11-25")).toMatchObject({
      landings: 0,
      allowance: null,
    });
  });
});

describe("the weeks of a period", () => {
  it("are told each with what it came to and what it might, as it was judged then", () => {
    const days = ["2026-05-04", "2026-05-11", "2026-05-18", "2026-05-20"];
    const lessons = days.map((day) => ({ day, landings: 6000, estimated: 100, multiples: 0 }));
    const weeks = loadWeeks(lessons, { from: "2026-05-12", to: "2026-05-25" });
    expect(weeks.map(({ weekStart: start }) => start)).toEqual(["2026-05-11", "2026-05-18", "2026-05-25"]);
    expect(weeks.map(({ landings }) => landings)).toEqual([6000, 12_000, 0]);
    expect(weeks.map(({ allowance }) => allowance && Math.round(allowance))).toEqual([null, 3300, 6600]);
  });
});
