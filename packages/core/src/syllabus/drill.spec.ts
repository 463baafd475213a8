import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { scoreOf } from "../rope/parse.js";
import { isPassed } from "../record/passing.js";
import {
  DRILL_KINDS,
  DRILL_ROWS,
  doseOf,
  drillKey,
  gateDrill,
  parseDrill,
  passOf,
  withDose,
} from "./drill.js";
import { isHeld, isNothingElse, jumpsOf, timesHeld } from "./holds.js";

const written = fc.record(
  {
    kind: fc.oneof(fc.constantFrom(...DRILL_KINDS), fc.string()),
    score: fc.oneof(fc.constantFrom("xr o", "(o o) o", "< o"), fc.string()),
    count: fc.integer({ min: 1, max: 500 }),
    pass: fc.integer({ min: 1, max: 9 }),
    top: fc.integer({ min: 1, max: 30 }),
    onMiss: fc.string(),
    seconds: fc.integer({ min: 1, max: 300 }),
    spacing: fc.integer({ min: 0, max: 4 }),
    rounds: fc.integer({ min: 1, max: 9 }),
    tempo: fc.integer({ min: 40, max: 200 }),
    growing: fc.boolean(),
  },
  { requiredKeys: ["kind"] },
);

describe("a drill off the wire", () => {
  it("is read, or is none; and what was read reads the same again", () => {
    fc.assert(
      fc.property(written, (one) => {
        const drill = parseDrill(one);
        if (drill === null) return;
        expect(parseDrill(drill)).toEqual(drill);
        expect(doseOf(withDose(drill, 7))).toBe(7);
        expect(drillKey(withDose(drill, 7))).toBe(drillKey(drill));
      }),
    );
  });

  it("is none for an unknown kind or a score that does not parse", () => {
    expect(parseDrill({ kind: "juggle" })).toBeNull();
    expect(parseDrill({ kind: "streak", score: "o ?" })).toBeNull();
  });

  it("keeps what an old build meant by a growing climb", () => {
    expect(parseDrill({ kind: "climb", top: 4, growing: true })).toEqual({
      ...{ kind: "growing-climb", top: 4, onMiss: "repeat" },
    });
  });
});

describe("what passes a drill", () => {
  it("is so many of so many, in proportion to its tries", () => {
    expect(passOf({ kind: "toe-catch", count: 5 })).toEqual({ clean: 4, of: 5 });
    expect(passOf({ kind: "toe-catch", count: 10 })).toEqual({ clean: 8, of: 10 });
    expect(passOf({ kind: "toe-catch", count: 5, pass: 2 })).toEqual({ clean: 2, of: 5 });
    expect(passOf({ kind: "part-counts", count: 4 })).toEqual({ clean: 1, of: 4 });
    expect(passOf({ kind: "streak", count: 5 })).toBeNull();
  });

  it("is met by a set of all clean tries, and by none of all missed ones, for every kind", () => {
    for (const kind of DRILL_KINDS) {
      const drill = parseDrill({ kind, count: 5, seconds: 5 });
      if (drill === null) throw new Error(kind);
      const asked = doseOf(drill);
      expect([kind, isPassed(drill, { clean: asked, misses: [], bestStreak: asked, seconds: 5 })]).toEqual([
        kind,
        true,
      ]);
      const missed = {
        clean: 0,
        misses: [{ count: asked, fault: "baulk" as const }],
        bestStreak: 0,
        seconds: 5,
      };
      expect([kind, isPassed(drill, missed)]).toEqual([kind, false]);
    }
  });

  it("of a gate is what meets it", () => {
    expect(gateDrill({ kind: "hold", seconds: 30 })).toMatchObject({ kind: "hold", seconds: 30 });
    expect(gateDrill({ kind: "count", count: 45, seconds: 30 })).toMatchObject({ kind: "count", count: 45 });
  });

  it("leaves a share of the misses from none to all, and a shape meets no gate", () => {
    for (const { share, isEvidence, meets } of Object.values(DRILL_ROWS)) {
      expect(share).toBeGreaterThan(0);
      expect(share).toBeLessThanOrEqual(1);
      if (!isEvidence) expect(meets).toEqual([]);
    }
  });
});

describe("what a score holds of another", () => {
  const holds = (drill: string, skill: string, loops = false) =>
    isHeld(jumpsOf(scoreOf(drill), loops), jumpsOf(scoreOf(skill)));

  it("is the same arms, feet, turns and direction, one after the other", () => {
    expect(holds("o*2 xr o o", "xr o")).toBe(true);
    expect(holds("xl o", "xr o")).toBe(false);
    expect(holds("xr/r o/l", "xr o")).toBe(false);
    expect(holds("(o o) o", "(o o o o)")).toBe(false);
    expect(holds("< xr o", "xr o")).toBe(false);
  });

  it("may stop after the turn that ends it, and begin before the end where it runs into itself", () => {
    expect(holds("xr o!", "xr o")).toBe(true);
    expect(holds("xr!", "xr o")).toBe(false);
    expect(holds("o xr", "xr o")).toBe(false);
    expect(holds("o xr", "xr o", true)).toBe(true);
  });

  it("counts without overlaps, and tells the skill alone from more", () => {
    const times = (drill: string) => timesHeld(jumpsOf(scoreOf(drill)), jumpsOf(scoreOf("xr o")));
    expect([times("xr o xr o"), times("xr o o xr o"), times("o")]).toEqual([2, 2, 0]);
    const alone = (drill: string) => isNothingElse(jumpsOf(scoreOf(drill)), jumpsOf(scoreOf("xr o")));
    expect([alone("o xr o o"), alone("xr o sr o"), alone("o o")]).toEqual([true, false, false]);
  });
});
