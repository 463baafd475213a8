import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { NO_FACTS, type SideFacts } from "../record/facts.js";
import { isMet, type Reading } from "../record/standing.js";
import { catalogueOf, FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { at, best, NOW, readingFrom, type Known } from "../testing/small-reading.js";
import {
  itemKey,
  itemSubject,
  programmeItems,
  type Programme,
  type ProgrammeItem,
} from "../syllabus/programme.js";
import type { SubjectSide } from "../syllabus/roles.js";
import { SideMap } from "../syllabus/side-map.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import { goalPath } from "./goal-path.js";
import { goalsInForce, progressOf, type ProgressContext } from "./programme-progress.js";

const CATALOGUE = catalogueOf(["bounce", "one", ""], ["cross", "two", "bounce"], ["swing", "two", "bounce"]);
const SYLLABUS = syllabusOf({ catalogue: CATALOGUE, school: FIVE_IN_A_ROW });
const KEY = "programme:0199c1b2-0000-7000-8000-000000000001";
const item = (
  skill: string,
  side: ProgrammeItem["side"],
  ask: ProgrammeItem["ask"] = { kind: "gate" },
): ProgrammeItem => ({ skill, side, ask });
const THREE: ProgrammeItem["ask"] = { kind: "streak", count: 3 };

const programmeOf = (items: readonly ProgrammeItem[], allBut = 0): Programme => ({
  ...{ name: "Wagtail", order: "fixed", before: null, allBut },
  headings: [{ title: "", items }],
});

/** A reading, with what was said by hand beside what is known of skills. */
function readingWith(known: readonly Known[], said: readonly SubjectSide[] = []): Reading {
  const reading = readingFrom(SYLLABUS, known);
  const cleared: SideFacts = { ...NO_FACTS, cleared: { at: NOW, by: "hand", count: null } };
  const hand = new SideMap(said.map((one) => [one, cleared] as const));
  return { ...reading, factsOf: (side) => hand.get(side) ?? reading.factsOf(side) };
}

const progress = (programme: Programme, reading: Reading, shownAt: ProgressContext["shownAt"] = () => null) =>
  progressOf(KEY, programme, { reading, timeZone: "UTC", shownAt });

describe("how far somebody is with a programme", () => {
  it("is told by the record where the gate is asked, with the day", () => {
    const programme = programmeOf([item("bounce", "whole"), item("cross", "both"), item("swing", "either")]);
    const reading = readingWith([
      ["bounce", "whole", 5],
      ["cross", "left", 5],
      ["cross", "right", 4],
      ["swing", "right", 6],
    ]);
    const { items, ...rest } = progress(programme, reading);
    expect(items.map((one) => one.sides.map(({ by }) => by))).toEqual([
      ["record"],
      ["record", null],
      [null, "record"],
    ]);
    expect(items[0]?.sides[0]?.on).toBe("2026-06-01");
    expect(items.map((one) => one.isDone)).toEqual([true, false, true]);
    expect(rest).toEqual({ done: 2, asked: 3, isEnough: false, finishedOn: null });
    expect(progress({ ...programme, allBut: 1 }, reading)).toMatchObject({ asked: 2, isEnough: true });
  });

  it("takes what is known by a skill that needs it, and says that nobody saw it", () => {
    const programme = programmeOf([item("bounce", "whole")]);
    const reading = readingWith([["cross", "left", 5]]);
    expect(isMet(at(reading, "bounce", "whole").status)).toBe(true);
    expect(progress(programme, reading).items[0]?.sides[0]).toEqual({ side: "whole", by: "known", on: null });
  });

  it("takes sets for what is no gate, and a tick by hand for anything", () => {
    const programme = programmeOf([item("cross", "both", THREE), item("swing", "left", { kind: "shown" })]);
    const shown = progress(programme, readingWith([]), (one, side) =>
      one.skill === "cross" && side === "right" ? NOW : null,
    );
    expect(shown.items.map((one) => one.sides.map(({ by }) => by))).toEqual([[null, "record"], [null]]);
    const said = [{ subject: itemSubject(KEY, "swing/shown"), side: "left" } as const];
    const { items, done } = progress(programme, readingWith([], said));
    expect(items[1]?.sides).toEqual([{ side: "left", by: "hand", on: "2026-06-01" }]);
    expect(done).toBe(1);
    expect(progress(programme, readingWith([], [{ subject: KEY, side: "whole" }])).finishedOn).toBe(
      "2026-06-01",
    );
  });
});

describe("a programme as a goal", () => {
  const goals = (programme: Programme, reading: Reading) =>
    goalsInForce([{ subject: KEY, side: "whole" }], new Map([[KEY, programme]]), reading, "left");

  it("is what is left of it, in its order, and nothing once it is finished", () => {
    const programme = programmeOf([
      item("swing", "either"),
      item("cross", "both"),
      item("bounce", "whole", THREE),
    ]);
    const reading = readingWith([
      ["bounce", "whole", 3],
      ["cross", "left", 5],
    ]);
    expect(goals(programme, reading)).toEqual([
      { subject: "swing", side: "left" },
      { subject: "cross", side: "right" },
    ]);
    expect(goals(programme, readingWith([], [{ subject: KEY, side: "whole" }]))).toEqual([]);
    const other = { subject: "cross", side: "right" } as const;
    const both = goalsInForce(
      [other, { subject: KEY, side: "whole" }],
      new Map([[KEY, programme]]),
      reading,
      "left",
    );
    expect(both).toEqual([other, { subject: "swing", side: "left" }]);
  });

  it("leads to all that it asks: whoever has cleared the way has done it", () => {
    const skills = fc.constantFrom("bounce", "cross", "swing");
    const asked = fc
      .uniqueArray(skills, { minLength: 1 })
      .map((all) => programmeOf(all.map((skill) => item(skill, skill === "bounce" ? "whole" : "both"))));
    const counts = fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 5, maxLength: 5 });
    fc.assert(
      fc.property(asked, counts, (programme, [bounce = 0, ...others]) => {
        const sides = ["cross", "swing"].flatMap((skill) => [`${skill}:left`, `${skill}:right`]);
        const known: Known[] = [
          ["bounce", "whole", bounce],
          ...sides.map((side, place): Known => {
            const [skill = "", name] = side.split(":");
            return [skill, name as "left" | "right", others[place] ?? 0];
          }),
        ];
        const reading = readingWith(known);
        const { steps } = goalPath(reading, goals(programme, reading));
        const after = readingWith([
          ...known,
          ...steps.map(({ of }): Known => [of.subject, of.side, best(5)]),
        ]);
        const { done, asked: all } = progress(programme, after);
        expect(done).toBe(all);
        expect(goals(programme, after)).toEqual([]);
        expect(new Set(programmeItems(programme).map(itemKey)).size).toBe(all);
      }),
    );
  });
});
