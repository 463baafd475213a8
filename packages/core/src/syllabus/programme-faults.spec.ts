import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { catalogueOf } from "../testing/small-catalogue.js";
import { programmeFaults } from "./programme-faults.js";
import {
  askedOfSet,
  itemKey,
  itemsAsked,
  itemSideNames,
  itemSubject,
  programmeSubject,
  skillOfItem,
  type Programme,
  type ProgrammeItem,
} from "./programme.js";

const CATALOGUE = catalogueOf(["bounce", "one", ""], ["cross", "two", "bounce"]);
const keyOf = (number: number) => `programme:0199c1b2-0000-7000-8000-00000000000${number}`;
const KEY = keyOf(1);
const item = (skill: string, side: ProgrammeItem["side"], ask: ProgrammeItem["ask"] = { kind: "gate" }) => ({
  ...{ skill, side, ask },
});
const programme = (more: Partial<Programme> = {}): Programme => ({
  ...{ name: "Wagtail", order: "free", before: null, allBut: 0 },
  headings: [{ title: "Ground", items: [item("bounce", "whole")] }],
  ...more,
});
const faults = (more: Partial<Programme>, others: ReadonlyMap<string, Programme> = new Map()) =>
  programmeFaults(CATALOGUE, KEY, programme(more), others).map(({ code, heading, item: place }) =>
    heading === null ? code : `${code} ${heading}.${place}`,
  );
const asking = (...items: readonly ProgrammeItem[]): Partial<Programme> => ({
  headings: [{ title: "", items }],
});

describe("a programme", () => {
  it("is held to skills that are taught, on sides that they have, and each asked once", () => {
    expect(faults({})).toEqual([]);
    expect(faults(asking(item("cross", "either"), item("cross", "left", { kind: "shown" })))).toEqual([]);
    expect(faults(asking(item("bounce", "whole"), item("wagtail", "whole")))).toEqual([
      "unknown-subject 0.1",
    ]);
    expect(faults(asking(item("bounce", "both"), item("cross", "whole")))).toEqual([
      "side-not-of-skill 0.0",
      "side-not-of-skill 0.1",
    ]);
    expect(faults(asking(item("cross", "both"), item("cross", "left")))).toEqual(["asked-twice 0.1"]);
    const asked = { kind: "streak", count: 6 } as const;
    expect(faults(asking(item("cross", "left", asked), item("cross", "right", asked)))).toEqual([]);
  });

  it("asks for something, and lets fewer be missing than there are", () => {
    expect(faults({ headings: [] })).toEqual(["no-items"]);
    expect(faults({ allBut: 1 })).toEqual(["all-but-too-many"]);
    const two = asking(item("bounce", "whole"), item("cross", "both"));
    expect(faults({ ...two, allBut: 1 })).toEqual([]);
    expect(itemsAsked(programme({ ...two, allBut: 1 }))).toBe(1);
  });

  it("comes after one that is there, and never after itself", () => {
    const chain = new Map([
      [keyOf(2), programme({ before: keyOf(3) })],
      [keyOf(3), programme()],
      [keyOf(4), programme({ before: KEY })],
    ]);
    expect(faults({ before: keyOf(2) }, chain)).toEqual([]);
    expect(faults({ before: keyOf(5) }, chain)).toEqual(["unknown-programme"]);
    expect(faults({ before: KEY }, chain)).toEqual(["cycle"]);
    expect(faults({ before: keyOf(4) }, chain)).toEqual(["cycle"]);
  });

  it("does not go round for ever where others do already", () => {
    const round = new Map([
      [keyOf(2), programme({ before: keyOf(3) })],
      [keyOf(3), programme({ before: keyOf(2) })],
    ]);
    expect(faults({ before: keyOf(2) }, round)).toEqual([]);
  });

  it("keeps what was said of an item under the skill and what is asked, whatever stands around it", () => {
    const kinds = fc.constantFrom<ProgrammeItem["ask"]>(
      { kind: "gate" },
      { kind: "shown" },
      { kind: "streak", count: 6 },
      { kind: "hold", seconds: 30 },
      { kind: "clean", clean: 3, of: 5 },
      { kind: "count", count: 60, seconds: 30 },
    );
    fc.assert(
      fc.property(kinds, kinds, (one, other) => {
        const [mine, theirs] = [itemKey(item("cross", "both", one)), itemKey(item("cross", "left", other))];
        expect(mine === theirs).toBe(JSON.stringify(one) === JSON.stringify(other));
        expect(programmeSubject(itemSubject(KEY, mine))).toEqual({ programme: KEY, item: mine });
        expect(skillOfItem(mine)).toBe("cross");
      }),
    );
    expect(programmeSubject(KEY)).toEqual({ programme: KEY, item: null });
    for (const other of ["cross", "combo:0199c1b2-0000-7000-8000-000000000001", "programme:1", `${KEY}#`])
      expect(programmeSubject(other)).toBeNull();
    expect([itemSideNames(item("cross", "either")), askedOfSet({ kind: "gate" })]).toEqual([
      ["left", "right"],
      null,
    ]);
  });
});
