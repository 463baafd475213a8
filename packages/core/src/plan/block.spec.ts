import { describe, expect, it } from "@jest/globals";
import { scoreOf } from "../rope/parse.js";
import type { Drill } from "../syllabus/drill.js";
import { doseOfTried, goesUp, isEasyPhase, PHASES, restAfterSet, SET_TRIES } from "./block.js";

const STREAK: Drill = { kind: "streak", count: 10 };

describe("the rest after a set", () => {
  it("is longer after multiples, and none after what has no rope", () => {
    expect(restAfterSet(scoreOf("o*4"), STREAK)).toBe(30);
    expect(restAfterSet(scoreOf("(o o)"), STREAK)).toBe(90);
    expect(restAfterSet(null, STREAK)).toBe(30);
    for (const kind of ["watch", "shadow"] as const)
      expect(restAfterSet(scoreOf("(o o)"), { kind, count: 8 })).toBe(0);
  });

  it("is what a plan counts with", () => {
    for (const written of ["o*4", "(o o)"]) {
      const score = scoreOf(written);
      const { sets, rest } = doseOfTried({ beats: 1, score }, STREAK, 3 * SET_TRIES, 0.9);
      expect([sets, 60 * rest]).toEqual([3, 3 * restAfterSet(score, STREAK)]);
    }
  });
});

describe("the phases of a plan", () => {
  it("go up their ladder in open work alone: what must not land, and a combo, stay what they are", () => {
    expect(PHASES.filter(goesUp)).toEqual(["early-hard", "main", "late-hard"]);
  });

  it("begin and end with what nobody counts", () => {
    expect(PHASES.filter(isEasyPhase)).toEqual([PHASES[0], PHASES.at(-1)]);
  });
});
