import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { DAY_MS } from "../instant.js";
import { comboKey, linkKey } from "../log/combo-subject.js";
import type { LoggedDecision, LoggedSet } from "../log/line.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { logged, NOW } from "../testing/small-reading.js";
import { taughtCatalogue } from "../testing/taught-catalogue.js";
import { foldLines, ownersOf, type FoldedSide, type Reader } from "./fold.js";
import { HANDBOOK_MODEL } from "./model.js";

const READER: Reader = {
  syllabus: syllabusOf({ catalogue: taughtCatalogue(), school: FIVE_IN_A_ROW }),
  model: HANDBOOK_MODEL,
};
const COMBO = "00000000-0000-7000-8000-000000000001";

const ABOUT = [
  ["bounce", "whole"],
  ["cross", "left"],
  ["cross", "right"],
  ["double", "whole"],
  ["open-cross", "right"],
  ["of-another-catalogue", "whole"],
  [comboKey(COMBO), "right"],
] as const;
const KINDS = ["streak", "climb", "one-out", "toe-catch", "shadow", "spaced", "of-a-later-build"] as const;
const SCORES = [undefined, "xr o", "o xr o xl o", "(o o) o", "o", "o ???"] as const;

const anySet = fc
  .record({
    about: fc.constantFrom(...ABOUT),
    kind: fc.constantFrom(...KINDS),
    score: fc.constantFrom(...SCORES),
    best: fc.nat(9),
    more: fc.nat(6),
    missed: fc.nat(4),
    day: fc.nat(40),
  })
  .map(({ about: [subject, side], kind, score, best, more, missed, day }): LoggedSet =>
    logged(
      subject,
      side,
      { kind, count: 5, ...(score === undefined ? {} : { score }) },
      {
        ...{ clean: best + more, bestStreak: best, at: NOW - day * DAY_MS },
        misses: missed === 0 ? [] : [{ count: missed }],
      },
    ),
  );
const anyLog = fc.array(anySet, { maxLength: 14 });

const byName = (folded: readonly FoldedSide[]) =>
  new Map(folded.map(({ owner, facts }) => [`${owner.subject} ${owner.side}`, facts]));
const fold = (sets: readonly LoggedSet[], decisions: readonly LoggedDecision[] = []) =>
  byName(foldLines({ sets, decisions }, READER));

describe("a student's log", () => {
  it("comes to the same whatever order its lines come in", () => {
    fc.assert(
      fc.property(anyLog, fc.integer({ min: 1, max: 13 }), (sets, by) => {
        const turned = [...sets.slice(by), ...sets.slice(0, by)].reverse();
        expect(fold(turned)).toEqual(fold(sets));
      }),
    );
  });

  it("comes to the same side by side as all at once", () => {
    fc.assert(
      fc.property(anyLog, (sets) => {
        const all = fold(sets);
        for (const { of } of READER.syllabus.sides.map((side) => ({ of: side }))) {
          const alone = byName(
            foldLines(
              { sets, decisions: [] },
              READER,
              (owner) => owner.subject === of.subject && owner.side === of.side,
            ),
          );
          const name = `${of.subject} ${of.side}`;
          expect(alone.get(name)).toEqual(all.get(name));
        }
      }),
      { numRuns: 40 },
    );
  });

  it("is left as it is by what cannot be read, and by what is about nothing that is taught", () => {
    fc.assert(
      fc.property(anyLog, (sets) => {
        const readable = sets.filter(
          ({ subject, drill }) =>
            subject !== "of-another-catalogue" &&
            drill.kind !== "of-a-later-build" &&
            drill.score !== "o ???",
        );
        expect(fold(readable)).toEqual(fold(sets));
      }),
    );
  });

  it("touches by a set only those that it names as its owners", () => {
    fc.assert(
      fc.property(anyLog, anySet, (sets, one) => {
        const touched = new Set(ownersOf(one, READER).map(({ subject, side }) => `${subject} ${side}`));
        const [before, after] = [fold(sets), fold([...sets, one])];
        for (const name of new Set([...before.keys(), ...after.keys()]))
          if (!touched.has(name)) expect(after.get(name)).toEqual(before.get(name));
      }),
    );
  });

  it("clears a side by no set that does not hold it", () => {
    fc.assert(
      fc.property(anyLog, (sets) => {
        const jumped = sets.filter(
          ({ subject, drill }) => subject === "open-cross" && drill.score === undefined,
        );
        if (jumped.length === 0) expect(fold(sets).get("open-cross right")?.cleared ?? null).toBeNull();
      }),
    );
  });

  it("keeps combos and their links apart from skills", () => {
    const drill = { kind: "one-out", count: 5, score: "o xr o" };
    const folded = fold([
      logged(comboKey(COMBO), "right", drill, { clean: 4, misses: [{ position: 5 }], bestStreak: 1 }),
      logged(linkKey(COMBO, 2), "right", { kind: "link", count: 4, spacing: 4 }, { clean: 3 }),
    ]);
    expect([...folded.keys()]).toEqual([`${comboKey(COMBO)} right`, `${linkKey(COMBO, 2)} right`]);
    expect(folded.get(`${comboKey(COMBO)} right`)?.cleared?.by).toBe("gate");
  });
});
