import { describe, expect, it } from "@jest/globals";
import type { WeekOfPlan } from "@mirrup/core/planning";
import fc from "fast-check";
import { weeksStrip } from "./weeks-strip.js";

function week(changes: Partial<WeekOfPlan> = {}): WeekOfPlan {
  return {
    ...{ start: "2026-11-30", lessons: ["2026-12-01"], work: [], reviews: [], landings: 0, slack: 0 },
    ...{ highImpact: [], isTaper: false },
    ...changes,
  };
}

const work = (tries: number, finishes = false) =>
  ({ subject: "cross", side: "left", tries, finishes }) as const;

const some = fc.array(
  fc
    .record({
      tries: fc.array(fc.double({ min: 0, max: 200, noNaN: true }), { maxLength: 5 }),
      slack: fc.nat(90),
    })
    .map(({ tries, slack }) => week({ slack, work: tries.map((many) => work(many)) })),
  { maxLength: 104 },
);

describe("the weeks as a strip", () => {
  it("are stacked without a gap or one over another, and none is higher than the strip", () => {
    fc.assert(
      fc.property(some, (weeks) => {
        const columns = weeksStrip(weeks);
        expect(columns).toHaveLength(weeks.length);
        for (const { pieces, room } of columns) {
          let at = 0;
          for (const { from, share } of pieces) {
            expect(from).toBeCloseTo(at);
            at = from + share;
          }
          expect(at + room).toBeLessThanOrEqual(1 + 1e-9);
        }
        const dated = columns.filter(({ isDated }) => isDated).length;
        expect(dated).toBeLessThanOrEqual(12);
        expect(columns.length === 0 || columns[0]?.isDated).toBe(true);
      }),
    );
  });

  it("are measured by the week that holds most, its room counted in", () => {
    const [first, second] = weeksStrip([week({ work: [work(30)], slack: 50 }), week({ work: [work(40)] })]);
    expect(first).toMatchObject({ room: 50 / 80, pieces: [{ from: 0, share: 30 / 80 }] });
    expect(second).toMatchObject({
      room: 0,
      pieces: [{ share: 0.5, family: "crosses", name: "Cross, left side" }],
    });
  });

  it("tell where a gate is met, what is due again, and which week goes easy", () => {
    const reviews = [{ subject: "skier", side: "whole" }] as const;
    const [one] = weeksStrip([week({ work: [work(10, true)], reviews, isTaper: true })]);
    expect(one).toMatchObject({ pieces: [{ finishes: true }], reviews: 1, isTaper: true });
  });

  it("want no more than the lessons hold where a week is over full", () => {
    expect(weeksStrip([week({ work: [work(40)], slack: -7 })])[0]).toMatchObject({ room: 0 });
  });
});
