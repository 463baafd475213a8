import type { Gate, School, SchoolId } from "@mirrup/core";

const streak = (count: number): Gate => ({ kind: "streak", count });
const hold = (seconds: number): Gate => ({ kind: "hold", seconds });
const clean = (tries: number, of: number): Gate => ({ kind: "clean", clean: tries, of });
const count = (repetitions: number, seconds: number): Gate => ({
  kind: "count",
  count: repetitions,
  seconds,
});

/** The three schools of teaching.md, because instructors really disagree. */
export const SCHOOLS: Readonly<Record<SchoolId, School>> = {
  "foundation-first": {
    id: "foundation-first",
    name: "foundation first",
    reason: "Most failures at multiples are strength and tempo that were skipped.",
    gates: {
      ground: streak(40),
      base: streak(100),
      footwork: streak(40),
      taps: streak(30),
      speed: count(60, 30),
      power: clean(8, 10),
      swing: streak(20),
      turn: clean(8, 10),
      release: clean(8, 10),
      cross: streak(20),
      fusion: streak(10),
      double: streak(50),
      "fused-double": streak(10),
      triple: streak(10),
      quad: clean(3, 5),
    },
    asksBaseTest: true,
    needCounts: { "triple-under": { "double-under": 200 } },
  },
  "steady-hold": {
    id: "steady-hold",
    name: "steady hold",
    reason: "Form over a minute is what carries into a workout.",
    gates: {
      ground: hold(30),
      base: hold(60),
      footwork: hold(60),
      taps: hold(30),
      speed: hold(60),
      power: clean(8, 10),
      swing: hold(45),
      turn: clean(8, 10),
      release: clean(8, 10),
      cross: hold(45),
      fusion: hold(30),
      double: hold(30),
      "fused-double": streak(10),
      triple: streak(5),
      quad: clean(2, 5),
    },
    asksBaseTest: false,
    needCounts: { "triple-under": { "double-under": 60 } },
  },
  "quick-frontier": {
    id: "quick-frontier",
    name: "quick frontier",
    reason: "The parts meet early, because the fused skill teaches the rest.",
    gates: {
      ground: streak(20),
      base: streak(20),
      footwork: streak(16),
      taps: streak(16),
      speed: count(45, 30),
      power: clean(4, 5),
      swing: streak(10),
      turn: clean(4, 5),
      release: clean(4, 5),
      cross: streak(15),
      fusion: streak(5),
      double: streak(15),
      "fused-double": streak(5),
      triple: streak(3),
      quad: clean(1, 5),
    },
    asksBaseTest: false,
    needCounts: { "triple-under": { "double-under": 50 } },
  },
};
