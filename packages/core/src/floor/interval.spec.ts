import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import {
  callsClock,
  circuitClock,
  clicksBetween,
  clockFrom,
  clockSeconds,
  elapsedAt,
  momentAt,
  onceMore,
  paused,
  resumed,
  roundsClock,
  skipped,
  type RunningClock,
} from "./interval.js";

const ROUNDS = roundsClock({ rounds: 3, work: 20, rest: 10, sets: 2, setRest: 60, what: "skier" });
const FERRY = circuitClock({
  parts: [
    { name: "bounces", counts: 4 },
    { name: "crosses", counts: 4 },
    { name: "squats", counts: 3 },
  ],
  ...{ sets: 2, recover: 8, tempo: 120 },
});

describe("rounds by the clock", () => {
  it("count in, work and rest by turns, with a longer rest between the sets and none at the end", () => {
    expect(ROUNDS.map(({ kind, seconds }) => `${kind} ${seconds}`)).toEqual([
      "count-in 5",
      ...["work 20", "rest 10", "work 20", "rest 10", "work 20"],
      "rest 60",
      ...["work 20", "rest 10", "work 20", "rest 10", "work 20"],
    ]);
    expect(ROUNDS.at(-1)?.place).toEqual({ round: 3, rounds: 3, set: 2, sets: 2 });
  });

  it("without a rest follow each other at once, and none are nothing", () => {
    const on = roundsClock({ rounds: 2, work: 30, rest: 0, sets: 1, setRest: 0, what: "skier" });
    expect(on.map((one) => one.kind)).toEqual(["count-in", "work", "work"]);
    expect(roundsClock({ rounds: 0, work: 30, rest: 0, sets: 1, setRest: 0, what: "" })).toEqual([]);
  });
});

describe("a growing circuit", () => {
  it("has lines that each hold the one before, in whole fours", () => {
    const work = FERRY.filter((one) => one.kind === "work");
    expect(work.map((one) => one.calls.map((call) => `${call.name} ${call.seconds}`).join(", "))).toEqual([
      ...["bounces 2", "bounces 2"],
      ...["bounces 2, crosses 2", "bounces 2, crosses 2"],
      ...["bounces 2, crosses 2, squats 2", "bounces 2, crosses 2, squats 2"],
    ]);
    expect(FERRY.filter((one) => one.kind === "rest").map((one) => one.seconds)).toEqual([4, 4, 4, 4, 4]);
  });
});

describe("a moment of a programme", () => {
  it("is the stretch it falls into, its call, and what is left of both", () => {
    // 5 of count-in, then 2, 4, 2, 4: the second line begins at 17.
    const moment = momentAt(FERRY, 19.5);
    expect(moment).toMatchObject({ index: 5, into: 2.5, left: 1.5, call: { index: 1, left: 1.5 } });
    expect(moment?.stretch.place).toEqual({ round: 2, rounds: 3, set: 1, sets: 2 });
  });

  it("is none once all is over, and the first for a clock that was put back", () => {
    expect(momentAt(ROUNDS, clockSeconds(ROUNDS))).toBeNull();
    expect(momentAt(ROUNDS, -99)?.index).toBe(0);
    expect(momentAt([], 0)).toBeNull();
  });
});

describe("a clock that runs", () => {
  const begun = clockFrom(ROUNDS, 0);

  it("stands while it is paused, however often that is pressed", () => {
    const still = paused(paused(begun, 10_000), 12_000);
    expect(elapsedAt(still, 99_000)).toBe(10);
    const on = resumed(still, 40_000);
    expect(elapsedAt(on, 41_000)).toBe(11);
    expect(resumed(on, 50_000)).toBe(on);
  });

  it("goes on to the next stretch, or begins the one at hand again", () => {
    expect(momentAt(ROUNDS, elapsedAt(skipped(begun, 7_000), 7_000))).toMatchObject({ index: 2, into: 0 });
    expect(momentAt(ROUNDS, elapsedAt(onceMore(begun, 12_000), 12_000))).toMatchObject({
      ...{ index: 1, into: 0 },
    });
    const over = clockSeconds(ROUNDS) * 1000;
    expect(skipped(begun, over)).toBe(begun);
    expect(onceMore(begun, over)).toBe(begun);
  });

  it("whatever was pressed, shows the same second to a page that is opened anew, and time never goes back", () => {
    type Press = (clock: RunningClock, now: number) => RunningClock;
    const press = fc.constantFrom<Press>(paused, resumed, skipped);
    fc.assert(
      fc.property(fc.array(fc.tuple(press, fc.integer({ min: 0, max: 40_000 }))), (presses) => {
        let now = 0;
        let clock = begun;
        let before = 0;
        for (const [go, later] of presses) {
          now += later;
          expect(elapsedAt(clock, now)).toBeGreaterThanOrEqual(before);
          clock = go(clock, now);
          const read = JSON.parse(JSON.stringify(clock)) as RunningClock;
          expect(momentAt(read.stretches, elapsedAt(read, now))).toEqual(
            momentAt(clock.stretches, elapsedAt(clock, now)),
          );
          before = elapsedAt(clock, now);
        }
      }),
    );
  });
});

describe("the clicks of a programme", () => {
  it("are its beats, the first of each four told, and none while nothing has a tempo", () => {
    expect(clicksBetween(FERRY, 0, 7)).toEqual([
      { at: 5, isFirst: true },
      { at: 5.5, isFirst: false },
      { at: 6, isFirst: false },
      { at: 6.5, isFirst: false },
    ]);
    expect(clicksBetween(ROUNDS, 0, 100)).toEqual([]);
  });

  it("asked for piece by piece are those asked for at once, each once", () => {
    const calls = callsClock([{ name: "skier", counts: 8 }], 133);
    for (const stretches of [FERRY, calls]) {
      const all = clicksBetween(stretches, 0, 1000);
      fc.assert(
        fc.property(fc.array(fc.double({ min: 0, max: 70, noNaN: true }), { maxLength: 30 }), (cuts) => {
          const edges = [0, ...cuts.sort((one, other) => one - other), 1000];
          const pieces = edges
            .slice(1)
            .flatMap((to, place) => clicksBetween(stretches, edges[place] ?? 0, to));
          expect(pieces).toEqual(all);
        }),
      );
    }
  });
});
