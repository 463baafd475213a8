import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { randomFrom } from "../random.js";
import { DRILL_KINDS, DRILL_ROWS, doseOf, parseDrill, withDose, type Drill } from "../syllabus/drill.js";
import { betaQuantile } from "./beta.js";
import {
  belowShare,
  calibrated,
  cleanOf,
  cleanOfTries,
  gateChance,
  inARow,
  passChance,
  triesChance,
  type Belief,
} from "./chance.js";
import { HANDBOOK_MODEL } from "./model.js";
import { triesOfAll, triesTo } from "./tries.js";

const belief = fc.record({
  missed: fc.double({ min: 0.2, max: 60, noNaN: true }),
  clean: fc.double({ min: 0.2, max: 60, noNaN: true }),
});

/** How often `passes` holds where the chance of a clean try is drawn from the belief. */
function simulated(
  { missed, clean }: Belief,
  share: number,
  passes: (draw: () => boolean) => boolean,
): number {
  const random = randomFrom(7);
  const draws = 3000;
  let passed = 0;
  for (let times = 0; times < draws; times += 1) {
    const miss = share * betaQuantile((times + 0.5) / draws, missed, clean);
    if (passes(() => random() >= miss)) passed += 1;
  }
  return passed / draws;
}

function drillOf(kind: (typeof DRILL_KINDS)[number]): Drill {
  const drill = parseDrill({ kind });
  if (drill === null) throw new Error(kind);
  return drill;
}

describe("the chance of a drill", () => {
  it("is what drawing the chance and then the tries comes to", () => {
    for (const own of [
      { missed: 3, clean: 5 },
      { missed: 0.6, clean: 1.4 },
      { missed: 8, clean: 30 },
    ]) {
      const row = (times: number) => (draw: () => boolean) =>
        Array.from({ length: times }, draw).every(Boolean);
      const of = (clean: number, tries: number) => (draw: () => boolean) =>
        Array.from({ length: tries }, draw).filter(Boolean).length >= clean;
      expect(inARow(own, 5)).toBeCloseTo(simulated(own, 1, row(5)), 1);
      expect(cleanOfTries(own, 4, 5)).toBeCloseTo(simulated(own, 1, of(4, 5)), 1);
      expect(cleanOfTries(belowShare(own, 0.35), 4, 5)).toBeCloseTo(simulated(own, 0.35, of(4, 5)), 1);
    }
  });

  it("is a chance, whatever is known and asked", () => {
    fc.assert(
      fc.property(
        belief,
        fc.constantFrom(...DRILL_KINDS),
        fc.integer({ min: 1, max: 12 }),
        (own, kind, dose) => {
          const chance = passChance(withDose(drillOf(kind), dose), own, HANDBOOK_MODEL, { repetitions: 2 });
          expect(chance).toBeGreaterThanOrEqual(0);
          expect(chance).toBeLessThanOrEqual(1);
        },
      ),
    );
  });

  it("never rises with the number in a row, nor with a miss more", () => {
    fc.assert(
      fc.property(belief, fc.integer({ min: 1, max: 40 }), (own, count) => {
        expect(inARow(own, count + 1)).toBeLessThanOrEqual(inARow(own, count) + 1e-12);
        expect(inARow({ ...own, missed: own.missed + 1 }, count)).toBeLessThan(inARow(own, count) + 1e-12);
      }),
    );
  });

  it("is greater the less a kind leaves of the misses, for the same number of tries", () => {
    const own = { missed: 4, clean: 4 };
    const chance = (kind: "toe-catch" | "one-stop" | "one-out") =>
      passChance({ kind, count: 5, pass: 4 }, own, HANDBOOK_MODEL);
    const shares = (["toe-catch", "one-stop", "one-out"] as const).map((kind) => DRILL_ROWS[kind].share);
    expect([...shares].sort()).toEqual(shares);
    expect(chance("toe-catch")).toBeGreaterThan(chance("one-stop"));
    expect(chance("one-stop")).toBeGreaterThan(chance("one-out"));
  });

  it("of a climb is that of its rungs without a miss, and of a mean to a power it is not", () => {
    const own = { missed: 3, clean: 5 };
    const climb = passChance({ kind: "climb", top: 5, onMiss: "stop" }, own, HANDBOOK_MODEL);
    expect(climb).toBeCloseTo(inARow(own, 5), 12);
    expect(climb).toBeGreaterThan(cleanOf(own) ** 5);
  });

  it("is that of so many in a row for what is done in a row, however it is asked", () => {
    const own = { missed: 3, clean: 9 };
    const chance = (drill: Drill, repetitions = 1) => passChance(drill, own, HANDBOOK_MODEL, { repetitions });
    expect(chance({ kind: "streak", count: 7 })).toBeCloseTo(inARow(own, 7), 12);
    expect(chance({ kind: "streak", count: 7, upTo: 20 })).toBeCloseTo(inARow(own, 7), 12);
    expect(chance({ kind: "rounds", rounds: 3 }, 2)).toBeCloseTo(inARow(own, 6), 12);
    expect(chance({ kind: "growing-climb", top: 6, onMiss: "repeat" })).toBeCloseTo(inARow(own, 6), 12);
    // 30 seconds at 120 beats a minute are 60 repetitions of one beat.
    expect(chance({ kind: "hold", seconds: 30, tempo: 120 })).toBeCloseTo(inARow(own, 60), 12);
    expect(passChance({ kind: "hold", seconds: 30 }, own, HANDBOOK_MODEL, { beats: 2 })).toBeCloseTo(
      inARow(own, 30),
      12,
    );
  });

  it("of a gentler drill follows its own tries, the more of them there are", () => {
    const own = { missed: 60, clean: 0.5 };
    const merge: Drill = { kind: "merge", count: 5 };
    const after = (missed: number) =>
      passChance(merge, own, HANDBOOK_MODEL, { own: { missed, clean: missed / 50 } });
    expect(passChance(merge, own, HANDBOOK_MODEL)).toBeGreaterThan(0.15);
    expect(after(10)).toBeLessThan(0.1);
    expect(after(50)).toBeLessThan(after(10));
    expect(passChance(merge, own, HANDBOOK_MODEL, { own: { missed: 1, clean: 40 } })).toBeGreaterThan(0.8);
  });

  it("is said by what came of such: as it is until something is known, and never out of order", () => {
    const chance = fc.double({ min: 0.01, max: 0.99, noNaN: true });
    const shift = fc.double({ min: -1, max: 1, noNaN: true });
    const slope = fc.double({ min: 0.5, max: 2, noNaN: true });
    fc.assert(
      fc.property(chance, chance, shift, slope, (one, other, by, times) => {
        const calibration = { shift: by, slope: times };
        expect(calibrated(one, { shift: 0, slope: 1 })).toBe(one);
        const moved = calibrated(one, { shift: by, slope: 1 }) - one;
        expect(Math.abs(moved) < 1e-9 || Math.sign(moved) === Math.sign(by)).toBe(true);
        const [low, high] = [Math.min(one, other), Math.max(one, other)];
        expect(calibrated(low, calibration)).toBeLessThanOrEqual(calibrated(high, calibration) + 1e-12);
      }),
    );
    expect(calibrated(0.75, { shift: 0, slope: 2 })).toBeCloseTo(0.9, 9);
    expect([calibrated(0, { shift: 1, slope: 2 }), calibrated(1, { shift: -1, slope: 2 })]).toEqual([0, 1]);
    const model = { ...HANDBOOK_MODEL, calibration: { shift: 0.5, slope: 1.2 } };
    const own = { missed: 3, clean: 9 };
    const drill: Drill = { kind: "streak", count: 4 };
    expect(passChance(drill, own, model)).toBeCloseTo(calibrated(inARow(own, 4), model.calibration), 12);
    expect(gateChance(own, { kind: "streak", count: 4 }, 4, model)).toBeCloseTo(
      passChance(drill, own, model),
      12,
    );
  });

  it("of just these tries adds up to one over all that can come", () => {
    fc.assert(
      fc.property(belief, fc.integer({ min: 1, max: 12 }), (own, tries) => {
        let [sum, ways] = [0, 1];
        for (let missed = 0; missed <= tries; missed += 1) {
          sum += ways * Math.exp(triesChance(own, tries - missed, missed));
          ways = (ways * (tries - missed)) / (missed + 1);
        }
        expect(sum).toBeCloseTo(1, 8);
      }),
    );
    expect(triesChance({ missed: 0, clean: 1 }, 3, 1)).toBe(-Infinity);
    expect(triesChance({ missed: 0, clean: 1 }, 3, 0)).toBe(0);
  });

  it("never asks for the impossible", () => {
    expect(cleanOfTries({ missed: 1, clean: 9 }, 6, 5)).toBe(0);
    expect(doseOf({ kind: "hold", seconds: 30 })).toBe(30);
  });
});

describe("tries left", () => {
  const gate = { kind: "streak", count: 15 } as const;
  const learner = { skillClass: "cross", gateStreak: 15 } as const;

  it("are the fewer the fewer misses are left, and lie within their own range", () => {
    const tries = [0.7, 0.5, 0.3, 0.1].map((miss) =>
      triesTo({ missed: 20 * miss, clean: 20 * (1 - miss) }, gate, learner, HANDBOOK_MODEL),
    );
    const expected = tries.map((one) => one.expected);
    expect([...expected].sort((one, other) => other - one)).toEqual(expected);
    for (const { low, expected: mean, high } of tries) {
      expect(low).toBeLessThan(mean);
      expect(mean).toBeLessThan(high);
    }
  });

  it("are surer the more is known", () => {
    const width = (weight: number) => {
      const { low, high } = triesTo({ missed: weight / 2, clean: weight / 2 }, gate, learner, {
        ...HANDBOOK_MODEL,
        paceSpread: 1.01,
      });
      return high - low;
    };
    expect(width(40)).toBeLessThan(width(4));
  });

  it("of several sides add up, and their range is narrower than the sum of ranges", () => {
    const one = triesTo({ missed: 5, clean: 5 }, gate, learner, HANDBOOK_MODEL);
    const all = triesOfAll([one, one, one], HANDBOOK_MODEL);
    expect(all.expected).toBeCloseTo(3 * one.expected, 9);
    expect(all.high - all.low).toBeLessThan(3 * (one.high - one.low));
    expect(triesOfAll([one], HANDBOOK_MODEL)).toEqual(one);
    expect(triesOfAll([], HANDBOOK_MODEL)).toEqual({ expected: 0, low: 0, high: 0 });
  });
});
