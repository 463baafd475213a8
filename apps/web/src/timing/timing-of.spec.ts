import { expect, test } from "@jest/globals";
import type { JumpMeasure } from "@mirrup/contract";
import { timeScore, scoreOf } from "@mirrup/core";
import fc from "fast-check";
import { timingOf } from "./timing-of.js";
import { withLanding } from "./use-landings.js";

const measure = (turns: number, heightMm: number, contactMs = 250): JumpMeasure => ({
  ...{ id: String(heightMm), turns, heightMm, contactMs, landings: 11, way: "taps" },
  measuredAt: "2026-06-01T10:00:00Z",
});

test("windows are reckoned with the newest measure of so many turns, else with what is usual", () => {
  const { height, contact } = timingOf([measure(2, 210, 200), measure(2, 150), measure(1, 60)], 3, 190);
  expect(height).toMatchObject({ 1: 0.06, 2: 0.21 });
  expect(contact).toBe(0.2);
  const usual = timingOf([], 2, 190);
  expect(usual.contact).toBe(0.25);
  // drills.md: a double at 190 turns a minute is 18 cm.
  expect((usual.height as Record<number, number>)[2]).toBeCloseTo(0.18, 2);
});

test("whatever was measured, the windows can be told", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 5, max: 1000 }),
      fc.integer({ min: 80, max: 600 }),
      (heightMm, contactMs) => {
        const jumps = [measure(1, heightMm, contactMs), measure(2, heightMm, contactMs)];
        expect(() => timeScore(scoreOf("o (o xr) sr ."), timingOf(jumps, 2, 240))).not.toThrow();
      },
    ),
  );
});

test("a finger that bounces is no landing, and a pause begins a new row", () => {
  const row = [0, 0.6, 0.65, 1.2, 1.8].reduce<readonly number[]>(withLanding, []);
  expect(row).toEqual([0, 0.6, 1.2, 1.8]);
  expect(withLanding(row, 9)).toEqual([9]);
});
