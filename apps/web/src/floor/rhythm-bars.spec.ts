import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { rhythmBars } from "./rhythm-bars.js";
import { setRhythmWords } from "./rhythm-words.js";

const EVEN = Array.from({ length: 12 }, (_, place) => place / 2);

describe("the bars of a set's rhythm", () => {
  it("stand at the middle where every try takes as long", () => {
    const bars = rhythmBars(EVEN);
    expect(bars.map((bar) => bar.place)).toEqual([2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    for (const { height, isStandout } of bars) {
      expect(height).toBeCloseTo(0.5);
      expect(isStandout).toBe(false);
    }
  });

  it("mark the very tries that the words name", () => {
    const late = EVEN.map((at, place) => (place >= 6 ? at + 0.25 : at));
    const marked = rhythmBars(late).filter((bar) => bar.isStandout);
    expect(marked).toMatchObject([{ place: 7 }]);
    expect(marked[0]?.height).toBeCloseTo(0.75);
    expect(setRhythmWords(late)).toContain("the 7th came late");
  });

  it("leave out where somebody stood after a miss, and nothing else", () => {
    const broken = EVEN.map((at, place) => (place >= 5 ? at + 4 : at));
    expect(rhythmBars(broken).map((bar) => bar.place)).toEqual([2, 3, 4, 5, 7, 8, 9, 10, 11, 12]);
  });

  it("stay within the picture and in order, whatever was tapped, and are none for too few", () => {
    const gaps = fc.array(fc.double({ min: 0.01, max: 30, noNaN: true }), { maxLength: 150 });
    fc.assert(
      fc.property(gaps, (lengths) => {
        let at = 0;
        const bars = rhythmBars(lengths.map((length) => (at += length)));
        expect(bars.length).toBeLessThanOrEqual(60);
        if (lengths.length < 3) expect(bars).toEqual([]);
        for (const [place, { height, place: of }] of bars.entries()) {
          expect(height).toBeGreaterThanOrEqual(0);
          expect(height).toBeLessThanOrEqual(1);
          if (place > 0) expect(of).toBeGreaterThan(bars[place - 1]?.place ?? 0);
        }
      }),
    );
  });
});
