import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { isMet, standingOf, type Reading, type Standing } from "../record/standing.js";
import { expectedTriesTo } from "../record/tries.js";
import { catalogueOf, FIVE_IN_A_ROW, resultOf } from "../testing/small-catalogue.js";
import { readingWith, type Known } from "../testing/small-reading.js";
import type { SideName } from "../sides.js";
import { BARE_CRAFT, type Catalogue } from "../syllabus/catalogue.js";
import type { Gate, School } from "../syllabus/gates.js";
import { NO_ROLES } from "../syllabus/roles.js";
import type { Side } from "../syllabus/side.js";
import { goalPath, type Goal } from "./goal-path.js";

function read(catalogue: Catalogue, known: readonly Known[] = [], school: School = FIVE_IN_A_ROW): Reading {
  return readingWith(catalogue, known, { school });
}

const whole = (subject: string): Goal => ({ subject, side: "whole" });
const nameOf = ({ subject, side }: Side) => (side === "whole" ? subject : `${subject} ${side}`);
const named = (steps: readonly { readonly of: Side }[]) => steps.map(({ of }) => nameOf(of));

describe("the path to a goal", () => {
  const catalogue = catalogueOf(
    ["a", "one", ""],
    ["b", "two", "a"],
    ["c", "one", "b both"],
    ["dear", "one", "a", "quad"],
    ["goal", "one", "c / dear; b"],
  );

  it("takes the cheaper way and puts every side after what it needs", () => {
    const reading = read(catalogue);
    const path = goalPath(reading, [whole("goal")]);
    expect(named(path.steps)).toEqual(["a", "b left", "b right", "c", "goal"]);
    const choices = path.choices.map(({ of, taken, passed }) => ({
      of: nameOf(of),
      taken: taken.map(nameOf),
      passed: passed.map((way) => way.map(nameOf)),
    }));
    expect(choices).toContainEqual({ of: "goal", taken: ["c"], passed: [["dear"]] });
    expect(path.tries.expected).toBeCloseTo(
      path.steps.reduce((sum, step) => sum + step.tries.expected, 0),
      9,
    );
    expect(path.tries.low).toBeLessThan(path.tries.expected);
  });

  it("is empty for what is cleared, and joins several goals without counting a side twice", () => {
    const reading = read(catalogue, [["a", "whole", 5]]);
    expect(goalPath(reading, [whole("a")]).steps).toEqual([]);
    const goals = [
      { subject: "b", side: "both" },
      { subject: "c", side: "whole" },
    ] as const;
    expect(named(goalPath(reading, goals).steps)).toEqual(["b left", "b right", "c"]);
  });

  it("asks n in a row of a cleared skill where its gate is less", () => {
    const asking = catalogueOf(["a", "one", ""], ["b", "one", "a ≥ 9"]);
    const reading = read(asking, [["a", "whole", 5]]);
    const [first] = goalPath(reading, [whole("b")]).steps;
    expect(first).toMatchObject({
      of: { subject: "a" },
      status: "cleared",
      gate: { kind: "streak", count: 9 },
    });
  });

  it("puts the base test after its parts and before the first multiple", () => {
    const lines = [
      ["bounce", "one", ""],
      ["hop", "two", "bounce"],
      ["double", "one", "bounce", "double"],
    ] as const;
    const parts = [{ subject: "bounce", side: "whole" } as const, { subject: "hop", side: "left" } as const];
    const roles = { ...NO_ROLES, baseTest: { parts, count: 100, misses: 2 } };
    const built = resultOf(lines, { ...BARE_CRAFT, roles });
    if (!built.ok) throw new Error("no catalogue");
    const reading = read(built.catalogue, [], { ...FIVE_IN_A_ROW, asksBaseTest: true });
    const { steps } = goalPath(reading, [whole("double")]);
    expect(named(steps)).toEqual(["bounce", "hop left", "base-test", "double"]);
  });

  it("begins with what would open a locked side today", () => {
    const reading = read(catalogue, [["a", "whole", 5]]);
    const path = goalPath(reading, [whole("c")]);
    const before = path.steps.filter((step) => step.of.subject !== "c");
    expect(before).toHaveLength(2);
    expect(before.find((step) => step.status !== "locked")).toMatchObject({
      of: { subject: "b", side: "left" },
      gate: { count: 5 },
    });
  });
});

/** The least cost over every combination of choices, whatever they have in common: what the search must equal. */
function bruteForce(reading: Reading, goal: Standing): number {
  const cost = ({ of, belief }: Standing, gate: Gate) => {
    const gateStreak = gate.kind === "streak" ? gate.count : of.gateStreak;
    return expectedTriesTo(belief, gate, { skillClass: of.skill.skillClass, gateStreak }, reading.model);
  };
  const needsOf = (one: Standing) =>
    one.status !== "locked"
      ? []
      : [...new Set(one.unmet.map((unmet) => unmet.needIndex))].map((index) =>
          one.unmet.filter((unmet) => unmet.needIndex === index),
        );
  const visit = (asked: ReadonlyMap<Standing, number>, waiting: readonly Standing["unmet"][]): number => {
    const [need, ...rest] = waiting;
    if (need === undefined) return [...asked.values()].reduce((sum, one) => sum + one, 0);
    const ways = [...new Set(need.map((one) => one.way))].map((way) => need.filter((one) => one.way === way));
    return Math.min(
      ...ways.map((way) => {
        const next = new Map(asked);
        const more = way.flatMap((unmet) => {
          const one = standingOf(reading, unmet.of);
          const isNew = !next.has(one);
          next.set(one, Math.max(next.get(one) ?? 0, cost(one, unmet.gate)));
          return isNew ? needsOf(one) : [];
        });
        return visit(next, [...rest, ...more]);
      }),
    );
  };
  return visit(new Map([[goal, cost(goal, goal.of.gate)]]), needsOf(goal));
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
        const reading = read(catalogue, record);
        for (const goal of reading.standings.filter((one) => !isMet(one.status))) {
          const path = goalPath(reading, [{ subject: goal.of.subject, side: goal.of.side }]);
          expect(path.tries.expected).toBeCloseTo(bruteForce(reading, goal), 6);
        }
      }),
      { numRuns: 150 },
    );
  });
});
