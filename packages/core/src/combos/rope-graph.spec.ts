import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { checkScore, standing } from "../rope/check.js";
import { joinScores } from "../rope/join.js";
import { measureScore } from "../rope/measure.js";
import { scoreOf } from "../rope/parse.js";
import { allSides, COMBO_CATALOGUE, partsOf } from "../testing/combo-catalogue.js";
import type { CombosAsked } from "./asked.js";
import { ComboSearch } from "./combo-search.js";
import { stateAfter } from "./judge.js";
import { comboScore, comboText, countsOf, repeatedScore, type ComboPart } from "./part.js";
import { comboPool } from "./pool.js";
import { ropeGraph, stateKey } from "./rope-graph.js";

const POOL = comboPool(COMBO_CATALOGUE, allSides("cleared"));
const PARTS = POOL.map(({ part }) => part);
const ALL = new Set(["bl", "br"] as const);

/** A walk along the graph, as far as the choices find an edge. */
function walked(choices: readonly number[]) {
  const graph = ropeGraph(PARTS, "r", ALL);
  const chosen: ComboPart[] = [];
  let state = graph.start;
  let moves = 0;
  for (const choice of choices) {
    const open = PARTS.flatMap((part, place) => {
      const edge = graph.edge(state, place);
      return edge === null ? [] : [{ part, edge }];
    });
    const next = open[choice % Math.max(1, open.length)];
    if (next === undefined) break;
    chosen.push(next.part);
    state = next.edge.to;
    moves += next.edge.moves;
  }
  return { chosen, moves };
}

const choices = fc.array(fc.nat(10_000), { minLength: 1, maxLength: 12 });

describe("the state graph", () => {
  it("walks only what the checker takes, in the direction that each part asks, at the measured cost", () => {
    fc.assert(
      fc.property(choices, (list) => {
        const { chosen, moves } = walked(list);
        const score = comboScore(chosen);
        if (score === null) return;
        expect(checkScore(score)).toEqual([]);
        expect(joinScores(chosen.map(repeatedScore)).faults).toEqual([]);
        expect(measureScore(score).handMoves).toBe(moves);
      }),
    );
  });

  it("refuses exactly what the checker refuses, after any walk", () => {
    fc.assert(
      fc.property(choices, fc.nat(PARTS.length - 1), (list, place) => {
        const { chosen } = walked(list);
        const part = PARTS[place];
        if (part === undefined) return;
        const graph = ropeGraph([...chosen, part], "r", ALL);
        let state = graph.start;
        chosen.forEach((_, at) => {
          state = graph.edge(state, at)?.to ?? -1;
        });
        const parts = [...chosen, part];
        const faults = [
          ...checkScore(comboScore(parts) ?? scoreOf("o")),
          ...joinScores(parts.map(repeatedScore)).faults,
        ];
        expect(graph.edge(state, chosen.length) === null).toBe(faults.length > 0);
      }),
      { numRuns: 60 },
    );
  });

  it("knows two pasts apart only where the rules do", () => {
    const key = (...texts: readonly string[]) => stateKey(stateAfter(partsOf(...texts), "r"));
    expect(key("o")).toBe(key("o o o"));
    expect(key("sr+turnr", "o+turnr")).toBe(key("o"));
    expect(key("o")).not.toBe(key("o/r"));
    expect(key("xr")).not.toBe(key("xl"));
    expect(key("sr+turnr")).not.toBe(key("sr"));
    expect(stateKey(standing("forward"))).not.toBe(stateKey(standing("backward")));
  });
});

describe("the search", () => {
  const asked: CombosAsked = {
    ...{
      counts: 8,
      howMany: 1,
      include: [],
      exclude: [],
      difficulty: "any",
      bounceEnds: true,
      bothSides: false,
    },
    ...{ spacing: 0, difference: 0, seed: 1, dominant: "r", sideways: ALL },
  };

  it("draws what keeps each constraint, whatever they are", () => {
    const keys = ["cross", "cross:left", "double", "side-swing:right", "open-cross", "half-turn", "hop"];
    const question = fc.record({
      counts: fc.integer({ min: 4, max: 20 }),
      include: fc.uniqueArray(fc.constantFrom(...keys), { maxLength: 3 }),
      exclude: fc.uniqueArray(fc.constantFrom("front-back", "back-swing", "backward-bounce"), {
        maxLength: 2,
      }),
      bothSides: fc.boolean(),
      bounceEnds: fc.boolean(),
      spacing: fc.integer({ min: 0, max: 3 }),
      seed: fc.nat(1000),
    });
    fc.assert(
      fc.property(question, (more) => {
        const parts = new ComboSearch(POOL, { ...asked, ...more }).draw(more.seed);
        if (parts === null) return;
        const has = (key: string) =>
          parts.some(({ subject, side }) => key === subject || key === `${subject}:${side}`);
        expect(more.include.every(has)).toBe(true);
        expect(more.exclude.some(has)).toBe(false);
        expect(parts.reduce((sum, part) => sum + countsOf(part), 0)).toBe(more.counts);
        expect(checkScore(scoreOf(comboText(parts)))).toEqual([]);
      }),
      { numRuns: 80 },
    );
  });

  it("is possible exactly where a draw finds one, and more room never makes it impossible", () => {
    for (const include of [
      ["cross", "double"],
      ["half-turn:left", "open-cross:right", "cross:left"],
    ]) {
      const possible = [4, 5, 6, 8, 12, 16, 20].map((counts) =>
        new ComboSearch(POOL, { ...asked, include, counts }).isPossible(),
      );
      expect(possible).toEqual([...possible].sort());
      expect(possible.at(-1)).toBe(true);
    }
  });

  it("draws the same for the same seed, in whatever order", () => {
    const search = new ComboSearch(POOL, { ...asked, counts: 16 });
    const text = (seed: number) => comboText(search.draw(seed) ?? []);
    const [first, second] = [text(5), text(9)];
    expect([text(9), text(5)]).toEqual([second, first]);
  });
});
