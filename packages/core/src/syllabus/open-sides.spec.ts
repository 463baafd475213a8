import { describe, expect, it } from "@jest/globals";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { readingWith, type Known } from "../testing/small-reading.js";
import { findStanding, isMet } from "../record/standing.js";
import { openSides } from "./open-sides.js";
import { skillOf } from "./catalogue.js";

const CATALOGUE = catalogueOf(
  ["bounce", "one", ""],
  ["swing", "two", "bounce"],
  ["cross", "two", "swing other; bounce"],
  ["both", "one", "swing both"],
  ["either", "one", "swing / cross"],
);

describe("the sides that somebody could begin", () => {
  const open = (id: string, known: readonly Known[]) => {
    const reading = readingWith(CATALOGUE, known, { school: FIVE_IN_A_ROW });
    const isKnown = ({
      subject,
      side,
    }: {
      readonly subject: string;
      readonly side: "left" | "right" | "whole";
    }) => {
      const standing = findStanding(reading, subject, side);
      return standing !== null && isMet(standing.status);
    };
    return openSides(CATALOGUE, skillOf(CATALOGUE, id), isKnown);
  };

  it("are told by what each needs on its side, the other one, both or either", () => {
    const left: readonly Known[] = [
      ["bounce", "whole", 5],
      ["swing", "left", 5],
    ];
    expect(open("swing", [])).toEqual([]);
    expect(open("swing", left)).toEqual(["left", "right"]);
    expect(open("cross", left)).toEqual(["right"]);
    expect(open("both", left)).toEqual([]);
    expect(open("both", [...left, ["swing", "right", 5]])).toEqual(["whole"]);
    expect(open("either", left)).toEqual(["whole"]);
    expect(open("bounce", [])).toEqual(["whole"]);
  });
});
