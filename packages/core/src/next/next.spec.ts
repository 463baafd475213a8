import { describe, expect, it } from "@jest/globals";
import { sideKey } from "../syllabus/side-table.js";
import { standingsOf } from "../record/standing.js";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import type { SideName } from "../sides.js";
import { NO_FACTS } from "../record/evidence.js";
import { nextDrills, type NextContext } from "./next.js";
import type { Catalogue } from "../syllabus/catalogue.js";

const NOW = Date.UTC(2026, 5, 1);
const CATALOGUE = catalogueOf(
  ["bounce", "one", ""],
  ["swing", "two", "bounce", "swing"],
  ["double", "one", "bounce", "double"],
  ["both", "one", "swing both; double"],
);

function next(
  record: readonly (readonly [string, SideName, number])[],
  strongerSide: "left" | "right" = "right",
  options: Partial<NextContext> = {},
  catalogue: Catalogue = CATALOGUE,
) {
  const facts = new Map(
    record.map(([subject, side, best]) => [
      sideKey(subject, side),
      {
        ...NO_FACTS,
        sets: 1,
        bestStreak: best,
        gateBest: best,
        cleared: best >= 5 ? ({ at: NOW, by: "gate", count: null } as const) : null,
      },
    ]),
  );
  const standings = standingsOf({ catalogue, school: FIVE_IN_A_ROW, now: NOW, today: "2026-06-01" }, facts);
  return nextDrills(standings, { catalogue, strongerSide, now: NOW, today: "2026-06-01", ...options });
}

describe("what comes next", () => {
  it("proposes nothing that is locked, cleared or taken as known", () => {
    expect(next([]).map((one) => one.subject)).toEqual(["bounce"]);
    expect(next([["swing", "left", 5]]).map((one) => one.subject)).not.toContain("bounce");
  });

  it("tries the gate itself once the best is near it", () => {
    const [first] = next([
      ["bounce", "whole", 5],
      ["swing", "left", 4],
    ]);
    expect(first).toMatchObject({
      subject: "swing",
      side: "left",
      drill: { kind: "streak", count: 5 },
      reason: { code: "near-gate", best: 4, gate: 5 },
    });
  });

  it("keeps the sides in step before it begins something new", () => {
    const [first, second] = next([
      ["bounce", "whole", 5],
      ["swing", "right", 5],
    ]);
    expect(first).toMatchObject({
      subject: "swing",
      side: "left",
      reason: { code: "other-side", cleared: "right" },
    });
    // The gate is short: it is tried whole, with the rung as its aim.
    expect(first).toMatchObject({ drill: { kind: "streak", count: 5 }, aim: 1, chance: 0.5 });
    expect(second).toMatchObject({ subject: "double", reason: { code: "new", opens: ["both"] } });
  });

  it("begins with the stronger side", () => {
    const sides = (stronger: "left" | "right") =>
      next([["bounce", "whole", 5]], stronger)
        .filter((one) => one.subject === "swing")
        .map((one) => [one.side, one.reason.code]);
    expect(sides("left")).toEqual([
      ["left", "new"],
      ["right", "second-side"],
    ]);
    expect(sides("right")[0]).toEqual(["right", "new"]);
  });

  it("says what a begun skill opens", () => {
    expect(next([["bounce", "whole", 2]])[0]?.reason).toEqual({ code: "opens", skills: ["swing", "double"] });
  });

  it("puts what is on the way to a goal first, before what is near its gate", () => {
    const gate = { kind: "streak", count: 5 } as const;
    const path = [{ subject: "double", side: "whole" as const, goal: "both", gate }];
    const [first] = next([["bounce", "whole", 5]], "right", { path });
    expect(first).toMatchObject({ subject: "double", reason: { code: "toward-goal", goal: "both" } });
    const [near] = next(
      [
        ["bounce", "whole", 5],
        ["swing", "left", 4],
      ],
      "right",
      { path },
    );
    expect(near?.reason.code).toBe("toward-goal");
  });

  it("asks for more of what is cleared where the path does, and for nothing else of it", () => {
    const gate = { kind: "streak", count: 50 } as const;
    const path = [{ subject: "bounce", side: "whole" as const, goal: "both", gate }];
    const [first] = next([["bounce", "whole", 12]], "right", { path });
    expect(first).toMatchObject({
      subject: "bounce",
      reason: { code: "toward-goal", goal: "both" },
    });
    expect(next([["bounce", "whole", 44]], "right", { path })[0]?.drill).toEqual(gate);
    expect(next([["bounce", "whole", 12]]).map((one) => one.subject)).not.toContain("bounce");
  });

  it("makes room for something else once a side was tried enough today", () => {
    const lesson = { lesson: "2026-06-01", bestStreak: 2, bestBefore: 0, chanceBefore: 0.5 };
    const first = (tries: number) => {
      const facts = new Map(
        [sideKey("bounce", "whole"), sideKey("swing", "left"), sideKey("swing", "right")].map(
          (key, place) => [
            key,
            place === 0
              ? { ...NO_FACTS, bestStreak: 5, cleared: { at: NOW, by: "gate", count: null } as const }
              : { ...NO_FACTS, sets: 1, bestStreak: 4, lessons: place === 1 ? [{ ...lesson, tries }] : [] },
          ],
        ),
      );
      const context = { catalogue: CATALOGUE, school: FIVE_IN_A_ROW, now: NOW, today: "2026-06-01" };
      return nextDrills(standingsOf(context, facts), { ...context, strongerSide: "left" })[0]?.side;
    };
    expect(first(59)).toBe("left");
    expect(first(60)).toBe("right");
  });

  it("lets both sides begin where they take turns", () => {
    const codes = next([["bounce", "whole", 5]], "right", { sideOrder: "alternate" })
      .filter((one) => one.subject === "swing")
      .map((one) => one.reason.code);
    expect(codes).toEqual(["new", "new"]);
  });
});

describe("which fused double is begun with", () => {
  const FUSED = catalogueOf(
    ["double-under", "one", ""],
    ["cross", "two", ""],
    ["cross-open-double", "two", "double-under; cross", "fused-double"],
    ["open-cross-double", "two", "double-under; cross", "fused-double"],
  );
  const ready = [
    ["double-under", "whole", 5],
    ["cross", "left", 5],
    ["cross", "right", 5],
  ] as const;
  const first = (fusedFirst: NextContext["fusedFirst"], doubles = 0) => {
    const options = fusedFirst === undefined ? {} : { fusedFirst };
    const record = ready.map(([subject, side, best]) => [subject, side, best + doubles] as const);
    return next(record, "right", options, FUSED).find((one) => one.subject.includes("open"))?.subject;
  };

  it("is the one that is set, or by the student's own record the open-cross where doubles are no weaker", () => {
    expect(first("open-cross")).toBe("open-cross-double");
    expect(first("cross-open")).toBe("cross-open-double");
    expect(first(undefined)).toBe("open-cross-double");
  });
});
