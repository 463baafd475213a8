import { CATALOGUE } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import type { UnmetItem } from "@mirrup/contract";
import { ARMS, DRILL_KINDS, FAULT_CODES, parseDrill, type LoggedDrill } from "@mirrup/core";
import type { Suggestion } from "@mirrup/core/teaching";
import { syllabus } from "./syllabus.js";
import {
  countsWords,
  drillWords,
  evidenceWords,
  ladderWords,
  loggedDrillWords,
  oddsWords,
  spacingWords,
} from "./drill-words.js";
import {
  captionWords,
  daysAgoWords,
  gateWords,
  goalWords,
  lengthIn,
  lengthWords,
  lockedWords,
  meetingWords,
  millimetresOf,
  reasonWords,
  standingWords,
  subjectName,
  suggestionWords,
  triesWords,
} from "./words.js";

function unmet(changes: Partial<UnmetItem>): UnmetItem {
  return {
    subject: "cross",
    side: "left",
    gate: { kind: "streak", count: 15 },
    need: 15,
    have: 0,
    short: 15,
    needIndex: 0,
    way: 0,
    ...changes,
  };
}

describe("why a side is locked", () => {
  it("says how much is missing of each need", () => {
    expect(lockedWords([unmet({ have: 12, short: 3 })])).toEqual([
      "Needs 3 more in a row of cross, left side.",
    ]);
    expect(lockedWords([unmet({})])).toEqual(["Needs 15 in a row of cross, left side."]);
  });

  it("joins the ways of one need by or, what one way asks by and, and gives each need a sentence", () => {
    const sentences = lockedWords([
      unmet({ subject: "boxer-step", side: "whole", gate: { kind: "hold", seconds: 60 } }),
      unmet({ subject: "run-step", side: "whole", way: 1 }),
      unmet({ needIndex: 1, side: "left" }),
      unmet({ needIndex: 1, side: "right" }),
    ]);
    expect(sentences).toEqual([
      "Needs 60 s of boxer step without a miss, or 15 in a row of run step.",
      "Needs 15 in a row of cross, left side and 15 in a row of cross, right side.",
    ]);
  });
});

describe("numbers in words", () => {
  it("say gates, goals and sides", () => {
    expect(gateWords({ kind: "clean", clean: 4, of: 5 })).toBe("4 clean of 5");
    const long = { kind: "streak", count: 50 } as const;
    expect(gateWords(long)).toBe("50 in a row");
    expect(gateWords({ ...long, runsUntil: "2999-01-01" })).toBe(
      "50 in a row, or in runs of 10 and more in one lesson",
    );
    expect(gateWords({ ...long, runsUntil: "2020-01-01" })).toBe("50 in a row");
    expect(gateWords({ kind: "count", count: 45, seconds: 30 })).toBe("45 in 30 s");
    expect(goalWords({ subject: "cross", side: "both" })).toBe("cross, both sides");
    expect(subjectName("skier", "whole")).toBe("skier");
  });

  it("give lengths in both units, the one in use first, and bring them back", () => {
    expect(lengthWords(2300)).toBe("230 cm (90.6 in)");
    expect(lengthWords(2300, "in")).toBe("90.6 in (230 cm)");
    for (const unit of ["cm", "in"] as const) {
      expect(Math.abs(millimetresOf(lengthIn(1523, unit), unit) - 1523)).toBeLessThan(2);
    }
  });

  it("round tries to what can be planned with", () => {
    expect(triesWords({ expected: 123.4, low: 48, high: 217 })).toBe("about 120 tries (50 to 220)");
    expect(triesWords({ expected: 12.2, low: 5, high: 18 })).toBe("about 12 tries (5 to 18)");
    expect(triesWords({ expected: 400, low: 100, high: 2000 })).toBe("about 400 tries (100 to over 1,000)");
    expect(triesWords({ expected: 1500, low: 300, high: 4000 })).toBe("over 1,000 tries (300 at least)");
    expect(triesWords({ expected: 5000, low: 2000, high: 9000 })).toBe("over 1,000 tries");
  });

  it("count days as people do", () => {
    const now = new Date(2026, 5, 10, 9).getTime();
    const at = (day: number, hour: number) => new Date(2026, 5, day, hour).toISOString();
    expect(daysAgoWords(at(10, 1), now)).toBe("today");
    expect(daysAgoWords(at(9, 23), now)).toBe("yesterday");
    expect(daysAgoWords(at(7, 12), now)).toBe("3 days ago");
  });

  it("tell when and where a group meets, as far as that is set", () => {
    const meeting = { weekday: 5, startTime: "18:00", place: "Main hall" };
    expect(meetingWords(meeting)).toBe("Friday 18:00, Main hall");
    expect(meetingWords({ weekday: null, startTime: null, place: "Main hall" })).toBe("Main hall");
    expect(meetingWords({ weekday: null, startTime: null, place: "" })).toBe("");
  });
});

describe("every code has its words", () => {
  it("drills of every kind, with what they ask", () => {
    const words = (written: LoggedDrill) => {
      const drill = parseDrill(written);
      return drill === null ? "" : drillWords(drill);
    };
    const said = DRILL_KINDS.map((kind) =>
      words({ kind, count: 5, top: 6, seconds: 30, rounds: 3, spacing: 2 }),
    );
    expect(new Set(said).size).toBe(DRILL_KINDS.length);
    expect(words({ kind: "spaced", count: 5, spacing: 1 })).toContain("1 bounce between");
    expect(spacingWords(0)).toBe("no bounce between");
  });

  it("what cannot be read is said to be so", () => {
    expect(loggedDrillWords({ kind: "of-a-later-build" })).toBe(
      "a drill of another version (of-a-later-build)",
    );
    expect(loggedDrillWords({ kind: "climb", top: 4, growing: true })).toContain("4");
  });

  it("no two drills of a ladder alike", () => {
    for (const { subject, side, ladder } of syllabus().sides) {
      const words = ladderWords(subject, side, ladder).map(
        ({ name, pattern }) => `${name}: ${pattern ?? ""}`,
      );
      expect({ subject, side, words: new Set(words).size }).toEqual({ subject, side, words: ladder.length });
    }
  });

  it("what was counted, without what is not worth saying", () => {
    expect(countsWords({ clean: 8, misses: [{ count: 2 }], bestStreak: 5 })).toBe(
      "8 clean, 2 missed, best 5 in a row",
    );
    expect(countsWords({ clean: 10, misses: [], bestStreak: 10 })).toBe("10 clean");
    expect(countsWords({ clean: 3, misses: [{}, {}], bestStreak: 1 })).toBe("3 clean, 2 missed");
  });

  it("odds in tenths, with both ends in words", () => {
    expect([0.01, 0.74, 0.96].map(oddsWords)).toEqual(["less than 1 in 10", "7 in 10", "nearly always"]);
  });

  it("what a set was evidence for: the skill, a part of it, its rung alone, nothing", () => {
    const said = (subject: string, drill: LoggedDrill) => evidenceWords({ subject, side: "whole", drill });
    const alone = {
      subject: "cross",
      side: "left",
      drill: { kind: "streak" },
      countedBy: "student",
    } as const;
    expect(evidenceWords(alone)).toMatch(/^Counted alone: a hint/);
    expect(said("double-under", { kind: "streak", count: 10 })).toBe("Counts for the double under.");
    expect(said("quadruple-under", { kind: "one-out", count: 5, score: "(o o) o" })).toBe(
      "Counts for the double under; the quadruple under comes with the whole one.",
    );
    expect(said("quadruple-under", { kind: "side-rope", count: 40 })).toMatch(/^A rung on the way/);
    expect(said("double-under", { kind: "of-a-later-build" })).toMatch(/counts for nothing/);
  });

  it("suggestions, with the fix of every fault", () => {
    for (const fault of FAULT_CODES) {
      const { title, why } = suggestionWords({ code: "fix", fault, times: 3 });
      expect(title).toMatch(/^Say: \S/);
      expect(why).toMatch(/, 3 times\. \S/);
    }
    const others: readonly Suggestion[] = [
      { code: "rest", early: 1, late: 5 },
      { code: "rope-length", misses: 8 },
      { code: "sibling", subject: "cross-open-double" },
      { code: "reopen", reviews: 2 },
      { code: "other-side", side: "left" },
    ];
    expect(new Set(others.map((one) => suggestionWords(one).title)).size).toBe(others.length);
  });

  it("reasons, arms and standings", () => {
    expect(reasonWords({ code: "toward-goal", goal: "open-cross-double" })).toContain("open-cross double");
    expect(reasonWords({ code: "short-of-gate", best: 0, gate: 15 })).toContain("no clean one yet");
    expect(new Set(ARMS.map(captionWords)).size).toBe(ARMS.length);
    const gate = { kind: "streak", count: 15 } as const;
    const said = standingWords({ side: "left", status: "working", gateBest: 4, gate, isStuck: true });
    expect(said).toBe("left working, stuck, best 4, gate 15 in a row");
    expect(CATALOGUE.skills.size).toBeGreaterThan(90);
  });
});
