import { describe, expect, it } from "@jest/globals";
import type { DrillKind } from "../syllabus/drill.js";
import type { FaultCode } from "../syllabus/fault.js";
import { suggestionOf, type JudgedSet, type SuggestionContext } from "./suggestion.js";

/** A set from its tries: `c` clean, `m` a miss without a name, `t` one that caught the toes. */
function set(letters: string, kind: DrillKind = "streak"): JudgedSet {
  const misses = [...letters].flatMap((letter, place) => {
    const position = place + 1;
    if (letter === "c") return [];
    return [letter === "t" ? { position, fault: "toes" as FaultCode } : { position }];
  });
  return { kind, clean: letters.length - misses.length, misses };
}

const CONTEXT: SuggestionContext = {
  sets: [],
  isCleared: false,
  isStuck: false,
  sideBehind: null,
  sibling: null,
  rustyPart: null,
  drillFor: (fault) => (fault === "toes" ? "toe-catch" : null),
  lowReviews: 0,
  week: null,
};

function suggest(letters: readonly string[], changes: Partial<SuggestionContext> = {}) {
  return suggestionOf({ ...CONTEXT, sets: letters.map((one) => set(one)), ...changes });
}

describe("after a set", () => {
  it("advises a rest when misses climb through it", () => {
    expect(suggest(["cccccccmcmmm"])).toMatchObject({ code: "rest", early: 0, late: 4 });
    expect(suggest(["mmmcmccccccc"])?.code).not.toBe("rest");
  });

  it("names the fix for a fault that keeps coming, over the last sets", () => {
    expect(suggest(["tcccc", "cctct"])).toEqual({ code: "fix", fault: "toes", times: 3 });
    expect(suggest(["tcccc", "cctcc"])).toBeNull();
  });

  it("points at the rope's length after many trips without a name", () => {
    expect(suggest(["mmcmm", "mmmcc"])).toEqual({ code: "rope-length", misses: 7 });
  });

  it("treats a plateau in order: the fix, the sibling, a rusty part", () => {
    const plateau = (sets: readonly JudgedSet[], changes: Partial<SuggestionContext> = {}) =>
      suggestionOf({ ...CONTEXT, sets, isStuck: true, ...changes });
    const streak = set("ctccc");
    const mended = set("ccccc", "toe-catch");
    const sibling = "cross-open-double";
    const rustyPart = { subject: "cross", side: "left" as const };
    expect(plateau([streak], { sibling, rustyPart })).toEqual({ code: "fix", fault: "toes", times: 1 });
    expect(plateau([mended, streak], { sibling, rustyPart })).toEqual({ code: "sibling", subject: sibling });
    expect(plateau([mended, streak], { rustyPart })).toEqual({ code: "rusty-part", ...rustyPart });
    expect(plateau([mended, streak])).toBeNull();
    expect(plateau([streak], { isCleared: true })).toBeNull();
  });

  it("asks whether it is cleared at all after two reviews that went badly", () => {
    expect(suggest(["ccccc"], { isCleared: true, lowReviews: 2 })).toEqual({ code: "reopen", reviews: 2 });
    expect(suggest(["ccccc"], { isCleared: true, lowReviews: 1 })).toBeNull();
  });

  it("says when the week's landings pass their allowance, before what the set itself suggests", () => {
    expect(suggest(["ttttt"], { week: { landings: 3400, allowance: 3000 } })).toEqual({
      code: "load",
      landings: 3400,
      allowance: 3000,
    });
    for (const week of [
      { landings: 2900, allowance: 3000 },
      { landings: 9000, allowance: null },
    ]) {
      expect(suggest(["ccccc"], { week })).toBeNull();
    }
  });

  it("leaves the next drill to what is proposed, and goes to the other side when cleared", () => {
    expect(suggest(["cccc"])).toBeNull();
    expect(suggest(["ttmmmmcmmc"])?.code).not.toBe("gentler");
    expect(suggest(["ccccc"], { isCleared: true, sideBehind: "left" })).toEqual({
      code: "other-side",
      side: "left",
    });
    expect(suggest([])).toBeNull();
  });
});
