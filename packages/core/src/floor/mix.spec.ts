import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { checkScore } from "../rope/check.js";
import { joinScores } from "../rope/join.js";
import { parseScore, scoreOf } from "../rope/parse.js";
import { expandBeats } from "../rope/score.js";
import { mixOf, type MixMove } from "./mix.js";

const BOUNCE = scoreOf("o");
const move = (text: string): MixMove => {
  const parsed = parseScore(text);
  if (!parsed.ok) throw new Error(text);
  return { name: text, score: parsed.score };
};
const TEXTS = [
  "o/r o/l",
  "sr o",
  "xr o",
  "xr",
  "sr xr o",
  "br o",
  "ur o",
  "(o o)",
  "(o xr) o",
  "< o",
  "sr",
  "k o",
];
const MOVES = TEXTS.map(move);

describe("a mix to be called out", () => {
  it("is the same for the same seed, and another for another", () => {
    const asked = { calls: 12, every: 8, seed: 3, bounce: BOUNCE };
    const names = (seed: number) => mixOf(MOVES, { ...asked, seed }).calls.map((one) => one.move.name);
    expect(names(3)).toEqual(names(3));
    expect(names(3)).not.toEqual(names(4));
  });

  it("leaves out what cannot be jumped, and is empty where nothing is left", () => {
    const backward = move("< o");
    const mix = mixOf([backward], { calls: 4, every: 8, seed: 1, bounce: BOUNCE });
    expect(mix.calls).toEqual([]);
    expect(mix.leftOut).toEqual([backward]);
    expect(mixOf([], { calls: 4, every: 8, seed: 1, bounce: BOUNCE }).calls).toEqual([]);
  });

  it("goes on with one move alone where there is no other", () => {
    const mix = mixOf([move("o")], { calls: 3, every: 4, seed: 1, bounce: BOUNCE });
    expect(mix.calls).toHaveLength(3);
  });

  it("of whatever is known, is legal at every join, whole counts long, and fair to each move", () => {
    const chosen = fc.subarray(MOVES, { minLength: 2 });
    fc.assert(
      fc.property(chosen, fc.integer(), fc.constantFrom(4, 8, 12), (moves, seed, every) => {
        const { calls, leftOut } = mixOf(moves, { calls: 16, every, seed, bounce: BOUNCE });
        const playable = moves.length - leftOut.length;
        if (playable === 0) return;
        const { score, faults } = joinScores(calls.map((one) => one.score));
        expect([faults, checkScore(score)]).toEqual([[], []]);
        for (const call of calls) expect(expandBeats(call.score)).toHaveLength(every);
        const counts = moves
          .filter((one) => !leftOut.includes(one))
          .map((one) => calls.filter((call) => call.move === one).length);
        expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(2);
        if (playable > 1) calls.forEach((call, place) => expect(call.move).not.toBe(calls[place + 1]?.move));
      }),
    );
  });
});
