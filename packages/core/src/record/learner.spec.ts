import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { betaCdf, betaQuantile } from "./beta.js";
import { NO_FACTS, type StandingFacts } from "./evidence.js";
import {
  cleanChance,
  expectedTries,
  gateChance,
  LEARNING_PACES,
  nearGate,
  nextRung,
  triesLeft,
} from "./learner.js";
import { WEIGHT_EPOCH } from "./weight.js";

// At the epoch a set's weight is 1, so that the sums are the tries themselves.
const NOW = WEIGHT_EPOCH;

function facts(clean: number, misses: number, ...recent: readonly number[]): StandingFacts {
  const lessons = recent.map((bestStreak, index) => ({
    lesson: `2020-01-0${index + 1}`,
    bestStreak,
    tries: bestStreak,
    bestBefore: 0,
    chanceBefore: 0.5,
  }));
  return {
    ...NO_FACTS,
    cleanSum: clean,
    missSum: misses,
    sets: 1,
    bestStreak: Math.max(0, ...recent),
    lessons,
  };
}

describe("the chance of a gate", () => {
  it("is the chance of its streak, or of so many clean ones among the tries", () => {
    expect(gateChance(0.9, { kind: "streak", count: 10 }, 1)).toBeCloseTo(0.9 ** 10, 12);
    expect(gateChance(0.9, { kind: "hold", seconds: 30 }, 4)).toBeCloseTo(0.9 ** 15, 12);
    expect(gateChance(0.5, { kind: "clean", clean: 1, of: 5 }, 1)).toBeCloseTo(1 - 0.5 ** 5, 12);
    expect(gateChance(0.8, { kind: "clean", clean: 4, of: 5 }, 1)).toBeCloseTo(
      0.8 ** 5 + 5 * 0.8 ** 4 * 0.2,
      12,
    );
    expect(gateChance(1, { kind: "clean", clean: 8, of: 10 }, 1)).toBe(1);
  });
});

describe("the chance of a clean try", () => {
  it("starts at one half and follows the record", () => {
    expect(cleanChance(NO_FACTS, NOW)).toBe(0.5);
    expect(cleanChance(facts(17, 1), NOW)).toBeCloseTo(18 / 20, 12);
  });
});

describe("the next rung", () => {
  it("is the largest with a three in four chance", () => {
    expect(nextRung(facts(17, 1), 15, NOW)).toEqual({ count: 2, chance: 0.9 ** 2 });
    fc.assert(
      fc.property(fc.nat(300), fc.nat(60), (clean, misses) => {
        const { count, chance } = nextRung(facts(clean, misses), 1000, NOW);
        const p = cleanChance(facts(clean, misses), NOW);
        expect(chance).toBeCloseTo(p ** count, 12);
        expect(count === 1 || p ** count >= 0.75).toBe(true);
        expect(p ** (count + 1)).toBeLessThan(0.75);
      }),
    );
  });

  it("is at least half the best of the last two lessons, at least 1, at most the gate", () => {
    expect(nextRung(facts(1, 9, 4, 7), 15, NOW).count).toBe(4);
    expect(nextRung(facts(0, 9), 15, NOW).count).toBe(1);
    expect(nextRung(facts(500, 0), 15, NOW).count).toBe(15);
  });

  it("offers the gate from 0.8 of it on", () => {
    expect(nearGate(facts(0, 0, 12), 15)).toBe(true);
    expect(nearGate(facts(0, 0, 11), 15)).toBe(false);
  });
});

describe("tries", () => {
  it("expects (p^−n − 1) / (1 − p) until n in a row", () => {
    expect(expectedTries(0.5, 2)).toBeCloseTo(6, 12);
    expect(expectedTries(1, 7)).toBe(7);
  });

  it("leaves K·(q0/q* − 1) + n to the gate, within its range", () => {
    const gate = { kind: "streak", count: 15 } as const;
    const target = 1 - 0.5 ** (1 / 15);
    const left = triesLeft(NO_FACTS, gate, LEARNING_PACES.cross, 2, NOW);
    expect(left.expected).toBeCloseTo(12 * (0.5 / target - 1) + 15, 9);
    expect(left.low).toBeLessThan(left.expected);
    expect(left.high).toBeGreaterThan(left.expected);
    expect(triesLeft(facts(4000, 1), gate, LEARNING_PACES.cross, 2, NOW).expected).toBe(15);
  });

  it("turns a hold into a streak by the tempo, and k of n into a rate", () => {
    const hold = triesLeft(NO_FACTS, { kind: "hold", seconds: 45 }, LEARNING_PACES.swing, 2, NOW);
    expect(hold.expected).toBeCloseTo(8 * (0.4 / 0.02 - 1) + 45, 9);
    const clean = triesLeft(NO_FACTS, { kind: "clean", clean: 4, of: 5 }, LEARNING_PACES.turn, 1, NOW);
    expect(clean.expected).toBeCloseTo(12 * (0.5 / 0.2 - 1) + 5, 9);
  });
});

describe("the Beta distribution", () => {
  it("agrees with its closed forms", () => {
    expect(betaCdf(0.3, 1, 1)).toBeCloseTo(0.3, 12);
    expect(betaCdf(0.3, 2, 1)).toBeCloseTo(0.09, 12);
    expect(betaQuantile(0.1, 1, 3)).toBeCloseTo(1 - 0.9 ** (1 / 3), 10);
  });

  it("inverts itself", () => {
    const shape = fc.double({ min: 0.6, max: 400, noNaN: true });
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), shape, shape, (probability, a, b) => {
        expect(betaCdf(betaQuantile(probability, a, b), a, b)).toBeCloseTo(probability, 6);
      }),
    );
  });
});
