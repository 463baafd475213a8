import { describe, expect, it } from "@jest/globals";
import { SPOKEN_WORDS } from "@mirrup/catalogue";
import fc from "fast-check";
import { piecesOf } from "./plan.js";
import { SPANS } from "./spans.js";

describe("the recording", () => {
  it("has every word that can come, none over another, and none too long for a slow beat", () => {
    expect(Object.keys(SPANS)).toEqual(SPOKEN_WORDS);
    let end = 0;
    for (const [from, seconds, lead] of Object.values(SPANS)) {
      expect(lead).toBeGreaterThanOrEqual(0);
      expect(lead).toBeLessThan(seconds);
      expect(from).toBeGreaterThanOrEqual(end);
      expect(seconds).toBeGreaterThan(0.05);
      expect(seconds).toBeLessThan(0.9);
      end = from + seconds;
    }
  });
});

describe("recorded words", () => {
  it("follow each other as they were recorded where there is time", () => {
    const [first, second] = piecesOf("swing right", SPANS);
    const [from, seconds, lead] = SPANS.swing ?? [0, 0, 0];
    // Loud with the beat: what is soft of it comes before.
    expect(first).toEqual({ at: -lead, from, seconds, rate: 1 });
    expect(second?.at).toBeCloseTo(seconds - lead, 9);
  });

  it("leave out what is not recorded, and what a table has by nature", () => {
    expect(piecesOf("Zebedee, constructor", SPANS)).toEqual([]);
    expect(piecesOf("", SPANS)).toEqual([]);
  });

  it("are over when the beat is, whatever is said and however fast, and the first begins with it", () => {
    const text = fc.array(fc.constantFrom(...SPOKEN_WORDS), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(text, fc.double({ min: 0.2, max: 3, noNaN: true }), (words, longest) => {
        const pieces = piecesOf(words.join(" "), SPANS, longest);
        const lead = SPANS[words[0] ?? ""]?.[2] ?? NaN;
        expect(pieces[0]?.at).toBeCloseTo(-lead / (pieces[0]?.rate ?? NaN), 9);
        for (const { at, seconds, rate } of pieces) {
          expect(at + seconds / rate).toBeLessThanOrEqual(longest + 1e-9);
          expect(rate).toBeGreaterThanOrEqual(1);
          expect(rate).toBeLessThanOrEqual(1.7);
        }
      }),
    );
  });
});
