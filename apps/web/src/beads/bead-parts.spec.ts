import { describe, expect, it } from "@jest/globals";
import type { Family } from "@mirrup/core";
import type { Status } from "@mirrup/core/teaching";
import { beadParts, type Paint } from "./bead-parts.js";
import { paintingOf, placesOf } from "./bead-sheet.js";
import type { BeadHalf, BeadState } from "./bead-state.js";

const half = (status: Status, changes: Partial<BeadHalf> = {}): BeadHalf => ({
  ...{ status, progress: 0.5 },
  ...changes,
});
const whole = (of: BeadHalf): BeadState => ({ kind: "whole", whole: of });
const split = (left: BeadHalf, right: BeadHalf): BeadState => ({ kind: "split", left, right });
const paints = (state: BeadState) => beadParts(state).map(({ parts }) => parts.map((part) => part.paint));
const numbersOf = (path: string) => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
const STATUSES: readonly Status[] = ["locked", "ready", "working", "cleared", "rusty", "inferred"];

describe("a bead", () => {
  it.each<[Status, readonly Paint[]]>([
    ["locked", ["locked"]],
    ["ready", ["outline"]],
    ["working", ["outline", "filled"]],
    ["cleared", ["outline", "filled"]],
    ["rusty", ["outline", "filled", "nick"]],
    ["inferred", ["outline", "filled"]],
  ])("tells by its shape that a side is %s", (status, expected) => {
    expect(paints(whole(half(status)))).toEqual([expected]);
    expect(paints(split(half(status), half("locked")))).toEqual([expected, ["locked"]]);
  });

  it("is another for every status, on one side and on both", () => {
    for (const make of [whole, (of: BeadHalf) => split(of, half("ready"))]) {
      const drawn = STATUSES.map((status) => JSON.stringify(beadParts(make(half(status)))));
      expect(new Set(drawn).size).toBe(STATUSES.length);
    }
  });

  it("says begun though nothing is done, and not done though the last is missing", () => {
    const filled = (progress: number) =>
      beadParts(whole(half("working", { progress })))[0]?.parts.find((part) => part.paint === "filled")?.path;
    expect(filled(0)).toBe(filled(0.1));
    expect(filled(1)).toBe(filled(0.95));
    expect(filled(1)).not.toBe(filled(0.5));
  });

  it("has halves that mirror one another, and no word of either is out of the square", () => {
    const [left, right] = beadParts(
      split(half("rusty", { isStuck: true }), half("rusty", { isStuck: true })),
    );
    if (left === undefined || right === undefined) throw new Error("It has no halves.");
    expect(left.offset).toBe(-right.offset);
    expect(left.parts.map((part) => part.paint)).toEqual(right.parts.map((part) => part.paint));
    for (const { path } of [...left.parts, ...right.parts])
      for (const number of numbersOf(path)) expect(Math.abs(number)).toBeLessThanOrEqual(15);
  });

  it("is faint where a filter leaves it out", () => {
    const [left, right] = beadParts(split(half("ready", { isFaint: true }), half("ready")));
    expect([left?.opacity, right?.opacity]).toEqual([0.25, 1]);
  });
});

describe("a sheet of beads", () => {
  const bead = (state: BeadState, family: Family = "crosses") => ({ state, family });

  it("has every different bead once", () => {
    const beads = [
      bead(whole(half("ready"))),
      bead(whole(half("ready"))),
      bead(whole(half("ready")), "multiples"),
      bead(split(half("ready"), half("locked"))),
      bead(split(half("locked"), half("ready"))),
      bead(whole(half("ready", { isStuck: true }))),
    ];
    expect([...placesOf(beads).values()]).toEqual([0, 1, 2, 3, 4]);
    expect(placesOf([])).toEqual(new Map());
  });

  it("paints every part of a bead, each in its colour", () => {
    const colours = { family: "#111", paper: "#222", soft: "#333", chalk: "#444", ink: "#555" };
    const used = (["outline", "locked", "filled", "nick", "bar"] as const).flatMap((paint) => {
      const { fill, stroke, width } = paintingOf({ paint }, colours);
      expect(fill !== null || (stroke !== null && width > 0)).toBe(true);
      return [fill, stroke];
    });
    expect(new Set(used.filter((one) => one !== null))).toEqual(new Set(Object.values(colours)));
  });
});
