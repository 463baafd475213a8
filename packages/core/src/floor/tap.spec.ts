import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import type { Drill } from "../syllabus/drill.js";
import { runOf } from "./run.js";
import { cleanSinceMiss, correctionTo, isPacing, pacedTries, secondsATry, type Tap } from "./tap.js";

const STREAK: Drill = { kind: "streak", count: 50 };
const CLIMB: Drill = { kind: "climb", top: 4, onMiss: "repeat" };
const clean = (times = 1): Tap => ({ kind: "clean", times });
const miss: Tap = { kind: "miss" };

describe("a count that goes on by itself", () => {
  it("counts one try an interval from its start until now", () => {
    const taps: Tap[] = [{ kind: "pace", every: 0.5, at: 1 }];
    expect([1, 1.49, 1.5, 3, 6].map((now) => runOf(STREAK, taps, now).clean)).toEqual([0, 0, 1, 4, 10]);
    expect(isPacing(taps)).toBe(true);
  });

  it("ends at a tap for the miss, and goes on from the next start", () => {
    const taps: Tap[] = [
      { kind: "pace", every: 0.5, at: 0 },
      { kind: "miss", at: 5.2 },
      { kind: "pace", every: 0.5, at: 9 },
      { kind: "stop", at: 11 },
    ];
    expect(runOf(STREAK, taps, 60)).toMatchObject({ clean: 14, bestStreak: 10, misses: [{ position: 11 }] });
    expect(isPacing(taps)).toBe(false);
  });

  it("takes a beat for each beat of the repetition", () => {
    expect(secondsATry(120, 1)).toBeCloseTo(0.5, 12);
    expect(secondsATry(120, 4)).toBeCloseTo(2, 12);
    expect(pacedTries(secondsATry(90, 2), 0, 60)).toHaveLength(45);
  });

  it("counts nothing at no interval, or backwards", () => {
    expect(pacedTries(0, 0, 10)).toEqual([]);
    expect(pacedTries(1, 10, 0)).toEqual([]);
  });

  it("stops at the drill's end however long it is left alone", () => {
    const run = runOf({ kind: "streak", count: 8 }, [{ kind: "pace", every: 0.5, at: 0 }], 3600);
    expect(run).toMatchObject({ clean: 8, end: "passed" });
    expect(run.tries.at(-1)?.at).toBeCloseTo(4, 9);
  });
});

describe("corrections", () => {
  it("take clean tries back, at most to the last miss", () => {
    expect(runOf(STREAK, [clean(7), { kind: "less", times: 1 }])).toMatchObject({ clean: 6, bestStreak: 6 });
    expect(runOf(STREAK, [clean(3), miss, clean(2), { kind: "less", times: 5 }])).toMatchObject({
      clean: 3,
      done: 0,
      misses: [{ position: 4 }],
    });
  });

  it("open a run again that was passed by one too many", () => {
    const passed: Tap[] = [clean(50)];
    expect(runOf(STREAK, passed).end).toBe("passed");
    expect(runOf(STREAK, [...passed, { kind: "less", times: 1 }])).toMatchObject({
      clean: 49,
      end: "running",
    });
  });

  it("step a climb back to the rung before", () => {
    expect(runOf(CLIMB, [clean(4), { kind: "less", times: 2 }])).toMatchObject({ asked: 2, done: 1 });
  });

  it("a typed number replaces what was counted since the last miss", () => {
    const tries = runOf(STREAK, [clean(12), miss, clean(4)]).tries;
    expect(cleanSinceMiss(tries)).toBe(4);
    expect(correctionTo(9, tries)).toEqual({ kind: "clean", times: 5 });
    expect(correctionTo(1, tries)).toEqual({ kind: "less", times: 3 });
    expect(correctionTo(4, tries)).toBeNull();
  });

  it("whatever is pressed, a typed number is what stands since the last miss", () => {
    const letters = fc.array(fc.constantFrom<Tap>(clean(), clean(5), miss, { kind: "less", times: 1 }));
    fc.assert(
      fc.property(letters, fc.integer({ min: 0, max: 40 }), (taps, typed) => {
        const endless: Drill = { kind: "streak", count: 10_000 };
        const correction = correctionTo(typed, runOf(endless, taps).tries);
        const after = runOf(endless, correction === null ? taps : [...taps, correction]);
        expect(cleanSinceMiss(after.tries)).toBe(typed);
        expect(after.tries).toHaveLength(after.clean + after.misses.length);
      }),
    );
  });
});
