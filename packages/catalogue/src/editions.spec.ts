import { describe, expect, it } from "@jest/globals";
import {
  NO_OVERLAY,
  overlayGates,
  randomFrom,
  syllabusOf,
  type LoggedSet,
  type Overlay,
  type OverlayEntry,
  type Random,
  type Side,
  type Syllabus,
} from "@mirrup/core";
import { editionDifference, foldLines, HANDBOOK_MODEL, touchedSides } from "@mirrup/core/teaching";
import fc from "fast-check";
import { CATALOGUE, catalogueInUse, catalogueWith, SCHOOLS } from "./index.js";

const SKILLS = [...CATALOGUE.skills.values()];
const NOW = Date.UTC(2026, 5, 1);
const DAY = 86_400_000;
const ownId = (place: number) => `own:0199c1b2-0000-7000-8000-00000000000${place}`;
const keyOf = ({ subject, side }: { readonly subject: string; readonly side: string }) =>
  `${subject}:${side}`;

const syllabus = (own: Overlay) =>
  syllabusOf({
    catalogue: catalogueInUse(own).catalogue,
    school: SCHOOLS["quick-frontier"],
    overrides: [overlayGates(own, "quick-frontier")],
  });

/** What an instructor may do to what is taught. */
const skillId = fc.constantFrom(...SKILLS.map(({ id }) => id));
const change: fc.Arbitrary<readonly [string, OverlayEntry]> = fc.oneof(
  fc.tuple(
    skillId,
    skillId.map((needs): OverlayEntry => ({ kind: "changed", needs })),
  ),
  fc.tuple(
    skillId,
    fc
      .integer({ min: 1, max: 40 })
      .map((count): OverlayEntry => ({ kind: "changed", gate: { kind: "streak", count } })),
  ),
  fc.tuple(skillId, fc.constant<OverlayEntry>({ kind: "changed", isHidden: true })),
  fc.tuple(skillId, fc.constant<OverlayEntry>({ kind: "changed", cues: ["one", "two"] })),
  fc.tuple(
    fc.constant("school:quick-frontier"),
    fc.constant<OverlayEntry>({ kind: "school", classes: { cross: { kind: "streak", count: 3 } } }),
  ),
  fc.tuple(
    fc.integer({ min: 1, max: 3 }).map(ownId),
    fc
      .tuple(skillId, fc.constantFrom("xr o xr o", "sr xr o", "o o", "sr sl sr sl", "(o o) o", "o/l o/r"))
      .map(([needs, score]): OverlayEntry => ({
        ...{ kind: "own", strand: "crosses", name: `tannery ${score}`, sides: "two", score, needs },
        ...{ class: "cross", cues: ["one", "two"], faults: [], look: "" },
      })),
  ),
);
/** Those of some changes that can be made one after the other. */
function laid(changes: readonly (readonly [string, OverlayEntry])[]): Overlay {
  let own: Overlay = { ...NO_OVERLAY, edition: 1 };
  for (const [id, entry] of changes) {
    const next = { ...own, entries: { ...own.entries, [id]: entry } };
    if (catalogueWith(next).ok) own = next;
  }
  return own;
}
const edition = fc.array(change, { maxLength: 4 }).map((changes) => laid(changes));

/** A set of some rung of a side's ladder, or of what an instructor typed. */
function setOf(side: Side, place: number, random: Random): LoggedSet {
  const rung = side.ladder[Math.floor(random() * side.ladder.length)];
  const about = rung?.about[0] ?? side;
  const typed = random() < 0.2 ? { kind: "whole", score: "xr o xr o" } : null;
  const clean = Math.floor(random() * 12);
  const at = NOW + place * (DAY / 3);
  return {
    ...{ id: String(place).padStart(4, "0"), subject: about.subject, side: about.side, misses: [], at },
    ...{ drill: typed ?? rung?.drill ?? { kind: "streak" }, clean, bestStreak: clean },
    lesson: new Date(at).toISOString().slice(0, 10),
  };
}

const folded = (sets: readonly LoggedSet[], of: Syllabus) =>
  new Map(
    foldLines({ sets, decisions: [] }, { syllabus: of, model: HANDBOOK_MODEL }).map(({ owner, facts }) => [
      keyOf(owner),
      JSON.stringify(facts),
    ]),
  );

describe("another edition of what a studio teaches", () => {
  it("leaves the facts of every side alone that is not told to be touched", () => {
    fc.assert(
      fc.property(edition, edition, fc.integer(), (one, other, seed) => {
        const [before, after] = [syllabus(one), syllabus(other)];
        const random = randomFrom(seed);
        const pick = <T>(all: readonly T[]) => all.slice(Math.floor(random() * all.length))[0] ?? all[0];
        const chosen = Array.from({ length: 8 }, () => pick(before.sides)).filter(
          (side) => side !== undefined,
        );
        const sets = Array.from({ length: 60 }, (_, place) => {
          const side = pick(chosen);
          return side === undefined ? [] : [setOf(side, place, random)];
        }).flat();
        const difference = editionDifference(before, after);
        if (difference === null) throw new Error("nothing but the catalogue is another");
        const reread = sets.filter(({ subject }) => difference.reread.includes(subject));
        const touched = new Set(touchedSides(difference, reread, HANDBOOK_MODEL).map(keyOf));
        const [was, is] = [folded(sets, before), folded(sets, after)];
        const wrong = [...new Set([...was.keys(), ...is.keys()])].filter(
          (key) => was.get(key) !== is.get(key) && !touched.has(key),
        );
        expect(wrong).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it("touches nothing where only words are others, and little where a gate or a need is", () => {
    const plain = syllabus(NO_OVERLAY);
    const touched = (entries: Overlay["entries"]) =>
      editionDifference(plain, syllabus({ edition: 1, entries }))?.sides.map(keyOf) ?? null;
    expect(touched({ cross: { kind: "changed", name: "pretzel", cues: ["one", "two"], look: "" } })).toEqual(
      [],
    );
    expect(touched({ cross: { kind: "changed", gate: { kind: "streak", count: 3 } } })).toEqual([
      "cross:left",
      "cross:right",
    ]);
    const need = touched({ cross: { kind: "changed", needs: "skier" } });
    expect(need).toContain("skier:whole");
    expect(need?.length ?? 0).toBeLessThan(plain.sides.length / 3);
    const other = syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["steady-hold"] });
    expect(editionDifference(plain, other)).toBeNull();
  });
});

describe("hiding a skill", () => {
  const hide = (...ids: readonly string[]): Overlay => ({
    edition: 1,
    entries: Object.fromEntries(ids.map((id) => [id, { kind: "changed", isHidden: true }])),
  });

  it("takes it, and nothing else, out of what is taught; or is refused by those who ask for it", () => {
    let hidden = 0;
    for (const { id } of SKILLS) {
      const result = catalogueWith(hide(id));
      if (result.ok) {
        hidden += 1;
        expect([...result.catalogue.skills.keys()]).toEqual(
          SKILLS.map((one) => one.id).filter((one) => one !== id),
        );
        expect(catalogueInUse(hide(id)).hidden.get(id)?.name).toBe(CATALOGUE.skills.get(id)?.name);
        continue;
      }
      expect(result.faults.map(({ skill }) => skill)).toEqual([id]);
      expect(result.faults[0]?.message).toMatch(/is needed by |is what other skills are drilled/);
    }
    expect(hidden).toBeGreaterThan(20);
  });

  it("is of all together that need each other, and helps are no needs", () => {
    const [first] = SKILLS.filter(({ id, needs }) => needs.length > 0 && catalogueWith(hide(id)).ok);
    expect(first).toBeDefined();
    const helper = SKILLS.find(({ helps }) => helps.some((id) => catalogueWith(hide(id)).ok));
    const help = helper?.helps.find((id) => catalogueWith(hide(id)).ok) ?? "";
    const result = catalogueWith(hide(help));
    expect(result.ok && result.catalogue.skills.get(helper?.id ?? "")?.helps).not.toContain(help);
  });
});
