import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { scoreText } from "../testing/arbitrary-score.js";
import { scoreOf } from "./parse.js";
import { timeScore } from "./timing.js";
import { armWindows } from "./windows.js";

test("of a cross between bounces: it closes on the way to it, and opens out of it", () => {
  const windows = armWindows(scoreOf("o xr o"));
  expect(windows.map(({ kind, arms }) => [kind, ...arms])).toEqual([
    ["closing", "o", "xr"],
    ["opening", "xr", "o"],
  ]);
  const [closing] = windows;
  // A bounce of 5 cm: 202 ms in the air, the bottom at its top, a cycle of 452 ms.
  expect(closing?.begin).toMatchObject({ beat: 0 });
  expect(1000 * (closing?.begin.afterTop ?? 0)).toBeCloseTo(0.15 * 452, 0);
  expect(1000 * (closing?.begin.beforeLanding ?? 0)).toBeCloseTo(101 - 68, 0);
  expect(closing?.end.beat).toBe(0);
  expect(1000 * (closing?.end.beforeLanding ?? 0)).toBeCloseTo(101 - 316, 0);
});

test("of any score: as many windows as hands change, as long as the timing has them, inside their jumps", () => {
  fc.assert(
    fc.property(scoreText, (text) => {
      const score = scoreOf(text);
      const { links, beats, duration } = timeScore(score);
      const windows = armWindows(score);
      expect(windows).toHaveLength(links.filter(({ cost }) => cost > 0).length);
      for (const { begin, end, seconds, from, to } of windows) {
        expect(end.at - begin.at).toBeCloseTo(seconds, 9);
        expect(begin.beat <= end.beat && from.beat - 1 <= begin.beat && end.beat <= to.beat).toBe(true);
        for (const { beat, at, afterTakeOff, afterTop, beforeLanding } of [begin, end]) {
          const { airtime = 0, start = 0 } = beats[beat] ?? {};
          if (beat > 0) expect(afterTakeOff).toBeGreaterThanOrEqual(-1e-9);
          expect(start + afterTakeOff).toBeCloseTo(at, 9);
          expect(afterTakeOff + beforeLanding).toBeCloseTo(airtime, 9);
          expect(afterTakeOff - afterTop).toBeCloseTo(airtime / 2, 9);
          expect(at).toBeLessThanOrEqual(duration);
        }
      }
    }),
  );
});
