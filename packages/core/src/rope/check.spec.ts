import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { legalText, scoreText } from "../testing/arbitrary-score.js";
import { ARMS } from "./arms.js";
import { checkScore } from "./check.js";
import { joinScores } from "./join.js";
import { mirrorScore } from "./mirror.js";
import { scoreOf } from "./parse.js";
import { printScore } from "./print.js";
import type { Beat, Score } from "./score.js";

/** Faults as `code beat.turn`. */
function faultsOf(text: string, options: Parameters<typeof checkScore>[1] = {}): string[] {
  return checkScore(scoreOf(text), options).map(({ code, beat, turn }) => `${code} ${beat}.${turn}`);
}

describe("links", () => {
  it.each([
    ["xr k o", []],
    ["o k", ["reach 1.0"]],
    ["xr k xr", ["reach 2.0"]],
    ["xr k! o", []],
    ["sr wr*3 sr", []],
    ["sr wr . wr*3", ["reach 5.0"]],
    ["o wr", ["reach 1.0"]],
    ["sr wr o", ["reach 2.0"]],
    ["sl wr", ["reach 1.0"]],
    ["o hr*2 o", []],
    ["sr hr o", []],
    ["o hr*3", ["reach 3.0"]],
    ["hr sr", ["reach 1.0"]],
    ["sl ul", []],
    ["sl ur", ["reach 1.0"]],
    ["el er", []],
    ["el br", ["route 1.0"]],
    ["bl br", ["route 1.0"]],
    ["bl ur", ["route 1.0"]],
    ["bl bl", []],
    ["xr bl", []],
    ["xr br", ["layer 1.0"]],
    ["xr ur", []],
    ["xr ul", ["layer 1.0"]],
    ["bl xr", []],
    ["bl xl", ["layer 1.0"]],
    ["ul xl", []],
    ["ul xr", ["layer 1.0"]],
    ["sl xl", []],
    ["sl xr", ["layer 1.0"]],
    ["sl x", []],
    ["x xl", []],
  ])("%s: %j", (text, faults) => {
    expect(faultsOf(text)).toEqual(faults);
  });

  it("says it as a jumper would", () => {
    expect(checkScore(scoreOf("sr xl"))[0]).toEqual({
      code: "layer",
      beat: 1,
      turn: 0,
      from: 3,
      to: 5,
      message: "After a side swing to the right, the right arm goes on top. Here the left one does.",
    });
  });

  it("lets a caught rope start anew", () => {
    expect(faultsOf("sr xr! xl")).toEqual([]);
  });
});

describe("beats", () => {
  it.each([
    ["(sr sl)", ["no-pass 0.1"]],
    ["(sr o!)", []],
    ["sr sl", []],
    ["ur/r", ["leg 0.0"]],
    ["(o ur)", []],
    ["o/l o/r>r", ["weight 1.0"]],
    ["o/l . o", []],
    ["sr+turnr o+turnl", []],
    ["sr+turnl", ["facing 0.0"]],
    ["o+turnr", ["facing 0.0"]],
    ["< o+turnr", []],
    ["(o sr)+turnr", ["facing 0.1"]],
    [".+turnl", ["facing 0.0"]],
    ["xr k o+turnl", []],
    ["(o! o)", ["catch 0.1"]],
    ["sr!", ["catch 0.0"]],
    ["(sr sl!)/l>l", ["no-pass 0.1", "catch 0.1"]],
    [". . o", []],
    ["o . . .", ["slack 2.0", "slack 3.0"]],
    ["o! . . . o", []],
  ])("%s: %j", (text, faults) => {
    expect(faultsOf(text)).toEqual(faults);
  });

  it("are told in order of beat, turn and rule, with their places", () => {
    const faults = checkScore(scoreOf("o (sr xl sl! sr)/r>l o/r>r"));
    expect(faults.map(({ code, beat, turn, from, to }) => [code, beat, turn, from, to])).toEqual([
      ["layer", 1, 1, 6, 8],
      ["catch", 1, 3, 2, 20],
      ["weight", 2, 0, 21, 26],
    ]);
  });
});

describe("a loop", () => {
  it("finds what breaks only when the score follows itself", () => {
    expect(faultsOf("sr xr bl", { loop: true })).toEqual([]);
    expect(faultsOf("sr o/l o/r>r", { loop: true })).toEqual(["weight 2.0"]);
    expect(faultsOf(". o", { loop: true })).toEqual([]);
    expect(faultsOf(". o .", { loop: true })).toEqual(["slack 0.0"]);
    expect(faultsOf("xl bl", { loop: true })).toEqual(["layer 1.0", "layer 0.0"]);
  });

  it("lets a written take-off that is the default follow the copy before", () => {
    expect(faultsOf("o/b>l", { loop: true })).toEqual([]);
    expect(faultsOf("o/r>l", { loop: true })).toEqual(["weight 0.0"]);
  });
});

describe("laws", () => {
  it("finds a walk along the rules legal", () => {
    fc.assert(fc.property(legalText, (text) => expect(faultsOf(text)).toEqual([])));
  });

  it("judges a score and its mirror alike", () => {
    fc.assert(
      fc.property(scoreText, fc.boolean(), (text, loop) => {
        const score = scoreOf(text);
        const verdict = (one: Score, dominant: "l" | "r") =>
          checkScore(one, { dominant, loop }).map(({ code, beat, turn }) => `${code} ${beat} ${turn}`);
        expect(verdict(mirrorScore(score), "l")).toEqual(verdict(score, "r"));
      }),
    );
  });

  it("joins in any grouping to the same score", () => {
    fc.assert(
      fc.property(scoreText, scoreText, scoreText, (a, b, c) => {
        const [one, two, three] = [scoreOf(a), scoreOf(b), scoreOf(c)];
        const left = joinScores([joinScores([one, two]).score, three]).score;
        const right = joinScores([one, joinScores([two, three]).score]).score;
        expect(printScore(left)).toBe(printScore(right));
        expect(printScore(joinScores([one, two, three]).score)).toBe(printScore(left));
      }),
    );
  });
});

describe("joins", () => {
  it("mark a part whose rope would turn the other way", () => {
    const { score, faults } = joinScores(["o sr+turnr", "o . (o o)"].map(scoreOf));
    expect(printScore(score)).toBe("o sr+turnr o . (o o)");
    expect(faults).toMatchObject([{ code: "direction", beat: 2, turn: 0, from: 0, to: 1 }]);
    expect(joinScores(["o sr+turnr", "< o"].map(scoreOf)).faults).toEqual([]);
    expect(joinScores(["xr k", "< o"].map(scoreOf)).faults).toEqual([]);
    expect(joinScores(["xr k", ".", "o"].map(scoreOf)).faults).toHaveLength(1);
  });

  it("refuse nothing and too much", () => {
    expect(() => joinScores([])).toThrow(RangeError);
    expect(() => joinScores([scoreOf("[o*999]*4"), scoreOf("o*101")])).toThrow(/4096/);
  });
});

describe("perft: legal sequences of single-turn beats over the sixteen arms", () => {
  const beatOf = (arms: (typeof ARMS)[number]): Beat => ({
    kind: "beat",
    turns: [{ arms, caught: false, from: 0, to: 1 }],
    takeOff: null,
    landing: null,
    gestures: [],
    from: 0,
    to: 1,
  });
  const BEATS = ARMS.map(beatOf);

  function perft(length: number, prefix: readonly Beat[] = []): number {
    const score: Score = { direction: "forward", items: prefix.map((unit) => ({ unit, count: null })) };
    if (prefix.length > 0 && checkScore(score).length > 0) return 0;
    if (prefix.length === length) return 1;
    return BEATS.reduce((sum, beat) => sum + perft(length, [...prefix, beat]), 0);
  }

  /** The handbook's rules once more, word by word and without the core's tables. */
  function bruteCount(length: number): number {
    const pose: Record<string, [string, string]> = {
      o: ["l front", "r front"],
      xl: ["r front", "l front"],
      xr: ["r front", "l front"],
      sl: ["l front", "l front"],
      sr: ["r front", "r front"],
      bl: ["r back", "l front"],
      br: ["r front", "l back"],
      el: ["r back", "r front"],
      er: ["l front", "l back"],
      ul: ["r front", "l leg"],
      ur: ["r leg", "l front"],
    };
    const reachOnly = new Set(["k", "wl", "wr", "hl", "hr"]);
    const entries: Record<string, string[]> = {
      k: ["xl", "xr", "k"],
      wl: ["sl", "wl"],
      wr: ["sr", "wr"],
      hl: ["o", "sl", "hl"],
      hr: ["o", "sr", "hr"],
    };
    const exits: Record<string, string[]> = {
      k: ["o", "k"],
      wl: ["sl", "wl"],
      wr: ["sr", "wr"],
      hl: ["o", "hl"],
      hr: ["o", "hr"],
    };
    const allowed = (from: string, to: string): boolean => {
      if (entries[to] && !entries[to].includes(from)) return false;
      if (exits[from] && !exits[from].includes(to)) return false;
      if (reachOnly.has(from) || reachOnly.has(to)) return true;
      if ((from === "sl" && to === "ur") || (from === "sr" && to === "ul")) return false;
      const route = (arms: string, hand: 0 | 1) => pose[arms]?.[hand].split(" ")[1] ?? "";
      const changing = ([0, 1] as const).filter((hand) => route(from, hand) !== route(to, hand));
      if (changing.some((hand) => route(from, hand) !== "front" && route(to, hand) !== "front")) return false;
      if (changing.length === 2 && !(from.startsWith("e") && to.startsWith("e"))) return false;
      const top = (arms: string) => (arms === "xl" ? 0 : arms === "xr" ? 1 : null);
      if (changing.some((hand) => hand === top(from) || hand === top(to))) return false;
      return !(from.startsWith("s") && to.startsWith("x") && from[1] !== to[1]);
    };
    const count = (row: readonly string[]): number => {
      if (row.length === length) return 1;
      return ARMS.reduce((sum, to) => {
        const most = to.startsWith("w") ? 3 : to.startsWith("h") ? 2 : Infinity;
        const same = row.length >= most && row.slice(-most).every((arms) => arms === to);
        return sum + (!same && allowed(row.at(-1) ?? "o", to) ? count([...row, to]) : 0);
      }, 0);
    };
    return count([]);
  }

  it("is the pinned number, and equal to a brute count", () => {
    const numbers = [1, 2, 3, 4].map((length) => perft(length));
    expect(numbers).toEqual([1, 2, 3, 4].map(bruteCount));
    expect(numbers).toEqual([13, 93, 765, 6079]);
  });
});
