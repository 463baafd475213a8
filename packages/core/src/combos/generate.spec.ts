import { describe, expect, it } from "@jest/globals";
import { checkScore } from "../rope/check.js";
import { measureScore } from "../rope/measure.js";
import { scoreOf } from "../rope/parse.js";
import { allSides, COMBO_CATALOGUE } from "../testing/combo-catalogue.js";
import { DIFFICULTY_BANDS, names, type CombosAsked, type PoolPart } from "./asked.js";
import { ComboSearch } from "./combo-search.js";
import { differenceOf } from "./difference.js";
import { makeCombos } from "./generate.js";
import { judgeCombo } from "./judge.js";
import { comboText, countsOf, isBounce, type ComboPart } from "./part.js";
import { comboPool } from "./pool.js";

const ASKED: CombosAsked = {
  counts: 8,
  howMany: 5,
  include: [],
  exclude: [],
  difficulty: "any",
  bounceEnds: true,
  bothSides: false,
  spacing: 0,
  difference: 0,
  seed: 1,
  dominant: "r",
  sideways: new Set(["bl", "br"]),
};

const pool = comboPool(COMBO_CATALOGUE, allSides("cleared"));
const make = (more: Partial<CombosAsked> = {}, parts = pool) => makeCombos(parts, { ...ASKED, ...more });

function combosOf(more: Partial<CombosAsked> = {}, parts = pool): readonly (readonly ComboPart[])[] {
  const made = make(more, parts);
  if (!made.ok) throw new Error(JSON.stringify(made.fault));
  return made.combos.map((combo) => combo.parts);
}

describe("combos made up", () => {
  it("have the counts asked, and start and end in a bounce", () => {
    for (const counts of [4, 8, 16, 32]) {
      const combos = combosOf({ counts });
      expect(combos).toHaveLength(5);
      for (const parts of combos) {
        expect(parts.reduce((sum, part) => sum + countsOf(part), 0)).toBe(counts);
        expect([parts[0], parts.at(-1)].map((part) => part && isBounce(part))).toEqual([true, true]);
      }
    }
  });

  it("are the same for one seed, and others for another", () => {
    const texts = (seed: number) => combosOf({ seed }).map(comboText);
    expect(texts(3)).toEqual(texts(3));
    expect(texts(3)).not.toEqual(texts(4));
  });

  it("hold what they must and leave out what they must not", () => {
    for (const parts of combosOf({
      include: ["cross:left", "double"],
      exclude: ["half-turn", "side-swing"],
    })) {
      const has = (key: string) => parts.some((part) => names(key, part));
      expect(["cross:left", "double", "half-turn", "side-swing"].map(has)).toEqual([
        true,
        true,
        false,
        false,
      ]);
    }
  });

  it("use both sides where that is asked", () => {
    for (const parts of combosOf({ bothSides: true, counts: 16 })) {
      const sides = new Set(parts.map((part) => part.side));
      expect(sides.has("left") && sides.has("right")).toBe(true);
    }
  });

  it("keep the difficulty asked, in hand moves a count", () => {
    for (const difficulty of ["gentle", "middle", "hard"] as const) {
      const [low, high] = DIFFICULTY_BANDS[difficulty];
      for (const parts of combosOf({ difficulty, counts: 16 })) {
        const { handMoves } = measureScore(scoreOf(comboText(parts)));
        expect(handMoves / 16).toBeGreaterThanOrEqual(low);
        expect(handMoves / 16).toBeLessThanOrEqual(high);
      }
    }
  });

  it("space hard moves by bounces", () => {
    for (const parts of combosOf({ spacing: 2, include: ["double"], counts: 16, exclude: ["hop"] })) {
      parts.forEach((part, place) => {
        if (part.subject !== "double") return;
        const before = parts.slice(0, place).findLastIndex((one) => one.subject === "double");
        const between = before < 0 ? [] : parts.slice(before + 1, place);
        const bounces = between.filter(isBounce).reduce((sum, one) => sum + countsOf(one), 0);
        if (before >= 0) expect(bounces).toBeGreaterThanOrEqual(2);
      });
    }
  });

  it("are as different from one another as asked, or say that there are no more", () => {
    const combos = combosOf({ counts: 16, howMany: 6, difference: 0.5 });
    combos.forEach((one, place) =>
      combos
        .slice(place + 1)
        .forEach((other) => expect(differenceOf(one, other)).toBeGreaterThanOrEqual(0.5)),
    );
    expect(make({ counts: 4, howMany: 50, difference: 0.9 })).toMatchObject({ ok: true, isShort: true });
  });

  it("hold at most one new skill, and none that is locked", () => {
    const sides = allSides("cleared", { cross: "ready", "front-back": "locked", "back-swing": "locked" });
    const crossRight = { subject: "cross", side: "right" } as const;
    const open = comboPool(COMBO_CATALOGUE, sides, { newSide: crossRight });
    expect(open.filter((one) => one.isNew).map(({ part }) => `${part.subject}:${part.side}`)).toEqual([
      "cross:right",
      "cross:right",
    ]);
    const locked = comboPool(COMBO_CATALOGUE, sides, { newSide: { subject: "front-back", side: "right" } });
    expect(locked.some(({ part }) => part.subject === "front-back")).toBe(false);
    for (const parts of combosOf({ include: ["cross:right"], counts: 16 }, open)) {
      expect(parts.some((part) => part.subject === "front-back" || names("cross:left", part))).toBe(false);
    }
  });

  it("never enter a front-back cross from a side swing while it is not cleared", () => {
    const asked = { counts: 16, howMany: 40, include: ["front-back"], sideways: new Set<never>() };
    for (const parts of combosOf(asked)) {
      expect(judgeCombo(parts, { sideways: new Set() }).parts.flatMap((part) => part.sideways)).toEqual([]);
    }
  });

  it("reports what it has found on the way", () => {
    const shares: number[] = [];
    makeCombos(pool, ASKED, (_, share) => shares.push(share));
    expect(shares).toEqual([0.2, 0.4, 0.6, 0.8, 1]);
  });
});

describe("10,000 combos", () => {
  it("are legal, every one, by the checker alone, and hold nothing that is locked", () => {
    const askeds: readonly Partial<CombosAsked>[] = [
      { counts: 8 },
      { counts: 16, bothSides: true },
      { counts: 16, bounceEnds: false, difficulty: "hard" },
      { counts: 32, spacing: 2, include: ["open-cross"] },
    ];
    // One skill in four is locked, and one is open but was not chosen.
    const sides = allSides("cleared", {
      "front-back": "locked",
      "back-swing": "locked",
      "half-turn": "ready",
    });
    const open = comboPool(COMBO_CATALOGUE, sides);
    const locked = new Set(sides.filter((one) => one.status !== "cleared").map((one) => one.subject));
    const faulty = askeds.flatMap((asked) => {
      const search = new ComboSearch(open, { ...ASKED, ...asked });
      return Array.from({ length: 2500 }, (_, seed) => search.draw(seed) ?? []).flatMap((parts) => {
        const text = comboText(parts);
        const isClosed = parts.some((part) => locked.has(part.subject ?? ""));
        return text === "" || isClosed || checkScore(scoreOf(text)).length > 0 ? [text] : [];
      });
    });
    expect(faulty).toEqual([]);
  });
});

/** Every combo of so many counts there is, by trying all: the slow way that the search must agree with. */
function exhaustive(parts: readonly PoolPart[], asked: CombosAsked): boolean {
  const fits = (chosen: readonly PoolPart[]): boolean => {
    const list = chosen.map(({ part }) => part);
    const judged = judgeCombo(list, { sideways: asked.sideways });
    if (!judged.isLegal || judged.parts.some((one) => one.sideways.length > 0)) return false;
    const bounce = [list[0], list.at(-1)].every((part) => part !== undefined && isBounce(part));
    const sides = new Set(list.map((part) => part.side));
    const { handMoves } = measureScore(scoreOf(comboText(list)));
    const [low, high] = DIFFICULTY_BANDS[asked.difficulty];
    const run = /(?:^| )o o o(?: |$)/.test(
      list.flatMap((part) => Array<string>(countsOf(part)).fill(isBounce(part) ? "o" : "m")).join(" "),
    );
    return (
      (!asked.bounceEnds || bounce) &&
      (!asked.bothSides || (sides.has("left") && sides.has("right"))) &&
      asked.include.every((key) => list.some((part) => names(key, part))) &&
      handMoves >= low * asked.counts &&
      handMoves <= high * asked.counts &&
      !run
    );
  };
  const grow = (chosen: readonly PoolPart[], left: number): boolean => {
    if (left === 0) return fits(chosen);
    return parts.some(
      (one) => countsOf(one.part) <= left && grow([...chosen, one], left - countsOf(one.part)),
    );
  };
  return grow([], asked.counts);
}

describe("the search", () => {
  const few = pool.filter(({ part }) =>
    ["o", "sr o", "sl o", "xl o", "xr", "sr+turnr", "(o o)"].includes(part.score),
  );
  const questions: readonly Partial<CombosAsked>[] = [
    { counts: 4 },
    { counts: 4, bothSides: true },
    { counts: 4, include: ["cross", "double"] },
    { counts: 4, include: ["half-turn"] },
    { counts: 5, include: ["half-turn:right", "cross:left"] },
    { counts: 5, include: ["double", "cross:left", "side-swing"] },
    { counts: 5, difficulty: "hard" },
    { counts: 4, difficulty: "hard", bounceEnds: false },
    { counts: 5, bothSides: true, include: ["double"], difficulty: "gentle" },
    { counts: 3, include: ["cross"], bothSides: true },
  ];

  it.each(questions)("finds one where trying all finds one: %j", (question) => {
    const asked = { ...ASKED, ...question, howMany: 1 };
    expect(makeCombos(few, asked).ok).toBe(exhaustive(few, asked));
  });
});

describe("what cannot be", () => {
  const faultOf = (more: Partial<CombosAsked>, parts = pool) => {
    const made = make(more, parts);
    return made.ok ? null : made.fault;
  };

  it("is told apart: nothing to make it of, not open, in and out", () => {
    const bounces = comboPool(COMBO_CATALOGUE, allSides("locked", { "basic-bounce": "cleared" }));
    expect(faultOf({}, bounces)).toEqual({ code: "empty-pool" });
    expect(faultOf({ include: ["triple"] })).toEqual({ code: "not-open", key: "triple" });
    expect(faultOf({ include: ["cross:left"], exclude: ["cross"] })).toEqual({
      code: "in-and-out",
      key: "cross:left",
    });
  });

  it("says what would have to give, each alone", () => {
    const fault = faultOf({ counts: 4, include: ["cross", "double", "side-swing"], bothSides: false });
    expect(fault).toMatchObject({ code: "impossible" });
    const loosen = fault?.code === "impossible" ? fault.loosen : [];
    expect(loosen).toContainEqual({ code: "counts", counts: 8 });
    expect(loosen.length).toBeGreaterThan(1);
    for (const one of loosen) {
      if (one.code === "counts")
        expect(make({ counts: one.counts, include: ["cross", "double", "side-swing"] }).ok).toBe(true);
    }
  });

  it("names several where one alone would not do", () => {
    // Without a bounce it cannot end in one; and both skills and the ends have no room in two counts.
    const asked = { counts: 2, include: ["double-side-swing", "cross"], exclude: ["basic-bounce"] };
    const open = pool.filter(({ part }) => part.subject !== "backward-bounce");
    const fault = faultOf(asked, open);
    expect(fault).toMatchObject({ code: "impossible", loosen: [] });
    const together = fault?.code === "impossible" ? fault.together : [];
    expect(together).toHaveLength(2);
  });
});
