import { describe, expect, it } from "@jest/globals";
import { callOf, mirrorScore } from "@mirrup/core";
import { LINK_SPACINGS } from "@mirrup/core/teaching";
import { CATALOGUE } from "./index.js";
import { SPOKEN_WORDS, spacingCall, spokenWords } from "./spoken.js";

const known = new Set(SPOKEN_WORDS);

describe("what is said aloud", () => {
  it("is said word by word, with its numbers and units", () => {
    expect(spokenWords("Single-leg hop, 12 s")).toEqual(["single", "leg", "hop", "twelve", "seconds"]);
    expect(spokenWords("0 20 21 99 100 305")).toEqual([
      ...["nought", "twenty", "twenty", "one", "ninety", "nine", "one", "hundred"],
      ...["three", "hundred", "five"],
    ]);
    expect(spokenWords("1234")).toEqual(["one", "two", "three", "four"]);
    expect(spokenWords(" · — ")).toEqual([]);
  });

  it("has a word for each name, each call of each score on both sides, and every number", () => {
    for (const { name, score } of CATALOGUE.skills.values()) {
      const calls = score === null ? [] : [score, mirrorScore(score)].flatMap(callOf);
      for (const text of [name, ...calls.map((call) => call.words)])
        for (const word of spokenWords(text)) expect([text, known.has(word)]).toEqual([text, true]);
    }
    for (let number = 0; number < 1500; number += 1)
      for (const word of spokenWords(String(number))) expect(known.has(word)).toBe(true);
  });

  it("has a word for each spacing that a drill can close through", () => {
    expect(LINK_SPACINGS.map(spacingCall)).toEqual(["4 bounces", "2 bounces", "1 bounce", "no bounce"]);
    for (const spacing of LINK_SPACINGS)
      for (const word of spokenWords(spacingCall(spacing)))
        expect([word, known.has(word)]).toEqual([word, true]);
  });

  it("is few enough to be carried", () => {
    expect(SPOKEN_WORDS.length).toBeLessThan(220);
    expect(new Set(SPOKEN_WORDS).size).toBe(SPOKEN_WORDS.length);
  });
});
