import { describe, expect, test } from "@jest/globals";
import { scoreOf } from "@mirrup/core";
import { keyMoments, motionOf, tellingMoments } from "@mirrup/core/figure";
import { bestView, fileName, momentWords, ropeWords } from "./moment-words.js";

test("a moment is said as one points at it", () => {
  const moments = keyMoments(motionOf(scoreOf("(sr xr) o!")));
  expect(moments.map(momentWords)).toEqual([
    "Take-off",
    "Rope beside the body: side swing right",
    "Hands there: cross with the right arm on top",
    "Rope under the feet: cross with the right arm on top",
    "Landing",
    "Hands there: open",
    "Take-off",
    "Rope stopped under the toes: open",
    "Landing",
  ]);
});

test("six frames of a trick tell its arms before anything plain", () => {
  const words = tellingMoments(motionOf(scoreOf("o o o ur o")), 3).map(momentWords);
  expect(words).toEqual([
    "Hands there: leg-over cross, right leg lifted",
    "Rope under the feet: leg-over cross, right leg lifted",
    "Hands there: open",
  ]);
});

test("what is of the arms or the feet is seen from the front, height from the side", () => {
  expect(bestView(scoreOf("xr o"))).toBe("front");
  expect(bestView(scoreOf("o+apart o"))).toBe("front");
  expect(bestView(scoreOf("(o o)"))).toBe("side");
});

describe("a rope that is too short", () => {
  test("is said, with how much it lacks; one that fits says nothing", () => {
    expect(ropeWords(motionOf(scoreOf("o"), { height: 1.7, rope: 1.7 }))).toMatch(
      /hangs \d+ cm above the soles\. It is too short/,
    );
    expect(ropeWords(motionOf(scoreOf("o"), { height: 1.7 }))).toBeNull();
    expect(ropeWords(motionOf(scoreOf("sr sl")))).toBeNull();
  });
});

test.each([
  ["Leg-over double", "gif", "leg-over-double.gif"],
  ["  Größe / 2 ", "gif", "größe-2.gif"],
  ["???", "svg", "figure.svg"],
])("the file of %p", (name, ending, expected) => {
  expect(fileName(name, ending)).toBe(expected);
});
