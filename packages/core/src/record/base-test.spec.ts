import { describe, expect, it } from "@jest/globals";
import type { LoggedSet } from "../log/line.js";
import type { Miss } from "../log/set.js";
import type { BaseTestRole } from "../syllabus/roles.js";
import { baseTestPassed, baseTestProgress } from "./base-test.js";

const ROLE: BaseTestRole = {
  parts: [
    { subject: "bounce", side: "whole" },
    { subject: "boxer", side: "whole" },
    { subject: "hop", side: "left" },
    { subject: "hop", side: "right" },
    { subject: "backward", side: "whole" },
  ],
  count: 100,
  misses: 2,
};

/** A set of the part at a place, at 100 unless said otherwise. */
function part(
  place: number,
  misses: readonly Miss[] = [],
  bestStreak = 100,
  lesson = "2026-11-25",
): LoggedSet {
  const { subject = "", side = "whole" } = ROLE.parts[place] ?? {};
  const drill = { kind: "streak", count: 100 } as const;
  return { id: `${place}`, subject, side, drill, clean: 100, misses, bestStreak, at: place, lesson };
}
const progress = (sets: readonly LoggedSet[]) => baseTestProgress(ROLE, sets);
const passedAt = (sets: readonly LoggedSet[]) => baseTestPassed(ROLE, sets)?.at ?? null;
const all = [0, 1, 2, 3, 4];

describe("the base test", () => {
  it("goes through its five parts in order, one count of misses over all", () => {
    expect(progress([])).toMatchObject({
      end: "running",
      missesLeft: 2,
      next: { subject: "bounce" },
    });
    const half = progress([part(0), part(1, [{ position: 4 }], 100)]);
    expect(half).toMatchObject({ missesLeft: 1, next: { subject: "hop", side: "left" } });
    expect(progress(all.map((place) => part(place)))).toMatchObject({ end: "passed", next: null });
  });

  it("passes with two misses, wherever they fell, and not with three", () => {
    const misses = (count: number) => all.map((place) => part(place, place === 2 ? [{ count }] : []));
    expect(passedAt(misses(2))).toBe(4);
    expect(progress(misses(3))).toMatchObject({ end: "failed", missesLeft: 0, next: null });
    expect(passedAt(misses(3))).toBeNull();
  });

  it("asks again for a part that stayed short", () => {
    const short = [part(0, [{ position: 61 }], 60), part(1)];
    expect(progress(short).next).toMatchObject({ subject: "bounce", reached: false });
    expect(progress([...short, part(0)]).next).toMatchObject({ subject: "hop" });
  });

  it("is passed within one lesson, not over two", () => {
    const sets = all.map((place) => part(place, [], 100, place < 3 ? "2026-11-24" : "2026-11-25"));
    expect(passedAt(sets)).toBeNull();
    expect(passedAt([...sets, ...all.map((place) => part(place, [], 100, "2026-11-26"))])).toBe(4);
  });

  it("counts a streak of the jump itself alone", () => {
    const shadow = { ...part(0), drill: { kind: "shadow" } };
    const other = { ...part(0), drill: { kind: "streak", count: 100, score: "o/r" } };
    expect(progress([shadow, other]).next).toMatchObject({ subject: "bounce" });
  });

  it("takes no notice of other skills", () => {
    const other = { ...part(0, [{ count: 9 }]), subject: "cross", side: "left" as const };
    expect(progress([other]).missesLeft).toBe(2);
    expect(passedAt([...all.map((place) => part(place)), { ...other, at: 99 }])).toBe(4);
  });
});
