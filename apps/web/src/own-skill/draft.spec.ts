import { afterEach, describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import { teach } from "../app/catalogue.js";
import {
  draftOf,
  EMPTY_DRAFT,
  jumpable,
  needsIn,
  openTo,
  previewOf,
  settled,
  type OwnEntry,
} from "./draft.js";

const ID = "own:0199c1b2-0000-7000-8000-000000000001";
const written = (more: Partial<typeof EMPTY_DRAFT> = {}) => ({
  ...EMPTY_DRAFT,
  name: "tannery twist",
  score: "sr xr o sr xr sl o",
  ...more,
});

afterEach(() => teach(null));

const OWN = {
  gate: { kind: "streak", count: 3 },
  gates: { "steady-hold": { kind: "hold", seconds: 20 } },
} as const;

describe("a skill of the studio's own while it is written", () => {
  it("is what its score says of it, until somebody says otherwise", () => {
    const { entry, proposed } = settled(written());
    expect(entry).toMatchObject({ sides: "two", class: "fusion", score: "sr xr o sr xr sl o" });
    expect(entry.needs).toContain("side-swing-cross");
    expect(entry.cues.length).toBeGreaterThanOrEqual(2);
    expect(proposed.reasons.get("side-swing-cross")).toBe("held");
    const strand = CATALOGUE.strands.find(({ id }) => id === entry.strand);
    expect(strand?.skills).toContain("side-swing-cross");
  });

  it("keeps what was typed, whatever the score is changed to", () => {
    const typed = written({
      sides: "one",
      class: "power",
      needs: "cross",
      cues: "low\n\n wide ",
      strand: "base",
    });
    for (const score of ["o", "(o o)", "", "xr ("]) {
      expect(settled({ ...typed, score }).entry).toMatchObject({
        ...{ sides: "one", class: "power", needs: "cross", strand: "base" },
        cues: ["low", "wide"],
      });
    }
  });

  it("proposes nothing of a score that cannot be jumped, and of none", () => {
    for (const score of ["xr (", "sl xr o", "", "  "]) {
      expect(jumpable(score)).toBeNull();
      expect(settled(written({ score })).entry).toMatchObject({ sides: "one", class: "ground", needs: "" });
    }
    expect(settled(written({ score: " " })).entry.score).toBeNull();
  });

  it("has drills of its own where it has no score, and says of any drill what is said of it", () => {
    const ladder = [{ kind: "watch" }, { kind: "apart", part: "hips" }] as const;
    const drills = [{ kind: "streak", say: "On." }] as const;
    const { entry } = settled(written({ score: "", ladder, drills }));
    expect(entry).toMatchObject({ score: null, ladder, drills });
    expect(settled(draftOf(entry), ID).entry).toEqual(entry);
    expect(settled(written({ ladder })).entry.ladder).toBeUndefined();
  });

  it("is the same again when it is opened to be changed", () => {
    const { entry } = settled(
      written({ also: "twist, , the barrel ", look: " Hands. ", own: OWN, isHidden: true }),
    );
    expect(entry).toMatchObject({ also: ["twist", "the barrel"], look: "Hands.", isHidden: true, ...OWN });
    const again = settled(draftOf(entry), ID).entry;
    expect({ ...again, faults: [] }).toEqual({ ...entry, faults: [] });
  });

  it("needs never itself, once it is there", () => {
    const { entry } = settled(written());
    teach({ edition: 1, entries: { [ID]: entry } });
    expect(settled(written(), ID).entry.needs).toBe(entry.needs);
    expect(settled(written()).entry.needs).toContain(ID);
  });
});

describe("what would come of it", () => {
  const { entry } = settled(written());
  it("has its level and its place on the map", () => {
    const preview = previewOf(ID, entry);
    if (!preview.ok) throw new Error("not ok");
    expect(preview.skill?.level).toBeGreaterThan(CATALOGUE.skills.get("cross")?.level ?? 0);
    expect(preview.catalogue.skills.size).toBe(CATALOGUE.skills.size + 1);
  });

  it("says what keeps it from being taught", () => {
    const named = (more: Partial<OwnEntry>) => {
      const preview = previewOf(ID, { ...entry, ...more });
      return preview.ok ? [] : preview.faults.map(({ code }) => code);
    };
    expect(named({ name: "cross" })).toEqual(["duplicate-name"]);
    expect(named({ needs: "gone" })).toEqual(["unknown-need"]);
    expect(named({ cues: ["one"] })).toEqual(["cues"]);
    expect(named({ needs: "cross !" })).toEqual(["bad-needs"]);
  });

  it("is open to whoever has a side of all it needs, and both where both are asked", () => {
    const open = (needs: string, known: readonly string[]) => {
      const preview = previewOf(ID, { ...entry, needs });
      if (!preview.ok) throw new Error("not ok");
      return openTo(preview, ({ subject, side }) => known.includes(`${subject} ${side}`));
    };
    expect(open("", [])).toBe(true);
    expect(open("basic-bounce", [])).toBe(false);
    expect(open("basic-bounce", ["basic-bounce whole"])).toBe(true);
    expect(open("cross", ["cross left"])).toBe(true);
    expect(open("cross both", ["cross left"])).toBe(false);
    expect(open("cross both", ["cross left", "cross right"])).toBe(true);
    expect(open("cross / skier", ["skier whole"])).toBe(true);
    expect(open("cross; skier", ["skier whole"])).toBe(false);
    // All on one side of it: the left of one and the right of another open neither.
    expect(open("cross; side-swing", ["cross left", "side-swing right"])).toBe(false);
    expect(open("cross; side-swing other", ["cross left", "side-swing right"])).toBe(true);
  });
});

describe("needs as they are typed", () => {
  it("are none where they do not parse", () => {
    expect(needsIn("cross ≥ 5; helps: skier")).toMatchObject({
      needs: [{ anyOf: [{ atLeast: 5 }] }],
      helps: ["skier"],
    });
    expect(needsIn("cross !!")).toEqual({ needs: [], helps: [] });
  });
});
