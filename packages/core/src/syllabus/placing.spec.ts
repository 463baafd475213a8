import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { BARE_CRAFT, type SkillEntry } from "./catalogue.js";
import { NO_OVERLAY, type Overlay, type OverlayEntry } from "./overlay-entry.js";
import { laidStrands, type WrittenCatalogue } from "./overlay-laying.js";
import { placedAt, type SkillPlace } from "./placing.js";

const entry = (id: string): SkillEntry => ({
  ...{ id, name: id, sides: "one", score: null, needs: "", class: "base" },
  ...{ cues: ["one", "two"], faults: [], look: "" },
});
const BASE: WrittenCatalogue = {
  strands: [
    { id: "first", name: "first", family: "footwork", skills: ["a", "b", "c", "d"].map(entry) },
    { id: "second", name: "second", family: "crosses", skills: ["w", "x", "y"].map(entry) },
  ],
  version: "7",
  craft: BARE_CRAFT,
};
const OURS = ["1", "2", "3"].map((digit) => `own:0199c1b2-0000-7000-8000-00000000000${digit}`);
const ALL = ["a", "b", "c", "d", "w", "x", "y", ...OURS];

const laid = (entries: Overlay["entries"]): Overlay => ({ edition: 1, entries });
const linesOf = (own: Overlay) =>
  laidStrands(BASE.strands, own).map(({ skills }) => skills.map(({ id }) => id).join(" "));
const moved = (own: Overlay, skill: string, strand: string, after: string) =>
  laid(placedAt(BASE, own, skill, { strand, after }));

describe("a skill put elsewhere", () => {
  it("says only what it has to, and nothing once it is back", () => {
    const once = moved(NO_OVERLAY, "c", "first", "a");
    expect(once.entries).toEqual({ c: { kind: "changed", after: "a" } });
    expect(linesOf(once)).toEqual(["a c b d", "w x y"]);
    const first = moved(once, "y", "first", "first");
    expect(first.entries.y).toEqual({ kind: "changed", strand: "first", after: "first" });
    expect(linesOf(first)).toEqual(["y a c b d", "w x"]);
    const back = moved(moved(first, "y", "second", "x"), "c", "first", "b");
    expect(back.entries).toEqual({});
  });

  it("leaves behind what stood after it, and keeps what else is said of it", () => {
    const own = laid({
      c: { kind: "changed", name: "sea", after: "a" },
      d: { kind: "changed", after: "c" },
    });
    expect(linesOf(own)).toEqual(["a c d b", "w x y"]);
    const away = moved(own, "c", "second", "w");
    expect(linesOf(away)).toEqual(["a d b", "w c x y"]);
    expect(away.entries).toEqual({
      c: { kind: "changed", name: "sea", strand: "second", after: "w" },
      d: { kind: "changed", after: "a" },
    });
  });

  it("stands where it was put after any moves, with all others where they were, in whatever order it is kept", () => {
    const ours = OURS.map((id, place): [string, OverlayEntry] => {
      const { id: _, ...rest } = entry(id);
      return [id, { kind: "own", strand: place === 0 ? "second" : "first", ...rest }];
    });
    const change = fc.record({
      skill: fc.constantFrom(...ALL),
      strand: fc.constantFrom("first", "second"),
      place: fc.nat(9),
      order: fc.func(fc.nat(1000)),
    });
    fc.assert(
      fc.property(fc.array(change, { minLength: 1, maxLength: 12 }), (changes) => {
        let own = laid(Object.fromEntries(ours));
        for (const { skill, strand, place, order } of changes) {
          const lines = new Map(
            laidStrands(BASE.strands, own).map(({ id, skills }) => [
              id,
              skills.map((one) => one.id).filter((id_) => id_ !== skill),
            ]),
          );
          const line = lines.get(strand) ?? [];
          const to = place % (line.length + 1);
          const at: SkillPlace = { strand, after: line[to - 1] ?? strand };
          lines.set(strand, line.toSpliced(to, 0, skill));
          own = laid(placedAt(BASE, own, skill, at));
          // What is kept is read again with its entries in another order.
          own = laid(Object.fromEntries(Object.entries(own.entries).sort(([a], [b]) => order(a) - order(b))));
          expect(linesOf(own)).toEqual([...lines.values()].map((ids) => ids.join(" ")));
        }
      }),
    );
  });
});
