import { describe, expect, it } from "@jest/globals";
import { keptTicks, tappedTimes } from "../app/ticks.js";
import { rhythmWords, setRhythmWords } from "./rhythm-words.js";

const ticks = (count: number, every: (tick: number) => number) =>
  Array.from({ length: count }).reduce<number[]>(
    (all, _, tick) => [...all, (all.at(-1) ?? 0) + every(tick)],
    [0],
  );

describe("how even a set is, in words", () => {
  it("says nothing of too little, and no drift of a short set", () => {
    expect(rhythmWords([0, 0.5])).toBe("");
    expect(rhythmWords(ticks(8, () => 0.5))).toBe("120 a minute, evenness 100");
    expect(rhythmWords(ticks(20, (tick) => 0.5 * 0.98 ** tick))).not.toContain("% a minute");
  });

  it("tells the drift of a long one", () => {
    expect(rhythmWords(ticks(80, (tick) => 0.5 * 0.998 ** tick))).toMatch(
      /^1\d\d a minute, evenness \d+, \+\d+% a minute$/,
    );
  });

  it("of a whole set names the tries that stood out, and which way", () => {
    const late = ticks(20, (tick) => (tick === 11 ? 0.7 : 0.5));
    expect(setRhythmWords(late)).toBe("120 a minute, evenness 91; the 13th came late.");
    const both = ticks(30, (tick) => (tick === 1 ? 0.7 : tick === 20 ? 0.3 : 0.5));
    expect(setRhythmWords(both)).toMatch(/; the 3rd came late and the 22nd came early\.$/);
    const many = ticks(60, (tick) => (tick % 10 === 0 ? 0.75 : 0.5));
    expect(setRhythmWords(many)).toMatch(/the 32nd came late, and 2 more stood out\.$/);
    expect(setRhythmWords(ticks(9, () => 0.5))).toBe("120 a minute, evenness 100.");
    expect(setRhythmWords([0, 1])).toBe("");
  });

  it("keeps a hundredth of a second", () => {
    expect(keptTicks([0.123456, 2])).toEqual([0.12, 2]);
  });

  it("hears what was tapped one by one, and nothing else", () => {
    expect(
      tappedTimes([
        { kind: "clean", at: 1 },
        { kind: "clean", times: 5, at: 2 },
        { kind: "miss", at: 3 },
        { kind: "pace", every: 0.5, at: 4 },
        { kind: "clean", at: 5 },
      ]),
    ).toEqual([1, 5]);
  });
});
