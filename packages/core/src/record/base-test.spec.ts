import { describe, expect, it } from "@jest/globals";
import { BASE_TEST_PARTS, baseTestPassedAt, baseTestProgress, type BaseTestSet } from "./base-test.js";
import type { Miss } from "../log/set.js";

/** A set of each part that is named by its place, at 100 unless said otherwise. */
function part(place: number, misses: readonly Miss[] = [], bestStreak = 100): BaseTestSet {
  const [subject = "", side = "whole"] = BASE_TEST_PARTS[place] ?? [];
  const drill = { kind: "streak", count: 100 } as const;
  return {
    id: `${place}`,
    subject,
    side,
    drill,
    clean: 100,
    misses,
    bestStreak,
    at: place,
    lesson: "2026-11-25",
  };
}
const all = [0, 1, 2, 3, 4];

describe("the base test", () => {
  it("goes through its five parts in order, one count of misses over all", () => {
    expect(baseTestProgress([])).toMatchObject({
      end: "running",
      missesLeft: 2,
      next: { subject: "basic-bounce" },
    });
    const half = baseTestProgress([part(0), part(1, [{ position: 4 }], 100)]);
    expect(half).toMatchObject({ missesLeft: 1, next: { subject: "single-leg-hop", side: "left" } });
    expect(baseTestProgress(all.map((place) => part(place)))).toMatchObject({ end: "passed", next: null });
  });

  it("passes with two misses, wherever they fell, and not with three", () => {
    const misses = (count: number) => all.map((place) => part(place, place === 2 ? [{ count }] : []));
    expect(baseTestPassedAt(misses(2))).toBe(4);
    expect(baseTestProgress(misses(3))).toMatchObject({ end: "failed", missesLeft: 0, next: null });
    expect(baseTestPassedAt(misses(3))).toBeNull();
  });

  it("asks again for a part that stayed short", () => {
    const short = [part(0, [{ position: 61 }], 60), part(1)];
    expect(baseTestProgress(short).next).toMatchObject({ subject: "basic-bounce", reached: false });
    expect(baseTestProgress([...short, part(0)]).next).toMatchObject({ subject: "single-leg-hop" });
  });

  it("takes no notice of other skills", () => {
    const other = { ...part(0, [{ count: 9 }]), subject: "cross", side: "left" as const };
    expect(baseTestProgress([other]).missesLeft).toBe(2);
    expect(baseTestPassedAt([...all.map((place) => part(place)), { ...other, at: 99 }])).toBe(4);
  });
});
