import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { checkScore } from "../rope/check.js";
import { parseScore, scoreOf } from "../rope/parse.js";
import { printScore } from "../rope/print.js";
import { scoreText } from "../testing/arbitrary-score.js";
import { variantsOf, type VariantKind } from "./variants.js";

const textsOf = (text: string) =>
  Object.fromEntries(variantsOf(scoreOf(text)).map((one) => [one.kind, one.text])) as Partial<
    Record<VariantKind, string>
  >;

describe("the variants of a trick", () => {
  it("are its other side, feet, direction, turns, and ways in and out", () => {
    expect(textsOf("xr o")).toEqual({
      "other-side": "xl o",
      direction: "< xr o",
      stepped: "xr/r o/l",
      "one-foot": "xr/r o/r",
      "more-turns": "(o xr) o",
      fused: "(xr o)",
      "closed-up": "xr",
      "swing-in": "sr xr o",
      "swing-out": "xr o sr",
    });
    expect(textsOf("sr xr o").held).toBe("sr xr xr");
    // Three jumps make six on alternate feet, so that each is landed on both.
    expect(textsOf("sr xr o").stepped).toBe("sr/r xr/l o/r sr/l xr/r o/l");
    expect(textsOf("o")).toMatchObject({ "more-turns": "(o o)", stepped: "o/r o/l" });
    expect(textsOf("o")).not.toHaveProperty("closed-up");
    expect(textsOf("(o o o o)")).not.toHaveProperty("more-turns");
  });

  it("say why one cannot be jumped", () => {
    const [bad] = variantsOf(scoreOf("sr sl")).filter(({ faults }) => faults.length > 0);
    expect(bad?.faults[0]).toMatch(/\.$/);
    expect(variantsOf(scoreOf("xr o")).find(({ kind }) => kind === "other-side")?.faults).toEqual([]);
  });

  it("of any score can be written and read, are judged as such, and are each another one", () => {
    fc.assert(
      fc.property(scoreText, (written) => {
        const parsed = parseScore(written);
        if (!parsed.ok) return;
        const { score } = parsed;
        const variants = variantsOf(score);
        const texts = variants.map(({ text }) => text);
        expect(new Set([...texts, printScore(score)]).size).toBe(texts.length + 1);
        for (const { text, faults } of variants) {
          const read = parseScore(text);
          if (!read.ok) throw new Error(`${text}: ${read.fault.message}`);
          expect(printScore(read.score)).toBe(text);
          expect(checkScore(read.score, { loop: true }).length === 0).toBe(faults.length === 0);
        }
      }),
    );
  });
});
