import { describe, expect, it } from "@jest/globals";
import { DAY_MS } from "../instant.js";
import type { Lines, LoggedSet } from "../log/line.js";
import { randomFrom } from "../random.js";
import { DRILL_KINDS } from "../syllabus/drill.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { logged, NOW } from "../testing/small-reading.js";
import { taughtCatalogue } from "../testing/taught-catalogue.js";
import { calibrated, passChance, type Belief } from "./chance.js";
import { HANDBOOK_MODEL } from "./model.js";
import { practiceOf } from "./practice.js";
import { refit } from "./refit.js";

const SYLLABUS = syllabusOf({ catalogue: taughtCatalogue(), school: FIVE_IN_A_ROW });
const CROSS = HANDBOOK_MODEL.startMiss.cross;

type Counts = readonly [clean: number, missed: number, bestStreak?: number];

/** A student's sets of the right cross, one a minute. */
function student(kind: "streak" | "one-out", sets: readonly Counts[], gap = 60_000): Lines {
  const drill = kind === "streak" ? { kind, count: 5 } : { kind, count: 5, score: "o xr o" };
  return {
    sets: sets.map(([clean, missed, bestStreak = Math.min(clean, 1)], place): LoggedSet => {
      const misses = missed === 0 ? [] : [{ count: missed }];
      return logged("cross", "right", drill, { clean, misses, bestStreak, at: NOW + place * gap });
    }),
    decisions: [],
  };
}
const many = (count: number, one: () => Lines) => Array.from({ length: count }, one);
const read = (logs: readonly Lines[]) => logs.map((lines) => ({ ...lines, syllabus: SYLLABUS }));
const refitted = (logs: readonly Lines[]) => refit(read(logs), HANDBOOK_MODEL);

describe("a studio's own log", () => {
  it("changes nothing while it is empty, but for the version", () => {
    expect(refitted([])).toEqual({ ...HANDBOOK_MODEL, version: 1 });
    expect(refitted([{ sets: [], decisions: [] }])).toEqual({ ...HANDBOOK_MODEL, version: 1 });
    expect(refit([], HANDBOOK_MODEL, 7).version).toBe(8);
  });

  it("moves where a class starts toward what came at first sets, the further the more there are", () => {
    const starts = [0, 5, 20, 80].map(
      (count) => refitted(many(count, () => student("streak", [[2, 8]]))).startMiss.cross,
    );
    expect(starts[0]).toBe(CROSS);
    expect([...starts].sort()).toEqual(starts);
    expect(starts[3]).toBeGreaterThan(0.72);
    expect(starts[3]).toBeLessThan(0.8);
    expect(refitted(many(20, () => student("streak", [[9, 1]]))).startMiss.cross).toBeLessThan(CROSS);
  });

  it("leaves the other classes and kinds where they were", () => {
    const model = refitted(many(40, () => student("streak", [[2, 8]])));
    expect(model.startMiss.quad).toBe(HANDBOOK_MODEL.startMiss.quad);
    expect(model.shares.merge).toBe(HANDBOOK_MODEL.shares.merge);
  });

  it("takes a kind as leaving so much of the misses as came of those that were expected", () => {
    // A third of misses in a row, and as many one at a time: nine in ten of them it was to be.
    const gentle = many(30, () => student("one-out", Array<Counts>(10).fill([9, 1])));
    const hard = many(30, () => student("one-out", Array<Counts>(10).fill([1, 9])));
    const before = HANDBOOK_MODEL.shares["one-out"];
    expect(refitted(gentle).shares["one-out"]).toBeLessThan(before);
    const { shares } = refitted(hard);
    expect(shares["one-out"]).toBeGreaterThan(before);
    for (const kind of DRILL_KINDS) expect(shares[kind]).toBeLessThanOrEqual(1);
  });

  it("forgets sooner where students change at once, and later where they stay as they are", () => {
    const random = randomFrom(3);
    const tries = (chance: number): Counts => {
      const clean = Array.from({ length: 10 }, random).filter((one) => one < chance).length;
      return [clean, 10 - clean];
    };
    const steady = many(60, () =>
      student(
        "streak",
        Array.from({ length: 12 }, () => tries(0.4)),
      ),
    );
    const sudden = many(20, () =>
      student(
        "streak",
        Array.from({ length: 12 }, (_, place) => tries(place % 4 < 2 ? 0.1 : 0.9)),
      ),
    );
    expect(refitted(steady).halfLifeTries).toBeGreaterThan(HANDBOOK_MODEL.halfLifeTries);
    expect(refitted(sudden).halfLifeTries).toBeLessThan(HANDBOOK_MODEL.halfLifeTries);
  });

  it("lets what students count alone weigh by how well it says what is seen then", () => {
    /** Forty tries alone that went so, then as many before somebody, that go so. */
    const practised = (alone: Counts, seen: Counts) =>
      many(30, (): Lines => {
        const { sets, decisions } = student("streak", [alone, alone, alone, alone, seen, seen]);
        return { sets: sets.map((set, place) => (place < 4 ? { ...set, isAlone: true } : set)), decisions };
      });
    const { aloneWeight } = HANDBOOK_MODEL;
    const honest = refitted(practised([9, 1], [9, 1])).aloneWeight;
    const boasting = refitted(practised([9, 1], [2, 8])).aloneWeight;
    expect(honest).toBeGreaterThan(aloneWeight);
    expect(honest).toBeLessThanOrEqual(1);
    expect(boasting).toBeLessThan(aloneWeight);
    expect(boasting).toBeGreaterThan(0);
    // Where nobody counts alone it says nothing.
    expect(refitted(many(30, () => student("streak", [[9, 1]]))).aloneWeight).toBe(aloneWeight);
  });

  it("takes those who clear soon as quick, and those who do not clear at all as slow", () => {
    const begun: Counts = [5, 5];
    const quick = many(20, () => student("streak", [begun, [5, 0, 5]]));
    const slow = many(20, () => student("streak", [begun, ...Array<Counts>(40).fill([5, 5])]));
    const { pace } = HANDBOOK_MODEL;
    expect(refitted(quick).pace.cross).toBeLessThan(pace.cross / 2);
    expect(refitted(slow).pace.cross).toBeGreaterThan(pace.cross);
    // What all of them say counts for classes of which there is nothing yet.
    expect(refitted(quick).pace.triple).toBeLessThan(pace.triple);
  });

  it("never takes somebody who has only begun as quick", () => {
    const cleared = many(20, () => student("streak", [[5, 5], ...Array<Counts>(6).fill([5, 5]), [5, 0, 5]]));
    const begun = many(20, () =>
      student("streak", [
        [5, 5],
        [1, 1],
      ]),
    );
    expect(refitted([...cleared, ...begun]).pace.cross).toBeGreaterThan(refitted(cleared).pace.cross);
  });

  it("takes people as alike where their ways are, and as unlike where those spread", () => {
    const way = (sets: number): Lines =>
      student("streak", [[5, 5], ...Array<Counts>(sets).fill([5, 5]), [5, 0, 5]]);
    const alike = refitted(many(30, () => way(12)));
    const unlike = refitted([0, 1, 2, 4, 60, 80].flatMap((sets) => many(5, () => way(sets))));
    expect(unlike.paceSpread).toBeGreaterThan(alike.paceSpread);
  });

  it("is said more boldly where it comes more often than was said, and less so where it comes less", () => {
    const tries = (clean: number) =>
      many(30, () => student("one-out", Array<Counts>(6).fill([clean, 5 - clean])));
    const said = (logs: readonly Lines[], belief: Belief) => {
      const { calibration } = refitted(logs);
      return calibrated(passChance({ kind: "one-out", count: 5 }, belief, HANDBOOK_MODEL), calibration);
    };
    const even = { missed: 4, clean: 6 };
    const counted = passChance({ kind: "one-out", count: 5 }, even, HANDBOOK_MODEL);
    // Four of five pass, three do not, though hardly more of them miss.
    expect(said(tries(4), even)).toBeGreaterThan(counted);
    expect(said(tries(3), even)).toBeLessThan(counted);
    // What is likely always comes and what is not never does: further apart than it was said.
    expect(refitted([...tries(4), ...tries(1)]).calibration.slope).toBeGreaterThan(1.2);
  });

  it("goes by the first go where drills are in a row, and by nothing where the log does not say it", () => {
    const came = (misses: LoggedSet["misses"], clean: number) => {
      const set = logged("cross", "right", { kind: "streak", count: 3 }, { clean, misses, bestStreak: 3 });
      return practiceOf(read([{ sets: [set], decisions: [] }]), HANDBOOK_MODEL).tried[0]?.came;
    };
    expect(came([], 3)).toBe(true);
    expect(came([{ position: 4 }], 5)).toBe(true);
    expect(came([{ position: 3 }], 5)).toBe(false);
    expect(came([{ count: 2 }], 5)).toBeNull();
  });

  it("comes to the same in whatever order students and their lines are read", () => {
    const logs = [3, 5, 8].map((clean) =>
      student("streak", [
        [clean, 10 - clean],
        [clean, 2],
        [6, 1, 5],
      ]),
    );
    const turned = [...logs].reverse().map((one) => ({ ...one, sets: [...one.sets].reverse() }));
    const [one, other] = [refitted(logs), refitted(turned)];
    expect(other.halfLifeTries).toBe(one.halfLifeTries);
    for (const key of ["cross", "double"] as const) {
      expect(other.startMiss[key]).toBeCloseTo(one.startMiss[key], 12);
      expect(other.pace[key]).toBeCloseTo(one.pace[key], 9);
    }
  });
});

describe("what a log tells of the model", () => {
  const log = student(
    "streak",
    [
      [2, 8],
      [5, 5],
      [5, 0, 5],
      [9, 1],
    ],
    DAY_MS,
  );
  const practice = practiceOf(read([log]), HANDBOOK_MODEL);

  it("is what was believed before each set, and what came", () => {
    expect(practice.tried.map(({ clean, missed, isFirst }) => [clean, missed, isFirst])).toEqual([
      [2, 8, true],
      [5, 5, false],
      [5, 0, false],
      [9, 1, false],
    ]);
    const [first] = practice.tried;
    expect((first?.before.missed ?? 0) / ((first?.before.missed ?? 0) + (first?.before.clean ?? 1))).toBe(
      CROSS,
    );
  });

  it("follows a side from its first set to its gate, and no further", () => {
    expect(practice.begun).toMatchObject([{ tries: 15, isCleared: true }]);
    const short = practiceOf(read([{ ...log, sets: log.sets.slice(0, 2) }]), HANDBOOK_MODEL);
    expect(short.begun).toMatchObject([{ tries: 10, isCleared: false }]);
    expect(practiceOf(read([{ ...log, sets: log.sets.slice(2) }]), HANDBOOK_MODEL).begun).toEqual([]);
  });

  it("takes a side as new only where neither it nor its other side was seen", () => {
    const other = {
      ...log,
      sets: log.sets.map((set, place) => ({ ...set, side: place > 0 ? set.side : ("left" as const) })),
    };
    expect(practiceOf(read([other]), HANDBOOK_MODEL).tried.map(({ isFirst }) => isFirst)).toEqual([
      true,
      false,
      false,
      false,
    ]);
    const placed = practiceOf(
      read([
        {
          ...log,
          decisions: [
            {
              ...{ id: "p", subject: "cross", side: "right", at: NOW - 1, lesson: "2026-05-31" },
              decision: { kind: "place", answer: "nearly", seen: true },
            },
          ],
        },
      ]),
      HANDBOOK_MODEL,
    );
    expect(placed.tried.some(({ isFirst }) => isFirst)).toBe(false);
  });
});
