import { describe, expect, it } from "@jest/globals";
import { DAY_MS } from "../instant.js";
import { beliefOf } from "./belief.js";
import { missOf } from "./chance.js";
import { NO_FACTS, type SideFacts } from "./facts.js";
import { HANDBOOK_MODEL } from "./model.js";

const NOW = Date.UTC(2026, 5, 1);

/** The chance of a miss of a cross, whose class starts at one in two. */
function miss(own: Partial<SideFacts>, other: Partial<SideFacts> | null = null, now = NOW): number {
  const second = other === null ? null : { ...NO_FACTS, countedAt: NOW, ...other };
  return missOf(beliefOf("cross", { ...NO_FACTS, countedAt: NOW, ...own }, second, now, HANDBOOK_MODEL));
}

describe("what is believed of the next try", () => {
  it("is the class's start where nothing is known, and the record's share where much is", () => {
    expect(miss({})).toBeCloseTo(HANDBOOK_MODEL.startMiss.cross, 12);
    expect(miss({ clean: 90, missed: 10 })).toBeCloseTo(11 / 102, 12);
  });

  it("moves half way toward the other side in log odds, once that has tries", () => {
    expect(miss({}, {})).toBeCloseTo(0.5, 12);
    // The other side at (3 + 1) / 20 = 0.2; half way from even odds: 1 / (1 + √4).
    expect(miss({}, { clean: 15, missed: 3 })).toBeCloseTo(1 / 3, 12);
  });

  it("moves the same way toward what placement saw, less for what it did not see", () => {
    const seen = (answer: "clean" | "nearly" | "no") => miss({ placed: answer });
    expect(seen("clean")).toBeLessThan(seen("nearly"));
    expect(seen("nearly")).toBeLessThan(seen("no"));
    expect(miss({ placed: "clean", presumedAt: NOW })).toBeGreaterThan(seen("clean"));
  });

  it("goes back toward the start while nobody tries", () => {
    const own = { clean: 18, missed: 0 };
    expect(miss(own, null, NOW + 21 * DAY_MS)).toBeCloseTo(1 / 11, 12);
    expect(miss(own, null, NOW + 2100 * DAY_MS)).toBeCloseTo(0.5, 6);
    expect(miss(own, null, NOW - DAY_MS)).toBeCloseTo(miss(own), 12);
  });
});
