import { describe, expect, it } from "@jest/globals";
import { callOf } from "./call.js";
import { scoreOf } from "./parse.js";

const words = (score: string) => callOf(scoreOf(score)).map((beat) => beat.words);

describe("a pattern called out", () => {
  it("is said in the words of the hall, a beat at a time", () => {
    expect(words("sr sl o*2 (o o) xr o")).toEqual([
      "swing right",
      "swing left",
      "open",
      "open",
      "double",
      "cross",
      "open",
    ]);
  });

  it("names the turns of a fused jump in their order, and the feet where only they change", () => {
    expect(words("(o xr) (xr o) (xr xr) (o o o)")).toEqual([
      "open, cross",
      "cross, open",
      "double cross",
      "triple",
    ]);
    expect(words("o/l o/r o+squat .")).toEqual(["left", "right", "in a squat", "hop"]);
    expect(words("ur o")).toEqual(["leg-over right", "open"]);
  });

  it("marks the turns into which the arms change in the air, with their place in the beat", () => {
    expect(callOf(scoreOf("(o xr xr) o")).map((beat) => beat.turns)).toEqual([
      [
        { at: 0, isFused: false },
        { at: 1 / 3, isFused: true },
        { at: 2 / 3, isFused: false },
      ],
      [{ at: 0, isFused: false }],
    ]);
  });
});
