import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { scoreText } from "../testing/arbitrary-score.js";
import { scoreOf } from "./parse.js";
import { readScore } from "./reading.js";

describe("reading a score aloud", () => {
  it.each([
    ["sr xr o", "side swing right · cross with the right arm on top · open"],
    [
      "< (o xr)/l>r .",
      "the rope turns backward · double: open, then cross with the right arm on top, from the left foot to the right foot · hop with no turn",
    ],
    ["o*2 [ur o]*3", "open, twice · (leg-over cross, right leg lifted; open), 3 times"],
    ["o! sr+turnr", "open, stopped under the toes · side swing right, half turn to the right"],
    ["o/r+tapl+fore", "open, on the right foot, left foot taps, forward"],
  ])("%s", (text, words) => {
    expect(readScore(scoreOf(text)).join(" · ")).toBe(words);
  });

  it("has words for everything", () => {
    fc.assert(
      fc.property(scoreText, (text) => expect(readScore(scoreOf(text)).join(" ")).not.toMatch(/undefined/)),
    );
  });
});
