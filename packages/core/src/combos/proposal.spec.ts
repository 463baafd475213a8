import { describe, expect, it } from "@jest/globals";
import { mirrorScore } from "../rope/mirror.js";
import { scoreOf } from "../rope/parse.js";
import { COMBO_CATALOGUE } from "../testing/combo-catalogue.js";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import { classOfScore, hasSides, proposedNeeds } from "./proposal.js";

const SYLLABUS = syllabusOf({ catalogue: COMBO_CATALOGUE, school: FIVE_IN_A_ROW });
const needsOf = (text: string) =>
  proposedNeeds(SYLLABUS, scoreOf(text)).map(
    ({ term: { skill, sides }, reason }) => `${skill} ${sides} ${reason}`,
  );

describe("whether a score has sides", () => {
  it.each([
    ["o", false],
    ["xr o", true],
    ["sr sl o", true],
    ["sr o sl o", false],
    ["sr xr sl xl", false],
    ["o/r o/l", false],
    ["o/l+kneer o", true],
    ["(o o)", false],
    ["< xr o", true],
  ])("%s: %s", (text, expected) => {
    expect(hasSides(scoreOf(text))).toBe(expected);
    expect(hasSides(mirrorScore(scoreOf(text)))).toBe(expected);
  });
});

describe("the class of a score", () => {
  it.each([
    ["o o", "base"],
    ["o/r+tapl o/l+tapr", "footwork"],
    ["o/r+toel o/l+toer", "taps"],
    ["o+squat", "power"],
    ["sr o sl", "swing"],
    ["o sr+turnr o", "turn"],
    ["o hr o", "release"],
    ["xr xl o", "cross"],
    ["br o bl o", "fusion"],
    ["sr xr o", "fusion"],
    ["xr ur o", "fusion"],
    ["(sr o)", "double"],
    ["xr (o o) o", "fused-double"],
    ["(o o o)", "triple"],
    ["(o o o o) xr", "quad"],
  ])("of %s is %s", (text, expected) => {
    expect(classOfScore(scoreOf(text))).toBe(expected);
    expect(classOfScore(mirrorScore(scoreOf(text)))).toBe(expected);
  });
});

describe("what a score needs", () => {
  it("is what stands in it, without what that needs", () => {
    expect(needsOf("sr xr o sr xr sl o")).toEqual(["side-swing both held", "cross same held"]);
  });

  it("is what would stand in it, taken slower", () => {
    expect(needsOf("(sr xr)")).toContain("cross same slower");
  });

  it("is the simplest that has something of it, where nothing stands in it", () => {
    expect(needsOf("(o o)/r (o o)/l")).toContain("double same alike");
  });

  it("is the bounce, where it asks for nothing else", () => {
    expect(needsOf("o o o")).toEqual(["basic-bounce same held"]);
  });

  it("is asked of the other side, or of both, where it stands in it there", () => {
    expect(needsOf("xl o xl o xl sl")).toContain("cross other held");
    expect(needsOf("xr o xl o xl sl")).toContain("cross both held");
  });

  it("of its mirror is its own, the other side for the same", () => {
    const swapped = { same: "other", other: "same", both: "both" } as const;
    for (const text of ["sr xr o xr", "xl o sl sr o", "(sr xr) o", "xr (o o) sr"]) {
      const own = proposedNeeds(SYLLABUS, scoreOf(text)).map(({ term }) => {
        const isTwoSided = COMBO_CATALOGUE.skills.get(term.skill)?.twoSided === true;
        return `${term.skill} ${isTwoSided ? swapped[term.sides] : term.sides}`;
      });
      const mirrored = proposedNeeds(SYLLABUS, mirrorScore(scoreOf(text)));
      expect(mirrored.map(({ term }) => `${term.skill} ${term.sides}`).sort()).toEqual(own.sort());
    }
  });

  it("is never the skill itself", () => {
    const except = "cross";
    const found = proposedNeeds(SYLLABUS, scoreOf("xr o"), except);
    expect(found.map(({ term }) => term.skill)).not.toContain(except);
  });

  it("leaves alone what has more turns in a jump than anybody learns in parts", () => {
    expect(needsOf("(o o o o o o)").every((one) => !one.endsWith("slower"))).toBe(true);
  });
});
