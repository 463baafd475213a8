import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { heightForPeriod, speedChanges } from "./rope-speed.js";
import { scoreOf } from "./parse.js";
import { expandBeats } from "./score.js";
import { timeScore, type TimingOptions } from "./timing.js";
import { traceBeats } from "./trace.js";

const turns = (count: number) => scoreOf(count === 1 ? "o" : `(${"o ".repeat(count).trim()})`);
const rateOf = (count: number, options: TimingOptions) =>
  timeScore(turns(count), options).beats[0]?.turnRate ?? 0;

describe("where the rope's speed changes", () => {
  test("from a bounce into a double and out of it is told once, where it is first", () => {
    const changes = speedChanges(scoreOf("o (o o) o (o o) (o o o) o"));
    expect(changes.map(({ from, to }) => [from, to])).toEqual([
      [0, 1],
      [3, 4],
      [4, 5],
    ]);
    const [out] = speedChanges(scoreOf("(o o) o"));
    expect(out?.remedies.find(({ kind }) => kind === "bounces")).toEqual({
      kind: "bounces",
      rates: [expect.closeTo(Math.sqrt(132.78 * 190.31), 0)],
    });
    const [into] = changes;
    // drills.md: a double of 18 cm turns 190 a minute, a bounce of 5 cm 133.
    expect(into?.rates.map(Math.round)).toEqual([133, 190]);
    expect(speedChanges(scoreOf("o xr sr o"))).toEqual([]);
    expect(speedChanges(scoreOf("o! (o o)"))).toEqual([]);
  });

  test("what makes it equal does: the hop, the height, the bounces between", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 4 }),
        fc.double({ min: 0.04, max: 0.09, noNaN: true }),
        fc.double({ min: 0.12, max: 0.5, noNaN: true }),
        fc.double({ min: 0.16, max: 0.3, noNaN: true }),
        (count, hop, height, contact) => {
          const score = scoreOf(`o (${"o ".repeat(count).trim()})`);
          const options = { height: { 1: hop, [count]: height }, contact };
          for (const { rates, ratio, remedies } of speedChanges(score, options)) {
            const [slow, fast] = [Math.min(...rates), Math.max(...rates)];
            for (const remedy of remedies) {
              if (remedy.kind === "quicker-hop")
                expect(rateOf(1, { height: remedy.height, contact: remedy.contact })).toBeCloseTo(fast, 4);
              if (remedy.kind === "higher")
                expect(rateOf(count, { height: { [count]: remedy.height }, contact })).toBeCloseTo(slow, 4);
              if (remedy.kind === "bounces") {
                const row = [slow, ...remedy.rates, fast];
                const steps = row.slice(1).map((rate, place) => rate / (row[place] ?? rate));
                expect(Math.max(...steps)).toBeLessThanOrEqual(1.2 + 1e-9);
                expect(Math.min(...steps)).toBeGreaterThan(1);
                // One bounce less would be too steep.
                expect(ratio ** (1 / (row.length - 2))).toBeGreaterThan(1.2);
              }
            }
          }
        },
      ),
    );
  });

  test("the height for a period is the timing's own inverse, of any multiple", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("o", "(o o)", "(sr o)", "(o xr o)", "(sr xr bl o)"),
        fc.double({ min: 0.03, max: 0.9, noNaN: true }),
        (text, height) => {
          const score = scoreOf(text);
          const [beat] = traceBeats(expandBeats(score), "forward", "r").beats;
          const [timed] = timeScore(score, { height }).beats;
          if (beat === undefined || timed?.period == null) throw new Error("one beat");
          const found = heightForPeriod(beat, timed.period);
          const again = timeScore(score, { height: found ?? 0 }).beats[0]?.period ?? 0;
          expect(again).toBeCloseTo(timed.period, 6);
        },
      ),
    );
    const [quick] = traceBeats(expandBeats(scoreOf("(o o o o)")), "forward", "r").beats;
    expect(quick === undefined ? 0 : heightForPeriod(quick, 0.6)).toBeNull();
  });
});
