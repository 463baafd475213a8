import { describe, expect, it } from "@jest/globals";
import { DAY_MS } from "../instant.js";
import { NO_FACTS, type SideFacts } from "../record/facts.js";
import { nextDrills } from "../next/next.js";
import { SideMap, SideSet } from "../syllabus/side-map.js";
import { sideKey, sideNamed } from "../syllabus/side-text.js";
import type { SubjectSide } from "../syllabus/roles.js";
import { buildCatalogue } from "../syllabus/catalogue.js";
import { sideOf, syllabusOf } from "../syllabus/syllabus.js";
import { readingFrom } from "../testing/small-reading.js";
import { catalogueOfFamilies, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { partsOf } from "../testing/combo-catalogue.js";
import { planStudent, type PlanCombo, type StudentPlan, type StudentPlanContext } from "./student-plan.js";

const NOW = Date.UTC(2026, 5, 1);
const CATALOGUE = catalogueOfFamilies({
  footwork: [
    ["bounce", "one", ""],
    ["step", "one", "bounce", "footwork"],
  ],
  "side-swings": [["swing", "two", "bounce", "swing"]],
  crosses: [["cross", "two", "bounce", "cross"]],
  multiples: [
    ["double", "one", "bounce", "double"],
    ["fused", "two", "double; cross", "fused-double"],
  ],
});

const cleared = (due = "2026-09-01"): SideFacts => ({
  ...NO_FACTS,
  sets: 3,
  clean: 40,
  countedAt: NOW,
  bestStreak: 5,
  cleared: { at: NOW - 30 * DAY_MS, by: "gate", count: null },
  review: { stage: 0, since: NOW - 30 * DAY_MS, due, kinClean: 0, lowRow: 0 },
});

const SYLLABUS = syllabusOf({ catalogue: CATALOGUE, school: FIVE_IN_A_ROW });

function named(key: string): SubjectSide {
  const found = sideNamed(key);
  if (found === null) throw new Error(`no side "${key}"`);
  return found;
}
const sidesOf = (keys: readonly string[]) => new SideSet(keys.map(named));

function plan(
  facts: Readonly<Record<string, SideFacts>> = { "bounce:whole": cleared() },
  {
    goalsBelow = [],
    ...changes
  }: Partial<StudentPlanContext> & { readonly goalsBelow?: readonly string[] } = {},
): StudentPlan {
  const known = Object.entries(facts).map(
    ([key, own]) => [named(key).subject, named(key).side, own] as const,
  );
  const reading = readingFrom(SYLLABUS, known);
  const underGoals = new Set(goalsBelow.map((key) => sideOf(SYLLABUS, named(key).subject, named(key).side)));
  return planStudent({
    reading,
    next: nextDrills(reading, { strongerSide: "right", underGoals }),
    minutes: 60,
    energy: "normal",
    hardSkill: "late",
    landingsLeft: null,
    multiplesLeft: null,
    bans: new SideSet(),
    pins: new SideSet(),
    ...changes,
  });
}

const keys = ({ blocks }: StudentPlan) => blocks.map((block) => sideKey(block.subject, block.side));
const whyNot = ({ leftOut }: StudentPlan, key: string) =>
  leftOut.find((one) => sideKey(one.subject, one.side) === key)?.why.code;

describe("one student's plan", () => {
  it("warms up, works at what is open, and cools down, within the minutes", () => {
    const made = plan();
    expect(made.blocks[0]).toMatchObject({ phase: "warm-up", subject: "bounce", minutes: 5 });
    expect(made.blocks.at(-1)?.phase).toBe("cool-down");
    expect(made.minutes).toBeLessThanOrEqual(60);
    expect(made.minutes).toBeCloseTo(
      made.blocks.reduce((sum, block) => sum + block.minutes, 0),
      9,
    );
    for (const { reason } of made.blocks) expect(reason.code).not.toBe("");
  });

  it("warms up on both feet, however sure a hop on one leg is", () => {
    const entry = (id: string, score: string) => ({
      ...{ id, name: id, score, sides: "one" as const, needs: "", class: "footwork" as const },
      ...{ cues: ["one", "two"], faults: [], look: "" },
    });
    const skills = [entry("hop", "o/r"), entry("jog", "o/r o/l")];
    const built = buildCatalogue([{ id: "f", name: "f", family: "footwork", skills }], "test");
    if (!built.ok) throw new Error("The catalogue is faulty.");
    const reading = readingFrom(syllabusOf({ catalogue: built.catalogue, school: FIVE_IN_A_ROW }), [
      ["hop", "whole", { ...cleared(), clean: 400 }],
      ["jog", "whole", cleared()],
    ]);
    const next = nextDrills(reading, { strongerSide: "right" });
    const { blocks } = planStudent({
      ...{ reading, next, minutes: 45, energy: "normal", hardSkill: "late" },
      ...{ landingsLeft: null, multiplesLeft: null, bans: new SideSet(), pins: new SideSet() },
    });
    expect(blocks[0]).toMatchObject({ phase: "warm-up", subject: "jog" });
    expect(blocks.at(-1)).toMatchObject({ phase: "cool-down", subject: "jog" });
  });

  it("lengthens the main work into minutes that are left over", () => {
    const [short, long] = [20, 60].map((minutes) => plan(undefined, { minutes }));
    const most = (made: StudentPlan | undefined) =>
      Math.max(0, ...(made?.blocks ?? []).map((block) => block.sets));
    expect(most(long)).toBeGreaterThan(most(short));
  });

  it("keeps both sides in step and never does one kind of effort twice running", () => {
    const made = plan();
    const efforts = made.blocks.map((block) => block.effort);
    efforts.forEach((effort, place) => {
      if (place > 0 && effort !== "mixed") expect(effort).not.toBe(efforts[place - 1]);
    });
    expect(keys(made)).toEqual(expect.arrayContaining(["cross:left", "cross:right"]));
  });

  it("is the same for the same question", () => {
    expect(plan()).toEqual(plan());
  });

  it("keeps reviews to a fifth of the minutes, those under a goal first", () => {
    const due = Object.fromEntries(
      ["bounce:whole", "step:whole", "swing:left", "swing:right", "cross:left", "double:whole"].map((key) => [
        key,
        cleared("2026-05-01"),
      ]),
    );
    const made = plan(due, { goalsBelow: ["double:whole"] });
    const reviews = made.blocks.filter((block) => block.phase === "review");
    expect(reviews.reduce((sum, block) => sum + block.minutes, 0)).toBeLessThanOrEqual(12);
    expect(reviews.map((block) => block.subject)).toContain("double");
  });

  it("has six landings in ten of the usual for who is tired, and never many more for who is fresh", () => {
    const begun: SideFacts = { ...NO_FACTS, sets: 2, clean: 6, missed: 4, countedAt: NOW, bestStreak: 2 };
    const records: readonly Readonly<Record<string, SideFacts>>[] = [
      { "bounce:whole": cleared() },
      { "bounce:whole": cleared(), "swing:left": begun, "swing:right": begun, "cross:right": begun },
      { "bounce:whole": cleared("2026-05-20"), "step:whole": cleared("2026-05-20"), "double:whole": begun },
    ];
    for (const facts of records) {
      for (const minutes of [20, 45, 60, 90]) {
        const usual = plan(facts, { minutes });
        const tired = plan(facts, { minutes, energy: "tired" });
        // Nobody goes without a warm-up for being tired.
        const frame = tired.blocks
          .filter(({ phase }) => phase === "warm-up" || phase === "cool-down")
          .reduce((sum, block) => sum + block.landings, 0);
        expect(tired.landings).toBeLessThanOrEqual(Math.max(frame, 0.6 * usual.landings));
        const fresh = plan(facts, { minutes, energy: "fresh" });
        expect(fresh.landings).toBeLessThanOrEqual(1.2 * usual.landings);
      }
    }
  });

  it("puts the new, hard skill where the setting has it, and leaves it out when tired", () => {
    const ready = Object.fromEntries(
      [
        "bounce:whole",
        "step:whole",
        "swing:left",
        "swing:right",
        "cross:left",
        "cross:right",
        "double:whole",
      ].map((key) => [key, cleared()]),
    );
    const phases = (hardSkill: "late" | "early") =>
      plan(ready, { hardSkill })
        .blocks.filter((block) => block.subject === "fused")
        .map((block) => block.phase);
    expect(phases("late")).toContain("late-hard");
    expect(phases("early")).toContain("early-hard");
    const tired = plan(ready, { energy: "tired" });
    expect(keys(tired)).not.toContain("fused:right");
    expect(whyNot(tired, "fused:right")).toBe("tired");
  });

  it("stays within the week's landings and the multiples of a growing student, and says so", () => {
    const few = plan(undefined, { landingsLeft: 320 });
    expect(few.landings).toBeLessThanOrEqual(320);
    const none = plan(undefined, { landingsLeft: 0 });
    expect(none.blocks.filter((block) => block.phase === "main")).toEqual([]);
    expect(whyNot(none, "cross:right")).toBe("landings");
  });

  it("leaves out what is banned, takes in what is pinned, and tells what the others would cost", () => {
    const short = { minutes: 20 };
    const free = plan(undefined, short);
    const without = keys(free).find((key) => key.startsWith("cross") || key.startsWith("swing")) ?? "";
    const banned = plan(undefined, { ...short, bans: sidesOf([without]) });
    expect(keys(banned)).not.toContain(without);
    expect(whyNot(banned, without)).toBe("banned");
    const [left] = free.leftOut;
    const key = left === undefined ? "" : sideKey(left.subject, left.side);
    expect(left?.why.code).toBe("less-useful");
    expect(keys(plan(undefined, { ...short, pins: sidesOf([key]) }))).toContain(key);
  });

  it.each([0, 1])("is honest about %i minutes", (minutes) => {
    const made = plan(undefined, { minutes });
    expect(made.minutes).toBeLessThanOrEqual(minutes);
    expect(made.blocks.filter((block) => block.phase === "main")).toEqual([]);
  });

  it("is empty between warm-up and cool-down when everything is banned", () => {
    const all = plan().blocks.map((block) => sideKey(block.subject, block.side));
    const bans = sidesOf([
      ...all,
      "step:whole",
      "swing:left",
      "swing:right",
      "cross:left",
      "cross:right",
      "double:whole",
    ]);
    const made = plan(undefined, { bans });
    expect(made.blocks.map((block) => block.phase)).toEqual(["warm-up", "cool-down"]);
    expect(made.objective).toBe(0);
  });
});

describe("a plan that was changed by hand", () => {
  it("costs nothing as it is, and what it loses by a ban or by a block that is kept in", () => {
    const free = plan();
    expect(free.cost).toBe(0);
    const worked = free.blocks.find((block) => block.phase === "main");
    const key = sideKey(worked?.subject ?? "", worked?.side ?? "whole");
    const without = plan(undefined, { bans: sidesOf([key]) });
    expect(without.cost).toBeGreaterThan(0);
    expect(without.objective + without.cost).toBeCloseTo(free.objective, 9);
    const kept = plan(undefined, { pins: sidesOf([key]) });
    expect(kept.cost).toBe(0);
    expect(kept.objective).toBeCloseTo(free.objective, 9);
  });

  it("does so many sets more of a side, and fewer, and leaves the rest to the plan", () => {
    const setsOf = (made: StudentPlan) => made.blocks.find((block) => block.subject === "double")?.sets;
    const usual = plan(undefined, { moreSets: new SideMap([[named("double:whole"), 0]]) });
    expect(setsOf(plan(undefined, { moreSets: new SideMap([[named("double:whole"), 1]]) }))).toBe(
      (setsOf(usual) ?? 0) + 1,
    );
    expect(setsOf(plan(undefined, { moreSets: new SideMap([[named("double:whole"), -9]]) }))).toBe(1);
  });
});

describe("a kept combo in a plan", () => {
  const combo = (id: string, status: PlanCombo["status"], text = "o sr o xr o"): PlanCombo => ({
    ...{ id, name: id, side: "right", parts: partsOf(text), status, cleanChance: 0.5 },
  });
  const comboOf = (combos: readonly PlanCombo[], changes: Partial<StudentPlanContext> = {}) =>
    plan(undefined, { combos, ...changes }).blocks.find((block) => block.phase === "combo");

  it("is the one under way, then the one whose review is due, then one that can be begun", () => {
    const ofThese = (...combos: readonly PlanCombo[]) => comboOf(combos)?.subject;
    const [open, rusty, begun] = [combo("a", "ready"), combo("b", "rusty"), combo("c", "working")];
    expect(ofThese(open, rusty, begun)).toBe("combo:c");
    expect(ofThese(open, rusty)).toBe("combo:b");
    expect(ofThese(open)).toBe("combo:a");
    expect(ofThese(combo("d", "cleared"), combo("e", "locked"))).toBeUndefined();
  });

  it("is tried whole, five times, and says what it joins", () => {
    const block = comboOf([combo("a", "working")]);
    expect(block).toMatchObject({
      side: "right",
      drill: { kind: "one-out", count: 5, score: "o sr o xr o" },
      reason: { code: "combo", combo: { id: "a", name: "a" } },
    });
    // Ten tries of five landings each.
    expect(block?.landings).toBe(50);
  });

  it("can be kept in, and left out", () => {
    const combos = [combo("a", "working")];
    expect(comboOf(combos, { bans: sidesOf(["combo:a:right"]) })).toBeUndefined();
    expect(comboOf(combos, { pins: sidesOf(["combo:a:right"]) })?.subject).toBe("combo:a");
  });
});
