import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { DRILL_KINDS, MISS_RULES, type MissRule } from "../syllabus/drill.js";
import { heldRepetitions, runnable, runOf, TRY_KINDS, type RunnableDrill, type TryKind } from "./run.js";
import { checkSetCounts } from "../log/set.js";
import type { Tap } from "./tap.js";

/** Taps written as letters: `c` clean, `m` miss. */
function taps(letters: string): Tap[] {
  return [...letters].map((letter) => (letter === "c" ? { kind: "clean" } : { kind: "miss" }));
}

function climb(top: number, onMiss: MissRule = "repeat"): RunnableDrill {
  return { kind: "climb", top, onMiss };
}

describe("a climb", () => {
  it("goes from rung to rung to its top", () => {
    expect(runOf(climb(3), taps("ccc"))).toMatchObject({ asked: 3, done: 0, reached: 2, end: "running" });
    expect(runOf(climb(3), taps("cccccc"))).toMatchObject({
      reached: 3,
      bestStreak: 3,
      clean: 6,
      end: "passed",
    });
    expect(runOf(climb(3), taps("ccccccccm"))).toEqual(runOf(climb(3), taps("cccccc")));
  });

  it.each([
    ["repeat", 3, "running"],
    ["drop", 2, "running"],
    ["restart", 1, "running"],
    ["stop", 3, "stopped"],
  ] as const)("after a miss at rung 3: %s", (rule, asked, end) => {
    expect(runOf(climb(5, rule), taps("cccccm"))).toMatchObject({
      asked,
      end,
      done: 0,
      misses: [{ position: 6 }],
    });
  });

  it("lets the bridge between rungs break the streak", () => {
    expect(runOf(climb(4), taps("cccccc")).bestStreak).toBe(3);
  });
});

describe("a streak", () => {
  it("begins again after a miss and passes at its count", () => {
    const drill: RunnableDrill = { kind: "streak", count: 3 };
    expect(runOf(drill, taps("ccmc"))).toMatchObject({ done: 1, bestStreak: 2, reached: 2, end: "running" });
    expect(runOf(drill, taps("ccmccc"))).toMatchObject({ bestStreak: 3, clean: 5, end: "passed" });
  });
});

describe("a drill of tries", () => {
  const tries = (kind: TryKind, count: number): RunnableDrill => ({ kind, count });

  it("ends when its tries are made, and passes by how many were right", () => {
    expect(runOf(tries("shadow", 10), taps("ccccccccm"))).toMatchObject({ done: 9, end: "running" });
    expect(runOf(tries("shadow", 10), taps("ccccccccmm")).end).toBe("passed");
    expect(runOf(tries("toe-catch", 5), taps("cccmm")).end).toBe("stopped");
    expect(runOf(tries("one-stop", 5), taps("cccmm")).end).toBe("passed");
  });

  it("has no streak: a stop or a bounce stands between any two", () => {
    expect(runOf(tries("one-out", 5), taps("cccc")).bestStreak).toBe(1);
  });
});

describe("a spaced drill", () => {
  const drill: RunnableDrill = { kind: "spaced", count: 5, spacing: 4 };

  it("goes on with fewer bounces when four of five were clean, and repeats otherwise", () => {
    expect(runOf(drill, taps("ccccm"))).toMatchObject({ spacing: 3, done: 0, end: "running" });
    expect(runOf(drill, taps("cccmm"))).toMatchObject({ spacing: 4, done: 0 });
    expect(runOf(drill, taps("cccmm" + "ccccc".repeat(4)))).toMatchObject({ spacing: 1, end: "passed" });
  });

  it("closes the gap between two skills to none", () => {
    const link: RunnableDrill = { kind: "link", count: 4, spacing: 4 };
    expect(runOf(link, taps("cccm".repeat(3)))).toMatchObject({ spacing: 0, end: "running" });
    expect(runOf(link, taps("cccm".repeat(4))).end).toBe("passed");
  });
});

describe("drills by the clock", () => {
  it("hold until the time is up, and end at a miss", () => {
    const hold: RunnableDrill = { kind: "hold", seconds: 30 };
    expect(runOf(hold, [], 29).end).toBe("running");
    expect(runOf(hold, [], 30).end).toBe("passed");
    expect(runOf(hold, taps("m"), 12)).toMatchObject({ end: "stopped", misses: [{ position: 1 }] });
    expect(heldRepetitions(30, 120, 2)).toBe(30);
  });

  it("count what was clean in the time, whatever was missed between", () => {
    const count: RunnableDrill = { kind: "count", seconds: 30, count: 12 };
    const list: Tap[] = [{ kind: "clean", times: 7 }, { kind: "miss" }, { kind: "clean", times: 5 }];
    expect(runOf(count, list, 20)).toMatchObject({ clean: 12, bestStreak: 7, end: "running" });
    expect(runOf(count, list, 30).end).toBe("passed");
    expect(runOf(count, list.slice(0, 1), 30).end).toBe("stopped");
  });
});

describe("rounds and the rope at the side", () => {
  it("ask for every round without a miss, and for so many in time", () => {
    expect(runOf({ kind: "rounds", rounds: 3 }, taps("ccmccc")).end).toBe("passed");
    expect(runOf({ kind: "side-rope", count: 4 }, taps("cmccc"))).toMatchObject({ clean: 4, end: "passed" });
  });
});

describe("any run", () => {
  const anyDrill = fc.oneof(
    fc.record({
      kind: fc.constant("climb" as const),
      top: fc.integer({ min: 1, max: 8 }),
      onMiss: fc.constantFrom(...MISS_RULES),
    }),
    fc.record({ kind: fc.constant("streak" as const), count: fc.integer({ min: 1, max: 20 }) }),
    fc.record({ kind: fc.constantFrom(...TRY_KINDS), count: fc.integer({ min: 1, max: 12 }) }),
    fc.record({
      kind: fc.constantFrom("spaced" as const, "link" as const),
      count: fc.integer({ min: 1, max: 6 }),
      spacing: fc.integer({ min: 0, max: 4 }),
    }),
    fc.record({ kind: fc.constant("rounds" as const), rounds: fc.integer({ min: 1, max: 5 }) }),
    fc.record({ kind: fc.constant("side-rope" as const), count: fc.integer({ min: 1, max: 20 }) }),
    fc.record({ kind: fc.constant("hold" as const), seconds: fc.constant(30) }),
    fc.record({ kind: fc.constant("count" as const), seconds: fc.constant(30), count: fc.constant(9) }),
  );
  const anyTaps = fc.array(fc.constantFrom<Tap>({ kind: "clean" }, { kind: "miss", fault: "toes" }), {
    maxLength: 60,
  });

  it("comes to counts that fit each other", () => {
    fc.assert(
      fc.property(anyDrill, anyTaps, (drill, list) => expect(checkSetCounts(runOf(drill, list))).toEqual([])),
    );
  });

  it("counts every tap until its end", () => {
    fc.assert(
      fc.property(anyDrill, anyTaps, (drill, list) => {
        const { clean, misses, end } = runOf(drill, list);
        if (end === "running") expect(clean + misses.length).toBe(list.length);
        else expect(clean + misses.length).toBeLessThanOrEqual(list.length);
      }),
    );
  });

  it("is made of what a drill asks, where nothing of it is missing", () => {
    expect(runnable({ kind: "climb", top: 4 })).toEqual(climb(4));
    expect(runnable({ kind: "shadow", count: 10 })).toEqual({ kind: "shadow", count: 10 });
    expect(runnable({ kind: "spaced", count: 5, spacing: 3, score: "o*3 xr" })).toMatchObject({ spacing: 3 });
    expect(runnable({ kind: "spaced", count: 5 })).toBeNull();
    for (const kind of DRILL_KINDS) {
      const drill = runnable({ kind, count: 5, top: 5, seconds: 30, rounds: 3, spacing: 4 });
      expect(drill?.kind).toBe(kind);
    }
  });
});
