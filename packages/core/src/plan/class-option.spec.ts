import { describe, expect, it } from "@jest/globals";
import { DAY_MS } from "../instant.js";
import { NO_FACTS, type SideFacts } from "../record/facts.js";
import { nextDrills } from "../next/next.js";
import { sideNamed } from "../syllabus/side-text.js";
import { sideOf, syllabusOf } from "../syllabus/syllabus.js";
import { readingFrom } from "../testing/small-reading.js";
import { catalogueOfFamilies, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { classOptions, type ClassOptionContext } from "./class-option.js";

const NOW = Date.UTC(2026, 5, 1, 17);
const CATALOGUE = catalogueOfFamilies({
  footwork: [
    ["bounce", "one", ""],
    ["step", "one", "bounce", "footwork"],
  ],
  crosses: [["cross", "two", "bounce", "cross"]],
  multiples: [
    ["double", "one", "bounce", "double"],
    ["triple", "one", "double", "triple"],
    ["fused", "two", "bounce", "fused-double"],
  ],
});

function cleared(daysAgo: number, due: string): SideFacts {
  const at = NOW - daysAgo * DAY_MS;
  return {
    ...NO_FACTS,
    sets: 3,
    clean: 40,
    countedAt: at,
    bestStreak: 5,
    cleared: { at, by: "gate", count: null },
    review: { stage: 0, since: at, due, kinClean: 0, lowRow: 0 },
  };
}

const SYLLABUS = syllabusOf({ catalogue: CATALOGUE, school: FIVE_IN_A_ROW });
const BOUNCE = sideOf(SYLLABUS, "bounce", "whole");

function options(facts: Readonly<Record<string, SideFacts>>, changes: Partial<ClassOptionContext> = {}) {
  const known = Object.entries(facts).map(([key, own]) => {
    const { subject, side } = sideNamed(key) ?? { subject: key, side: "whole" as const };
    return [subject, side, own] as const;
  });
  const reading = readingFrom(SYLLABUS, known);
  const next = nextDrills(reading, { strongerSide: "right" });
  const made = classOptions({ reading, next, underGoals: new Set(), missing: new Set(), ...changes });
  return new Map(made.map((one) => [one.subject, one]));
}

describe("what a student can do at a station", () => {
  const LONG_AGO = cleared(90, "2026-08-01");

  it("is what is open, one side of each skill, and nothing that is locked", () => {
    const found = options({ "bounce:whole": LONG_AGO });
    expect(found.get("cross")).toMatchObject({ side: "right", use: "frontier", watch: "helper" });
    expect(found.get("fused")).toMatchObject({ use: "frontier", watch: "coach", isNewAndHard: true });
    expect(found.has("triple")).toBe(false);
  });

  it.each<[string, SideFacts, string]>([
    ["due", cleared(30, "2026-05-20"), "review"],
    ["just cleared", cleared(5, "2026-08-01"), "show"],
    ["due within the week", cleared(90, "2026-06-06"), "show"],
    ["cleared long ago", LONG_AGO, "keep"],
  ])("has a skill that is %s for its own use", (_name, facts, use) => {
    expect(options({ "bounce:whole": facts }).get("bounce")?.use).toBe(use);
  });

  it("counts a review under a goal for more", () => {
    const facts = { "bounce:whole": cleared(30, "2026-05-20") };
    const plain = options(facts).get("bounce")?.worth ?? 0;
    const under = options(facts, { underGoals: new Set([BOUNCE]) }).get("bounce")?.worth ?? 0;
    expect(under).toBeGreaterThan(plain);
  });

  it("counts landings by the minute, and multiples where there are any", () => {
    const { landingsAMinute = 0 } = options({ "bounce:whole": LONG_AGO }).get("step") ?? {};
    expect(landingsAMinute).toBeGreaterThan(10);
    expect(landingsAMinute).toBeLessThan(200);
  });
});
