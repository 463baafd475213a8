import { describe, expect, it } from "@jest/globals";
import type { SideFacts } from "../record/facts.js";
import type { Catalogue } from "../syllabus/catalogue.js";
import { sideOf, syllabusOf } from "../syllabus/syllabus.js";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { drillKey } from "../syllabus/drill.js";
import { taughtCatalogue } from "../testing/taught-catalogue.js";
import { best, NOW, readingFrom, rungOf, TODAY, type Known } from "../testing/small-reading.js";
import { nextDrills, type NextOptions, type OnPath } from "./next.js";

const CATALOGUE = catalogueOf(
  ["bounce", "one", ""],
  ["swing", "two", "bounce", "swing"],
  ["double", "one", "bounce", "double"],
  ["both", "one", "swing both; double"],
);

function next(known: readonly Known[], options: Partial<NextOptions> = {}, catalogue: Catalogue = CATALOGUE) {
  const reading = readingFrom(syllabusOf({ catalogue, school: FIVE_IN_A_ROW }), known);
  return nextDrills(reading, { strongerSide: "right", ...options }).map(({ of, ...rest }) => ({
    subject: of.subject,
    side: of.side,
    ...rest,
  }));
}

function onPath(subject: string, goal: string, count: number, catalogue = CATALOGUE): OnPath {
  const of = sideOf(syllabusOf({ catalogue, school: FIVE_IN_A_ROW }), subject, "whole");
  return { of, goal, gate: { kind: "streak", count } };
}

/** A side that is well in hand: 18 of 19 at its last tries. */
const SURE: Partial<SideFacts> = {
  sets: 4,
  bestStreak: 4,
  gateBest: 4,
  clean: 18,
  missed: 1,
  countedAt: NOW,
};
/** One that is not: more misses than not. */
const SHAKY: Partial<SideFacts> = {
  sets: 2,
  bestStreak: 1,
  gateBest: 1,
  clean: 4,
  missed: 6,
  countedAt: NOW,
};

describe("what comes next", () => {
  it("proposes nothing that is locked, cleared or taken as known", () => {
    expect(next([]).map((one) => one.subject)).toEqual(["bounce"]);
    expect(next([["swing", "left", 5]]).map((one) => one.subject)).not.toContain("bounce");
  });

  it("tries the gate itself once it is as likely as not", () => {
    const [first] = next([
      ["bounce", "whole", 5],
      ["swing", "left", SURE],
    ]);
    expect(first).toMatchObject({
      ...{ subject: "swing", side: "left", tryGate: null, after: null },
      drill: { kind: "streak", count: 5 },
      reason: { code: "near-gate", best: 4, gate: 5 },
    });
    expect(first?.chance).toBeGreaterThan(0.5);
  });

  it("offers the gate beside the drill while it is further off, and not while it is too far", () => {
    const lessons = [
      {
        lesson: "2026-05-30",
        tries: 12,
        worked: 12,
        bestStreak: 4,
        triedWhole: true,
        inRuns: 0,
        bestBefore: 0,
        chanceBefore: 0.5,
      },
    ];
    const offered = (facts: Partial<SideFacts>) =>
      next([
        ["bounce", "whole", 5],
        ["swing", "left", facts],
      ]).find((one) => one.side === "left")?.tryGate;
    expect(offered({ ...SHAKY, bestStreak: 4, lessons })?.drill).toMatchObject({ kind: "streak", count: 5 });
    expect(offered(SHAKY)).toBeNull();
  });

  it("keeps the sides in step before it begins something new", () => {
    const [first, second] = next([
      ["bounce", "whole", 5],
      ["swing", "left", SHAKY],
      ["swing", "right", 5],
    ]);
    expect(first).toMatchObject({
      ...{ subject: "swing", side: "left", isNew: false },
      reason: { code: "other-side", cleared: "right" },
    });
    expect(second).toMatchObject({
      subject: "double",
      isNew: true,
      reason: { code: "new", opens: ["both"] },
    });
  });

  it("begins with the stronger side", () => {
    const sides = (strongerSide: "left" | "right") =>
      next([["bounce", "whole", 5]], { strongerSide })
        .filter((one) => one.subject === "swing")
        .map((one) => [one.side, one.reason.code]);
    expect(sides("left")).toEqual([
      ["left", "new"],
      ["right", "second-side"],
    ]);
    expect(sides("right")[0]).toEqual(["right", "new"]);
  });

  it("believes the record about the stronger side, once both sides have enough of it", () => {
    const tries = (clean: number, missed: number) => ({ ...best(5), clean, missed, countedAt: NOW });
    const catalogue = catalogueOf(["a", "two", "", "swing"], ["b", "two", "a", "swing"]);
    const firstOf = (weight: number) =>
      next(
        [
          ["a", "left", tries(18 * weight, 2 * weight)],
          ["a", "right", tries(12 * weight, 8 * weight)],
        ],
        {},
        catalogue,
      )[0]?.side;
    expect(firstOf(1)).toBe("left");
    expect(firstOf(0.5)).toBe("right");
  });

  it("says what a begun skill opens", () => {
    expect(next([["bounce", "whole", SHAKY]])[0]?.reason).toEqual({
      code: "opens",
      skills: ["swing", "double"],
    });
  });

  it("puts what is on the way to a goal first, before what is near its gate", () => {
    const path = [onPath("double", "both", 5)];
    const known: readonly Known[] = [["bounce", "whole", 5]];
    expect(next(known, { path })[0]).toMatchObject({
      subject: "double",
      reason: { code: "toward-goal", goal: "both" },
    });
    expect(next([...known, ["swing", "left", SURE]], { path })[0]?.reason.code).toBe("toward-goal");
  });

  it("asks for more of what is cleared where the path does, and for nothing else of it", () => {
    const path = [onPath("bounce", "both", 50)];
    const cleared = (clean: number): Known => [
      "bounce",
      "whole",
      { ...best(12), clean, missed: 0.5, countedAt: NOW },
    ];
    expect(next([cleared(18)], { path })[0]).toMatchObject({
      subject: "bounce",
      reason: { code: "toward-goal", goal: "both" },
    });
    expect(next([cleared(400)], { path })[0]?.drill).toMatchObject({ kind: "streak", count: 50 });
    expect(next([cleared(18)]).map((one) => one.subject)).not.toContain("bounce");
  });

  it("makes room for something else once a side was worked enough today", () => {
    const lesson = {
      lesson: TODAY,
      tries: 0,
      triedWhole: true,
      bestStreak: 2,
      inRuns: 0,
      bestBefore: 0,
      chanceBefore: 0.5,
    };
    const first = (worked: number) =>
      next(
        [
          ["bounce", "whole", 5],
          ["swing", "left", { ...SHAKY, bestStreak: 4, lessons: [{ ...lesson, worked }] }],
          ["swing", "right", { ...SHAKY, bestStreak: 4 }],
        ],
        { strongerSide: "left" },
      )[0]?.side;
    expect(first(59)).toBe("left");
    expect(first(60)).toBe("right");
  });

  it("lets both sides begin where they take turns", () => {
    const codes = next([["bounce", "whole", 5]], { sideOrder: "alternate" })
      .filter((one) => one.subject === "swing")
      .map((one) => one.reason.code);
    expect(codes).toEqual(["new", "new"]);
  });

  it("begins two new skills a lesson while begun ones are open, those of today among them", () => {
    const wide = catalogueOf(
      ["begun", "one", ""],
      ...(["a", "b", "c", "d"] as const).map((id) => [id, "one", ""] as const),
    );
    const order = (known: readonly Known[]) => next(known, {}, wide).map((one) => one.subject);
    const today = {
      lesson: TODAY,
      tries: 2,
      worked: 2,
      triedWhole: true,
      bestStreak: 1,
      inRuns: 0,
      bestBefore: 0,
      chanceBefore: 0.5,
    };
    expect(order([["begun", "whole", SHAKY]])).toEqual(["begun", "a", "b", "c", "d"]);
    const reviewed: Known = [
      "d",
      "whole",
      { ...best(5), review: { stage: 0, since: NOW, due: "2026-05-20", kinClean: 0, lowRow: 0 } },
    ];
    // A review comes before the third new one, and before any where two were begun today.
    expect(order([["begun", "whole", SHAKY], reviewed])).toEqual(["begun", "d", "a", "b", "c"]);
    const begun = (id: string): Known => [id, "whole", { ...SHAKY, lessons: [today] }];
    expect(order([begun("a"), begun("b")]).slice(2)).toEqual(["begun", "c", "d"]);
  });

  it("finishes both sides of two new skills before it begins a third", () => {
    const wide = catalogueOf(
      ["begun", "one", ""],
      ...(["a", "b", "c", "d"] as const).map((id) => [id, "two", "", "swing"] as const),
    );
    const order = next([["begun", "whole", SHAKY]], {}, wide).map((one) => `${one.subject} ${one.side}`);
    expect(order).toEqual([
      "begun whole",
      ...["a right", "b right", "a left", "b left"],
      ...["c right", "d right", "c left", "d left"],
    ]);
  });

  it("works first on what is nearest to its gate, whatever opens more", () => {
    const near = (bestStreak: number) => ({ ...SHAKY, bestStreak, gateBest: bestStreak });
    const order = (swing: number, double: number) =>
      next([
        ["bounce", "whole", 5],
        ["swing", "right", near(swing)],
        ["double", "whole", near(double)],
      ])
        .slice(0, 2)
        .map((one) => one.subject);
    expect(order(3, 1)).toEqual(["swing", "double"]);
    expect(order(1, 3)).toEqual(["double", "swing"]);
  });

  it("puts a review that is due before something new, those under a goal first", () => {
    const review = { stage: 0, since: NOW, due: "2026-05-20", kinClean: 0, lowRow: 0 };
    const [first] = next([["bounce", "whole", { ...best(5), review }]]);
    expect(first).toMatchObject({
      drill: { kind: "streak", count: 3 },
      reason: { code: "review", due: "2026-05-20", underGoal: false },
    });
  });
});

describe("a side that does not move", () => {
  const TAUGHT = taughtCatalogue();
  const lesson = (day: number, changes: object = {}) => ({
    lesson: `2026-05-${String(day)}`,
    ...{
      tries: 12,
      worked: 12,
      triedWhole: true,
      bestStreak: 3,
      inRuns: 0,
      bestBefore: 3,
      chanceBefore: 0.9,
    },
    ...changes,
  });
  // The catches are behind it, so that there is something to go back to.
  const { ladder } = sideOf(syllabusOf({ catalogue: TAUGHT, school: FIVE_IN_A_ROW }), "cross", "right");
  const passed = Object.fromEntries(
    ladder.slice(0, 5).map(({ drill }) => [drillKey(drill), rungOf(1, 0, "2026-05-20")]),
  );
  const of = (facts: Partial<SideFacts>, behind: SideFacts["rungs"] = passed) =>
    next(
      [
        ["bounce", "whole", 5],
        ["cross", "right", { ...SHAKY, ...facts, rungs: { ...behind, ...facts.rungs } }],
      ],
      {},
      TAUGHT,
    ).find((one) => one.subject === "cross" && one.side === "right");

  it("is stuck after three lessons of honest tries, and gets a gentler drill than before", () => {
    const usual = of({});
    const stuck = of({ bestStreak: 3, lessons: [lesson(30), lesson(28), lesson(26)] });
    expect(stuck?.reason.code).toBe("stuck");
    expect(stuck?.chance).toBeGreaterThan(usual?.chance ?? 1);
  });

  it("steps back at every second failure of a drill today, until what it steps back to is passed since", () => {
    const usual = of({});
    const key = usual === undefined ? "" : drillKey(usual.drill);
    const failed = (times: number, more: SideFacts["rungs"] = {}) =>
      of({ rungs: { [key]: rungOf(0, times), ...more } });
    expect(failed(1)?.drill).toEqual(usual?.drill);
    const back = failed(2);
    expect(back?.reason.code).toBe("step-back");
    expect(back?.chance).toBeGreaterThan(usual?.chance ?? 1);
    const done = back === undefined ? "" : drillKey(back.drill);
    const since = { [done]: rungOf(1, 0, TODAY, NOW + 1) };
    expect(failed(2, since)?.drill).toEqual(usual?.drill);
    expect(failed(2, { [done]: rungOf(1, 0, TODAY, NOW - 1) })?.reason.code).toBe("step-back");
    // Having gone back once, it has two goes again.
    expect(failed(3, { [done]: rungOf(1, 0, TODAY, NOW - 1) })?.drill).toEqual(usual?.drill);
    expect(failed(4, { [done]: rungOf(1, 0, TODAY, NOW - 1) })?.reason.code).toBe("step-back");
  });

  it("goes further back where the step back fails as well", () => {
    const usual = of({});
    const key = usual === undefined ? "" : drillKey(usual.drill);
    const back = of({ rungs: { [key]: rungOf(0, 2) } });
    const near = back === undefined ? "" : drillKey(back.drill);
    const further = of({ rungs: { [key]: rungOf(0, 2), [near]: rungOf(1, 2) } });
    expect(further?.reason.code).toBe("step-back");
    expect([usual?.drill.kind, back?.drill.kind, further?.drill.kind]).toEqual([
      "one-stop",
      "stop-in",
      "toe-catch",
    ]);
  });

  it("goes back to what has no rope where all with one fail", () => {
    const usual = of({});
    const key = usual === undefined ? "" : drillKey(usual.drill);
    const withRope = ladder.slice(2, 4).map(({ drill }) => [drillKey(drill), rungOf(1, 2)] as const);
    const back = of({
      rungs: { [key]: rungOf(0, 2), ...Object.fromEntries<SideFacts["rungs"][string]>(withRope) },
    });
    expect(back?.reason.code).toBe("step-back");
    expect(back?.drill.kind).toBe("shadow");
  });

  it("tries the whole once after two lessons without it", () => {
    const gentle = [lesson(30, { triedWhole: false }), lesson(28, { triedWhole: false })];
    const asked = of({ clean: 4, missed: 6, lessons: gentle }, {});
    expect(asked).toMatchObject({ reason: { code: "whole-once" }, drill: { kind: "one-out" } });
  });
});
