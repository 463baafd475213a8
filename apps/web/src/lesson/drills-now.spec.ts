import { describe, expect, it } from "@jest/globals";
import type { ClassOption, Place } from "@mirrup/core/planning";
import { withDrillsNow } from "./drills-now.js";
import type { ShownPlan } from "./shown.js";

const PLACE: Place = {
  ...{ station: 0, side: "left", use: "frontier", chance: 0.4, cautions: [], reason: null },
  drill: { kind: "shadow", count: 10 },
};
const PLAN: ShownPlan = {
  ...{ warmUpMinutes: 5, closeMinutes: 2 },
  rotations: [0, 1].map(() => ({ minutes: 8, stations: [{ subject: "cross", watchedBy: "nobody" }] })),
  students: ["a", "b"].map((id) => ({ id, places: [PLACE, id === "b" ? null : PLACE] })),
};
const option: ClassOption = {
  ...{ subject: "cross", side: "right", use: "frontier", drill: { kind: "streak", count: 8 }, chance: 0.7 },
  ...{ cautions: ["neck"], reason: { code: "near-gate", best: 6, gate: 8 }, worth: 1, effort: "swings" },
  ...{ family: "crosses", watch: "nobody", isBegun: true, hasRope: true, isNewAndHard: false },
  ...{ landingsAMinute: 20, multiplesAMinute: 0 },
};

describe("a turn's drills as the records stand now", () => {
  it("are what comes next of the same skill, at the same station, in that turn alone", () => {
    const now = withDrillsNow(PLAN, 1, [{ id: "a", options: [option] }]);
    expect(now.students[0]?.places[1]).toEqual({
      ...{ station: 0, side: "right", use: "frontier", drill: { kind: "streak", count: 8 }, chance: 0.7 },
      ...{ cautions: ["neck"], reason: option.reason },
    });
    expect(now.students[0]?.places[0]).toBe(PLACE);
    expect(now.rotations).toBe(PLAN.rotations);
  });

  it("are as planned for whoever is not known, is not there, or has nothing of that skill", () => {
    expect(withDrillsNow(PLAN, 0, [])).toEqual(PLAN);
    expect(withDrillsNow(PLAN, 1, [{ id: "b", options: [option] }])).toEqual(PLAN);
    expect(withDrillsNow(PLAN, 0, [{ id: "a", options: [{ ...option, subject: "bell" }] }])).toEqual(PLAN);
    expect(withDrillsNow(PLAN, 7, [{ id: "a", options: [option] }])).toEqual(PLAN);
  });
});
