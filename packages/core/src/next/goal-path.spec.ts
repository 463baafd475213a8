import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { NO_FACTS, type StandingFacts } from "../record/evidence.js";
import { expectedTriesLeft, LEARNING_PACES } from "../record/learner.js";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import type { SideName } from "../sides.js";
import { skillOf, type Catalogue } from "../syllabus/catalogue.js";
import type { School } from "../syllabus/gates.js";
import { goalPath } from "./goal-path.js";
import { sideKey, type SubjectSide } from "../syllabus/side-table.js";
import { isMet, standingsOf, type Standing, type Unmet } from "../record/standing.js";

const NOW = Date.UTC(2026, 5, 1);

function read(
  catalogue: Catalogue,
  record: readonly (readonly [subject: string, side: SideName, best: number])[] = [],
  school: School = FIVE_IN_A_ROW,
) {
  const facts = new Map(
    record.map(([subject, side, best]): [string, StandingFacts] => [
      sideKey(subject, side),
      {
        ...NO_FACTS,
        sets: 1,
        bestStreak: best,
        gateBest: best,
        cleared: best >= 5 ? { at: NOW, by: "gate", count: null } : null,
      },
    ]),
  );
  const context = { catalogue, school, now: NOW, today: "2026-06-01" };
  return { standings: standingsOf(context, facts), context };
}

function standingAt(standings: readonly Standing[], { subject, side }: SubjectSide): Standing {
  const found = standings.find((one) => one.subject === subject && one.side === side);
  if (found === undefined) throw new Error(`no ${subject} ${side}`);
  return found;
}

const named = (steps: readonly { readonly subject: string; readonly side: SideName }[]) =>
  steps.map(({ subject, side }) => (side === "whole" ? subject : `${subject} ${side}`));

describe("the path to a goal", () => {
  const catalogue = catalogueOf(
    ["a", "one", ""],
    ["b", "two", "a"],
    ["c", "one", "b both"],
    ["dear", "one", "a", "quad"],
    ["goal", "one", "c / dear; b"],
  );

  it("takes the cheaper way and puts every side after what it needs", () => {
    const { standings, context } = read(catalogue);
    const path = goalPath(standings, [{ subject: "goal", side: "whole" }], context);
    expect(named(path.steps)).toEqual(["a", "b left", "b right", "c", "goal"]);
    expect(path.choices).toContainEqual({
      subject: "goal",
      side: "whole",
      taken: [{ subject: "c", side: "whole" }],
      passed: [[{ subject: "dear", side: "whole" }]],
    });
    expect(path.tries.expected).toBeCloseTo(
      path.steps.reduce((sum, step) => sum + step.tries.expected, 0),
      9,
    );
    expect(path.tries.low).toBeLessThan(path.tries.expected);
  });

  it("is empty for what is cleared, and joins several goals without counting a side twice", () => {
    const { standings, context } = read(catalogue, [["a", "whole", 5]]);
    expect(goalPath(standings, [{ subject: "a", side: "whole" }], context).steps).toEqual([]);
    const goals = [
      { subject: "b", side: "both" },
      { subject: "c", side: "whole" },
    ] as const;
    expect(named(goalPath(standings, goals, context).steps)).toEqual(["b left", "b right", "c"]);
  });

  it("asks n in a row of a cleared skill where its gate is less", () => {
    const asking = catalogueOf(["a", "one", ""], ["b", "one", "a ≥ 9"]);
    const { standings, context } = read(asking, [["a", "whole", 5]]);
    const [first] = goalPath(standings, [{ subject: "b", side: "whole" }], context).steps;
    expect(first).toMatchObject({ subject: "a", status: "cleared", gate: { kind: "streak", count: 9 } });
  });

  it("puts the base test after its parts and before the first multiple", () => {
    const base = catalogueOf(
      ["basic-bounce", "one", ""],
      ["single-leg-hop", "two", "basic-bounce"],
      ["run-step", "one", "basic-bounce"],
      ["high-knees", "one", "run-step"],
      ["double-under", "one", "basic-bounce", "double"],
    );
    const school = { ...FIVE_IN_A_ROW, asksBaseTest: true };
    const { standings, context } = read(base, [], school);
    const { steps } = goalPath(standings, [{ subject: "double-under", side: "whole" }], context);
    expect(named(steps)).toEqual([
      "basic-bounce",
      "single-leg-hop left",
      "single-leg-hop right",
      "run-step",
      "high-knees",
      "base-test",
      "double-under",
    ]);
  });

  it("begins with what would open a locked side today", () => {
    const { standings, context } = read(catalogue, [["a", "whole", 5]]);
    const path = goalPath(standings, [{ subject: "c", side: "whole" }], context);
    const before = path.steps.filter((step) => step.subject !== "c");
    expect(before).toHaveLength(2);
    expect(before.find((step) => step.status !== "locked")).toMatchObject({
      subject: "b",
      side: "left",
      gate: { count: 5 },
    });
  });
});

/** The least cost over every combination of choices, whatever they have in common: what the search must equal. */
function bruteForce(standings: readonly Standing[], catalogue: Catalogue, goal: Standing): number {
  const at = (one: Unmet) => standingAt(standings, one);
  const cost = (one: Standing, gate: Standing["gate"]) => {
    const { skillClass, beats } = skillOf(catalogue, one.subject);
    return expectedTriesLeft(one.facts, gate, LEARNING_PACES[skillClass], beats, NOW);
  };
  const visit = (asked: ReadonlyMap<Standing, number>, waiting: readonly (readonly Unmet[])[]): number => {
    const [need, ...rest] = waiting;
    if (need === undefined) return [...asked.values()].reduce((sum, one) => sum + one, 0);
    const ways = [...new Set(need.map((one) => one.way))].map((way) => need.filter((one) => one.way === way));
    return Math.min(
      ...ways.map((way) => {
        const next = new Map(asked);
        const more = way.flatMap((unmet) => {
          const one = at(unmet);
          const isNew = !next.has(one);
          next.set(one, Math.max(next.get(one) ?? 0, cost(one, unmet.gate)));
          return isNew ? needsOf(one) : [];
        });
        return visit(next, [...rest, ...more]);
      }),
    );
  };
  const needsOf = (one: Standing) =>
    one.status !== "locked"
      ? []
      : [...new Set(one.unmet.map((unmet) => unmet.needIndex))].map((index) =>
          one.unmet.filter((unmet) => unmet.needIndex === index),
        );
  return visit(new Map([[goal, cost(goal, goal.gate)]]), needsOf(goal));
}

const CLASSES = ["base", "cross", "double", "quad"] as const;

/** Small catalogues in which every skill may need any of those before it, one way or the other. */
const smallGraphs = fc
  .array(
    fc.record({
      twoSided: fc.boolean(),
      skillClass: fc.constantFrom(...CLASSES),
      needs: fc.array(fc.array(fc.tuple(fc.nat(99), fc.boolean()), { minLength: 1, maxLength: 3 }), {
        maxLength: 2,
      }),
      best: fc.constantFrom(0, 0, 0, 3, 5, 7),
    }),
    { minLength: 3, maxLength: 8 },
  )
  .map((rows) => {
    const lines = rows.map(({ twoSided, skillClass, needs }, place) => {
      const term = ([pick, nine]: readonly [number, boolean]) => `s${pick % place}${nine ? " ≥ 9" : ""}`;
      const text = place === 0 ? "" : needs.map((need) => need.map(term).join(" / ")).join("; ");
      return [`s${place}`, twoSided ? "two" : "one", text, skillClass] as const;
    });
    const record = rows.map(({ twoSided, best }, place) => {
      const side: SideName = twoSided ? "left" : "whole";
      return [`s${place}`, side, best] as const;
    });
    return { catalogue: catalogueOf(...lines), record: record.filter(([, , best]) => best > 0) };
  });

describe("the search for it", () => {
  it("costs what trying every combination of choices costs, on small graphs", () => {
    fc.assert(
      fc.property(smallGraphs, ({ catalogue, record }) => {
        const { standings, context } = read(catalogue, record);
        for (const goal of standings.filter((one) => !isMet(one.status))) {
          const path = goalPath(standings, [goal], context);
          expect(path.tries.expected).toBeCloseTo(bruteForce(standings, catalogue, goal), 6);
        }
      }),
      { numRuns: 150 },
    );
  });
});
