import { describe, expect, it } from "@jest/globals";
import { LIMITS } from "../rope/score.js";
import { COMBO_CATALOGUE, partsOf } from "../testing/combo-catalogue.js";
import { comboKey } from "../log/combo-subject.js";
import { comboFaults } from "./combo-faults.js";
import type { ComboPart } from "./part.js";

const codes = (parts: readonly ComboPart[]) =>
  comboFaults(COMBO_CATALOGUE, parts).map(({ part, code }) => `${part ?? "-"} ${code}`);
const own = (changes: Partial<ComboPart>): ComboPart => ({
  subject: null,
  side: "whole",
  score: "o",
  times: 1,
  ...changes,
});

describe("what may be kept", () => {
  it("is a legal combo of skills, whole or closed up, of turns, and of other combos", () => {
    expect(codes(partsOf("o sr sl (o o) xr o"))).toEqual([]);
    expect(codes([own({ subject: comboKey("x".repeat(36).replaceAll("x", "0")), score: "o xr o" })])).toEqual(
      [],
    );
  });

  it("is not a combo of nothing", () => {
    expect(codes([])).toEqual(["- no-parts"]);
  });

  it("is named by the part that is wrong", () => {
    expect(codes([own({}), own({ score: "o q" }), own({ subject: "moonwalk" })])).toEqual([
      "1 does-not-parse",
      "2 unknown-skill",
    ]);
  });

  it("takes no skill for another, nor on a side that it does not have", () => {
    expect(codes([own({ subject: "cross", side: "right", score: "xl o" })])).toEqual(["0 not-its-score"]);
    expect(codes([own({ subject: "cross", side: "whole", score: "xr o" })])).toEqual(["0 not-its-score"]);
    expect(codes([own({ subject: "double", side: "left", score: "(o o)" })])).toEqual(["0 not-its-score"]);
  });

  it("has its joins judged, and its counts counted", () => {
    expect(codes(partsOf("sr sl", "xr o"))).toEqual(["1 not-legal"]);
    const [first] = comboFaults(COMBO_CATALOGUE, [own({ score: "[o*99]*20", times: 99 })]);
    expect(first).toMatchObject({ part: null, code: "too-long" });
    expect(first?.message).toContain(`at most ${LIMITS.beats}`);
  });
});
