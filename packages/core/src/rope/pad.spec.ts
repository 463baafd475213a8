import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { ARMS } from "./arms.js";
import { checkScore } from "./check.js";
import { padFaults, padFeet, padScore, pressed, pressedText, type PadPress } from "./pad.js";
import { parseScore } from "./parse.js";
import { expandBeats, type Score } from "./score.js";

function scored(text: string): Score {
  const score = padScore(text);
  if (score === null) throw new Error(`${text} is no score`);
  return score;
}
const played = (...presses: readonly PadPress[]): string =>
  presses.reduce((text, press) => pressedText(scored(text), press), "");
const turn = (arms: (typeof ARMS)[number]): PadPress => ({ kind: "turn", arms });

describe("a score played on the pad", () => {
  it("is written turn by turn, with feet, stops and what the body does", () => {
    expect(played(turn("sr"), turn("xr"), turn("o"))).toBe("sr xr o");
    expect(played(turn("o"), { kind: "more", arms: "xr" }, { kind: "feet", landing: "r" })).toBe("(o xr)/r");
    expect(played(turn("xr"), { kind: "stop" })).toBe("xr!");
    expect(played(turn("xr"), { kind: "stop" }, { kind: "stop" })).toBe("xr");
    const squat: PadPress = { kind: "gesture", gesture: "squat" };
    expect(played(turn("o"), squat)).toBe("o+squat");
    expect(played(turn("o"), squat, squat)).toBe("o");
    expect(played(turn("xr"), turn("o"), { kind: "direction" })).toBe("< xr o");
  });

  it("goes back turn by turn to nothing", () => {
    const back: PadPress = { kind: "back" };
    expect(played(turn("o"), { kind: "more", arms: "xr" }, back)).toBe("o");
    expect(played(turn("o"), back)).toBe("");
    expect(played(back, back)).toBe("");
    expect(played({ kind: "feet", landing: "r" }, { kind: "stop" })).toBe("");
  });

  it("changes the last of what was repeated alone, and takes no text that does not parse", () => {
    expect(pressedText(scored("[o xr]*2"), { kind: "feet", landing: "r" })).toBe("o xr o xr/r");
    expect(padScore("xr (")).toBeNull();
    expect([padFeet(scored("")), padFeet(scored("ur o/l"))]).toEqual([null, "l"]);
  });

  it("says before a press what cannot follow, and of nothing else", () => {
    expect(padFaults(scored("sr"), "turn").has("wl")).toBe(true);
    expect(padFaults(scored(""), "turn").size).toBeLessThan(ARMS.length);
    const kinds = fc.constantFrom<"turn" | "more">("turn", "more");
    fc.assert(
      fc.property(fc.array(fc.tuple(kinds, fc.constantFrom(...ARMS)), { maxLength: 12 }), (presses) => {
        let score = scored("");
        for (const [kind, arms] of presses) {
          if (padFaults(score, kind).has(arms)) continue;
          score = pressed(score, { kind, arms });
        }
        if (score.items.length === 0) return;
        // What was only ever pressed where it could follow can be jumped through once.
        expect(checkScore(score, { loop: false })).toEqual([]);
        const text = pressedText(score, { kind: "direction" });
        expect(parseScore(text).ok).toBe(true);
        expect(expandBeats(score).length).toBeLessThanOrEqual(presses.length);
      }),
    );
  });
});
