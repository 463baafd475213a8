import { describe, expect, it } from "@jest/globals";
import type { SideFacts } from "../record/facts.js";
import { inARow } from "../record/chance.js";
import { doseOf, drillKey } from "../syllabus/drill.js";
import { gatePlace } from "../syllabus/ladder.js";
import { sideOf, syllabusOf } from "../syllabus/syllabus.js";
import {
  at,
  best,
  logged,
  NOW,
  readingFrom,
  readingOfLog,
  rungOf,
  type Known,
} from "../testing/small-reading.js";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { taughtCatalogue } from "../testing/taught-catalogue.js";
import {
  AIMED_CHANCE,
  LEAST_CHANCE,
  nextStep,
  stepsInQuestion,
  suited,
  SURE_CHANCE,
  walkedOf,
} from "./walk.js";

const SYLLABUS = syllabusOf({ catalogue: taughtCatalogue(), school: FIVE_IN_A_ROW });
const CROSS = sideOf(SYLLABUS, "cross", "right");

function walked(facts: Partial<SideFacts>, more: readonly Known[] = []) {
  const reading = readingFrom(SYLLABUS, [["bounce", "whole", 5], ["cross", "right", facts], ...more]);
  return { reading, standing: at(reading, "cross", "right") };
}

/** The facts of having passed so many of the first rungs, and missed so much. */
function passed(count: number, missed = 2, clean = 3, side = CROSS): Partial<SideFacts> {
  const rungs = Object.fromEntries(
    side.ladder.slice(0, count).map(({ drill }) => [drillKey(drill), rungOf(doseOf(drill))]),
  );
  return { sets: count === 0 ? 0 : 1, rungs, clean, missed, countedAt: NOW };
}

const kinds = CROSS.ladder.map(({ drill }) => drill.kind);

describe("walking a ladder", () => {
  it("has the rungs as they are written, the gate and what comes after it last", () => {
    expect(kinds.slice(0, 6)).toEqual(["watch", "shadow", "toe-catch", "stop-in", "one-stop", "one-out"]);
    const gate = gatePlace(CROSS.ladder);
    expect(kinds[gate]).toBe("streak");
    expect(CROSS.ladder.slice(gate + 1).map((rung) => rung.isAfterGate)).not.toContain(false);
  });

  it("takes what holds the whole as passing all of it that is gentler, but not the other way", () => {
    const states = (facts: Partial<SideFacts>) =>
      walkedOf(walked(facts).standing)
        .filter((one) => one.state === "passed")
        .map((one) => one.rung.drill.kind);
    expect(states(passed(1))).toEqual(["watch"]);
    const oneOut = CROSS.ladder.filter(({ drill }) => drill.kind === "one-out");
    const rungs = Object.fromEntries(oneOut.map(({ drill }) => [drillKey(drill), rungOf(5)]));
    expect(states({ sets: 1, rungs })).toEqual(kinds.slice(0, 6));
  });

  it("has passed all up to the gate once the side is cleared", () => {
    const states = walkedOf(walked(best(5)).standing).map((one) => one.state);
    const gate = gatePlace(CROSS.ladder);
    expect(new Set(states.slice(0, gate + 1))).toEqual(new Set(["passed"]));
    expect(states.slice(gate + 1)).not.toContain("passed");
  });

  it("takes a clearing by hand as passing it all, the gate too", () => {
    const byHand = { cleared: { at: NOW, by: "hand", count: null } } as const;
    const states = walkedOf(walked(byHand).standing).map((one) => one.state);
    const gate = gatePlace(CROSS.ladder);
    expect(states.slice(0, gate + 1)).not.toContain("new");
    expect(states[gate + 1]).toBe("new");
  });

  it("takes nothing further than one beyond the furthest passed", () => {
    for (let count = 0; count < CROSS.ladder.length; count += 1) {
      const { reading, standing } = walked(passed(count));
      const open = stepsInQuestion(reading, standing).filter(
        (step) => walkedOf(standing).find((one) => one.rung.id === step.rung.id)?.state !== "passed",
      );
      const chances = open.map((step) => step.chance);
      // One that is not passed, and the streak beside a climb that was done today.
      expect(open.length).toBeLessThanOrEqual(2);
      expect(chances.every((chance) => chance >= 0 && chance <= 1)).toBe(true);
    }
  });

  it("takes what is nearest to three in four, of the numbers too", () => {
    for (const [clean, missed] of [
      [3, 3],
      [10, 4],
      [20, 2],
    ] as const) {
      const { reading, standing } = walked(passed(6, missed, clean));
      const step = nextStep(reading, standing);
      const steps = stepsInQuestion(reading, standing);
      const likely = steps.filter(({ chance }) => chance >= LEAST_CHANCE && chance <= SURE_CHANCE);
      const off = ({ chance }: { readonly chance: number }) => Math.abs(chance - AIMED_CHANCE);
      for (const one of likely) expect(off(step ?? { chance: 0 })).toBeLessThanOrEqual(off(one));
    }
  });

  it("aims at three in four: among numbers in a row, none that it could ask comes nearer", () => {
    const climb = CROSS.ladder.find(({ drill }) => drill.kind === "climb");
    if (climb === undefined) throw new Error("The ladder has no climb.");
    const away = (chance: number) => Math.abs(chance - 0.75);
    for (const missed of [0.5, 1, 2, 3]) {
      const { reading, standing } = walked(passed(6, missed, 20));
      const suits = suited(reading, standing, climb);
      const others = [2, 3, 4, 5]
        .map((top) => inARow(standing.belief, top))
        .filter((chance) => chance >= 0.6);
      for (const chance of others) expect(away(suits.chance)).toBeLessThanOrEqual(away(chance) + 1e-9);
      if (others.length > 0) expect(suits.chance).toBeGreaterThanOrEqual(0.6);
    }
  });

  it("enters two back of where the other side is", () => {
    const other: Known = ["cross", "left", passed(6, 2, 3, sideOf(SYLLABUS, "cross", "left"))];
    const { reading, standing } = walked({}, [other]);
    const [first] = stepsInQuestion(reading, standing);
    expect(["one-stop", "one-out", "stop-in"]).toContain(first?.drill.kind);
  });

  it("goes by the log: a drill that is passed is on its side of the walk, a failed one is tried", () => {
    const log = [
      logged("cross", "right", { kind: "toe-catch", count: 5, score: "xr!" }, { clean: 4, misses: [{}] }),
      logged(
        "cross",
        "right",
        { kind: "stop-in", count: 5, score: "xr" },
        { clean: 1, misses: [{ count: 4 }] },
      ),
    ];
    const reading = readingOfLog(SYLLABUS, log);
    const states = walkedOf(at(reading, "cross", "right")).map(({ rung, state }) => [rung.drill.kind, state]);
    expect(states).toContainEqual(["toe-catch", "passed"]);
    expect(states).toContainEqual(["stop-in", "tried"]);
    expect(states).toContainEqual(["one-stop", "new"]);
  });
});
