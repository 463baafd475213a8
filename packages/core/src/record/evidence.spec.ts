import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { DAY_MS } from "../instant.js";
import type { Gate } from "../syllabus/gates.js";
import { DRILL_KINDS, type DrillKind } from "../syllabus/drill.js";
import type { Decision } from "../log/decision.js";
import { foldEntries, gateProgress, hasInARow, NO_FACTS, weightedTries, type SideEntry } from "./evidence.js";
import { bestCleanWithin, checkSetCounts, type PracticeSet } from "../log/set.js";

const NOW = Date.UTC(2026, 5, 1);
const STREAK_15: Gate = { kind: "streak", count: 15 };

function set(kind: DrillKind, counts: Partial<PracticeSet> = {}): PracticeSet {
  const at = counts.at ?? NOW;
  const lesson = new Date(at).toISOString().slice(0, 10);
  return { id: "id", drill: { kind }, clean: 0, misses: [], bestStreak: 0, lesson, ...counts, at };
}

describe("what meets a gate", () => {
  it("takes a streak from streak, climb, hold and count sets alone", () => {
    const counting = DRILL_KINDS.filter(
      (kind) => gateProgress(set(kind, { clean: 20, bestStreak: 20 }), STREAK_15) >= 15,
    );
    expect(counting).toEqual(["climb", "streak", "count", "hold"]);
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

  it("looks for k clean in any n consecutive tries", () => {
    const counts = { clean: 9, misses: [1, 2, 3, 9].map((position) => ({ position })), bestStreak: 5 };
    expect(bestCleanWithin(counts, 10)).toBe(9);
    expect(bestCleanWithin(counts, 5)).toBe(5);
    expect(bestCleanWithin({ clean: 9, misses: [{ count: 3 }], bestStreak: 0 }, 10)).toBe(7);
    expect(gateProgress(set("toe-catch", counts), { kind: "clean", clean: 4, of: 5 })).toBe(0);
  });
});

describe("the counts of a set", () => {
  const codes = (counts: Parameters<typeof checkSetCounts>[0]) =>
    checkSetCounts(counts).map((fault) => fault.code);

  it("refuses what cannot have happened", () => {
    expect(codes({ clean: 3, misses: [], bestStreak: 4 })).toEqual(["streak-above-clean"]);
    expect(codes({ clean: 3, misses: [{ position: 5 }], bestStreak: 3 })).toEqual(["position-past-tries"]);
    expect(codes({ clean: 3, misses: [{ position: 2 }, { position: 2 }], bestStreak: 1 })).toEqual([
      "position-twice",
    ]);
    expect(codes({ clean: 4, misses: [{ position: 3 }], bestStreak: 3 })).toEqual(["streak-past-run"]);
    expect(codes({ clean: 4, misses: [{ position: 3 }], bestStreak: 2 })).toEqual([]);
    expect(codes({ clean: 4, misses: [{ count: 2 }], bestStreak: 4 })).toEqual([]);
  });
});

describe("facts", () => {
  const entry = (one: PracticeSet, type: "set" | "kin" = "set"): SideEntry => ({ type, ...one });
  const decide = (decision: Decision, at: number): SideEntry => ({
    type: "decision",
    id: `decision ${at}`,
    decision,
    at,
    lesson: new Date(at).toISOString().slice(0, 10),
  });
  const streakOf = (bestStreak: number, day: number) =>
    set("streak", { id: `set ${day}`, clean: bestStreak, bestStreak, at: NOW + day * DAY_MS });

  it("weigh a set half as much 21 days later", () => {
    const facts = foldEntries(
      [entry(set("streak", { clean: 8, misses: [{ count: 4 }], bestStreak: 8 }))],
      STREAK_15,
    );
    const later = weightedTries(facts, NOW + 21 * DAY_MS);
    expect(later.clean).toBeCloseTo(4, 9);
    expect(later.misses).toBeCloseTo(2, 9);
  });

  it("keep the two last lessons and the first time that the gate was met", () => {
    const facts = foldEntries(
      [3, 16, 9, 20].map((best, day) => entry(streakOf(best, day))),
      STREAK_15,
    );
    expect(facts).toMatchObject({ bestStreak: 20, gateBest: 20, sets: 4 });
    expect(facts.cleared).toEqual({ at: NOW + DAY_MS, by: "gate", count: null });
    expect(facts.lessons.slice(0, 2).map((lesson) => lesson.bestStreak)).toEqual([20, 9]);
  });

  it("count anew after a reopening, but keep the chance", () => {
    const entries = [entry(streakOf(16, 0)), decide({ kind: "reopen" }, NOW + DAY_MS), entry(streakOf(4, 2))];
    const facts = foldEntries(entries, STREAK_15);
    expect(facts).toMatchObject({ cleared: null, review: null, bestStreak: 4, gateBest: 4, sets: 2 });
    expect(weightedTries(facts, NOW).clean).toBeGreaterThan(16);
  });

  it("take a clearing by hand as the most that anything asks, unless less is named", () => {
    const most = foldEntries([decide({ kind: "clear", count: null }, NOW)], STREAK_15);
    expect(most.cleared?.by).toBe("hand");
    expect([hasInARow(most, 500), hasInARow(NO_FACTS, 1)]).toEqual([true, false]);
    const eight = foldEntries([decide({ kind: "clear", count: 8 }, NOW)], STREAK_15);
    expect([hasInARow(eight, 8), hasInARow(eight, 9)]).toEqual([true, false]);
  });

  it("take only a clean answer of placement as cleared", () => {
    const placed = (answer: "clean" | "nearly" | "no") =>
      foldEntries([decide({ kind: "place", answer, seen: true }, NOW)], STREAK_15).cleared?.by;
    expect([placed("clean"), placed("nearly"), placed("no")]).toEqual(["placed", undefined, undefined]);
  });

  it("keep what placement took as likely apart from what it saw, until a reopening", () => {
    const likely = decide({ kind: "place", answer: "clean", seen: false }, NOW);
    expect(foldEntries([likely], STREAK_15)).toMatchObject({ cleared: null, presumedAt: NOW });
    const reopened = decide({ kind: "reopen" }, NOW + 1);
    expect(foldEntries([likely, reopened], STREAK_15).presumedAt).toBeNull();
  });

  it("keep what a judgement of stuck needs, and no more, however long the log", () => {
    const short = (day: number) =>
      entry(set("streak", { id: `s${day}`, clean: 3, bestStreak: 3, at: NOW + day * DAY_MS }));
    const long = (day: number) =>
      entry(set("streak", { id: `s${day}`, clean: 12, bestStreak: 4, at: NOW + day * DAY_MS }));
    const facts = foldEntries([long(0), long(1), long(2), long(3), short(4), short(5), short(6)], STREAK_15);
    expect(facts.lessons.map((lesson) => lesson.tries)).toEqual([3, 3, 12, 12, 12]);
  });

  it("move the review on, repeat it, or begin it again", () => {
    const review = (...more: readonly SideEntry[]) =>
      foldEntries([entry(streakOf(15, 0)), ...more], STREAK_15).review;
    expect(review()).toMatchObject({ stage: 0, due: "2026-06-08" });
    expect(review(entry(streakOf(15, 3)))).toMatchObject({ stage: 0, due: "2026-06-08" });
    expect(review(entry(streakOf(8, 4)))).toMatchObject({ stage: 1, due: "2026-06-21" });
    expect(review(entry(streakOf(4, 10)))).toMatchObject({ stage: 0, due: "2026-06-18", lowRow: 0 });
    expect(review(entry(streakOf(8, 4)), entry(streakOf(2, 30)))).toMatchObject({ stage: 0, lowRow: 1 });
    expect(review(entry(streakOf(1, 5)), entry(streakOf(1, 10)))?.lowRow).toBe(2);
    expect(review(entry(set("toe-catch", { clean: 5, at: NOW + 6 * DAY_MS })))?.stage).toBe(0);
  });

  it("take ten clean tries of a skill that needs it as a review", () => {
    const kin = (clean: number, day: number) => entry({ ...streakOf(clean, day), id: `kin ${day}` }, "kin");
    const review = (...more: readonly SideEntry[]) =>
      foldEntries([entry(streakOf(15, 0)), ...more], STREAK_15).review;
    expect(review(kin(30, 1))).toMatchObject({ stage: 0, kinClean: 0 });
    expect(review(kin(6, 4))).toMatchObject({ stage: 0, kinClean: 6 });
    expect(review(kin(6, 4), kin(4, 5))).toMatchObject({ stage: 1, kinClean: 0 });
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
          const entries = sets.map(({ kind, bestStreak, more, misses, day, type }, index) =>
            entry(
              set(kind, {
                id: String(index),
                clean: bestStreak + more,
                bestStreak,
                misses: misses === 0 ? [] : [{ count: misses }],
                at: NOW + day * DAY_MS,
              }),
              type,
            ),
          );
          const shuffled = entries
            .map((one, index) => ({ one, key: keys[index] ?? 0 }))
            .sort((a, b) => a.key - b.key)
            .map(({ one }) => one);
          expect(foldEntries(shuffled, STREAK_15)).toEqual(foldEntries(entries, STREAK_15));
        },
      ),
    );
  });
});
