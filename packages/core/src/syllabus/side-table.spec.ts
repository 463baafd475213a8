import { describe, expect, it } from "@jest/globals";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { siblingsOf } from "./catalogue.js";
import { sideKey, sideTable } from "./side-table.js";

const CATALOGUE = catalogueOf(
  ["a", "one", ""],
  ["b", "two", "a ≥ 9"],
  ["c", "two", "b other"],
  ["d", "one", "b"],
  ["e", "one", "b both; c / d"],
);
const TABLE = sideTable(CATALOGUE, FIVE_IN_A_ROW);

function needs(subject: string, side: "left" | "right" | "whole") {
  const node = TABLE.nodes[TABLE.indexOf.get(sideKey(subject, side)) ?? -1];
  return node?.needs.map((ways) => ways.map((way) => way.map((one) => sideKey(one.subject, one.side))));
}

describe("the table of sides", () => {
  it("numbers every side after all that it needs, left before right", () => {
    expect(TABLE.nodes.map(({ subject, side }) => sideKey(subject, side))).toEqual([
      "a:whole",
      "b:left",
      "b:right",
      "c:left",
      "c:right",
      "d:whole",
      "e:whole",
    ]);
    TABLE.nodes.forEach(({ needs }, index) => {
      for (const one of needs.flat(2)) expect(one.index).toBeLessThan(index);
    });
  });

  it("asks the same side, the other, both, or either of a skill without sides", () => {
    expect(needs("b", "left")).toEqual([[["a:whole"]]]);
    expect(needs("c", "left")).toEqual([[["b:right"]]]);
    expect(needs("d", "whole")).toEqual([[["b:left"], ["b:right"]]]);
    expect(needs("e", "whole")).toEqual([[["b:left", "b:right"]], [["c:left"], ["c:right"], ["d:whole"]]]);
  });

  it("takes a count from the need, else from the school, else leaves it to the gate", () => {
    const counts = (school: typeof FIVE_IN_A_ROW) =>
      sideTable(CATALOGUE, school).nodes.flatMap(({ needs }) => needs.flat(2).map((one) => one.count));
    expect(counts(FIVE_IN_A_ROW).slice(0, 3)).toEqual([9, 9, null]);
    const asking = { ...FIVE_IN_A_ROW, needCounts: { d: { b: 40 } } };
    expect(counts(asking)).toContain(40);
  });

  it("is made once for a catalogue and school", () => {
    expect(sideTable(CATALOGUE, FIVE_IN_A_ROW)).toBe(TABLE);
    expect(sideTable(CATALOGUE, { ...FIVE_IN_A_ROW })).not.toBe(TABLE);
  });
});

describe("siblings", () => {
  it("are the skills that stand in one either", () => {
    expect(siblingsOf(CATALOGUE, "c")).toEqual(["d"]);
    expect(siblingsOf(CATALOGUE, "b")).toEqual([]);
  });
});
