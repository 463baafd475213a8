import { describe, expect, it } from "@jest/globals";
import { DAY_MS } from "../instant.js";
import { NO_FACTS, type StandingFacts } from "../record/evidence.js";
import { nextDrills } from "../next/next.js";
import { standingsOf } from "../record/standing.js";
import { catalogueOfFamilies, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { classOptions, type ClassOptionContext } from "./class-option.js";

const NOW = Date.UTC(2026, 5, 1, 17);
const TODAY = "2026-06-01";
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

function cleared(daysAgo: number, due: string): StandingFacts {
  const at = NOW - daysAgo * DAY_MS;
  return {
    ...NO_FACTS,
    sets: 3,
    cleanSum: 1000,
    bestStreak: 5,
    cleared: { at, by: "gate", count: null },
    review: { stage: 0, since: at, due, kinClean: 0, lowRow: 0 },
  };
}

function options(facts: Readonly<Record<string, StandingFacts>>, changes: Partial<ClassOptionContext> = {}) {
  const context = { catalogue: CATALOGUE, school: FIVE_IN_A_ROW, now: NOW, today: TODAY };
  const standings = standingsOf(context, new Map(Object.entries(facts)));
  const next = nextDrills(standings, { ...context, strongerSide: "right" });
  const made = classOptions({
    ...context,
    standings,
    next,
    underGoals: new Set(),
    missing: new Set(),
    ...changes,
  });
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

  it.each<[string, StandingFacts, string]>([
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
    const under = options(facts, { underGoals: new Set(["bounce:whole"]) }).get("bounce")?.worth ?? 0;
    expect(under).toBeGreaterThan(plain);
  });

  it("counts landings by the minute, and multiples where there are any", () => {
    const { landingsAMinute = 0 } = options({ "bounce:whole": LONG_AGO }).get("step") ?? {};
    expect(landingsAMinute).toBeGreaterThan(10);
    expect(landingsAMinute).toBeLessThan(200);
  });
});
