import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { SKILL_CLASSES } from "./skill.js";
import { BARE_CRAFT, skillOf, type Catalogue, type SkillEntry } from "./catalogue.js";
import { isOwnSkill, NO_OVERLAY, type Overlay, type OverlayEntry } from "./overlay-entry.js";
import type { WrittenCatalogue } from "./overlay-laying.js";
import { overlay, usable } from "./overlay.js";

const ID = "own:0199c1b2-0000-7000-8000-00000000000";
const entry = (id: string, needs = "", more: Partial<SkillEntry> = {}): SkillEntry => ({
  ...{
    id,
    name: id,
    sides: "one",
    score: null,
    needs,
    class: "base",
    cues: ["one", "two"],
    faults: [],
    look: "",
  },
  ...more,
});
const own = (name: string, needs = "", more: object = {}): OverlayEntry => {
  const { id: _, ...skill } = entry("", needs, { name });
  return { kind: "own", strand: "first", ...skill, ...more };
};
const BASE: WrittenCatalogue = {
  strands: [
    { id: "first", name: "first", family: "footwork", skills: [entry("a"), entry("b", "a")] },
    { id: "second", name: "second", family: "crosses", skills: [entry("x", "a"), entry("y", "x")] },
  ],
  version: "7",
  craft: BARE_CRAFT,
};
const laid = (entries: Readonly<Record<string, OverlayEntry>>): Overlay => ({ edition: 3, entries });

function made(entries: Readonly<Record<string, OverlayEntry>>): Catalogue {
  const result = overlay(BASE, laid(entries));
  if (!result.ok) throw new Error(result.faults.map(({ message }) => message).join("\n"));
  return result.catalogue;
}

function faultsOf(entries: Readonly<Record<string, OverlayEntry>>): readonly string[] {
  const result = overlay(BASE, laid(entries));
  return result.ok ? [] : result.faults.map(({ code, skill }) => `${code} ${skill}`);
}

describe("a studio's own, laid over the catalogue", () => {
  it("of nothing is the catalogue itself", () => {
    const result = overlay(BASE, NO_OVERLAY);
    expect(result.ok && [...result.catalogue.skills.keys()]).toEqual(["a", "b", "x", "y"]);
    expect(result.ok && result.catalogue.version).toBe("7");
  });

  it("puts a skill where the studio has it, as far as its needs let it, with its family", () => {
    const onStrands = (entries: Readonly<Record<string, OverlayEntry>>) =>
      made(entries).strands.map(({ skills }) => skills.join(" "));
    expect(onStrands({ x: { kind: "changed", strand: "first", after: "a" } })).toEqual(["a x b", "y"]);
    expect(made({ x: { kind: "changed", strand: "first" } }).familyOf.get("x")).toBe("footwork");
    expect(onStrands({ x: { kind: "changed", strand: "first" } })).toEqual(["a b x", "y"]);
    expect(onStrands({ [`${ID}1`]: own("ours", "a", { after: "a" }) })).toEqual([`a ${ID}1 b`, "x y"]);
    // Before what it needs it cannot stand, and after what is not there it stands last.
    expect(onStrands({ [`${ID}1`]: own("ours", "b", { after: "a" }) })).toEqual([`a b ${ID}1`, "x y"]);
    expect(onStrands({ y: { kind: "changed", after: "gone" } })).toEqual(["a b", "x y"]);
    expect(faultsOf({ x: { kind: "changed", strand: "none" } })).toEqual(["strand-order x"]);
  });

  it("finds a skill by every name that it has or had, and says the studio's faults and no note", () => {
    const { skills } = made({
      x: { kind: "changed", name: "the x", also: ["exy"], faults: ["narrow"], note: "Only for the tall." },
    });
    expect(skills.get("x")).toMatchObject({ name: "the x", aliases: ["x", "exy"], faults: ["narrow"] });
    expect(JSON.stringify(skills.get("x"))).not.toContain("tall");
    expect(faultsOf({ x: { kind: "changed", also: ["Y"] } })).toEqual(["duplicate-name x"]);
  });

  it("brings a skill of its own, at the end of its strand, with its level and what it opens", () => {
    const catalogue = made({ [`${ID}1`]: own("ours", "b; x", { strand: "second" }) });
    expect(catalogue.strands[1]?.skills).toEqual(["x", "y", `${ID}1`]);
    expect(skillOf(catalogue, `${ID}1`)).toMatchObject({ name: "ours", level: 3 });
    expect(catalogue.neededBy.get("b")).toEqual([`${ID}1`]);
    expect(catalogue.familyOf.get(`${ID}1`)).toBe("crosses");
    expect(catalogue.version).toBe("7+3");
  });

  it("shows the studio's own name first, and finds the usual one", () => {
    const drills = [{ kind: "streak", say: "On." }] as const;
    expect(skillOf(made({ b: { kind: "changed", drills } }), "b").drills).toEqual(drills);
    expect(skillOf(made({ b: { kind: "changed", name: "c" } }), "b").drills).toEqual([]);
    const { name, aliases } = skillOf(made({ b: { kind: "changed", name: "the hop" } }), "b");
    expect([name, ...aliases]).toEqual(["the hop", "b"]);
  });

  it("changes what is needed, and puts a strand in order by it", () => {
    const catalogue = made({ a: { kind: "changed", needs: `${ID}1` }, [`${ID}1`]: own("first of all") });
    expect(catalogue.strands[0]?.skills).toEqual([`${ID}1`, "a", "b"]);
    expect(skillOf(catalogue, "b").level).toBe(3);
  });

  it.each<[string, Readonly<Record<string, OverlayEntry>>, readonly string[]]>([
    ["a circle", { a: { kind: "changed", needs: "y" } }, ["cycle a"]],
    ["a need that is not there", { [`${ID}1`]: own("ours", "nothing") }, [`unknown-need ${ID}1`]],
    ["needs that do not parse", { a: { kind: "changed", needs: "b !" } }, ["bad-needs a"]],
    ["a name that is taken", { [`${ID}1`]: own("B") }, [`duplicate-name ${ID}1`]],
    ["a name of what stands behind it", { a: { kind: "changed", name: "Y" } }, ["duplicate-name a"]],
    [
      "a strand that is not there",
      { [`${ID}1`]: own("ours", "", { strand: "third" }) },
      [`strand-order ${ID}1`],
    ],
    ["an id that is not the studio's", { ours: own("ours") }, ["duplicate-id ours"]],
    ["a change of what is not there", { z: { kind: "changed", name: "z" } }, ["unknown-need z"]],
    ["a score that is none", { [`${ID}1`]: own("ours", "", { score: "xr (" }) }, [`bad-score ${ID}1`]],
    [
      "a score that cannot be jumped",
      { [`${ID}1`]: own("ours", "", { score: "sl xr o" }) },
      [`bad-score ${ID}1`],
    ],
  ])("refuses %s, with the skill", (_, entries, faults) => {
    const found = faultsOf(entries);
    for (const fault of faults) expect(found).toContain(fault);
  });

  it("knows an own id from any other", () => {
    expect(isOwnSkill(`${ID}1`)).toBe(true);
    for (const other of ["cross", "own:", `${ID}1 `, `own:${"x".repeat(36)}`, `combo:${ID.slice(4)}1`]) {
      expect(isOwnSkill(other)).toBe(false);
    }
  });
});

const arbitraryNeeds = fc.constantFrom(
  "",
  "a",
  "b",
  "x; y",
  "y / b",
  `${ID}1`,
  `${ID}2 ≥ 3`,
  "gone",
  "a both",
  "!",
);
const arbitraryEntry: fc.Arbitrary<OverlayEntry> = fc.oneof(
  fc
    .record({
      name: fc.constantFrom("one", "two", "a", "B", "three"),
      needs: arbitraryNeeds,
      strand: fc.constantFrom("first", "second", "third"),
      score: fc.constantFrom(null, "xr o", "sl xr o", "("),
      class: fc.constantFrom(...SKILL_CLASSES),
    })
    .map(({ name, needs, ...more }) => own(name, needs, more)),
  fc
    .record({ name: fc.constantFrom("one", "a", "y"), needs: arbitraryNeeds }, { requiredKeys: [] })
    .map((change) => ({ kind: "changed" as const, ...change })),
);
const arbitraryOverlay = fc
  .array(
    fc.tuple(fc.constantFrom("a", "b", "x", "y", "gone", `${ID}1`, `${ID}2`, `${ID}3`), arbitraryEntry),
    {
      maxLength: 6,
    },
  )
  .map((entries) => laid(Object.fromEntries(entries)));

describe("whatever a studio has kept, and whatever a newer build ships", () => {
  it("there is a catalogue to teach by, and it has all that ships", () => {
    fc.assert(
      fc.property(arbitraryOverlay, (some) => {
        const { catalogue, leftOut } = usable(BASE, some);
        for (const id of ["a", "b", "x", "y"]) expect(catalogue.skills.has(id)).toBe(true);
        const whole = overlay(BASE, some);
        expect(leftOut.length === 0).toBe(whole.ok);
        if (whole.ok) expect(catalogue).toEqual(whole.catalogue);
      }),
      { numRuns: 400 },
    );
  });

  it("what is good by itself is not lost with what is not", () => {
    for (const bad of [
      { kind: "changed", name: "y" },
      { kind: "changed", needs: "y" },
      { kind: "changed", needs: "gone" },
    ] as const) {
      const { catalogue, leftOut } = usable(BASE, laid({ a: bad, [`${ID}1`]: own("ours", "x") }));
      expect(catalogue.skills.has(`${ID}1`)).toBe(true);
      expect(skillOf(catalogue, "a")).toMatchObject({ name: "a", needs: [] });
      expect(leftOut.length).toBeGreaterThan(0);
    }
  });

  it("what is left out is told of, and nothing else is", () => {
    fc.assert(
      fc.property(arbitraryOverlay, (some) => {
        const { catalogue, leftOut } = usable(BASE, some);
        const told = new Set(leftOut.map(({ skill }) => skill));
        for (const [id, { kind }] of Object.entries(some.entries)) {
          if (kind === "own" && !catalogue.skills.has(id)) {
            expect(told.has(id) || leftOut.some(({ skill }) => !(skill in some.entries))).toBe(true);
          }
        }
      }),
      { numRuns: 400 },
    );
  });
});
