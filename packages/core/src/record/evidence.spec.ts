import { describe, expect, it } from "@jest/globals";
import type { LoggedSet } from "../log/line.js";
import { COMBO_CATALOGUE } from "../testing/combo-catalogue.js";
import { logged } from "../testing/small-reading.js";
import { FIVE_IN_A_ROW } from "../testing/small-catalogue.js";
import { syllabusOf } from "../syllabus/syllabus.js";
import { evidenceOf } from "./evidence.js";
import { entriesOf } from "./fold.js";
import { HANDBOOK_MODEL } from "./model.js";

const SYLLABUS = syllabusOf({ catalogue: COMBO_CATALOGUE, school: FIVE_IN_A_ROW });

/** Each side that a set bears on, `=` where it is evidence and `·` where it is of its rung alone. */
function bears(subject: string, side: LoggedSet["side"], drill: LoggedSet["drill"]): readonly string[] {
  return evidenceOf({ subject, side, drill }, SYLLABUS).map(
    ({ of, holds, repetitions }) => `${of.subject} ${of.side} ${holds ? `= ${String(repetitions)}` : "·"}`,
  );
}

describe("what a set is evidence for", () => {
  it("is the skill where the drill is the skill itself, or holds it", () => {
    expect(bears("cross", "right", { kind: "streak", count: 5 })).toEqual(["cross right = 1"]);
    expect(bears("cross", "right", { kind: "streak", count: 5, score: "xr o" })).toEqual(["cross right = 1"]);
    expect(bears("cross", "right", { kind: "spaced", spacing: 2, score: "xr o o o" })).toEqual([
      "cross right = 1",
    ]);
  });

  it("is each of two sides where the drill holds both, so often as it does", () => {
    expect(bears("cross", "right", { kind: "rounds", rounds: 3, score: "xr o xl o" })).toEqual([
      "cross right = 1",
      "cross left = 1",
    ]);
    expect(bears("cross", "right", { kind: "whole", score: "xr o xr o" })).toEqual(["cross right = 2"]);
  });

  it("is the part where the drill is of a part, and then of its own rung alone", () => {
    expect(bears("front-back", "right", { kind: "streak", count: 5, score: "xr o" })).toEqual([
      "front-back right ·",
      "cross right = 1",
    ]);
  });

  it("is nothing but its rung where it is done to learn the shape, whatever its score", () => {
    expect(bears("cross", "right", { kind: "shadow", score: "xr o" })).toEqual(["cross right ·"]);
  });

  it("is nothing where the drill cannot be read or the subject is not taught here", () => {
    expect(bears("cross", "right", { kind: "from-a-later-build", count: 3 })).toEqual([]);
    expect(bears("cross", "right", { kind: "streak", score: "not a score" })).toEqual([]);
    expect(bears("tumbling", "whole", { kind: "streak" })).toEqual([]);
    expect(bears("cross", "whole", { kind: "streak" })).toEqual([]);
  });

  it("reviews what the skill needs by each repetition, and nothing by what is not jumped", () => {
    const kin = (set: LoggedSet) =>
      entriesOf({ sets: [set], decisions: [] }, { syllabus: SYLLABUS, model: HANDBOOK_MODEL })
        .filter(({ entry }) => entry.type === "kin")
        .map(({ owner, entry }) => `${owner.subject} ${entry.type === "kin" ? String(entry.clean) : ""}`);
    expect(kin(logged("cross", "right", { kind: "whole", score: "xr o xr o" }, { clean: 5 }))).toEqual([
      "basic-bounce 10",
    ]);
    expect(kin(logged("cross", "right", { kind: "shadow" }, { clean: 8 }))).toEqual([]);
  });
});
