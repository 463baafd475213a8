import { afterEach, describe, expect, it } from "@jest/globals";
import { itemSideNames, programmeItems, type OwnProgramme, type ProgrammeItem } from "@mirrup/core";
import fc from "fast-check";
import { programmes, teach } from "../app/catalogue.js";
import { sidesOfGoal } from "../app/goal-sides.js";
import { pathsOf } from "../app/paths.js";
import { goalWords, skillName } from "../app/words.js";
import {
  changedItem,
  entriesWith,
  movedItem,
  newItem,
  NEW_PROGRAMME,
  placeBeside,
  settledProgramme,
  sheetParts,
  withItem,
  withoutItem,
} from "./draft.js";

const keyOf = (place: number) => `programme:0199c1b2-0000-7000-8000-00000000000${place}`;
const item = (skill: string, side: ProgrammeItem["side"] = "whole"): ProgrammeItem => ({
  ...{ skill, side },
  ask: { kind: "gate" },
});
const headings = fc.array(
  fc.record({
    title: fc.constantFrom("", "Ground", "Beside"),
    items: fc.array(
      fc
        .tuple(
          fc.integer({ min: 0, max: 99 }),
          fc.constantFrom<ProgrammeItem["side"]>("whole", "both", "left"),
        )
        .map(([skill, side]) => item(`s${skill}`, side)),
      { maxLength: 30 },
    ),
  }),
  { minLength: 1, maxLength: 6 },
);

afterEach(() => teach(null));

describe("a programme while it is written", () => {
  it("asks for a skill on all of its sides at first", () => {
    expect([newItem("cross").side, newItem("basic-bounce").side]).toEqual(["both", "whole"]);
  });

  it("loses nothing by moves, and one back undoes one on", () => {
    fc.assert(
      fc.property(headings, fc.nat(), fc.constantFrom<1 | -1>(1, -1), (all, choice, by) => {
        const places = all.flatMap(({ items }, heading) =>
          items.map((_, place) => ({ heading, item: place })),
        );
        const from = places[choice % Math.max(1, places.length)];
        if (from === undefined) return;
        const to = placeBeside(all, from, by);
        const flat = programmeItems({ headings: all });
        const isEnd = by === 1 ? from === places.at(-1) : from === places[0];
        if (to === null) {
          expect(isEnd).toBe(true);
          return;
        }
        const moved = movedItem(all, from, to);
        expect([...programmeItems({ headings: moved })].sort(bySkill)).toEqual([...flat].sort(bySkill));
        const back = placeBeside(moved, to, by === 1 ? -1 : 1);
        expect(back === null ? null : movedItem(moved, to, back)).toEqual(all);
      }),
    );
  });

  it("takes an item in, changes it, and out again", () => {
    const one = withItem(NEW_PROGRAMME.headings, 0, item("cross", "both"));
    const place = { heading: 0, item: 0 };
    const changed = changedItem(one, place, { side: "left", how: "  " });
    expect(settledProgramme({ ...NEW_PROGRAMME, name: " Wagtail ", headings: changed })).toMatchObject({
      name: "Wagtail",
      headings: [{ items: [{ skill: "cross", side: "left", ask: { kind: "gate" } }] }],
    });
    expect(
      settledProgramme({ ...NEW_PROGRAMME, headings: changed }).headings[0]?.items[0],
    ).not.toHaveProperty("how");
    expect(withoutItem(changed, place)).toEqual(NEW_PROGRAMME.headings);
    expect(settledProgramme(NEW_PROGRAMME).headings).toEqual([]);
  });

  it("is printed on as many pages as it needs, in its order, no page wider than another can be", () => {
    fc.assert(
      fc.property(headings, (all) => {
        const parts = sheetParts({ headings: all });
        const flat = programmeItems({ headings: all });
        expect(parts.flatMap((part) => programmeItems(part))).toEqual(flat);
        let first = 0;
        for (const part of parts) {
          const own = programmeItems(part);
          expect(part.first).toBe(first);
          expect(own.length).toBeGreaterThan(0);
          expect(own.flatMap(itemSideNames).length).toBeLessThanOrEqual(26);
          expect(part.headings.every(({ items }) => items.length > 0)).toBe(true);
          first += own.length;
        }
      }),
    );
  });
});

describe("the studio's programmes", () => {
  const programme = (
    name: string,
    before: string | null,
    ...items: readonly ProgrammeItem[]
  ): OwnProgramme => ({
    ...{ kind: "programme", name, order: "free", before, allBut: 0 },
    headings: [{ title: "", items }],
  });
  const ALL = {
    [keyOf(1)]: programme("Kingfisher", keyOf(2), item("cross", "both")),
    [keyOf(2)]: programme("Wagtail", null, item("basic-bounce"), item("side-swing", "either")),
    [keyOf(3)]: programme("Dipper", null, item("own:0199c1b2-0000-7000-8000-000000000009")),
  };

  it("stand each after the one before it, else by name, and are called by it wherever they are named", () => {
    expect(programmes().size).toBe(0);
    teach({ edition: 1, entries: ALL });
    expect([...programmes().values()].map(({ name }) => name)).toEqual(["Dipper", "Wagtail", "Kingfisher"]);
    expect(skillName(`${keyOf(1)}#cross/clean 3/5`)).toBe("Kingfisher: cross");
    expect(goalWords({ subject: keyOf(2), side: "whole" })).toBe("Wagtail");
    expect(skillName(keyOf(7))).toBe("a programme");
    expect(pathsOf("s").programme(keyOf(1), "g")).toBe(
      "/s/programmes/0199c1b2-0000-7000-8000-000000000001/g",
    );
  });

  it("are, as a goal, all the sides that they ask", () => {
    teach({ edition: 1, entries: ALL });
    const sides = (subject: string) =>
      sidesOfGoal({ subject, side: "whole" }).map((side) => `${side.subject} ${side.side}`);
    expect(sides(keyOf(2))).toEqual(["basic-bounce whole", "side-swing left", "side-swing right"]);
    expect(sides("basic-bounce")).toEqual(["basic-bounce whole"]);
  });

  it("go into a file with those before them, and the skills of the studio's own that they ask for", () => {
    const all = new Map(Object.entries(ALL));
    const own = "own:0199c1b2-0000-7000-8000-000000000009";
    const entries = { ...ALL, [own]: "a skill", cross: "a name", skier: "another" };
    expect(Object.keys(entriesWith(keyOf(1), all, entries)).sort()).toEqual(
      ["cross", keyOf(1), keyOf(2)].sort(),
    );
    expect(Object.keys(entriesWith(keyOf(3), all, entries)).sort()).toEqual([own, keyOf(3)].sort());
  });
});

function bySkill(one: ProgrammeItem, other: ProgrammeItem): number {
  const key = ({ skill, side }: ProgrammeItem) => `${skill} ${side}`;
  return key(one) < key(other) ? -1 : 1;
}
