import { checkScore, scoreOf, sidesOf } from "@mirrup/core";
import {
  dancedSteps,
  comboPool,
  comboText,
  judgeCombo,
  learningSteps,
  makeCombos,
  neighboursOf,
  partsOfScore,
  repairsOf,
  type CombosAsked,
} from "@mirrup/core/combos";
import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, STARTER_COMBOS } from "./index.js";

const ALL = [...CATALOGUE.skills.values()].flatMap((skill) =>
  sidesOf(skill).map((side) => ({ subject: skill.id, side, status: "cleared" as const })),
);
const ASKED: CombosAsked = {
  counts: 16,
  howMany: 10,
  include: [],
  exclude: [],
  difficulty: "any",
  bounceEnds: true,
  bothSides: true,
  spacing: 1,
  difference: 0.4,
  seed: 5,
  dominant: "r",
  sideways: new Set(["bl", "br"]),
};

describe("the starter combos", () => {
  it("have names and ids of their own", () => {
    for (const key of ["id", "name", "score"] as const)
      expect(new Set(STARTER_COMBOS.map((one) => one[key])).size).toBe(STARTER_COMBOS.length);
  });

  it.each(STARTER_COMBOS)("$name is legal, in a row too", ({ score }) => {
    expect(checkScore(scoreOf(score), { loop: true })).toEqual([]);
    const parts = partsOfScore(CATALOGUE, scoreOf(score));
    expect(judgeCombo(parts).isLegal).toBe(true);
    expect(parts.some((part) => part.subject !== null)).toBe(true);
    expect(
      learningSteps(parts, {
        id: "x",
        side: "right",
        dominant: "r",
        tempo: 120,
        steps: dancedSteps(CATALOGUE),
      }),
    ).not.toEqual([]);
  });

  it("are made of the skills that one would name", () => {
    const named = partsOfScore(CATALOGUE, scoreOf("sr sl o*2 (o o) xr o")).map((part) => part.subject);
    expect(named).toEqual(["double-side-swing", "basic-bounce", "double-under", "cross"]);
  });
});

describe("combos of the whole catalogue", () => {
  it("can be made up, each legal by the checker", () => {
    const made = makeCombos(comboPool(CATALOGUE, ALL), ASKED);
    expect(made).toMatchObject({ ok: true, isShort: false });
    if (!made.ok) return;
    for (const { parts } of made.combos) expect(checkScore(scoreOf(comboText(parts)))).toEqual([]);
  });

  it("are mended where any two skills do not join", () => {
    const parts = comboPool(CATALOGUE, ALL).map(({ part }) => part);
    const unmended = parts.flatMap((one) =>
      parts.flatMap((other) => {
        const faulty = (judgeCombo([one, other]).parts[1]?.join.length ?? 0) > 0;
        return faulty && repairsOf(CATALOGUE, [one, other], 1).length === 0
          ? [`${one.score} + ${other.score}`]
          : [];
      }),
    );
    expect(unmended).toEqual([]);
  });
});

describe("neighbours", () => {
  it.each(["cross", "side-swing-cross", "open-cross-double", "leg-over-cross"])("%s has legal ones", (id) => {
    const score = CATALOGUE.skills.get(id)?.score;
    const found = score == null ? [] : neighboursOf(CATALOGUE, score, []);
    expect(found.length).toBeGreaterThan(0);
    for (const one of found) expect(checkScore(scoreOf(one.score), { loop: true })).toEqual([]);
  });
});
