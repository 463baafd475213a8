import { describe, expect, it } from "@jest/globals";
import { fewerOf, isPassing } from "./passing.js";
import { pressedOf, type WaitingStop } from "./pressed.js";

describe("a refusal", () => {
  it.each([
    [500, "bug", true],
    [503, "database-unavailable", true],
    [429, "too-many-tries", true],
    [425, "refused", true],
    [409, "conflict", true],
    [409, "refused-sets", false],
    [409, "stale-change", false],
    [410, "deleted-student", false],
    [422, "refused-sets", false],
    [400, "invalid-request", false],
  ])("of %d %s passes by itself: %s", (status, type, passes) => {
    expect(isPassing({ status, type })).toBe(passes);
  });
});

describe("a batch", () => {
  it("is halved while it is refused for its size, until one is left, and for nothing else", () => {
    const sizes = [];
    for (let many: number | null = 500; many !== null; many = fewerOf(many, { status: 413 }))
      sizes.push(many);
    expect(sizes).toEqual([500, 250, 125, 63, 32, 16, 8, 4, 2, 1]);
    for (const status of [400, 409, 422, 503]) expect(fewerOf(500, { status })).toBeNull();
  });
});

describe("what was pressed of a student", () => {
  const here = { personId: "coach", studioId: "hall" };
  const stop = (changes: Partial<WaitingStop>): WaitingStop => ({
    ...{ studentId: "a", stops: true, day: "2026-06-01", sender: here },
    ...changes,
  });

  it("is the last of today by who is here", () => {
    const waiting = [stop({}), stop({ stops: false }), stop({ studentId: "b" })];
    expect(pressedOf(waiting, here, "2026-06-01", "a")).toBe(false);
    expect(pressedOf(waiting, here, "2026-06-01", "b")).toBe(true);
  });

  it.each<[string, WaitingStop[], typeof here | null]>([
    ["another student's", [stop({ studentId: "b" })], here],
    ["yesterday's", [stop({ day: "2026-05-31" })], here],
    ["another coach's", [stop({ sender: { ...here, personId: "other" } })], here],
    ["another studio's", [stop({ sender: { ...here, studioId: "other" } })], here],
    ["anybody's while nobody is signed in", [stop({})], null],
  ])("is not %s", (_what, waiting, sender) => {
    expect(pressedOf(waiting, sender, "2026-06-01", "a")).toBeUndefined();
  });
});
