import { describe, expect, it } from "@jest/globals";
import type { Drill } from "@mirrup/core";
import { ledFrom, left, withSet, type LedBlock } from "./led.js";
import { drillOfSet, wayOn } from "./way-on.js";

const TEN: Drill = { kind: "streak", count: 10 };
const CLIMB: Drill = { kind: "climb", top: 5, onMiss: "repeat" };

function block(subject: string, phase: LedBlock["phase"] = "main"): LedBlock {
  const key = `${phase} ${subject}`;
  return { key, name: subject, phase, subject, side: "left", drill: TEN, sets: 2, minutes: 5, comboId: null };
}

const [cross, skier] = [block("cross"), block("skier")];
const begun = ledFrom([cross, skier], 0);
const counted = withSet(begun, cross, { id: "1", clean: 3, tries: 5 });
const here = { subject: "cross", side: "left" } as const;

describe("the way on within a session", () => {
  it("is another set while the block has sets and minutes", () => {
    expect(wayOn(counted, here, 60_000)).toEqual({ code: "set", block: cross, number: 2 });
  });

  it("is the next block once the sets are done, or the minutes over", () => {
    const done = withSet(counted, cross, { id: "2", clean: 5, tries: 5 });
    expect(wayOn(done, here, 60_000)).toEqual({ code: "block", block: cross, next: skier });
    expect(wayOn(counted, here, 300_000)).toEqual({ code: "block", block: cross, next: skier });
  });

  it("leads back to the block from a floor of something else, its other side among it", () => {
    expect(wayOn(begun, { subject: "cross", side: "right" }, 0)).toEqual({ code: "back", block: cross });
  });

  it("ends after the last block", () => {
    const last = left(begun, cross.key, "done", 0);
    expect(wayOn(last, { subject: "skier", side: "left" }, 300_000)).toMatchObject({ next: null });
    expect(wayOn(left(last, skier.key, "done", 0), here, 0)).toBeNull();
  });
});

describe("the drill of a block's next set", () => {
  it("goes up the ladder with what is proposed in the main work", () => {
    expect(drillOfSet(cross, CLIMB)).toBe(CLIMB);
    expect(drillOfSet(cross, undefined)).toBe(TEN);
  });

  it("stays what was planned where the block is about the drill itself", () => {
    for (const phase of ["climb", "conditioning", "review", "combo", "no-landing"] as const)
      expect(drillOfSet(block("cross", phase), CLIMB)).toBe(TEN);
  });
});
