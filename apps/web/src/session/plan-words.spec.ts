import { describe, expect, it } from "@jest/globals";
import {
  BEYONDS,
  PHASES,
  PRECAUTIONS,
  type LeftOutWhy,
  type PlanNote,
  type PlanReason,
} from "@mirrup/core/planning";
import {
  beyondWords,
  leftOutWords,
  noteWords,
  PHASE_NAMES,
  planReasonWords,
  worthWords,
} from "./plan-words.js";

/** A sentence that somebody can read: it begins large or with a number, ends in a stop, and holds no code's own word. */
const SENTENCE = /^[A-Z0-9].*[.]$/;
const INTERNAL = /undefined|NaN|\[object|null/;

describe("a block of a plan in words", () => {
  it("has a name for each part of a lesson, no two the same", () => {
    const names = PHASES.map((phase) => PHASE_NAMES[phase]);
    expect(new Set(names).size).toBe(PHASES.length);
  });

  it("says why it is there where nothing is to be reached", () => {
    const reasons: readonly PlanReason[] = [
      { code: "warm-up" },
      { code: "cool-down" },
      { code: "climb" },
      { code: "conditioning" },
      { code: "no-landing", isEnough: true },
      { code: "no-landing", isEnough: false },
      { code: "combo", skills: ["cross", "double-under"], combo: null },
    ];
    const said = reasons.map(planReasonWords);
    for (const words of said) expect(words).toMatch(SENTENCE);
    expect(new Set(said).size).toBe(reasons.length);
  });

  it("says what it goes beyond, each of them and all together, and nothing where it goes beyond nothing", () => {
    expect(beyondWords([])).toBeNull();
    const said = BEYONDS.map((one) => beyondWords([one]));
    expect(new Set(said).size).toBe(BEYONDS.length);
    for (const words of said) {
      expect(words).toMatch(/^Kept as you said, though .*[.]$/);
      expect(words).not.toMatch(INTERNAL);
    }
    expect(beyondWords(["minutes", "rest-day"])).toBe(
      "Kept as you said, though it takes longer than the minutes that are there and yesterday had many multiples, " +
        "and a growing jumper should have none today.",
    );
  });

  it("says what it is worth, and that nothing would be lost without it", () => {
    expect(worthWords(0)).toBe("can be left out");
    expect(worthWords(3.456)).toBe("worth 3.5");
  });
});

describe("what a plan has to say of itself", () => {
  const notes: readonly PlanNote[] = [
    { code: "allowance" },
    { code: "rest-day" },
    { code: "empty", minutes: 12.5, why: "landings" },
    { code: "empty", minutes: 1, why: "nothing-open" },
  ];

  it("is a sentence that says what to do where minutes are left", () => {
    const said = notes.map(noteWords);
    for (const words of said) expect(words).toMatch(SENTENCE);
    expect(said[2]).toMatch(/^12.5 minutes are left, and the legs have had enough: .*partner/);
    expect(said[3]).toMatch(/^1 minute is left, and nothing more is open/);
  });
});

describe("why something is left out", () => {
  it("is said for each reason in its own words", () => {
    const whys: readonly LeftOutWhy[] = [
      { code: "banned" },
      ...PRECAUTIONS.map((precaution) => ({ code: "missing", precaution }) as const),
      { code: "tired" },
      { code: "minutes" },
      { code: "landings" },
      { code: "day-landings" },
      { code: "multiples" },
      { code: "rest-day" },
      { code: "review-share" },
      { code: "new-share" },
      { code: "less-useful", costs: 0 },
      { code: "less-useful", costs: 2 },
    ];
    const said = whys.map(leftOutWords);
    expect(new Set(said).size).toBe(whys.length);
    for (const words of said) {
      expect(words).not.toMatch(INTERNAL);
      expect(words).toMatch(/^[a-z].*[a-z ]{8}/);
    }
    expect(said.at(-1)).toBe("what is there is worth more, by 2.0");
  });
});
