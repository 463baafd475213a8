import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { scoreText } from "../testing/arbitrary-score.js";
import { mirrorScore } from "./mirror.js";
import { parseScore, scoreOf } from "./parse.js";
import { printScore } from "./print.js";
import { expandBeats, withoutDefaults, type Score } from "./score.js";

/** A score without its places in the text and its written defaults. */
function bare(score: Score): unknown {
  const dropped: unknown = JSON.parse(
    JSON.stringify(withoutDefaults(score), (key, value: unknown) =>
      key === "from" || key === "to" ? undefined : value,
    ),
  );
  return dropped;
}

describe("printing", () => {
  it.each([
    ["o", "o"],
    ["(o)", "o"],
    ["  <\n(o   xr)/b # both\n o*1 [o]", "< (o xr) o*1 [o]"],
    ["ur/l ul/r ur/b", "ur ul ur/b"],
    ["o/b>l o/l>l o/r>r", "o/l o/l o/r>r"],
    ["(o o)/r>r", "(o o)/r>r"],
    ["o/b>b", "o"],
    ["o/l>b", "o/l>b"],
    ["[o/b>l]*2", "[o/b>l]*2"],
    ["o/l [o/l>l]*3", "o/l [o/l]*3"],
    ["< o/r+tapl+fore", "< o/r+tapl+fore"],
    ["o! .+plank o", "o! .+plank o"],
  ])("%j is %j", (text, printed) => {
    expect(printScore(scoreOf(text))).toBe(printed);
  });

  it("is undone by parsing, for any score", () => {
    fc.assert(
      fc.property(scoreText, (text) => {
        const score = scoreOf(text);
        const printed = printScore(score);
        expect(bare(scoreOf(printed))).toEqual(bare(score));
        expect(printScore(scoreOf(printed))).toBe(printed);
      }),
    );
  });

  it("mirrors a mirror back, for any score", () => {
    fc.assert(
      fc.property(scoreText, (text) => {
        const score = scoreOf(text);
        expect(mirrorScore(mirrorScore(score))).toEqual(score);
      }),
    );
    expect(printScore(mirrorScore(scoreOf("< (sr x)/r>l+left+together ur k wl*2 o/r+kneel")))).toBe(
      "< (sl x)/l>r+right+together ul k wr*2 o/l+kneer",
    );
  });
});

describe("what does not fit", () => {
  const faults: readonly (readonly [string, number, number, RegExp])[] = [
    ["", 0, 0, /ends here; expected a beat/],
    ["<", 1, 1, /expected a beat/],
    ["# nothing", 9, 9, /expected a beat/],
    ["o xx", 2, 4, /“xx” names no arms/],
    ["o O", 2, 3, /Found “O”/],
    ["oo", 0, 2, /“oo” names no arms/],
    ["(o o", 4, 4, /ends here/],
    ["(o)o", 3, 4, /a space before the next beat/],
    ["()", 1, 2, /expected a turn/],
    ["[o", 2, 2, /expected \] to close/],
    ["[]", 1, 2, /expected a beat/],
    ["o]", 1, 2, /a space before the next beat/],
    ["o ]", 2, 3, /Found “]”/],
    ["o *2", 2, 3, /Found “\*”/],
    ["o*0", 2, 3, /from 1 to 999/],
    ["o*01", 2, 4, /without a leading zero/],
    ["o*1000", 2, 6, /from 1 to 999/],
    ["o*", 2, 2, /how many times/],
    ["o/x", 2, 3, /“x” is no foot/],
    ["o/r>", 4, 4, /a foot/],
    ["o+dance", 2, 7, /“dance” names nothing/],
    [".!", 1, 2, /a space/],
    ["o\u00a0o", 1, 2, /a space/],
    ["o 🪢", 2, 4, /Found “🪢”/],
    ["o < o", 2, 3, /Found “<”/],
    ["(o o o o o o o o xr)", 17, 19, /may have 8 turns/],
    ["o*999 o*999 o*999 o*999 o*101", 24, 29, /4096 beats/],
    [`${"[".repeat(65)}o${"]".repeat(65)}`, 64, 65, /64 deep/],
  ];
  it.each(faults)("%j", (text, from, to, message) => {
    const parsed = parseScore(text);
    expect(parsed).toMatchObject({ ok: false, fault: { code: "parse", beat: null, turn: null, from, to } });
    if (!parsed.ok) expect(parsed.fault.message).toMatch(message);
  });

  it("stands just within its limits", () => {
    const deep = `${"[".repeat(64)}o${"]".repeat(64)}`;
    for (const text of [deep, "o*999 o*999 o*999 o*999 o*100", "(o o o o o o o o)"]) {
      expect(parseScore(text).ok).toBe(true);
    }
    expect(expandBeats(scoreOf("[[o sr]*2 o]*3"))).toHaveLength(15);
  });

  it("is never an exception or a hang, whatever the text", () => {
    const hostile = ["[", "]", "(", "o", "*999", " ", "<", "#", "\n", "!", "/r", "+tapl", "x", "."];
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...hostile), { maxLength: 60 }), (parts) => {
        const parsed = parseScore(parts.join(""));
        if (parsed.ok) expect(expandBeats(parsed.score).length).toBeLessThanOrEqual(4096);
        else expect(parsed.fault.to).toBeLessThanOrEqual(parts.join("").length);
      }),
    );
    fc.assert(
      fc.property(fc.string({ unit: "binary" }), (text) =>
        expect(typeof parseScore(text).ok).toBe("boolean"),
      ),
    );
    for (const part of ["[", "(", "[o]*999 ", "o*999999999", "# ", "(o "]) {
      expect(parseScore(part.repeat(100_000).slice(0, 100_000)).ok).toBe(false);
    }
    expect(parseScore("o".repeat(100_001))).toMatchObject({ ok: false, fault: { code: "parse" } });
  });
});
