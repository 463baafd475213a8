import { describe, expect, it } from "@jest/globals";
import { NO_OVERLAY, type Overlay, type OverlayEntry } from "@mirrup/core";
import fc from "fast-check";
import { changesTo, faultsOf, fileOf, readSkills } from "./skills-file.js";

const ID = "own:0199c1b2-0000-7000-8000-00000000000";
const own = (name: string, more: object = {}): OverlayEntry => ({
  ...{
    kind: "own",
    strand: "crosses",
    name,
    sides: "two",
    score: "sr xr sl o",
    needs: "cross",
    class: "fusion",
  },
  ...{ cues: ["one", "two"], faults: [], look: "" },
  ...more,
});
const of = (entries: Overlay["entries"]): Overlay => ({ edition: 1, entries });

describe("a file of a studio's skills", () => {
  it("read by another studio offers what it has not, has already, and has otherwise", async () => {
    const theirs = of({
      [`${ID}1`]: own("new"),
      [`${ID}2`]: own("same"),
      skier: { kind: "changed", name: "slalom" },
    });
    const mine = of({ [`${ID}2`]: own("same"), skier: { kind: "changed", name: "zigzag" } });
    const read = await readSkills(fileOf(theirs), mine);
    if (!read.ok) throw new Error(read.message);
    expect(read.offered.map(({ subject, state }) => [subject, state])).toEqual([
      [`${ID}1`, "new"],
      [`${ID}2`, "same"],
      ["skier", "other"],
    ]);
    expect(read.offered[2]?.was).toEqual({ kind: "changed", name: "zigzag" });
  });

  it("is the same again when it is read by whoever saved it", async () => {
    const mine = of({
      [`${ID}1`]: own("ours", { gate: { kind: "hold", seconds: 9 } }),
      bell: { kind: "changed", look: "" },
    });
    const read = await readSkills(fileOf(mine), mine);
    expect(read.ok && read.offered.every(({ state }) => state === "same")).toBe(true);
  });

  it.each<[string, string, RegExp]>([
    ["no JSON", "{", /damaged/],
    ["something else", "[1, 2]", /no file of skills/],
    ["nothing", "null", /no file of skills/],
    ["another format", '{"format":"mirrup-combo","version":1}', /no file of skills/],
    ["a newer version", '{"format":"mirrup-skills","version":2,"entries":{}}', /newer Mirrup/],
    [
      "a skill that is none",
      '{"format":"mirrup-skills","version":1,"entries":{"skier":{"kind":"own"}}}',
      /“skier”/,
    ],
    [
      "what is not to be there",
      '{"format":"mirrup-skills","version":1,"entries":{"skier":{"kind":"changed","evil":1}}}',
      /“skier”/,
    ],
    ["far too much", " ".repeat(4_000_001), /too large/],
  ])("with %s is refused in a sentence", async (_, text, message) => {
    const read = await readSkills(text, NO_OVERLAY);
    expect(read.ok).toBe(false);
    expect(read.ok ? "" : read.message).toMatch(message);
  });

  it("is answered for whatever it holds", async () => {
    await fc.assert(
      fc.asyncProperty(fc.jsonValue(), async (entries) => {
        const read = await readSkills(
          JSON.stringify({ format: "mirrup-skills", version: 1, entries }),
          NO_OVERLAY,
        );
        expect(typeof read.ok).toBe("boolean");
      }),
      { numRuns: 60 },
    );
  });
});

const arbitraryEntries = fc.dictionary(
  fc.constantFrom("skier", "bell", `${ID}1`, `${ID}2`),
  fc.oneof(
    fc.constantFrom("one", "two").map((name) => own(name)),
    fc.constantFrom("x", "y").map((name): OverlayEntry => ({ kind: "changed", name })),
  ),
);

describe("the way from one state to another", () => {
  it("comes there from wherever it begins, and is nothing from there to there", () => {
    fc.assert(
      fc.property(arbitraryEntries, arbitraryEntries, (now, then) => {
        const after = new Map(Object.entries(now));
        for (const { subject, was, is } of changesTo(now, then)) {
          expect(after.get(subject) ?? null).toEqual(was);
          if (is === null) after.delete(subject);
          else after.set(subject, is);
        }
        expect(Object.fromEntries(after)).toEqual({ ...then });
        expect(changesTo(then, then)).toEqual([]);
      }),
    );
  });
});

describe("changes before they are made", () => {
  it("say what keeps them from it", () => {
    const add = (subject: string, is: OverlayEntry) => ({ subject, was: null, is });
    expect(faultsOf(NO_OVERLAY, [add(`${ID}1`, own("ours"))])).toEqual([]);
    const second = add(`${ID}2`, own("second", { needs: `${ID}1` }));
    expect(faultsOf(NO_OVERLAY, [second]).map(({ code }) => code)).toEqual(["unknown-need"]);
    expect(faultsOf(NO_OVERLAY, [second, add(`${ID}1`, own("ours"))])).toEqual([]);
    const both = of({ [`${ID}1`]: own("ours"), [`${ID}2`]: own("second", { needs: `${ID}1` }) });
    expect(faultsOf(both, [{ subject: `${ID}1`, was: own("ours"), is: null }])).toHaveLength(1);
  });
});
