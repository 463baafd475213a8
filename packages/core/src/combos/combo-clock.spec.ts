import { describe, expect, it } from "@jest/globals";
import { clicksBetween, clockSeconds, momentAt } from "../floor/interval.js";
import { COMBO_CATALOGUE, partsOf } from "../testing/combo-catalogue.js";
import { scoreOf } from "../rope/parse.js";
import { piecesClock, type ClockPiece } from "./combo-clock.js";
import { planFreestyle } from "./freestyle.js";
import { measureCombo } from "./measures.js";

const ASKED = { tempo: 120, dominant: "r" } as const;
const TEXT = "o sr sl (o o) xr o";
const parts = partsOf(TEXT);
const names = parts.map((_, place) => `part ${place}`);
const piece = (rest: number, restName: string | null = null): ClockPiece => ({
  parts,
  names,
  rest,
  restName,
});
const { seconds } = measureCombo(scoreOf(TEXT), ASKED);

describe("combos by the clock", () => {
  it("take as long as they are measured, with a count-in, and no rest after the last", () => {
    const stretches = piecesClock([piece(6), piece(6), piece(6)], ASKED);
    expect(stretches.map((one) => one.kind)).toEqual(["count-in", "work", "rest", "work", "rest", "work"]);
    expect(clockSeconds(stretches.slice(1))).toBeCloseTo(3 * seconds + 12, 9);
    expect(stretches.map((one) => one.place.round)).toEqual([1, 1, 1, 2, 2, 3]);
  });

  it("are called part by part, each for as long as it is jumped", () => {
    const [, work] = piecesClock([piece(0)], ASKED);
    expect(work?.calls.map((call) => call.name)).toEqual(names);
    expect(work?.calls.reduce((sum, call) => sum + call.seconds, 0)).toBeCloseTo(seconds, 9);
    const [bounce, , double] = work?.calls ?? [];
    // The double is jumped higher.
    expect(double?.seconds).toBeGreaterThan(bounce?.seconds ?? 0);
  });

  it("are clicked at each bottom of the rope and nowhere else, whatever is asked for at once", () => {
    const stretches = piecesClock([piece(4), piece(4)], ASKED);
    const whole = clicksBetween(stretches, 0, clockSeconds(stretches));
    expect(whole).toHaveLength(14);
    const pieces = Array.from({ length: 40 }, (_, at) =>
      clicksBetween(stretches, at / 2, (at + 1) / 2),
    ).flat();
    expect(pieces).toEqual(whole);
    const rests = stretches.flatMap((one, at) => (one.kind === "rest" ? [at] : []));
    for (const { at } of whole) expect(rests).not.toContain(momentAt(stretches, at + 1e-6)?.index);
  });

  it("rest in the rope where that is named, to its beat", () => {
    const [, , rest] = piecesClock([piece(4, "side swing"), piece(4)], ASKED);
    expect(rest).toMatchObject({ kind: "rest", tempo: 120, calls: [{ name: "side swing", seconds: 4 }] });
  });

  it("are the round that was planned, to the second", () => {
    const combos = [TEXT, "o sr o sl o", "o xr o xl o"].map((text, id) => ({
      id: `${id}`,
      parts: partsOf(text),
    }));
    const plan = planFreestyle(combos, {
      ...{ seconds: 60, rest: 5, goals: [], roles: COMBO_CATALOGUE.roles },
      ...ASKED,
    });
    expect(plan.pieces.length).toBeGreaterThan(1);
    const stretches = piecesClock(
      plan.pieces.map(({ id, rest }) => {
        const of = combos.find((one) => one.id === id)?.parts ?? [];
        return { parts: of, names: of.map(() => "move"), rest, restName: null };
      }),
      ASKED,
    );
    expect(clockSeconds(stretches.slice(1))).toBeCloseTo(plan.seconds, 9);
  });

  it("are nothing of nothing", () => {
    expect(piecesClock([], ASKED)).toEqual([]);
    expect(piecesClock([{ parts: [], names: [], rest: 3, restName: null }], ASKED)).toEqual([]);
  });
});
