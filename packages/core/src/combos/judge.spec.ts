import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { checkScore } from "../rope/check.js";
import { LIMITS } from "../rope/score.js";
import { allSides, COMBO_CATALOGUE, partsOf } from "../testing/combo-catalogue.js";
import { comboScore, comboText, type ComboPart } from "./part.js";
import { faultCount, judgeCombo } from "./judge.js";
import { clearedFrontBacks, comboPool } from "./pool.js";
import { repairsOf } from "./repair.js";

const POOL = comboPool(COMBO_CATALOGUE, allSides("cleared")).map(({ part }) => part);
const anyCombo = fc
  .array(fc.nat(POOL.length - 1), { minLength: 2, maxLength: 8 })
  .map((places) => places.flatMap((place): ComboPart[] => (POOL[place] === undefined ? [] : [POOL[place]])));

describe("a combo judged", () => {
  it("marks a join with the wrong arm on top, and not the parts", () => {
    const { parts, isLegal } = judgeCombo(partsOf("sr sl", "xr o"));
    expect(isLegal).toBe(false);
    expect(parts.map(({ inside, join }) => [inside.length, join.map((fault) => fault.code)])).toEqual([
      [0, []],
      [0, ["layer"]],
    ]);
  });

  it("marks a forward part after a half turn", () => {
    const judged = judgeCombo(partsOf("sr+turnr", "(o o)"));
    expect(judged.parts[1]?.join.map((fault) => fault.code)).toEqual(["direction"]);
  });

  it("says what is wrong within a part as the part's own", () => {
    const [own] = judgeCombo([{ subject: null, side: "whole", score: "(sr sl)", times: 1 }]).parts;
    expect(own?.inside.map((fault) => fault.code)).toEqual(["no-pass"]);
    expect(own?.join).toEqual([]);
  });

  it("finds all that the checker finds, for any parts", () => {
    fc.assert(
      fc.property(anyCombo, (parts) => {
        const judged = judgeCombo(parts);
        const rules = judged.parts
          .flatMap(({ inside, join }) => [...inside, ...join])
          .filter((fault) => fault.code !== "direction");
        const score = comboScore(parts);
        expect(rules).toHaveLength(score === null ? 0 : checkScore(score).length);
      }),
    );
  });

  it("refuses more counts than a score may have", () => {
    const many = partsOf("o*99", "[xr o]*99");
    const long = Array.from({ length: 14 }, () => many).flat();
    expect(() => judgeCombo(long)).toThrow(`at most ${LIMITS.beats}`);
  });
});

describe("the entry into a front-back cross", () => {
  const swingFirst = [...partsOf("sr"), ...partsOf("br o")];

  it("is no fault, but not for whoever has not cleared it", () => {
    const [, part] = judgeCombo(swingFirst, { sideways: new Set() }).parts;
    expect(part).toMatchObject({ join: [], sideways: [{ code: "sideways-entry", beat: 1 }] });
    expect(faultCount(judgeCombo(swingFirst))).toBe(0);
  });

  it("is open to whoever has cleared a skill with that very cross, and not to whom it was inferred", () => {
    const cleared = clearedFrontBacks(COMBO_CATALOGUE, allSides("locked", { "front-back:right": "cleared" }));
    expect([...cleared]).toEqual(["br"]);
    expect(clearedFrontBacks(COMBO_CATALOGUE, allSides("locked", { "front-back": "inferred" })).size).toBe(0);
    expect(faultCount(judgeCombo(swingFirst, { sideways: cleared }))).toBe(0);
  });

  it("is mended by an open turn between", () => {
    const texts = repairsOf(COMBO_CATALOGUE, swingFirst, 1, { sideways: new Set() }).map(({ parts }) =>
      comboText(parts),
    );
    expect(texts).toContain("sr o br o");
  });
});

describe("repairs", () => {
  const textsOf = (...texts: readonly string[]) =>
    repairsOf(COMBO_CATALOGUE, partsOf(...texts), 1).map(({ kind, parts }) => `${kind}: ${comboText(parts)}`);

  it("are the other side, and the shortest that may stand between", () => {
    expect(textsOf("sr sl", "xr o")).toEqual(
      expect.arrayContaining(["mirror: sr sl xl o", "mirror-before: sl sr xr o", "insert: sr sl o xr o"]),
    );
    expect(textsOf("sr sl", "xr o")[0]).toBe("mirror: sr sl xl o");
  });

  it("are a half turn where the rope turns the other way", () => {
    expect(textsOf("sr+turnr", "(o o)")).toContain("insert: sr+turnr o+turnr (o o)");
  });

  it("are another variant, where the catalogue has one that fits", () => {
    // A back-arm swing cannot follow a front-back cross of the other arm; its sibling can.
    const kinds = repairsOf(COMBO_CATALOGUE, partsOf("sr", "br o"), 1, { sideways: new Set() }).map(
      ({ kind }) => kind,
    );
    expect(kinds).toContain("variant");
  });

  it("are the same in the middle of a long combo, which stays as it was around them", () => {
    const around = Array.from({ length: 40 }, (_, place) => (place % 2 === 0 ? "o" : "xr o"));
    const long = partsOf(...around, "sr sl", "xr o", ...around);
    const place = long.findIndex((part, at) => part.score === "xr o" && long[at - 1]?.score === "sr sl");
    const repairs = repairsOf(COMBO_CATALOGUE, long, place);
    const short = repairsOf(COMBO_CATALOGUE, partsOf("o", "sr sl", "xr o", "o"), 2);
    expect(repairs.map(({ kind, cost, left }) => [kind, cost, left])).toEqual(
      short.map(({ kind, cost, left }) => [kind, cost, left]),
    );
    for (const { parts } of repairs) expect(faultCount(judgeCombo(parts))).toBe(0);
  });

  it("are none for a join with nothing wrong", () => {
    expect(textsOf("sr o", "xr o")).toEqual([]);
    expect(repairsOf(COMBO_CATALOGUE, partsOf("xr o"), 0)).toEqual([]);
  });

  it("leave less wrong than before, the cheapest first, for any parts", () => {
    fc.assert(
      fc.property(anyCombo, (parts) => {
        const judged = judgeCombo(parts);
        judged.parts.forEach(({ join }, place) => {
          const repairs = repairsOf(COMBO_CATALOGUE, parts, place);
          if (join.length === 0) expect(repairs).toEqual([]);
          for (const repair of repairs) {
            expect(faultCount(judgeCombo(repair.parts))).toBe(repair.left);
            expect(repair.left).toBeLessThan(faultCount(judged));
          }
          const ranks = repairs.map(({ left, cost }) => left * 1000 + cost);
          expect(ranks).toEqual([...ranks].sort((one, other) => one - other));
        });
      }),
      { numRuns: 60 },
    );
  });
});
