import { describe, expect, it } from "@jest/globals";
import type { Place } from "@mirrup/core/planning";
import { clockWords, keptStudents, pairsAt, stepsOf, type ShownPlan } from "./shown.js";

const at = (station: number, use: Place["use"] = "frontier"): Place => ({
  station,
  side: "whole",
  use,
  drill: { kind: "streak", count: 5 },
  cautions: [],
  chance: null,
  reason: null,
});

const PLAN: ShownPlan = {
  warmUpMinutes: 5,
  closeMinutes: 2.5,
  rotations: [7.5, 8].map((minutes) => ({ minutes, stations: [{ subject: "cross", watchedBy: "nobody" }] })),
  students: [
    { id: "a", places: [at(0), at(1)] },
    { id: "b", places: [at(1), at(1)] },
    { id: "c", places: [at(0, "show"), null] },
  ],
};

describe("a plan on the page", () => {
  it("pairs who shows with who learns at a station", () => {
    const ids = pairsAt(PLAN, 0, 0).map((pair) => pair.map((one) => one.id));
    expect(ids).toEqual([["c", "a"]]);
    expect(pairsAt(PLAN, 1, 0)).toEqual([]);
  });

  it("has a warm-up, its turns and a close, one after another", () => {
    expect(stepsOf(PLAN)).toEqual([
      { kind: "warm-up", minutes: 5, from: 0 },
      { kind: "turn", turn: 0, minutes: 7.5, from: 5 },
      { kind: "turn", turn: 1, minutes: 8, from: 12.5 },
      { kind: "close", minutes: 2.5, from: 20.5 },
    ]);
  });

  it.each([
    ["17:30", 12.5, "17:42"],
    ["23:50", 20, "00:10"],
    [null, 12.5, "12 min"],
  ])("says when %s and %d minutes are", (start, minutes, words) => {
    expect(clockWords(start, minutes)).toBe(words);
  });

  it("is kept for everybody of the lesson, what was put there by hand apart", () => {
    const before = ["a", "away"].map((studentId) => ({ studentId, attendance: "late" as const, places: [] }));
    const kept = keptStudents(before, PLAN.students, [{ rotation: 1, station: 1, student: "a" }]);
    // Who comes is the hall's to say: a plan that is kept says nothing of it.
    expect(kept.map((one) => Object.keys(one))).toEqual([
      ["studentId", "places"],
      ["studentId", "places"],
    ]);
    expect(kept.map((one) => one.studentId)).toEqual(["a", "away"]);
    expect(kept[0]?.places.map((place) => place?.pinned)).toEqual([false, true]);
    expect(kept[1]?.places).toEqual([]);
  });

  it("leaves who went away the turns that had begun", () => {
    const places = [at(0), at(1)].map((place) => ({ ...place, pinned: false }));
    const before = [{ studentId: "gone", attendance: "absent" as const, places }];
    expect(keptStudents(before, PLAN.students, [], 1)[0]?.places).toEqual(places.slice(0, 1));
  });
});
