import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import {
  CLIMB_KINDS,
  MISS_RULES,
  ROUND_KINDS,
  TRY_KINDS,
  type Drill,
  type MissRule,
  type TryKind,
} from "../syllabus/drill.js";
import { isPassed } from "../record/passing.js";
import { runAfter, runOf, secondsOf } from "./run.js";
import { checkSetCounts } from "../log/set.js";
import type { Tap } from "./tap.js";

/** Taps written as letters: `c` clean, `m` miss. */
function taps(letters: string): Tap[] {
  return [...letters].map((letter) => (letter === "c" ? { kind: "clean" } : { kind: "miss" }));
}

function climb(top: number, onMiss: MissRule = "repeat"): Drill {
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
    const drill: Drill = { kind: "streak", count: 3 };
    expect(runOf(drill, taps("ccmc"))).toMatchObject({ done: 1, bestStreak: 2, reached: 2, end: "running" });
    expect(runOf(drill, taps("ccmccc"))).toMatchObject({ bestStreak: 3, clean: 5, end: "passed" });
  });

  it("goes on from its count until a miss, where more is in reach", () => {
    const drill: Drill = { kind: "streak", count: 3, upTo: 6 };
    expect(runOf(drill, taps("ccc")).end).toBe("running");
    expect(runOf(drill, taps("cccm"))).toMatchObject({ bestStreak: 3, reached: 3, end: "passed" });
    expect(runOf(drill, taps("ccm")).end).toBe("running");
    expect(runOf(drill, taps("ccccm"))).toMatchObject({ bestStreak: 4, reached: 4, end: "passed" });
    expect(runOf(drill, taps("ccccccc"))).toMatchObject({ bestStreak: 6, clean: 6, end: "passed" });
  });
});

describe("a drill of tries", () => {
  const tries = (kind: TryKind, count: number): Drill => ({ kind, count });

  it("ends when its tries are made, and passes by how many were right", () => {
    expect(runOf(tries("shadow", 10), taps("ccccccccm"))).toMatchObject({ done: 9, end: "running" });
    expect(runOf(tries("shadow", 10), taps("ccccccccmm")).end).toBe("passed");
    expect(runOf(tries("toe-catch", 5), taps("cccmm")).end).toBe("stopped");
    expect(runOf(tries("one-stop", 5), taps("cccmm")).end).toBe("passed");
  });

  it("is passed by one of its goes where the part only has to be there", () => {
    expect(runOf(tries("part-counts", 3), taps("mc")).end).toBe("passed");
    expect(runOf(tries("part-counts", 3), taps("mmm")).end).toBe("stopped");
  });

  it("is passed by daring where the whole is tried at once", () => {
    const baulk: Tap = { kind: "miss", fault: "baulk" };
    const miss: Tap = { kind: "miss", fault: "toes" };
    expect(runOf(tries("whole", 5), [miss, miss, miss, miss, baulk]).end).toBe("passed");
    expect(runOf(tries("whole", 5), [baulk, miss, miss, miss, baulk]).end).toBe("stopped");
  });

  it("has no streak: a stop or a bounce stands between any two", () => {
    expect(runOf(tries("one-out", 5), taps("cccc")).bestStreak).toBe(1);
  });
});

describe("a spaced drill", () => {
  it("is tries at its one spacing, passed by four of five", () => {
    const drill: Drill = { kind: "spaced", count: 5, spacing: 3 };
    expect(runOf(drill, taps("ccccm"))).toMatchObject({ spacing: 3, end: "passed" });
    expect(runOf(drill, taps("cccmm"))).toMatchObject({ spacing: 3, end: "stopped" });
  });

  it("closes the gap between two skills to none", () => {
    const link: Drill = { kind: "link", count: 4, spacing: 4 };
    expect(runOf(link, taps("cccm".repeat(3)))).toMatchObject({ spacing: 0, end: "running" });
    expect(runOf(link, taps("cccm".repeat(4))).end).toBe("passed");
  });
});

describe("drills by the clock", () => {
  it("hold until the time is up, and end at a miss", () => {
    const hold: Drill = { kind: "hold", seconds: 30 };
    expect(runOf(hold, [], 29).end).toBe("running");
    expect(runOf(hold, [], 30).end).toBe("passed");
    expect(runOf(hold, taps("m"), 12)).toMatchObject({ end: "stopped", misses: [{ position: 1 }] });
  });

  it("count what was clean in the time, whatever was missed between", () => {
    const count: Drill = { kind: "count", seconds: 30, count: 12 };
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
      kind: fc.constantFrom(...CLIMB_KINDS),
      top: fc.integer({ min: 1, max: 8 }),
      onMiss: fc.constantFrom(...MISS_RULES),
    }),
    fc.record({
      kind: fc.constant("streak" as const),
      count: fc.integer({ min: 1, max: 20 }),
      upTo: fc.integer({ min: 1, max: 30 }),
    }),
    fc.record({ kind: fc.constantFrom(...TRY_KINDS), count: fc.integer({ min: 1, max: 12 }) }),
    fc.record({
      kind: fc.constantFrom("spaced" as const, "link" as const),
      count: fc.integer({ min: 1, max: 6 }),
      spacing: fc.integer({ min: 0, max: 4 }),
    }),
    fc.record({ kind: fc.constantFrom(...ROUND_KINDS), rounds: fc.integer({ min: 1, max: 5 }) }),
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

  it("comes to the same with one tap more as counted from its beginning, or says that it has to be", () => {
    const anyTap = fc.oneof(
      fc.constantFrom<Tap>(
        { kind: "clean" },
        { kind: "miss", fault: "toes" },
        { kind: "clean", times: 4, at: 9 },
      ),
      fc.constantFrom<Tap>(
        { kind: "less", times: 2 },
        { kind: "stop", at: 9 },
        { kind: "pace", every: 1, at: 9 },
      ),
    );
    fc.assert(
      fc.property(anyDrill, anyTaps, anyTap, (drill, list, tap) => {
        const after = runAfter(drill, runOf(drill, list), tap);
        const isAnew = secondsOf(drill) !== null || (tap.kind !== "clean" && tap.kind !== "miss");
        expect(after).toEqual(isAnew ? null : runOf(drill, [...list, tap]));
      }),
      { numRuns: 500 },
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

  it("passes exactly where its set does", () => {
    // A link's set says where it ended, which a run of it does not.
    const counted = anyDrill.filter(({ kind }) => kind !== "link" && kind !== "hold" && kind !== "count");
    fc.assert(
      fc.property(counted, anyTaps, (drill, list) => {
        const run = runOf(drill, list);
        if (run.end !== "running")
          expect([run.end, isPassed(drill, run)]).toEqual([run.end, run.end === "passed"]);
      }),
      { numRuns: 500 },
    );
  });
});
