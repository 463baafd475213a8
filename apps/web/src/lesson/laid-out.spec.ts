import { describe, expect, it } from "@jest/globals";
import type { Place } from "@mirrup/core/planning";
import { laidOut } from "./laid-out.js";
import type { ShownPlan } from "./shown.js";

const placeAt = (station: number): Place => ({
  ...{ station, side: "whole", use: "frontier", chance: null, cautions: [], reason: null },
  drill: { kind: "streak", count: 5 },
});
const planOf = (
  subjects: readonly (string | null)[],
  stations: Readonly<Record<string, number>>,
): ShownPlan => ({
  ...{ warmUpMinutes: 0, closeMinutes: 0 },
  rotations: [{ minutes: 8, stations: subjects.map((subject) => ({ subject, watchedBy: "nobody" })) }],
  students: Object.entries(stations).map(([id, station]) => ({ id, places: [placeAt(station)] })),
});
const person = (id: string, ropeMm: number | null, hasOwnRope = false) => ({ id, ropeMm, hasOwnRope });

describe("the ropes that lie at each station", () => {
  it("are one for each pair, by length, and none where somebody brought one", () => {
    const plan = planOf(["cross", null, "basic-bounce"], { a: 0, b: 0, c: 2, d: 2, e: 2, f: 2 });
    const stock = [
      { kind: null, lengthMm: 2000, many: 1 },
      { kind: null, lengthMm: 2600, many: 1 },
    ];
    const people = ["a", "b", "c", "d"].map((id) => person(id, id < "c" ? 2600 : 2000));
    const own = [person("e", 2400, true), person("f", 2000)];
    expect(laidOut(plan, 0, stock, [...people, ...own], {})).toEqual([
      { station: 0, ropes: [{ rope: stock[1], many: 1, isSlow: false }], own: [], without: 0 },
      { station: 2, ropes: [{ rope: stock[0], many: 1, isSlow: false }], own: ["e"], without: 0 },
    ]);
  });

  it("lie first at every station, and nowhere where nobody jumps with one", () => {
    const stock = [{ kind: null, lengthMm: null, many: 2 }];
    const two = planOf(["cross", "basic-bounce"], { a: 0, b: 0, c: 0, d: 0, e: 1, f: 1 });
    expect(laidOut(two, 0, stock, [], {}).map((one) => [one.ropes[0]?.many, one.without])).toEqual([
      [1, 1],
      [1, 0],
    ]);
    const shadow = { ...placeAt(0), drill: { kind: "shadow" as const, count: 10 } };
    const without = { ...two, students: two.students.map((one) => ({ ...one, places: [shadow] })) };
    expect(laidOut(without, 0, stock, [], {})).toEqual([]);
  });

  it("are for a fused double what the studio teaches it with", () => {
    const plan = planOf(["open-cross-double"], { a: 0, b: 0 });
    const stock = (["thin", "beaded", "heavy"] as const).map((kind) => ({ kind, lengthMm: null, many: 1 }));
    const kinds = (rope: string) =>
      laidOut(plan, 0, stock, [], { "fused-rope": rope })[0]?.ropes.map((one) => one.rope.kind);
    expect(["heavy", "thin", "accustomed"].map(kinds)).toEqual([["heavy"], ["thin"], ["beaded"]]);
  });

  it("are missing where there are too few that fit, and slow where beads could lash the neck", () => {
    const plan = planOf(["front-back-cross", "cross"], { a: 0, b: 0, c: 1 });
    const stock = [{ kind: "beaded" as const, lengthMm: 2200, many: 2 }];
    expect(laidOut(plan, 0, stock, [person("a", 2200), person("c", 2600)], {})).toEqual([
      { station: 0, ropes: [{ rope: stock[0], many: 1, isSlow: true }], own: [], without: 0 },
      { station: 1, ropes: [], own: [], without: 1 },
    ]);
    expect(laidOut(plan, 4, stock, [], {})).toEqual([]);
  });
});
