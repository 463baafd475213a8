import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { rhythmOf, tappedTempo } from "./rhythm.js";

const every = (seconds: number, count: number, from = 0) =>
  Array.from({ length: count }, (_, tick) => from + tick * seconds);

describe("rhythm", () => {
  it("is perfectly even at one tempo", () => {
    expect(rhythmOf(every(0.5, 20))).toMatchObject({ runs: [20], longestRun: 20, standouts: [] });
    const even = rhythmOf(every(0.5, 20));
    expect(even?.tempo).toBeCloseTo(120, 9);
    expect(even?.evenness).toBeCloseTo(100, 6);
    expect(even?.drift).toBeCloseTo(0, 6);
  });

  it("breaks its runs at long gaps, which do not count against evenness", () => {
    const ticks = [...every(0.5, 6), ...every(0.5, 4, 6)];
    expect(rhythmOf(ticks)).toMatchObject({ runs: [6, 4], longestRun: 6 });
    expect(rhythmOf(ticks)?.evenness).toBeCloseTo(100, 6);
  });

  it("tells a tempo that climbs, and the tick that stands out", () => {
    const faster = Array.from({ length: 60 }, (_, tick) => tick).reduce<number[]>(
      (times, tick) => [...times, (times.at(-1) ?? 0) + 0.5 * 0.997 ** tick],
      [],
    );
    expect(rhythmOf(faster)?.drift).toBeGreaterThan(20);
    const late = every(0.5, 20).map((time, tick) => time + (tick === 9 ? 0.15 : 0));
    expect(rhythmOf(late)?.standouts).toEqual([9, 10]);
    expect(rhythmOf(late)?.evenness).toBeLessThan(95);
  });

  it("says nothing of fewer than three ticks, or of ticks at one moment", () => {
    expect(rhythmOf([0, 1])).toBeNull();
    expect(rhythmOf([1, 1, 1, 1])).toBeNull();
  });

  it("does not depend on when it begins, and scales with the tempo", () => {
    const gaps = fc.array(fc.integer({ min: 200, max: 900 }), { minLength: 3, maxLength: 40 });
    fc.assert(
      fc.property(gaps, fc.integer({ min: 0, max: 1000 }), (list, shift) => {
        const times = list.reduce<number[]>((all, gap) => [...all, (all.at(-1) ?? 0) + gap / 1000], [0]);
        const rhythm = rhythmOf(times);
        const later = rhythmOf(times.map((time) => time + shift));
        const slower = rhythmOf(times.map((time) => time * 2));
        expect(later?.evenness).toBeCloseTo(rhythm?.evenness ?? NaN, 6);
        expect(slower?.tempo).toBeCloseTo((rhythm?.tempo ?? NaN) / 2, 6);
        expect(slower?.longestRun).toBe(rhythm?.longestRun);
      }),
    );
  });

  it("takes a tempo from taps, and forgets old ones", () => {
    expect(tappedTempo([0])).toBeNull();
    expect(tappedTempo([...every(1, 6), ...every(0.4, 10, 10)])).toBeCloseTo(150, 6);
  });
});
