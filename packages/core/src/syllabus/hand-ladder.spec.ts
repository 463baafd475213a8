import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import type { SkillEntry } from "./catalogue.js";
import { BARE_CRAFT } from "./catalogue.js";
import { drillKey } from "./drill.js";
import { HAND_KINDS, HAND_LADDER_LIMITS, handLadderLine, NO_PART, type HandDrill } from "./hand-ladder.js";
import { GATE_RUNG } from "./ladder.js";
import { overlay } from "./overlay.js";
import type { OverlayEntry } from "./overlay-entry.js";
import { syllabusOf } from "./syllabus.js";

const ID = "own:0199c1b2-0000-7000-8000-000000000001";
const PLAIN: Omit<SkillEntry, "id"> = {
  ...{ name: "kip", sides: "one", score: null, needs: "", class: "ground", cues: ["one", "two"] },
  ...{ faults: [], look: "" },
};

function ladderOf(ladder: readonly HandDrill[], more: object = {}) {
  const entry = { kind: "own", strand: "first", ...PLAIN, ladder, ...more } as OverlayEntry;
  const first = { ...PLAIN, id: "a", name: "a" };
  const made = overlay(
    {
      strands: [{ id: "first", name: "first", family: "footwork", skills: [first] }],
      ...{ version: "1", craft: BARE_CRAFT },
    },
    { edition: 1, entries: { [ID]: entry } },
  );
  if (!made.ok) throw new Error(made.faults.map(({ message }) => message).join(" "));
  const syllabus = syllabusOf({ catalogue: made.catalogue, school: FIVE_IN_A_ROW });
  return syllabus.find(ID, "whole")?.ladder ?? [];
}

const anyDrill = fc.record(
  {
    kind: fc.constantFrom(...HAND_KINDS),
    count: fc.integer({ min: 1, max: HAND_LADDER_LIMITS.count }),
    part: fc
      .string({ minLength: 1, maxLength: HAND_LADDER_LIMITS.part })
      .map((text) => text.trim())
      .filter((text) => text !== "" && !NO_PART.test(text)),
  },
  { requiredKeys: ["kind"] },
);

describe("a ladder written by hand", () => {
  it("is walked as it is written, and ends with the gate", () => {
    const ladder = ladderOf([
      { kind: "watch" },
      { kind: "apart", part: "legs, then hips", count: 3 },
      { kind: "one-stop", count: 4 },
      { kind: "streak", count: 3 },
    ]);
    expect(ladder.map(({ drill }) => [drill.kind, "count" in drill ? drill.count : null])).toEqual([
      ["watch", 2],
      ["apart", 3],
      ["one-stop", 4],
      ["streak", 3],
      ["streak", 5],
    ]);
    expect(ladder[1]?.drill).toMatchObject({ about: "legs, then hips" });
    expect(ladder.at(-1)?.id).toBe(GATE_RUNG);
  });

  it("counts for the skill from the one that is done whole on", () => {
    const holds = ladderOf([{ kind: "shadow" }, { kind: "one-stop" }]).map((rung) => rung.holds);
    expect(holds).toEqual(["shape", "whole", "whole"]);
  });

  it("is left alone where there is a score, and where none is written", () => {
    const plain = ladderOf([]);
    expect(plain.map(({ id }) => id)).toEqual([GATE_RUNG]);
    const scored = ladderOf([{ kind: "watch" }], { score: "o", class: "base" });
    expect(scored.map(({ drill }) => drill.kind)).not.toContain("watch");
  });

  it("can be read whatever is written, each rung once, and one gate: last, where none of them is it", () => {
    fc.assert(
      fc.property(fc.array(anyDrill, { minLength: 1, maxLength: HAND_LADDER_LIMITS.drills }), (drills) => {
        const ladder = ladderOf(drills);
        const ids = ladder.map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        expect(ids).toContain(GATE_RUNG);
        const isGate = drills.some(({ kind, count }) => kind === "streak" && count === undefined);
        if (!isGate) expect(ids.at(-1)).toBe(GATE_RUNG);
        const asked = ["streak", ...drills.map(({ kind }) => kind)];
        for (const { drill } of ladder) {
          expect(asked).toContain(drill.kind);
          expect(drillKey(drill)).not.toContain("NaN");
        }
        expect(handLadderLine(drills as readonly HandDrill[]).split(", ").length).toBeGreaterThanOrEqual(
          drills.length,
        );
      }),
    );
  });
});
