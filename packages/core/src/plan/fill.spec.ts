import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { nextDrills } from "../next/next.js";
import { NO_FACTS } from "../record/facts.js";
import { SideMap, SideSet } from "../syllabus/side-map.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { NOW, readingFrom } from "../testing/small-reading.js";
import { taughtCatalogue } from "../testing/taught-catalogue.js";
import type { Limits } from "./choose.js";
import { filled } from "./fill.js";
import type { StudentPlanContext } from "./student-asked.js";
import { openBlocks } from "./student-blocks.js";
import { PLAN_LIMITS } from "./weights.js";

const SYLLABUS = syllabusOf({ catalogue: taughtCatalogue(), school: FIVE_IN_A_ROW });
const READING = readingFrom(SYLLABUS, [
  ["bounce", "whole", 5],
  ["cross", "right", { ...NO_FACTS, sets: 2, clean: 6, missed: 4, countedAt: NOW, bestStreak: 2 }],
]);
const CONTEXT: StudentPlanContext = {
  ...{ reading: READING, next: nextDrills(READING, { strongerSide: "right" }) },
  ...{ minutes: 60, energy: "normal", hardSkill: "late", landingsLeft: null, multiplesLeft: null },
  ...{ bans: new SideSet(), pins: new SideSet() },
};
const WIDE: Limits = { minutes: 60, reviewMinutes: 12, landings: Infinity, multiples: Infinity };
const BLOCKS = openBlocks(CONTEXT);
const begun = BLOCKS.filter((block) => block.work === "begun");

const sum = (blocks: readonly { readonly minutes: number; readonly landings: number }[]) => ({
  minutes: blocks.reduce((total, one) => total + one.minutes, 0),
  landings: blocks.reduce((total, one) => total + one.landings, 0),
});

describe("filling the minutes that are left", () => {
  it("stays within every limit, whatever it is given, and says what is empty", () => {
    const any = fc.record({
      minutes: fc.integer({ min: 0, max: 120 }),
      landings: fc.constantFrom(0, 50, 300, 1000, Infinity),
      multiples: fc.constantFrom(0, 40, Infinity),
    });
    fc.assert(
      fc.property(any, fc.subarray([...BLOCKS]), (limit, chosen) => {
        const limits = { ...WIDE, ...limit };
        const before = sum(chosen);
        const turned = chosen.reduce((total, one) => total + one.multiples, 0);
        // What was chosen is within them, or it would not have been.
        fc.pre(
          before.minutes <= limits.minutes &&
            before.landings <= limits.landings &&
            turned <= limits.multiples,
        );
        const made = filled({ ...CONTEXT, minutes: limits.minutes }, chosen, limits);
        const after = sum(made.blocks);
        expect(after.minutes).toBeLessThanOrEqual(limits.minutes);
        expect(after.landings).toBeLessThanOrEqual(limits.landings);
        expect(made.empty).toBeCloseTo(limits.minutes - after.minutes, 9);
        expect(made.blocks.length).toBeGreaterThanOrEqual(chosen.length);
      }),
    );
  });

  it("lengthens what is begun before what is new, and no new work beyond what is begun", () => {
    const isNew = BLOCKS.filter((block) => block.work === "new");
    expect([begun.length > 0, isNew.length > 0]).toEqual([true, true]);
    const { blocks } = filled(CONTEXT, [...isNew.slice(0, 1), ...begun.slice(0, 1)], WIDE);
    const minutesOf = (of: readonly { readonly subject: string; readonly side: string }[]) =>
      sum(
        blocks.filter(
          (one) =>
            one.phase === "main" &&
            of.some((other) => other.subject === one.subject && other.side === one.side),
        ),
      ).minutes;
    expect(minutesOf(isNew.slice(0, 1))).toBeLessThanOrEqual(
      Math.max(minutesOf(begun), isNew[0]?.minutes ?? 0),
    );
  });

  it("leaves alone what somebody lengthened by hand", () => {
    const [block] = begun;
    if (block === undefined) throw new Error("Nothing is begun.");
    const setsOf = (moreSets?: SideMap<number>) =>
      filled({ ...CONTEXT, ...(moreSets === undefined ? {} : { moreSets }) }, [block], WIDE).blocks[0]?.sets;
    expect(setsOf()).toBeGreaterThan(block.sets);
    expect(setsOf(new SideMap([[block, 0]]))).toBe(block.sets);
  });

  it("goes on with what does not land where the legs have had enough, and says so in each", () => {
    const made = filled(CONTEXT, [], { ...WIDE, minutes: 15, landings: 0 });
    expect(made.isEnough).toBe(true);
    expect(made.blocks.length).toBeGreaterThan(0);
    for (const block of made.blocks) {
      expect(block).toMatchObject({ phase: "no-landing", landings: 0, reason: { isEnough: true } });
    }
    expect(made.blocks.length).toBeLessThanOrEqual(PLAN_LIMITS.noLanding);
    expect(new Set(made.blocks.map((block) => block.subject)).size).toBe(made.blocks.length);
  });
});
