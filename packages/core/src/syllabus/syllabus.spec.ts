import { describe, expect, it } from "@jest/globals";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { siblingsOf } from "./catalogue.js";
import type { School } from "./gates.js";
import { sideKey } from "./side-text.js";
import { sideOf, syllabusOf } from "./syllabus.js";

const CATALOGUE = catalogueOf(
  ["a", "one", ""],
  ["b", "two", "a ≥ 9"],
  ["c", "two", "b other"],
  ["d", "one", "b"],
  ["e", "one", "b both; c / d"],
);
const SYLLABUS = syllabusOf({ catalogue: CATALOGUE, school: FIVE_IN_A_ROW });

function needs(subject: string, side: "left" | "right" | "whole") {
  const asked = sideOf(SYLLABUS, subject, side).needs;
  return asked.map((ways) => ways.map((way) => way.map(({ of }) => sideKey(of.subject, of.side))));
}

describe("the sides of a syllabus", () => {
  it("stand after all that they need, left before right", () => {
    expect(SYLLABUS.sides.map(({ subject, side }) => sideKey(subject, side))).toEqual([
      "a:whole",
      "b:left",
      "b:right",
      "c:left",
      "c:right",
      "d:whole",
      "e:whole",
    ]);
    SYLLABUS.sides.forEach(({ needs: own, index }, place) => {
      expect(index).toBe(place);
      for (const one of own.flat(2)) expect(one.of.index).toBeLessThan(index);
    });
  });

  it("ask the same side, the other, both, or either of a skill without sides", () => {
    expect(needs("b", "left")).toEqual([[["a:whole"]]]);
    expect(needs("c", "left")).toEqual([[["b:right"]]]);
    expect(needs("d", "whole")).toEqual([[["b:left"], ["b:right"]]]);
    expect(needs("e", "whole")).toEqual([[["b:left", "b:right"]], [["c:left"], ["c:right"], ["d:whole"]]]);
  });

  it("take a count from the need, else from the school, else leave it to the gate", () => {
    const counts = (school: School) =>
      syllabusOf({ catalogue: CATALOGUE, school }).sides.flatMap((side) =>
        side.needs.flat(2).map((one) => one.count),
      );
    expect(counts(FIVE_IN_A_ROW).slice(0, 3)).toEqual([9, 9, null]);
    const asking = { ...FIVE_IN_A_ROW, needCounts: { d: { b: 40 } } };
    expect(counts(asking)).toContain(40);
  });

  it("are made once for a catalogue, a school and what is set otherwise", () => {
    expect(syllabusOf({ catalogue: CATALOGUE, school: FIVE_IN_A_ROW })).toBe(SYLLABUS);
    expect(syllabusOf({ catalogue: CATALOGUE, school: FIVE_IN_A_ROW, overrides: [{ skills: {} }] })).toBe(
      SYLLABUS,
    );
    expect(syllabusOf({ catalogue: CATALOGUE, school: { ...FIVE_IN_A_ROW } })).not.toBe(SYLLABUS);
    const overrides = [{ skills: { a: { kind: "streak", count: 7 } } }] as const;
    expect(syllabusOf({ catalogue: CATALOGUE, school: FIVE_IN_A_ROW, overrides }).sides[0]?.gateStreak).toBe(
      7,
    );
  });

  it("are found by subject and side, and by nothing else", () => {
    expect(SYLLABUS.find("b", "right")).toBe(SYLLABUS.sides[2]);
    expect([SYLLABUS.find("b", "whole"), SYLLABUS.find("a", "left"), SYLLABUS.find("z", "whole")]).toEqual([
      null,
      null,
      null,
    ]);
    expect(() => sideOf(SYLLABUS, "b", "whole")).toThrow(RangeError);
  });
});

describe("siblings", () => {
  it("are the skills that stand in one either", () => {
    expect(siblingsOf(CATALOGUE, "c")).toEqual(["d"]);
    expect(siblingsOf(CATALOGUE, "b")).toEqual([]);
  });
});
