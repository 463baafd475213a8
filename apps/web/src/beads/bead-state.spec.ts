import type { StandingItem } from "@mirrup/contract";
import { describe, expect, it } from "@jest/globals";
import type { SideName } from "@mirrup/core";
import type { Status } from "@mirrup/core/teaching";
import { beadOfCodes, beadState, bySkill, codedBead, withFaint } from "./bead-state.js";

function item(subject: string, side: SideName, status: Status, gateBest = 0): StandingItem {
  return {
    subject,
    side,
    status,
    bestStreak: gateBest,
    cleanChance: 0.5,
    gate: { kind: "streak", count: 20 },
    gateBest,
    reviewDue: null,
    lowReviews: 0,
    clearedBy: null,
    isStuck: false,
    lastAt: null,
    unmet: [],
  };
}

describe("a bead from codes", () => {
  it("takes them in the order of the skill's sides", () => {
    expect(beadOfCodes("cross", "5c")).toMatchObject({
      kind: "split",
      left: { status: "working", progress: 0.5 },
      right: { status: "cleared" },
    });
    expect(beadOfCodes("skier", "C")).toMatchObject({
      ...{ kind: "whole", whole: { status: "working", progress: 0.2, isStuck: true } },
    });
  });

  it("is none where they are not of that skill", () => {
    expect(beadOfCodes("cross", "c")).toBeNull();
    expect(beadOfCodes("skier", "")).toBeNull();
    expect(beadOfCodes("no-such", "c")).toBeNull();
  });
});

describe("a bead", () => {
  it("is whole for a skill without sides, split for one with two, and filled as far as the gate", () => {
    const skills = bySkill([item("skier", "whole", "working", 5), item("cross", "left", "cleared", 20)]);
    expect(beadState(skills.get("skier"))).toMatchObject({
      kind: "whole",
      whole: { status: "working", progress: 0.25 },
    });
    expect(beadState(skills.get("cross"))).toMatchObject({
      kind: "split",
      left: { status: "cleared", progress: 1 },
      right: { status: "locked", progress: 0 },
    });
    expect(beadState(undefined)).toMatchObject({ kind: "split" });
  });

  it("shows faintly what a filter leaves out, a side at a time", () => {
    const state = beadState(bySkill([item("cross", "left", "ready")]).get("cross"));
    expect(withFaint(state, (side) => side === "left")).toMatchObject({
      left: { isFaint: false },
      right: { isFaint: true },
    });
    const whole = beadState(bySkill([item("skier", "whole", "ready")]).get("skier"));
    expect(withFaint(whole, () => false)).toBe(whole);
  });

  it("is the same from a class's codes", () => {
    const coded = { status: "working" as const, tenths: 3, isStuck: true };
    expect(codedBead([{ side: "whole", coded }])).toMatchObject({
      kind: "whole",
      whole: { status: "working", progress: 0.3, isStuck: true },
    });
    expect(codedBead([{ side: "left", coded }])).toMatchObject({
      kind: "split",
      right: { status: "locked" },
    });
  });
});
