import { describe, expect, it } from "@jest/globals";
import type { WeeksView } from "@mirrup/contract";
import type { Outlook } from "@mirrup/core/planning";
import { addressOfWeeks, weeksAskedFrom } from "../app/weeks-asked.js";
import { giveWords, outlookWords } from "./weeks-words.js";

const NOW = Date.parse("2026-06-01T12:00:00Z");

describe("what is asked of the weeks", () => {
  it("is kept in the address", () => {
    const asked = { until: "2026-09-01", perWeek: 3, tries: 80 };
    expect(weeksAskedFrom(addressOfWeeks(asked), NOW)).toEqual(asked);
    const plain = { until: "2026-09-01", perWeek: null, tries: null };
    expect(weeksAskedFrom(addressOfWeeks(plain), NOW)).toEqual(plain);
  });

  it("is eight weeks, and what the groups and lessons have, where the address says nothing of use", () => {
    const usual = { until: "2026-07-27", perWeek: null, tries: null };
    expect(weeksAskedFrom(new URLSearchParams(), NOW)).toEqual(usual);
    expect(weeksAskedFrom(new URLSearchParams("until=soon&perWeek=9&tries=-1"), NOW)).toEqual(usual);
  });
});

describe("whether it will be enough", () => {
  const view = (outlook: Outlook, expected: number): WeeksView => ({
    weeks: ["2026-06-01", "2026-06-08"].map((start) => ({
      ...{ start, lessons: [start], work: [], reviews: [], landings: 0, slack: 0 },
      ...{ highImpact: [], isTaper: false },
    })),
    tries: { expected: 200, low: 100, high: 400 },
    holds: 120,
    outlook,
    ...{ reached: [], chance: 0.18, gives: [] },
    lessonsNeeded: { expected, low: 2, high: 8 },
    ...{ goals: [], until: "2026-06-15", lessonsAWeek: 1, triesALesson: 60, allowance: null },
  });

  it("is said with the numbers it rests on, and with what would be", () => {
    const { title, why } = outlookWords(view("unlikely", 4));
    expect(title).toBe("Not likely by then");
    expect(why).toContain("the 2 lessons until then hold about 120");
    expect(why).toContain("about 4 lessons (2 to 8)");
    expect(why).toContain("2 in 10 by then");
  });

  it("says how long it is at this pace", () => {
    expect(outlookWords(view("not-by-then", 40)).why).toContain("At this pace it is 40 weeks.");
  });

  it("says what would have to give", () => {
    const goal = { subject: "cross", side: "both" } as const;
    expect(
      [
        { code: "lessons", aWeek: 3, chance: 0.8 } as const,
        { code: "later", until: "2026-09-01", chance: 0.8 } as const,
        { code: "nearer", subject: "cross", side: "left", chance: 0.8 } as const,
        { code: "without", goal, chance: 0.8 } as const,
      ].map(giveWords),
    ).toEqual([
      "3 lessons a week: 8 in 10 by then",
      "Until 1 September 2026 instead: 8 in 10",
      "As far as cross, left side: 8 in 10 by then",
      "Without cross, both sides: 8 in 10 by then",
    ]);
  });
});
