import { describe, expect, it } from "@jest/globals";
import { NO_FACTS, type SideFacts } from "../record/facts.js";
import { belowShare, cleanOfTries, inARow } from "../record/chance.js";
import { drillKey } from "../syllabus/drill.js";
import { syllabusOf, sideOf } from "../syllabus/syllabus.js";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { at, best, NOW, readingFrom, rungOf, TODAY, type Known } from "../testing/small-reading.js";
import { taughtCatalogue } from "../testing/taught-catalogue.js";
import { drillChance, rungChance } from "./odds.js";
import { stageOf } from "./stage.js";

const SYLLABUS = syllabusOf({ catalogue: taughtCatalogue(), school: FIVE_IN_A_ROW });
const CROSS = sideOf(SYLLABUS, "cross", "right");

function stage(facts: Partial<SideFacts>, more: readonly Known[] = []) {
  const reading = readingFrom(SYLLABUS, [["bounce", "whole", 5], ["cross", "right", facts], ...more]);
  return { reading, stage: stageOf(reading, CROSS) };
}
const tried = (clean: number, missed: number): Partial<SideFacts> => ({
  sets: 2,
  clean,
  missed,
  countedAt: NOW,
});

describe("where an open side stands", () => {
  it("puts the gate first from one in two, offers it from three in ten, and says nothing of it below", () => {
    const offer = (clean: number, missed: number) => {
      const { reading, stage: own } = stage(tried(clean, missed));
      const chance = inARow(at(reading, "cross", "right").belief, 5);
      return { chance, isFirst: own.isGateFirst, isOffered: own.tryGate !== null };
    };
    for (let missed = 0; missed <= 20; missed += 1) {
      const { chance, isFirst, isOffered } = offer(20, missed);
      expect([chance, isFirst]).toEqual([chance, chance >= 0.5]);
      expect([chance, isOffered]).toEqual([chance, chance >= 0.3]);
    }
  });

  it("offers the gate too where one of the last two lessons came near", () => {
    const lesson = (bestStreak: number) => ({
      ...{
        lesson: "2026-05-28",
        tries: 12,
        worked: 12,
        triedWhole: true,
        inRuns: 0,
        bestBefore: 0,
        chanceBefore: 0.5,
      },
      bestStreak,
    });
    expect(stage({ ...tried(4, 16), lessons: [lesson(4)] }).stage.tryGate).not.toBeNull();
    expect(stage({ ...tried(4, 16), lessons: [lesson(3)] }).stage.tryGate).toBeNull();
  });

  it("has a drill for every open side, with a chance, until the gate is met", () => {
    for (let missed = 0; missed < 30; missed += 3) {
      const { stage: own } = stage(tried(10, missed));
      expect(own.step?.chance).toBeGreaterThan(0);
      expect(own.progress).toBeLessThanOrEqual(1);
    }
  });

  it("is begun by any drill of it, and sated by sixty tries of anything today", () => {
    expect(stage({}).stage).toMatchObject({ isBegun: false, isSated: false });
    const rungs = { shadow: rungOf(1) };
    expect(stage({ rungs }).stage.isBegun).toBe(true);
    const lesson = {
      lesson: TODAY,
      tries: 0,
      triedWhole: false,
      bestStreak: 0,
      inRuns: 0,
      bestBefore: 0,
      chanceBefore: 0.5,
    };
    expect(stage({ rungs, lessons: [{ ...lesson, worked: 60 }] }).stage.isSated).toBe(true);
  });

  it("goes on toward what a path asks beyond the gate", () => {
    const { reading } = stage({ ...best(6), ...tried(60, 1) });
    const own = stageOf(reading, CROSS, { kind: "streak", count: 20 });
    expect(own.step?.drill.kind).toBe("streak");
    expect(own.gate).toEqual({ kind: "streak", count: 20 });
  });
});

describe("a drill that keeps failing", () => {
  it("is left for the day once it was stepped back from three times", () => {
    const usual = stage(tried(4, 6)).stage.step;
    const key = usual === null ? "" : drillKey(usual.drill);
    const failing = (times: number) => stage({ ...tried(4, 6), rungs: { [key]: rungOf(0, times) } }).stage;
    expect([5, 6, 7].map((times) => failing(times).isSated)).toEqual([false, true, true]);
  });
});

describe("the odds of a drill", () => {
  it("follow what came of it where it is gentler than the whole, and the side's record where it is not", () => {
    const { reading } = stage(tried(10, 10));
    const rungAt = (kind: string) => CROSS.ladder.find(({ drill }) => drill.kind === kind);
    for (const [kind, follows] of [
      ["toe-catch", true],
      ["one-out", false],
    ] as const) {
      const rung = rungAt(kind);
      if (rung === undefined) throw new Error(kind);
      const own = { ...rungOf(0), clean: 0, missed: 30 };
      const after = { of: CROSS, facts: { ...NO_FACTS, rungs: { [drillKey(rung.drill)]: own } } };
      const before = { of: CROSS, facts: NO_FACTS };
      expect(rungChance(reading, after, rung) < rungChance(reading, before, rung)).toBe(follows);
    }
  });

  it("are those of the weakest side that it is about", () => {
    const open = sideOf(SYLLABUS, "open-cross", "right");
    const { reading } = stage(tried(2, 18), [["double", "whole", { ...best(5), ...tried(40, 1) }]]);
    const [rung] = open.ladder;
    if (rung === undefined) throw new Error("no ladder");
    const part = { ...rung, about: [sideOf(SYLLABUS, "double", "whole"), CROSS] };
    const drill = { kind: "whole", count: 5 } as const;
    expect(rungChance(reading, { of: open, facts: NO_FACTS }, part, drill)).toBeCloseTo(
      cleanOfTries(belowShare(at(reading, "cross", "right").belief, 0.05), 4, 5),
      9,
    );
    expect(drillChance(reading, CROSS, { kind: "shadow", count: 10 })).toBeGreaterThan(0.5);
  });
});
