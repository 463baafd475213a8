import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { scoreText } from "../testing/arbitrary-score.js";
import { armsNamed, type Arms } from "./arms.js";
import { linkCost } from "./cost.js";
import { measureScore } from "./measure.js";
import { mirrorScore } from "./mirror.js";
import { scoreOf } from "./parse.js";
import { lowestHeight, timeScore, usualTempo } from "./timing.js";

describe("the cost of a link", () => {
  it.each([
    ["o", "xr", 2],
    ["o", "sr", 1],
    ["sr", "xr", 1],
    ["xr", "sl", 1],
    ["o", "bl", 3],
    ["xr", "bl", 3],
    ["sr", "br", 2],
    ["sr", "ur", 2],
    ["ur", "o", 3],
    ["xr", "xl", 2],
    ["er", "el", 4],
    ["xr", "k", 2],
    ["k", "o", 4],
  ])("%s → %s is %d", (from, to, cost) => {
    expect(linkCost(armsNamed(from) as Arms, armsNamed(to) as Arms)).toBe(cost);
  });
});

describe("measures", () => {
  it("count a score", () => {
    expect(measureScore(scoreOf("< o . sr (sr xr bl o)/l o!"))).toEqual({
      turns: 7,
      beats: 5,
      highest: 4,
      handMoves: 8,
      airMoves: 7,
      contacts: 3,
      endDirection: "backward",
      endFacing: "front",
      endLanding: "b",
    });
    expect(measureScore(scoreOf("o sr+turnr"))).toMatchObject({
      endDirection: "backward",
      endFacing: "back",
    });
    expect(measureScore(scoreOf("xr k o"))).toMatchObject({ endDirection: "backward", endFacing: "front" });
    expect(measureScore(scoreOf("sr wr*2 sr"))).toMatchObject({ endDirection: "backward" });
    expect(measureScore(scoreOf("ul"))).toMatchObject({ endLanding: "r" });
  });

  it("are the same for a mirror", () => {
    fc.assert(
      fc.property(scoreText, (text) => {
        const score = scoreOf(text);
        const { endLanding: one, ...rest } = measureScore(score, { dominant: "r" });
        const { endLanding: other, ...restOfMirror } = measureScore(mirrorScore(score), { dominant: "l" });
        expect(restOfMirror).toEqual(rest);
        expect(other).toBe(one === "b" ? "b" : one === "l" ? "r" : "l");
      }),
    );
  });
});

describe("timing", () => {
  const fall = (height: number) => 2 * Math.sqrt((2 * height) / 9.81);

  it("of a single follows the cycle, its bottom in the middle of the air time", () => {
    const { beats, duration } = timeScore(scoreOf("o o"));
    const airtime = fall(0.05);
    expect(beats[1]).toMatchObject({
      start: airtime + 0.25,
      airtime,
      cycle: airtime + 0.25,
      period: airtime + 0.25,
    });
    expect(beats[1]?.bottoms[0]).toBeCloseTo(airtime + 0.25 + airtime / 2, 12);
    expect(duration).toBeCloseTo(2 * (airtime + 0.25), 12);
  });

  it("of a double is bound by the time above the rope", () => {
    const [beat] = timeScore(scoreOf("(o o)"), { height: { 2: 0.1 } }).beats;
    expect(beat?.period).toBeCloseTo(fall(0.1 - 0.015), 12);
    const [{ bottoms } = { bottoms: [] }] = timeScore(scoreOf("(sr o)"), { height: 0.1 }).beats;
    expect((bottoms[0] ?? 0) + (bottoms[1] ?? 0)).toBeCloseTo(fall(0.1), 12);
  });

  it("of a swing and a hop needs no height, and a hop has no turn rate", () => {
    const { beats } = timeScore(scoreOf("sr ."), { height: { 0: 0 } });
    expect(beats).toMatchObject([
      { airtime: 0, cycle: 0.25, period: 0.25, bottoms: [0] },
      { start: 0.25, period: null, turnRate: null, bottoms: [] },
    ]);
  });

  it("has a window for each link, and finds the tightest", () => {
    const { links, tightest } = timeScore(scoreOf("o . xr (o xr) o! xr"));
    expect(links.map(({ from, to, cost }) => [from.beat, from.turn, to.beat, to.turn, cost])).toEqual([
      [0, 0, 2, 0, 2],
      [2, 0, 3, 0, 2],
      [3, 0, 3, 1, 2],
      [3, 1, 4, 0, 2],
    ]);
    expect(tightest).toBe(2);
    expect(links[2]?.demand).toBeCloseTo(2 / (links[2]?.window ?? 0), 12);
    expect(timeScore(scoreOf("o")).tightest).toBeNull();
    expect(timeScore(scoreOf("o*4")).tightest).toBe(0);
  });

  it("is the same for a mirror", () => {
    fc.assert(
      fc.property(scoreText, (text) => {
        const score = scoreOf(text);
        expect(timeScore(mirrorScore(score), { dominant: "l" })).toEqual(timeScore(score, { dominant: "r" }));
      }),
    );
  });

  it("refuses numbers out of range, naming the input and the range", () => {
    const time =
      (options: Parameters<typeof timeScore>[1], text = "o") =>
      () =>
        timeScore(scoreOf(text), options);
    expect(time({ height: 0.015 })).toThrow(/height is 0.015; it must be above the clearance, 0.015 m/);
    expect(time({ height: NaN })).toThrow(RangeError);
    expect(time({ contact: 0 })).toThrow(/contact is 0; it must be above 0 s/);
    expect(time({ clearance: -0.01 })).toThrow(/clearance/);
    expect(time({ height: { 0: -1 } }, "sr")).toThrow(/0 m or more/);
    expect(time({ height: { 3: -1 } })).not.toThrow();
  });
});

describe("the usual tempo", () => {
  it("is that of the jumps: a double is slower than a bounce, and what is between them is between", () => {
    const of = (written: string) => Math.round(usualTempo(scoreOf(written)));
    expect(of("o*8")).toBe(133);
    expect(of("(o o)*8")).toBe(95);
    const mixed = of("o (o o)");
    expect(mixed).toBeGreaterThan(95);
    expect(mixed).toBeLessThan(133);
    expect(of("(o o o)")).toBeLessThan(95);
  });
});

describe("the lowest height", () => {
  it("is the first whole millimetre that keeps the rate", () => {
    const score = scoreOf("o (o xr) sr .");
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2 }),
        fc.double({ min: 40, max: 600, noNaN: true }),
        (beat, rate) => {
          const height = lowestHeight(score, beat, rate);
          const rateAt = (metres: number) => timeScore(score, { height: metres }).beats[beat]?.turnRate ?? 0;
          expect(rateAt(height)).toBeLessThanOrEqual(rate);
          if (height > 0.016) expect(rateAt(height - 0.001)).toBeGreaterThan(rate);
          expect(height * 1000).toBeCloseTo(Math.round(height * 1000), 9);
        },
      ),
    );
    expect(lowestHeight(score, 3, 1)).toBe(0.016);
    expect(lowestHeight(score, 0, 1000, { clearance: 0 })).toBe(0.001);
  });

  it("refuses a beat that is not there and a rate of nothing", () => {
    expect(() => lowestHeight(scoreOf("o"), 1, 100)).toThrow(/beat is 1; it must be from 0 to 0/);
    expect(() => lowestHeight(scoreOf("o"), 0, 0)).toThrow(/maxTurnRate/);
  });
});
