import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { expandBeats } from "../rope/score.js";
import { checkScore } from "../rope/check.js";
import { scoreOf } from "../rope/parse.js";
import { printScore } from "../rope/print.js";
import { traceBeats } from "../rope/trace.js";
import { legalText, scoreText } from "../testing/arbitrary-score.js";
import { COMBO_CATALOGUE, partsOf } from "../testing/combo-catalogue.js";
import { closedUp, comboText, countsOf, gathered, isBounce, mirrorPart, partOfSkill } from "./part.js";
import { partsOfScore } from "./read-parts.js";

const named = (text: string) =>
  partsOf(text).map(
    ({ subject, side, times }) => `${subject ?? "?"}:${side}${times > 1 ? ` ×${times}` : ""}`,
  );

/** What a jumper does in each beat, which is the same however the text groups it. */
function jumped(text: string): readonly string[] {
  const score = scoreOf(text);
  return traceBeats(expandBeats(score), score.direction, "r").beats.map(
    ({ turns, landing, takeOff, direction, beat }) =>
      [
        turns.map(({ arms, turn }) => arms + (turn.caught ? "!" : "")).join(" "),
        takeOff,
        landing,
        direction,
        beat.gestures.join("+"),
      ].join("/"),
  );
}

describe("a score read as parts", () => {
  it("finds the fewest skills that make it up", () => {
    expect(named("sr sl o*2 (o o) xr o")).toEqual([
      "double-side-swing:right",
      "basic-bounce:whole",
      "double:whole",
      "cross:right",
    ]);
    expect(named("o*4 [sl o]*4")).toEqual(["basic-bounce:whole ×4", "side-swing:left ×4"]);
  });

  it("knows a skill without the open turn that it ends in", () => {
    expect(named("sr sl (o o) xr o")).toEqual(["double-side-swing:right", "double:whole", "cross:right"]);
  });

  it("keeps what is no skill as turns of its own", () => {
    expect(named("o k ")).toEqual(["basic-bounce:whole", "?:whole"]);
  });

  it("tells a bounce from a backward one", () => {
    expect(named("sr+turnr o*2")).toEqual(["half-turn:right", "backward-bounce:whole ×2"]);
  });

  it("joins to what was read, for any score whose feet can be", () => {
    fc.assert(
      fc.property(fc.oneof(scoreText, legalText), (text) => {
        const score = scoreOf(text);
        fc.pre(expandBeats(score).length < 300);
        // A take-off from a foot that is in the air is no part's own, and is lost in a join.
        fc.pre(!checkScore(score).some((fault) => fault.code === "weight"));
        expect(jumped(comboText(partsOfScore(COMBO_CATALOGUE, score)))).toEqual(jumped(printScore(score)));
      }),
    );
  });
});

describe("a part", () => {
  it("mirrors as its skill does, and a part without sides stays", () => {
    const cross = partOfSkill(COMBO_CATALOGUE, "cross", "right");
    expect(cross).not.toBeNull();
    if (cross === null) return;
    expect(mirrorPart(cross)).toEqual(partOfSkill(COMBO_CATALOGUE, "cross", "left"));
    const [double] = partsOf("(o o)");
    expect(double && mirrorPart(double)).toBe(double);
  });

  it("is counted as often as it is done", () => {
    expect(partsOf("[sr o]*3").map(countsOf)).toEqual([6]);
  });

  it("closes up where it ends open, and nowhere else", () => {
    const scores = (text: string) => partsOf(text).map((part) => closedUp(part)?.score ?? null);
    expect(scores("xr o")).toEqual(["xr"]);
    expect(scores("(o xr) o")).toEqual(["(o xr)"]);
    expect(scores("o")).toEqual([null]);
    expect(scores("sr+turnr")).toEqual([null]);
  });

  it("is a bounce where it is nothing but open turns on both feet", () => {
    expect(partsOf("o*3").map(isBounce)).toEqual([true]);
    expect(partsOf("o/r").map(isBounce)).toEqual([false]);
    expect(partsOf("(o o)").map(isBounce)).toEqual([false]);
  });

  it("gathers what follows itself", () => {
    const [one] = partsOf("o");
    expect(one && gathered([one, { ...one, times: 2 }]).map((part) => part.times)).toEqual([3]);
  });
});
