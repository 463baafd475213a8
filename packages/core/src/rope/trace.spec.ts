import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { legalText, scoreText } from "../testing/arbitrary-score.js";
import { checkBeat, checkScore, standing } from "./check.js";
import { mirrorScore } from "./mirror.js";
import { scoreOf } from "./parse.js";
import { expandBeats, type Score } from "./score.js";
import { atRest, traceBeat, traceBeats } from "./trace.js";

const traced = (text: string) => {
  const score = scoreOf(text);
  return traceBeats(expandBeats(score), score.direction, "r");
};

describe("a score as it is jumped", () => {
  it("carries the arms, the weight and the rest from beat to beat", () => {
    const { beats } = traced("sr x/r o!/r o");
    expect(beats.map(({ turns }) => turns.map(({ from, arms, fromRest }) => [from, arms, fromRest]))).toEqual(
      [[["o", "sr", true]], [["sr", "xr", false]], [["xr", "o", false]], [["o", "o", true]]],
    );
    expect(beats.map(({ weight }) => weight)).toEqual(["b", "b", "r", "r"]);
    expect(beats.map(({ turning }) => turning)).toEqual([false, true, true, false]);
  });

  it("flips the direction after a half turn, out of the crouch and out of a wrap", () => {
    const directions = (text: string) => traced(text).beats.map(({ direction }) => direction);
    expect(directions("sr+turnr o")).toEqual(["forward", "backward"]);
    expect(directions("xr k o")).toEqual(["forward", "forward", "backward"]);
    expect(directions("sr wr sr")).toEqual(["forward", "forward", "backward"]);
    expect(traced("sr+turnr").endFacing).toBe("back");
    expect(traced("sr+turnr o+turnr").endFacing).toBe("front");
  });

  it("ends where its last beat lands", () => {
    expect(traced("o ur").endLanding).toBe("l");
    expect(traced("o o/r").endLanding).toBe("r");
  });

  it("is the same traced beat by beat as at once, for any score", () => {
    fc.assert(
      fc.property(scoreText, fc.constantFrom("l", "r"), (text, dominant) => {
        const score = scoreOf(text);
        const beats = expandBeats(score);
        fc.pre(beats.length < 200);
        const whole = traceBeats(beats, score.direction, dominant);
        let state = atRest(score.direction);
        beats.forEach((beat, place) => {
          const next = traceBeat(state, beat, dominant);
          expect(next.traced).toEqual(whole.beats[place]);
          ({ state } = next);
        });
        expect([state.direction, state.facing, state.weight]).toEqual([
          whole.endDirection,
          whole.endFacing,
          whole.endLanding,
        ]);
      }),
    );
  });
});

describe("a score judged beat by beat", () => {
  const folded = (score: Score) => {
    let state = standing(score.direction);
    return expandBeats(score).flatMap((beat, place) => {
      const next = checkBeat(state, beat, "r", place);
      ({ state } = next);
      return next.faults;
    });
  };

  it("has the faults that it has at once, for any score", () => {
    fc.assert(
      fc.property(scoreText, (text) => {
        const score = scoreOf(text);
        fc.pre(expandBeats(score).length < 200);
        expect(folded(score)).toEqual(checkScore(score));
      }),
    );
  });

  it("counts rows across hops, and begins them anew after a stop", () => {
    const codes = (text: string) =>
      checkScore(scoreOf(text)).map((fault) => `${fault.code} ${fault.beat ?? ""}`);
    expect(codes("sr wr wr wr")).toEqual([]);
    expect(codes("sr wr wr . wr wr")).toEqual(["reach 5"]);
    expect(codes("hr hr hr")).toEqual(["reach 2"]);
    expect(codes("o . o . . o")).toEqual(["slack 4"]);
    expect(codes(". . o! . . o")).toEqual([]);
  });

  it("judges a score and its mirror alike", () => {
    fc.assert(
      fc.property(legalText, (text) => {
        const score = scoreOf(text);
        expect(checkScore(mirrorScore(score), { dominant: "l" })).toEqual([]);
      }),
    );
  });
});
