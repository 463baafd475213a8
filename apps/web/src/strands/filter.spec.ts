import { CATALOGUE } from "@mirrup/catalogue";
import type { NextItem, StandingItem } from "@mirrup/contract";
import { describe, expect, it } from "@jest/globals";
import type { SideName } from "@mirrup/core";
import type { Status } from "@mirrup/core/teaching";
import { bySkill } from "../beads/bead-state.js";
import { isSideShown, isSkillShown, NO_FILTER, type FilterContext, type MapFilter } from "./filter.js";

function item(subject: string, side: SideName, status: Status, isStuck = false): StandingItem {
  return {
    subject,
    side,
    status,
    bestStreak: 0,
    cleanChance: 0.5,
    gate: { kind: "streak", count: 15 },
    gateBest: 0,
    reviewDue: null,
    lowReviews: 0,
    clearedBy: null,
    isStuck,
    lastAt: null,
    unmet: [],
  };
}

const SKILLS = bySkill([
  item("cross", "left", "working", true),
  item("cross", "right", "rusty"),
  item("held-cross", "left", "locked"),
  item("held-cross", "right", "ready"),
  item("run-step", "whole", "cleared"),
]);
const next: NextItem = {
  subject: "cross",
  side: "left",
  drill: { kind: "streak", count: 3 },
  tryGate: null,
  after: null,
  isNew: false,
  chance: 0.8,
  gate: { kind: "streak", count: 15 },
  reason: { code: "new", opens: [] },
};
const CONTEXT: FilterContext = { strands: CATALOGUE.strands, next: [next], leadingSide: "right" };

function shown(changes: Partial<MapFilter>): string[] {
  const filter = { ...NO_FILTER, ...changes };
  return [...SKILLS.keys()].filter((id) => isSkillShown(id, SKILLS.get(id), filter, CONTEXT));
}

describe("what the map brings out", () => {
  it("is everything, without a filter", () => {
    expect(shown({})).toEqual(["cross", "held-cross", "run-step"]);
  });

  it("is what is next, open, rusty or stuck", () => {
    expect(shown({ out: "next" })).toEqual(["cross"]);
    expect(shown({ out: "open" })).toEqual(["cross", "held-cross"]);
    expect(shown({ out: "rusty" })).toEqual(["cross"]);
    expect(shown({ out: "stuck" })).toEqual(["cross"]);
  });

  it("looks at the side in question alone", () => {
    expect(shown({ out: "rusty", side: "weaker" })).toEqual([]);
    expect(shown({ out: "rusty", side: "stronger" })).toEqual(["cross"]);
    expect(shown({ out: "next", side: "stronger" })).toEqual([]);
    expect(shown({ out: "open", side: "weaker" })).toEqual(["cross"]);
    expect(isSideShown("whole", { ...NO_FILTER, side: "weaker" }, "right")).toBe(true);
    expect(isSideShown("right", { ...NO_FILTER, side: "weaker" }, "left")).toBe(true);
  });

  it("keeps to a strand", () => {
    const strand = CATALOGUE.strands.find((one) => one.skills.includes("run-step"))?.id ?? "";
    expect(shown({ strand })).toEqual(["run-step"]);
    expect(shown({ strand, out: "open" })).toEqual([]);
  });
});
