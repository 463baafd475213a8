import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { DAY_MS } from "../instant.js";
import { NO_FACTS, type SideFacts } from "../record/facts.js";
import { nextDrills } from "../next/next.js";
import type { SideName } from "../sides.js";
import { isSameSide, SideMap, SideSet } from "../syllabus/side-map.js";
import { sideKey, sideNamed } from "../syllabus/side-text.js";
import type { SubjectSide } from "../syllabus/roles.js";
import { buildCatalogue } from "../syllabus/catalogue.js";
import { sideOf, syllabusOf, type Syllabus } from "../syllabus/syllabus.js";
import { readingFrom } from "../testing/small-reading.js";
import { catalogueOfFamilies, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { taughtCatalogue } from "../testing/taught-catalogue.js";
import { partsOf } from "../testing/combo-catalogue.js";
import type { PlanCombo, StudentPlanContext } from "./student-asked.js";
import { planStudent, type StudentPlan } from "./student-plan.js";

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

const begunWith = (best: number): SideFacts => ({
  ...NO_FACTS,
  ...{ sets: 2, clean: 6, missed: 4, countedAt: NOW, bestStreak: best },
});

const SYLLABUS = syllabusOf({ catalogue: CATALOGUE, school: FIVE_IN_A_ROW });
/** With scores and ladders. */
const TAUGHT = syllabusOf({ catalogue: taughtCatalogue(), school: FIVE_IN_A_ROW });

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
    syllabus = SYLLABUS,
    ...changes
  }: Partial<StudentPlanContext> & {
    readonly goalsBelow?: readonly string[];
    readonly syllabus?: Syllabus;
  } = {},
): StudentPlan {
  const known = Object.entries(facts).flatMap(([key, own]) => {
    const { subject, side } = named(key);
    return syllabus.find(subject, side) === null ? [] : [[subject, side, own] as const];
  });
  const reading = readingFrom(syllabus, known);
  const underGoals = new Set(goalsBelow.map((key) => sideOf(syllabus, named(key).subject, named(key).side)));
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
    expect(made.notes).toEqual([{ code: "empty", minutes: 53, why: "nothing-open" }]);
  });

  it("goes up and down what was cleared last, and ends in rounds where minutes are left", () => {
    const known = { "bounce:whole": cleared(), "double:whole": cleared() };
    const made = plan(known, { minutes: 90, syllabus: TAUGHT });
    const climb = made.blocks.find((block) => block.phase === "climb");
    expect(climb).toMatchObject({ drill: { kind: "climb" }, reason: { code: "climb" } });
    expect(climb?.subject).toBe("double");
    const rounds = made.blocks.find((block) => block.phase === "conditioning");
    expect(rounds).toMatchObject({ subject: "bounce", drill: { kind: "hold", seconds: 180 } });
    expect(rounds?.minutes).toBeCloseTo((rounds?.sets ?? 0) * 3 + (rounds?.rest ?? 0), 9);
  });

  it("says what leaving each of the chosen blocks would cost, and of the others the next best first", () => {
    const made = plan(undefined, { minutes: 20 });
    for (const { phase, leaving } of made.blocks) {
      const isWeighed = ["main", "review", "combo", "climb", "late-hard", "early-hard"].includes(phase);
      expect(leaving === null).toBe(!isWeighed);
      expect(leaving ?? 0).toBeGreaterThanOrEqual(0);
    }
    const [worked] = made.blocks.filter((block) => block.phase === "main");
    const bans = sidesOf([sideKey(worked?.subject ?? "", worked?.side ?? "whole")]);
    expect(plan(undefined, { minutes: 20, bans }).cost).toBeCloseTo(worked?.leaving ?? -1, 9);
    const costs = made.leftOut.flatMap(({ why }) => (why.code === "less-useful" ? [why.costs] : []));
    expect(costs.length).toBeGreaterThan(0);
    expect(costs).toEqual([...costs].sort((one, other) => one - other));
  });
});

/** Any record: some sides cleared, some begun, some reviews due. */
const SIDES = [
  ...["step:whole", "swing:left", "swing:right", "cross:left", "cross:right", "double:whole"],
  ...["front-back:right", "open-cross:left"],
];
const ANY_RECORD = fc
  .dictionary(
    fc.constantFrom(...SIDES),
    fc.constantFrom(cleared(), cleared("2026-05-01"), begunWith(2), begunWith(4)),
  )
  .map((facts) => ({ "bounce:whole": cleared(), ...facts }));
const ANY_DAY = fc.record({
  minutes: fc.integer({ min: 0, max: 240 }),
  energy: fc.constantFrom("fresh" as const, "normal" as const, "tired" as const),
  hardSkill: fc.constantFrom("late" as const, "early" as const),
  landingsLeft: fc.constantFrom(null, 0, 200, 900, 3000),
  multiplesLeft: fc.constantFrom(null, 0, 150),
  isRestDay: fc.boolean(),
});

describe.each([SYLLABUS, TAUGHT])("any plan", (syllabus) => {
  const sum = (made: StudentPlan, of: (block: StudentPlan["blocks"][number]) => number) =>
    made.blocks.reduce((total, block) => total + of(block), 0);

  it("fills its minutes or says what is missing, and stays within its limits", () => {
    fc.assert(
      fc.property(ANY_RECORD, ANY_DAY, (facts, day) => {
        const made = plan(facts, { ...day, syllabus });
        expect(made.minutes).toBeLessThanOrEqual(day.minutes);
        const isFull = made.minutes >= 0.95 * day.minutes;
        expect(isFull || made.notes.some((note) => note.code === "empty")).toBe(true);
        const fixed = made.blocks.filter(({ phase }) => phase === "warm-up" || phase === "cool-down");
        const frame = fixed.reduce((total, block) => total + block.landings, 0);
        if (day.landingsLeft !== null)
          expect(made.landings).toBeLessThanOrEqual(Math.max(frame, day.landingsLeft));
        expect(made.multiples).toBeLessThanOrEqual(day.isRestDay ? 0 : (day.multiplesLeft ?? Infinity));
        expect(made.blocks.flatMap((block) => block.beyond)).toEqual([]);
        const reviews = sum(made, (block) => (block.phase === "review" ? block.minutes : 0));
        expect(reviews).toBeLessThanOrEqual(0.2 * day.minutes);
      }),
      { numRuns: 100 },
    );
  });

  it("gives what is begun at least half of its main work", () => {
    fc.assert(
      fc.property(ANY_RECORD, ANY_DAY, (facts, day) => {
        const known: Readonly<Record<string, SideFacts>> = facts;
        const made = plan(facts, { ...day, syllabus });
        const main = made.blocks.filter(({ phase }) => phase === "main" || phase.endsWith("-hard"));
        const isBegun = (block: { subject: string; side: SideName }) =>
          known[sideKey(block.subject, block.side)]?.cleared === null;
        const minutes = (list: typeof main) => list.reduce((total, block) => total + block.minutes, 0);
        const begun = minutes(main.filter(isBegun));
        // What the day does not allow at all does not hold up what is new.
        const isOpen =
          main.some(isBegun) || made.leftOut.some((one) => isBegun(one) && one.why.code === "less-useful");
        if (isOpen) expect(minutes(main) - begun).toBeLessThanOrEqual(begun + 1e-9);
      }),
      { numRuns: 100 },
    );
  });

  it("keeps what somebody asked for, whatever it goes beyond, and says beyond what", () => {
    fc.assert(
      fc.property(ANY_RECORD, ANY_DAY, fc.nat(), (facts, day, pick) => {
        const free = plan(facts, { minutes: 120, syllabus });
        const blocks = free.blocks.filter((block) => block.phase === "main" || block.phase === "late-hard");
        const block = blocks[pick % Math.max(1, blocks.length)];
        if (block === undefined) return;
        const made = plan(facts, { ...day, syllabus, pins: sidesOf([sideKey(block.subject, block.side)]) });
        const kept = made.blocks.find((one) => isSameSide(one, block) && one.phase !== "climb");
        expect(kept).toBeDefined();
        const past = (of: "minutes" | "landings" | "multiples", most: number | null) =>
          most !== null && made[of] > most + 1e-9;
        const isBeyond =
          past("minutes", day.minutes) ||
          past("multiples", day.isRestDay ? 0 : day.multiplesLeft) ||
          past("landings", day.landingsLeft === null ? null : Math.max(600, day.landingsLeft));
        if (isBeyond) expect(kept?.beyond).not.toEqual([]);
      }),
      { numRuns: 100 },
    );
  });

  it("changes as little as it can by what somebody leaves out", () => {
    fc.assert(
      fc.property(ANY_RECORD, fc.constantFrom(30, 45, 60), fc.nat(), (facts, minutes, pick) => {
        const before = plan(facts, { minutes, syllabus });
        const weighed = before.blocks.filter((block) => block.leaving !== null);
        const block = weighed[pick % Math.max(1, weighed.length)];
        if (block === undefined) return;
        const bans = sidesOf([sideKey(block.subject, block.side)]);
        const after = plan(facts, { minutes, syllabus, bans });
        const gone = weighed.filter(
          (one) => !isSameSide(one, block) && !after.blocks.some((other) => isSameSide(one, other)),
        );
        expect(after.blocks.some((one) => isSameSide(one, block) && one.leaving !== null)).toBe(false);
        // Its other side, or what only stood between two of one effort, can go with it.
        expect(gone.length).toBeLessThanOrEqual(3);
      }),
      { numRuns: 100 },
    );
  });
});

describe("the days of somebody who may still grow", () => {
  const known = { "bounce:whole": cleared(), "double:whole": begunWith(3), "cross:right": begunWith(2) };

  it("have no multiples after a day of many, and say so", () => {
    const made = plan(known, { syllabus: TAUGHT, isRestDay: true });
    expect(made.multiples).toBe(0);
    expect(made.notes).toContainEqual({ code: "rest-day" });
    expect(whyNot(made, "double:whole")).toBe("rest-day");
    const kept = plan(known, { syllabus: TAUGHT, isRestDay: true, pins: sidesOf(["double:whole"]) });
    expect(kept.blocks.find((block) => block.subject === "double")?.beyond).toEqual(["rest-day"]);
  });

  it("go on without a landing past the week's allowance, and keep what was asked for with a word", () => {
    const made = plan(known, { syllabus: TAUGHT, landingsLeft: 0 });
    const work = made.blocks.filter(({ phase }) => phase !== "warm-up" && phase !== "cool-down");
    expect(work.length).toBeGreaterThan(0);
    expect(work.every((block) => block.landings === 0)).toBe(true);
    expect(made.notes.map((note) => note.code)).toContain("allowance");
    const kept = plan(known, { syllabus: TAUGHT, landingsLeft: 0, pins: sidesOf(["double:whole"]) });
    expect(kept.blocks.find((block) => block.subject === "double")?.beyond).toEqual(["landings"]);
  });
});

describe("a plan that is asked for what cannot be", () => {
  const known = { "bounce:whole": cleared(), "double:whole": begunWith(3) };

  it("leaves out what is banned though it is kept as well", () => {
    const both = { bans: sidesOf(["double:whole"]), pins: sidesOf(["double:whole"]) };
    const made = plan(known, both);
    expect(made.blocks.some((block) => block.subject === "double")).toBe(false);
    expect(whyNot(made, "double:whole")).toBe("banned");
  });

  it("has all that is kept though the minutes do not hold it", () => {
    const all = ["double:whole", "cross:left", "cross:right", "swing:left", "swing:right", "step:whole"];
    const made = plan(known, { minutes: 5, pins: sidesOf(all) });
    for (const key of all) expect(keys(made)).toContain(key);
    const kept = made.blocks.filter((block) => block.phase === "main");
    expect(kept.every((block) => block.beyond.includes("minutes"))).toBe(true);
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

describe("a saved combo in a plan", () => {
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
