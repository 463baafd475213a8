import { describe, expect, it } from "@jest/globals";
import type { FaultCode } from "./fault.js";
import { suggestionOf, type JudgedSet, type SuggestionContext } from "./suggestion.js";

/** A set from its tries: `c` clean, `m` a miss without a name, `t` one that caught the toes. */
function set(letters: string): JudgedSet {
  const misses = [...letters].flatMap((letter, place) => {
    const position = place + 1;
    if (letter === "c") return [];
    return [letter === "t" ? { position, fault: "toes" as FaultCode } : { position }];
  });
  return { clean: letters.length - misses.length, misses };
}

function suggest(letters: readonly string[], changes: Partial<SuggestionContext> = {}) {
  const base = { isCleared: false, isStuck: false, sideBehind: null, sibling: null };
  return suggestionOf({ sets: letters.map(set), ...base, ...changes });
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

  it("switches to a sibling when stuck, steps back after mostly misses, goes to the other side when cleared", () => {
    expect(suggest(["cccmc"], { isStuck: true, sibling: "cross-open-double" })).toMatchObject({
      code: "sibling",
    });
    expect(suggest(["ttmmmmcmmc"])).toEqual({ code: "gentler", clean: 2, tries: 10 });
    expect(suggest(["ccccc"], { isCleared: true, sideBehind: "left" })).toEqual({
      code: "other-side",
      side: "left",
    });
    expect(suggest([])).toBeNull();
  });
});
