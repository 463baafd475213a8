import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { DAY_MS } from "../instant.js";
import type { Gate } from "../syllabus/gates.js";
import { DRILL_KINDS, parseDrill, type Drill, type DrillKind } from "../syllabus/drill.js";
import type { Decision } from "../log/decision.js";
import { beliefOf } from "./belief.js";
import { foldEntries, gateProgress, hasInARow, NO_FACTS, type SideEntry } from "./facts.js";
import { HANDBOOK_MODEL } from "./model.js";

const NOW = Date.UTC(2026, 5, 1);
const STREAK_15: Gate = { kind: "streak", count: 15 };

function drillOf(kind: DrillKind): Drill {
  const drill = parseDrill({ kind });
  if (drill === null) throw new Error(`no drill of ${kind}`);
  return drill;
}

type SetEntry = Extract<SideEntry, { readonly type: "set" }>;

/** A set of the whole skill. */
function set(kind: DrillKind, counts: Partial<SetEntry> = {}): SetEntry {
  const at = counts.at ?? NOW;
  const lesson = new Date(at).toISOString().slice(0, 10);
  return {
    ...{ type: "set", id: "id", drill: drillOf(kind), rung: kind, holds: true, repetitions: 1 },
    ...{ clean: 0, misses: [], bestStreak: 0, lesson },
    ...counts,
    at,
  };
}

const fold = (entries: readonly SideEntry[], gate: Gate) =>
  foldEntries(entries, { gate, gateStreak: 15 }, HANDBOOK_MODEL);

describe("what meets a gate", () => {
  it("takes a streak from streak, climb, hold and count sets alone", () => {
    const counting = DRILL_KINDS.filter(
      (kind) => gateProgress(set(kind, { clean: 20, bestStreak: 20 }), STREAK_15) >= 15,
    );
    expect(counting).toEqual(["climb", "streak", "hold", "count"]);
  });

  it("takes a hold of the seconds without a miss", () => {
    const gate: Gate = { kind: "hold", seconds: 45 };
    expect(gateProgress(set("hold", { seconds: 45 }), gate)).toBe(45);
    expect(gateProgress(set("hold", { seconds: 60, misses: [{ position: 3 }] }), gate)).toBe(0);
    expect(gateProgress(set("streak", { seconds: 60 }), gate)).toBe(0);
  });

  it("takes a count within its time", () => {
    const gate: Gate = { kind: "count", count: 45, seconds: 30 };
    expect(gateProgress(set("count", { clean: 47, seconds: 30 }), gate)).toBe(47);
    expect(gateProgress(set("count", { clean: 47, seconds: 31 }), gate)).toBe(0);
    expect(gateProgress(set("count", { clean: 47 }), gate)).toBe(0);
  });

  it("takes clean tries of the whole from a catch held in it, and nothing from a part of it", () => {
    const gate: Gate = { kind: "clean", clean: 4, of: 5 };
    const kinds = DRILL_KINDS.filter(
      (kind) => gateProgress(set(kind, { clean: 5, bestStreak: 5 }), gate) >= 4,
    );
    expect(kinds).toEqual([
      "one-stop",
      "from-rest",
      "one-out",
      "whole",
      "climb",
      "streak",
      "hold",
      "other-side",
    ]);
    expect(gateProgress(set("whole", { clean: 5, holds: false }), gate)).toBe(0);
  });
});

describe("facts", () => {
  const kinOf = ({ id, at, lesson, clean }: SetEntry): SideEntry => ({ type: "kin", id, at, lesson, clean });
  const decide = (decision: Decision, at: number): SideEntry => ({
    type: "decision",
    id: `decision ${at}`,
    decision,
    at,
    lesson: new Date(at).toISOString().slice(0, 10),
  });
  const streakOf = (bestStreak: number, day: number) =>
    set("streak", { id: `set ${day}`, clean: bestStreak, bestStreak, at: NOW + day * DAY_MS });

  it("weigh a set half as much 21 days later, and half as much again forty tries of it later", () => {
    const first = set("streak", { clean: 8, misses: [{ count: 4 }], bestStreak: 8 });
    const none = { clean: 0, misses: [] };
    const rested = fold([first, set("streak", { id: "b", ...none, at: NOW + 21 * DAY_MS })], STREAK_15);
    expect([rested.clean / 8, rested.missed / 4].map((share) => share.toFixed(6))).toEqual([
      "0.500000",
      "0.500000",
    ]);
    const on = set("streak", { id: "b", clean: 40, bestStreak: 40, at: NOW });
    const tried = fold([{ ...first, id: "a" }, on], STREAK_15);
    expect(tried).toMatchObject({ clean: 44, missed: 2 });
  });

  it("count a gentle drill's tries by what they leave of the misses", () => {
    // A catch by itself leaves half: ten right tries tell as much as five of the whole.
    const facts = fold([set("free-swing", { clean: 10 })], STREAK_15);
    expect(facts).toMatchObject({ clean: 5, missed: 0, bestStreak: 0, sets: 1 });
    expect(fold([set("free-swing", { clean: 2, misses: [{ count: 8 }] })], STREAK_15).clean).toBe(0);
  });

  describe("on a gate that runs add up to", () => {
    const gate: Gate = { kind: "streak", count: 50, runsUntil: "2026-06-10" };
    const runs = (id: string, lengths: readonly number[], day = 0) => {
      let tries = 0;
      const misses = lengths.slice(0, -1).map((length) => ({ position: (tries += length + 1) }));
      const clean = lengths.reduce((sum, length) => sum + length, 0);
      const at = NOW + day * DAY_MS;
      return set("streak", { id, clean, misses, bestStreak: Math.max(...lengths), at });
    };
    const foldRuns = (sets: readonly SetEntry[]) =>
      foldEntries(sets, { gate, gateStreak: 50 }, HANDBOOK_MODEL);

    it("take those of ten and more of one lesson together, over sets too", () => {
      expect(foldRuns([runs("a", [20, 9, 14])])).toMatchObject({
        gateBest: 34,
        cleared: null,
        bestStreak: 20,
      });
      expect(foldRuns([runs("a", [20, 9, 14]), runs("b", [16])]).cleared).toMatchObject({ by: "gate" });
      expect(foldRuns([runs("a", [20, 9, 14]), runs("b", [15])]).cleared).toBeNull();
      expect(foldRuns([runs("a", [9, 9, 9, 9, 9, 9])]).gateBest).toBe(9);
    });

    it("take no runs of two lessons together, none where a miss has no place, and none once grown", () => {
      expect(foldRuns([runs("a", [30]), runs("b", [30], 1)])).toMatchObject({ gateBest: 30, cleared: null });
      const unplaced = set("streak", { id: "a", clean: 60, misses: [{ count: 3 }], bestStreak: 22 });
      expect(foldRuns([unplaced]).gateBest).toBe(22);
      expect(foldRuns([runs("a", [30, 30], 8)]).cleared).not.toBeNull();
      expect(foldRuns([runs("a", [30, 30], 9)]).cleared).toBeNull();
      expect(fold([runs("a", [30, 30])], { kind: "streak", count: 50 }).cleared).toBeNull();
    });

    it("take a climb's rungs for no longer runs than they are", () => {
      // One to five without a miss: fifteen clean in a row of tries, and never more than five in a row.
      const climb = set("climb", { id: "a", clean: 15, misses: [], bestStreak: 5 });
      expect(foldRuns([climb, { ...climb, id: "b" }, { ...climb, id: "c" }])).toMatchObject({
        gateBest: 5,
        cleared: null,
      });
      const long = set("climb", { id: "a", clean: 78, misses: [], bestStreak: 12 });
      expect(foldRuns([long])).toMatchObject({ gateBest: 12, cleared: null });
    });

    it("never say less than the best run nor more than all that was clean, and keep no run beyond a reopening", () => {
      const lengths = fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 6 });
      fc.assert(
        fc.property(fc.array(lengths, { minLength: 1, maxLength: 4 }), (lists) => {
          const sets = lists.map((list, place) => runs(`${place}`, list));
          const { gateBest, bestStreak } = foldRuns(sets);
          const clean = sets.reduce((sum, one) => sum + one.clean, 0);
          const long = lists.flat().filter((length) => length >= 10);
          expect(gateBest).toBe(
            Math.max(
              bestStreak,
              long.reduce((sum, length) => sum + length, 0),
            ),
          );
          expect(gateBest).toBeLessThanOrEqual(clean);
        }),
      );
      const before = [runs("a", [30, 10]), decide({ kind: "reopen" }, NOW + 1)];
      const after = runs("b", [12]);
      const facts = foldEntries(
        [...before, { ...after, at: NOW + 2 }],
        { gate, gateStreak: 50 },
        HANDBOOK_MODEL,
      );
      expect(facts).toMatchObject({ gateBest: 12, cleared: null });
    });
  });

  it("leave the chance, the gate and the review alone where a drill does not hold the whole", () => {
    const cleared = fold([streakOf(15, 0)], STREAK_15);
    const after = fold(
      [
        streakOf(15, 0),
        set("streak", {
          id: "p",
          holds: false,
          rung: "streak o",
          clean: 9,
          bestStreak: 9,
          at: NOW + 9 * DAY_MS,
        }),
      ],
      STREAK_15,
    );
    expect(after).toMatchObject({ clean: cleared.clean, review: cleared.review, bestStreak: 15, sets: 1 });
    expect(after.rungs).toMatchObject({ "streak o": { failed: 1, passed: 0 } });
    expect(after.lessons[0]).toMatchObject({ tries: 0, worked: 9, triedWhole: false });
  });

  it("count how often a rung failed running in a lesson, and forget it once it is passed", () => {
    const tried = (id: string, clean: number, day = 0) =>
      set("toe-catch", { id, clean, misses: [{ count: 5 - clean }], holds: false, at: NOW + day * DAY_MS });
    const failed = (...sets: readonly SetEntry[]) => fold(sets, STREAK_15).rungs["toe-catch"]?.failed;
    expect(failed(tried("a", 2), tried("b", 3))).toBe(2);
    expect(failed(tried("a", 2), tried("b", 3), tried("c", 4))).toBe(0);
    expect(failed(tried("a", 2), tried("b", 3, 1))).toBe(1);
  });

  it("keep the two last lessons and the first time that the gate was met", () => {
    const facts = fold(
      [3, 16, 9, 20].map((best, day) => streakOf(best, day)),
      STREAK_15,
    );
    expect(facts).toMatchObject({ bestStreak: 20, gateBest: 20, sets: 4 });
    expect(facts.cleared).toEqual({ at: NOW + DAY_MS, by: "gate", count: null });
    expect(facts.lessons.slice(0, 2).map((lesson) => lesson.bestStreak)).toEqual([20, 9]);
  });

  it("count anew after a reopening, but keep the chance", () => {
    const entries = [streakOf(16, 0), decide({ kind: "reopen" }, NOW + DAY_MS), streakOf(4, 2)];
    const facts = fold(entries, STREAK_15);
    expect(facts).toMatchObject({ cleared: null, review: null, bestStreak: 4, gateBest: 4, sets: 2 });
    const belief = beliefOf("cross", facts, null, NOW, HANDBOOK_MODEL);
    expect(belief.clean).toBeGreaterThan(12);
  });

  it("take a clearing by hand as the most that anything asks, unless less is named", () => {
    const most = fold([decide({ kind: "clear", count: null }, NOW)], STREAK_15);
    expect(most.cleared?.by).toBe("hand");
    expect([hasInARow(most, 500), hasInARow(NO_FACTS, 1)]).toEqual([true, false]);
    const eight = fold([decide({ kind: "clear", count: 8 }, NOW)], STREAK_15);
    expect([hasInARow(eight, 8), hasInARow(eight, 9)]).toEqual([true, false]);
  });

  it("take only a clean answer of placement as cleared", () => {
    const placed = (answer: "clean" | "nearly" | "no") =>
      fold([decide({ kind: "place", answer, seen: true }, NOW)], STREAK_15).cleared?.by;
    expect([placed("clean"), placed("nearly"), placed("no")]).toEqual(["placed", undefined, undefined]);
  });

  it("keep what placement took as likely apart from what it saw, until a reopening", () => {
    const likely = decide({ kind: "place", answer: "clean", seen: false }, NOW);
    expect(fold([likely], STREAK_15)).toMatchObject({ cleared: null, presumedAt: NOW });
    const reopened = decide({ kind: "reopen" }, NOW + 1);
    expect(fold([likely, reopened], STREAK_15).presumedAt).toBeNull();
  });

  it("keep what a judgement of stuck needs, and no more, however long the log", () => {
    const short = (day: number) =>
      set("streak", { id: `s${day}`, clean: 3, bestStreak: 3, at: NOW + day * DAY_MS });
    const long = (day: number) =>
      set("streak", { id: `s${day}`, clean: 12, bestStreak: 4, at: NOW + day * DAY_MS });
    const facts = fold([long(0), long(1), long(2), long(3), short(4), short(5), short(6)], STREAK_15);
    expect(facts.lessons.map((lesson) => lesson.tries)).toEqual([3, 3, 12, 12, 12]);
  });

  it("move the review on, repeat it, or begin it again", () => {
    const review = (...more: readonly SideEntry[]) => fold([streakOf(15, 0), ...more], STREAK_15).review;
    expect(review()).toMatchObject({ stage: 0, due: "2026-06-08" });
    expect(review(streakOf(15, 3))).toMatchObject({ stage: 0, due: "2026-06-08" });
    expect(review(streakOf(8, 4))).toMatchObject({ stage: 1, due: "2026-06-21" });
    expect(review(streakOf(4, 10))).toMatchObject({ stage: 0, due: "2026-06-18", lowRow: 0 });
    expect(review(streakOf(8, 4), streakOf(2, 30))).toMatchObject({ stage: 0, lowRow: 1 });
    expect(review(streakOf(1, 5), streakOf(1, 10))?.lowRow).toBe(2);
    expect(review(set("toe-catch", { clean: 5, at: NOW + 6 * DAY_MS }))?.stage).toBe(0);
  });

  it("take ten clean tries of a skill that needs it as a review", () => {
    const kin = (clean: number, day: number) => kinOf({ ...streakOf(clean, day), id: `kin ${day}` });
    const review = (...more: readonly SideEntry[]) => fold([streakOf(15, 0), ...more], STREAK_15).review;
    expect(review(kin(30, 1))).toMatchObject({ stage: 0, kinClean: 0 });
    expect(review(kin(6, 4))).toMatchObject({ stage: 0, kinClean: 6 });
    expect(review(kin(6, 4), kin(4, 5))).toMatchObject({ stage: 1, kinClean: 0 });
  });

  it("remember what became of the side, and by which entry, beyond a reopening", () => {
    const tried = (...more: readonly SideEntry[]) =>
      fold(more, STREAK_15).milestones.map(({ kind, id }) => [kind, id]);
    const first = streakOf(15, 0);
    expect(tried(streakOf(8, -1))).toEqual([]);
    expect(tried(first, streakOf(15, 1), streakOf(8, 4), streakOf(4, 20), streakOf(1, 40))).toEqual([
      ["cleared", "set 0"],
      ["kept", "set 4"],
      ["in-part", "set 20"],
      ["lost", "set 40"],
    ]);
    const again = decide({ kind: "reopen" }, NOW + 2 * DAY_MS);
    expect(tried(first, again, streakOf(15, 3))).toEqual([
      ["cleared", "set 0"],
      ["cleared", "set 3"],
    ]);
    const kin = kinOf({ ...streakOf(12, 5), id: "kin" });
    expect(tried(first, kin)).toEqual([
      ["cleared", "set 0"],
      ["kept", "kin"],
    ]);
    expect(tried(first, { ...streakOf(15, 5), isAlone: true })).toEqual([["cleared", "set 0"]]);
    const years = Array.from({ length: 60 }, (_, lesson) => streakOf(1, 10 * lesson));
    expect(tried(first, ...years)).toHaveLength(24);
  });

  it("do not depend on the order in which entries arrive", () => {
    const anySet = fc.record({
      kind: fc.constantFrom(...DRILL_KINDS),
      bestStreak: fc.nat(20),
      more: fc.nat(10),
      misses: fc.nat(5),
      day: fc.nat(60),
      type: fc.constantFrom("set" as const, "kin" as const),
    });
    fc.assert(
      fc.property(
        fc.array(anySet, { maxLength: 12 }),
        fc.array(fc.nat(), { minLength: 12, maxLength: 12 }),
        (sets, keys) => {
          const entries = sets.map(({ kind, bestStreak, more, misses, day, type }, index): SideEntry => {
            const one = set(kind, {
              id: String(index),
              clean: bestStreak + more,
              bestStreak,
              misses: misses === 0 ? [] : [{ count: misses }],
              at: NOW + day * DAY_MS,
            });
            return type === "set" ? one : kinOf(one);
          });
          const shuffled = entries
            .map((one, index) => ({ one, key: keys[index] ?? 0 }))
            .sort((a, b) => a.key - b.key)
            .map(({ one }) => one);
          expect(fold(shuffled, STREAK_15)).toEqual(fold(entries, STREAK_15));
        },
      ),
    );
  });
});
