import { describe, expect, it } from "@jest/globals";
import type { PlanBlock } from "@mirrup/core/planning";
import fc from "fast-check";
import { minutesStrip } from "./minutes-strip.js";

function block(changes: Partial<PlanBlock>): PlanBlock {
  return {
    ...{ phase: "main", subject: "cross", side: "left", drill: { kind: "streak", count: 10 } },
    ...{ chance: null, after: null, cautions: [], sets: 1, minutes: 4, rest: 1, landings: 10, multiples: 0 },
    ...{ effort: "light", reason: { code: "climb" }, leaving: null, beyond: [] },
    ...changes,
  } as PlanBlock;
}

const some = fc
  .array(
    fc.record({ half: fc.integer({ min: 1, max: 30 }), rest: fc.double({ min: 0, max: 1, noNaN: true }) }),
    {
      maxLength: 14,
    },
  )
  .map((all) => all.map(({ half, rest }) => block({ minutes: half / 2, rest: (rest * half) / 2 })));

describe("a plan's strip of minutes", () => {
  it("has the pieces in order, none over another, all within it, whatever is planned", () => {
    fc.assert(
      fc.property(some, fc.integer({ min: 0, max: 120 }), (blocks, minutes) => {
        const { pieces, marks } = minutesStrip(blocks, minutes);
        let at = 0;
        for (const { from, share, rest } of pieces) {
          expect(from).toBeCloseTo(at);
          expect(rest).toBeGreaterThanOrEqual(0);
          expect(rest).toBeLessThanOrEqual(1);
          at = from + share;
        }
        expect(at).toBeLessThanOrEqual(1 + 1e-9);
        expect(marks.length).toBeLessThanOrEqual(9);
        for (const mark of marks) expect(mark.at).toBeLessThanOrEqual(1 + 1e-9);
      }),
    );
  });

  it("is as long as the time there is, so that what is free is seen", () => {
    const [piece] = minutesStrip([block({ minutes: 15 })], 60).pieces;
    expect(piece).toMatchObject({ from: 0, share: 0.25 });
  });

  it("tells the kinds apart, and gives easy jumping no family's colour", () => {
    const kinds = [
      block({ phase: "warm-up", subject: "basic-bounce", side: "whole", reason: { code: "warm-up" } }),
      block({ phase: "review" }),
      block({ reason: { code: "new" } as PlanBlock["reason"] }),
      block({}),
    ];
    expect(minutesStrip(kinds, 30).pieces.map(({ kind, family }) => [kind, family])).toEqual([
      ["easy", null],
      ["review", "crosses"],
      ["new", "crosses"],
      ["work", "crosses"],
    ]);
  });
});
