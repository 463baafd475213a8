import { describe, expect, it } from "@jest/globals";
import { parseDrill } from "../syllabus/drill.js";
import type { CautionCode } from "../syllabus/caution.js";
import { homeDrills, type ProposedAlone } from "./at-home.js";

const EASY = { isOverAllowance: false };

function proposed(kind: string, cautions: readonly CautionCode[] = [], isNew = false): ProposedAlone {
  const drill = parseDrill({ kind });
  if (drill === null) throw new Error(`no drill of ${kind}`);
  return { drill, isNew, cautions };
}
const kinds = (drills: readonly ProposedAlone[]) => drills.map(({ drill }) => drill.kind);

describe("what is practised at home", () => {
  it("is what was begun where somebody looked, and without a rope anything", () => {
    const drills = [proposed("streak"), proposed("one-stop", [], true), proposed("shadow", [], true)];
    expect(kinds(homeDrills(drills, EASY))).toEqual(["streak", "shadow"]);
  });

  it.each(["face", "neck", "sting"] as const)("is no rope that asks for eyes: %s", (caution) => {
    const drills = [
      proposed("streak", [caution]),
      proposed("watch", [caution]),
      proposed("climb", ["shoes"]),
    ];
    expect(kinds(homeDrills(drills, EASY))).toEqual(["watch", "climb"]);
  });

  it("is past the week's allowance what does not land", () => {
    const drills = [proposed("streak"), proposed("side-rope"), proposed("shadow")];
    expect(kinds(homeDrills(drills, { isOverAllowance: true })).includes("streak")).toBe(false);
    expect(kinds(homeDrills(drills, { isOverAllowance: true }))).toContain("shadow");
  });

  it("is no more than a quarter of an hour has room for, the first first", () => {
    const many = ["streak", "climb", "hold", "count", "spaced", "one-out"].map((kind) => proposed(kind));
    expect(kinds(homeDrills(many, EASY))).toEqual(["streak", "climb", "hold", "count"]);
  });
});
