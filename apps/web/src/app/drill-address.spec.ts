import { describe, expect, it } from "@jest/globals";
import { DRILL_KINDS, doseOf, parseDrill, type Drill } from "@mirrup/core";
import { addressOf, drillFrom, withAim } from "./drill-address.js";

const BASE: Drill = { kind: "streak", count: 10 };
const EVERY = DRILL_KINDS.flatMap((kind) => {
  const drill = parseDrill({
    kind,
    count: 7,
    top: 7,
    rounds: 7,
    seconds: 40,
    spacing: 2,
    onMiss: "drop",
    upTo: 12,
    pass: 2,
    about: "the wrists",
    tempoShare: 0.8,
    score: "xr o",
  });
  return drill === null ? [] : [drill];
});

describe("the floor's address", () => {
  it("brings back every kind of drill as it was", () => {
    expect(EVERY).toHaveLength(DRILL_KINDS.length);
    for (const drill of EVERY) expect(drillFrom(addressOf(drill), BASE)).toEqual(drill);
  });

  it("keeps to the proposal where it makes no sense, and to sane numbers", () => {
    expect(drillFrom(new URLSearchParams("kind=juggle"), BASE)).toBe(BASE);
    expect(drillFrom(new URLSearchParams("kind=streak&aim=-4"), BASE)).toEqual({ kind: "streak", count: 1 });
    expect(drillFrom(new URLSearchParams("kind=streak&aim=x"), BASE)).toEqual({ kind: "streak", count: 10 });
  });

  it("changes the number that a drill asks, whatever it is called", () => {
    for (const drill of EVERY) expect(doseOf(withAim(drill, 9))).toBe(9);
    expect(doseOf(withAim(BASE, 0))).toBe(1);
  });
});
