import { describe, expect, it } from "@jest/globals";
import { PLACEMENT_ANSWERS, type PlacementAnswer } from "../log/decision.js";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import type { SideName } from "../sides.js";
import { ANSWER_CHANCES, beliefAfter, bothSides } from "./belief.js";
import { LEANS, LEVELS, placementModel, SIDES_TOGETHER, type Model } from "./model.js";
import { place } from "./placement.js";
import { expectedInformation } from "./question.js";

const CATALOGUE = catalogueOf(
  ["a", "one", ""],
  ["b", "two", "a"],
  ["c", "one", "b both"],
  ["d", "one", "a"],
  ["e", "one", "c / d"],
);
const MODEL = placementModel(syllabusOf({ catalogue: CATALOGUE, school: FIVE_IN_A_ROW }), {
  strongerSide: "right",
});

type Line = readonly [subject: string, side: SideName, answer: PlacementAnswer];

function read(...answers: readonly Line[]) {
  const placement = place(
    MODEL,
    answers.map(([subject, side, answer]) => ({ subject, side, answer })),
  );
  const of = (subject: string, side: SideName) =>
    placement.conclusions.find((one) => one.subject === subject && one.side === side);
  return { ...placement, of };
}

describe("both sides of a skill", () => {
  it("are known together at most as often as the less likely of them, at least as if by chance", () => {
    for (const one of [0, 0.2, 0.5, 0.9, 1]) {
      for (const other of [0, 0.3, 0.5, 1]) {
        const both = bothSides(one, other);
        expect(both).toBeLessThanOrEqual(Math.min(one, other) + 1e-12);
        expect(both).toBeGreaterThanOrEqual(one * other - 1e-12);
      }
    }
  });
});

describe("placement", () => {
  it("takes what a passed side needs as sure, and what needs a failed side as surely not", () => {
    const { of } = read(["c", "whole", "clean"], ["d", "whole", "no"]);
    expect(of("c", "whole")).toMatchObject({ basis: "seen", isKnown: true });
    for (const side of ["left", "right"] as const) {
      expect(of("b", side)).toMatchObject({ basis: "sure", isKnown: true });
    }
    expect(of("a", "whole")).toMatchObject({ basis: "sure", isKnown: true });
    expect(of("e", "whole")).toMatchObject({ basis: "likely" });
    expect(read(["c", "whole", "no"], ["d", "whole", "nearly"]).of("e", "whole")).toMatchObject({
      basis: "sure",
      isKnown: false,
    });
  });

  it("leaves an either open, until one way is ruled out", () => {
    expect(read(["e", "whole", "clean"]).of("d", "whole")?.basis).toBe("likely");
    const { of } = read(["e", "whole", "clean"], ["c", "whole", "no"]);
    expect(of("d", "whole")).toMatchObject({ basis: "sure", isKnown: true });
  });

  it("lets what was seen stand against the tree, for those who broke its order", () => {
    const { of } = read(["a", "whole", "no"], ["b", "right", "clean"]);
    expect(of("a", "whole")).toMatchObject({ basis: "seen", isKnown: false });
    expect(of("b", "right")).toMatchObject({ basis: "seen", isKnown: true });
  });

  it("lets a later answer to a side replace the earlier one", () => {
    expect(read(["a", "whole", "no"], ["a", "whole", "clean"]).of("a", "whole")?.isKnown).toBe(true);
  });

  it("asks only what is open, on the sides that are open, and stops when nothing is", () => {
    const { next } = read(["b", "right", "clean"]);
    expect(next?.subject).not.toBe("a");
    const all = read(["c", "whole", "clean"], ["d", "whole", "clean"], ["e", "whole", "clean"]);
    expect(all.next).toBeNull();
    expect(all.expectedWrong).toBe(0);
  });

  it("asks about something else where a skill is passed over", () => {
    const first = place(MODEL, []).next?.subject ?? "";
    expect(place(MODEL, [], new Set([first])).next?.subject).not.toBe(first);
  });

  it("expects more of somebody who has jumped for years", () => {
    const chance = (years: number) => {
      const model = placementModel(syllabusOf({ catalogue: CATALOGUE, school: FIVE_IN_A_ROW }), {
        strongerSide: "right",
        years,
      });
      return place(model, []).conclusions.at(-1)?.chance ?? 0;
    };
    expect(chance(0)).toBeLessThan(chance(6));
  });
});

/** P(x of `one`, y of `other`) by summing over every level, lean and pair of sides, from the model alone. */
function jointByEnumeration(model: Model, one: number, other: number, both: boolean): number {
  let sum = 0;
  const at = (side: number, level: number, lean: number) =>
    model.known[(side * LEVELS + level) * LEANS + lean] ?? 0;
  for (let level = 0; level < LEVELS; level += 1) {
    for (let lean = 0; lean < LEANS; lean += 1) {
      const weight = (model.levelPrior[level] ?? 0) * (model.leanPrior[lean] ?? 0);
      // One strand: the same lean for both sides.
      const [p, q] = [at(one, level, lean), at(other, level, lean)];
      sum += weight * (both ? p * q : p);
    }
  }
  return sum;
}

describe("the expected information", () => {
  it("is the mutual information of the answer and every side, by plain enumeration", () => {
    const belief = beliefAfter(MODEL, []);
    const asked = MODEL.nodes.findIndex((node) => node.subject === "c");
    const other = MODEL.nodes.findIndex((node) => node.subject === "d");
    const own = jointByEnumeration(MODEL, asked, other, false);
    const its = jointByEnumeration(MODEL, other, asked, false);
    const both = jointByEnumeration(MODEL, asked, other, true);
    const table = [
      [both, own - both],
      [its - both, 1 - own - its + both],
    ];
    let bits = 0;
    for (const answer of PLACEMENT_ANSWERS) {
      const { known, unknown } = ANSWER_CHANCES[answer];
      for (const column of [0, 1] as const) {
        const joint = (table[0]?.[column] ?? 0) * known + (table[1]?.[column] ?? 0) * unknown;
        const ofAnswer = own * known + (1 - own) * unknown;
        const ofOther = column === 0 ? its : 1 - its;
        bits += joint * Math.log2(joint / (ofAnswer * ofOther));
      }
    }
    expect(expectedInformation(belief, asked, [other])).toBeCloseTo(bits, 9);
  });

  it("is never negative, and tells most about the side itself", () => {
    const belief = beliefAfter(MODEL, []);
    const sides = MODEL.nodes.map((_, index) => index);
    for (const one of sides) {
      const about = sides.map((other) => expectedInformation(belief, one, [other]));
      expect(Math.min(...about)).toBeGreaterThanOrEqual(-1e-12);
      expect(Math.max(...about)).toBeCloseTo(about[one] ?? 0, 9);
    }
  });

  it("moves the other side of a skill along with the one that was seen, as far as they go together", () => {
    expect(SIDES_TOGETHER).toBeGreaterThan(0.5);
    const chances = (...seen: readonly Line[]) => read(...seen).of("b", "left")?.chance ?? 0;
    expect(chances(["b", "right", "clean"])).toBeGreaterThan(chances());
    expect(chances(["b", "right", "no"])).toBeLessThan(chances());
  });
});
