import { describe, expect, it } from "@jest/globals";
import { faultsGone } from "./fault-course.js";
import { NO_PRACTICE, type PracticeDay } from "./practice-day.js";

function day(on: number, more: Partial<PracticeDay> = {}): PracticeDay {
  return {
    ...{ ...NO_PRACTICE, subject: "cross", side: "left" },
    ...{ day: `2026-06-${String(on).padStart(2, "0")}`, sets: 1, clean: 12, kinds: { streak: 12 } },
    ...more,
  };
}

const noted = (on: number, faults: Readonly<Record<string, number>>, kinds = ["streak"]) =>
  day(on, { faults, kinds: Object.fromEntries(kinds.map((kind) => [kind, 12])) });

describe("a fault that went away", () => {
  const course = [
    noted(1, { toes: 2 }),
    noted(3, { toes: 1, head: 1 }, ["streak", "one-stop"]),
    day(5, { kinds: { shadow: 4, streak: 8 } }),
    day(8, { kinds: { spaced: 12 } }),
  ];

  it("is told with what was new in between, in whatever order the days come", () => {
    const [gone, ...others] = faultsGone([...course].reverse());
    expect(others).toEqual([]);
    expect(gone).toEqual({
      ...{ subject: "cross", side: "left", fault: "toes", noted: 3, lastOn: "2026-06-03" },
      ...{ triesSince: 24, after: ["one-stop", "shadow"] },
    });
  });

  it("is not gone where it was a slip, where too little was tried since, or where it came again", () => {
    expect(faultsGone([noted(1, { toes: 3 }), day(2), day(3)])).toEqual([]);
    expect(faultsGone([noted(1, { toes: 1 }), noted(2, { toes: 1 }), day(3), day(4)])).toEqual([]);
    expect(faultsGone(course.slice(0, 3))).toEqual([]);
    expect(faultsGone([...course, noted(9, { toes: 1 })])).toEqual([]);
  });

  it("is one side's: what is done at the other tells nothing of it", () => {
    const right = course.slice(2).map((one) => ({ ...one, side: "right" as const }));
    expect(faultsGone([...course.slice(0, 2), ...right])).toEqual([]);
  });

  it("is not gone while the student alone has tried since", () => {
    const alone = course.slice(2).map((one) => ({ ...one, clean: 0, aloneClean: 60 }));
    expect(faultsGone([...course.slice(0, 2), ...alone])).toEqual([]);
  });
});
