import { describe, expect, it } from "@jest/globals";
import type { Drill } from "@mirrup/core";
import type { Place } from "@mirrup/core/planning";
import { drillsShown } from "./drills-shown.js";

const place = (drill: Drill): Place => ({
  ...{ station: 0, side: "whole", use: "frontier", cautions: [], chance: null, reason: null },
  drill,
});
const streak = place({ kind: "streak", count: 5 });
const out = place({ kind: "one-out", count: 5 });

describe("the kinds of drill of a plan", () => {
  it("are each there once, in the order of the ladders, whoever is free left out", () => {
    const students = [
      { id: "a", places: [streak, null, out] },
      { id: "b", places: [out, streak, null] },
    ];
    expect(drillsShown({ students })).toEqual(["one-out", "streak"]);
    expect(drillsShown({ students: [] })).toEqual([]);
  });
});
