import { describe, expect, it } from "@jest/globals";
import type { DoneSide } from "@mirrup/contract";
import type { Place } from "@mirrup/core/planning";
import { compare } from "./compare.js";
import type { ShownPlan } from "./shown.js";

const PLACE: Place = {
  station: 0,
  side: "left",
  use: "frontier",
  drill: { kind: "streak", count: 5 },
  cautions: [],
  chance: null,
  reason: null,
};
const PLAN: ShownPlan = {
  warmUpMinutes: 5,
  closeMinutes: 2,
  rotations: [{ minutes: 8, stations: [{ subject: "cross", watchedBy: "nobody" }] }],
  students: [
    { id: "a", places: [PLACE] },
    { id: "b", places: [null] },
  ],
};
const done = (studentId: string, subject: string, side: DoneSide["side"]): DoneSide => ({
  ...{ studentId, subject, side, sets: 1, tries: 8, clean: 6, bestStreak: 4 },
});

describe("planned and done", () => {
  it("stand side by side, with what was done beside the plan after it", () => {
    const rows = compare(PLAN, [
      done("a", "cross", "left"),
      done("a", "cross", "right"),
      done("c", "bell", "whole"),
    ]);
    expect(
      rows.map((row) => [row.studentId, row.subject, row.side, row.planned?.turn, row.done?.tries]),
    ).toEqual([
      ["a", "cross", "left", 0, 8],
      ["a", "cross", "right", undefined, 8],
      ["c", "bell", "whole", undefined, 8],
    ]);
  });

  it("take the other side for the turn's where it alone was done", () => {
    const rows = compare(PLAN, [done("a", "cross", "right")]);
    expect(rows).toMatchObject([{ side: "left", planned: { turn: 0 }, done: { side: "right", tries: 8 } }]);
  });

  it("say what was planned and not written down", () => {
    expect(compare(PLAN, [])).toMatchObject([{ studentId: "a", planned: { turn: 0 }, done: null }]);
    expect(compare(null, [])).toEqual([]);
  });
});
