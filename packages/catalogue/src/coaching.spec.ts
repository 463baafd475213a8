import { describe, expect, it } from "@jest/globals";
import { DRILL_KINDS, parseDrill, skillOf, type LoggedDrill } from "@mirrup/core";
import { CATALOGUE, coachingOf, FAULTS } from "./index.js";

function coach(id: string, written: LoggedDrill) {
  const drill = parseDrill(written);
  if (drill === null) throw new Error(written.kind);
  return coachingOf(skillOf(CATALOGUE, id), drill);
}

describe("what is said in a drill", () => {
  it("is by what is jumped in it, and not by the skill that it is a drill of", () => {
    const part = coach("quadruple-under", { kind: "toe-catch", score: "o!" });
    expect(part).toEqual(coach("basic-bounce", { kind: "toe-catch" }));
    expect(coach("leg-over-cross", { kind: "toe-catch", score: "ur!" })).not.toEqual(part);
  });

  it("is the same on either side", () => {
    for (const kind of DRILL_KINDS)
      expect(coach("cross", { kind, score: "xl o" })).toEqual(coach("cross", { kind, score: "xr o" }));
  });

  it("is what the studio says of a drill of the skill, and as usual of the rest", () => {
    const drills = [
      { kind: "streak", say: "Count in sevens." },
      { kind: "one-stop", look: "The shadow." },
    ] as const;
    const cross = { ...skillOf(CATALOGUE, "cross"), drills };
    const told = (kind: "streak" | "one-stop" | "shadow") => {
      const drill = parseDrill({ kind });
      if (drill === null) throw new Error(kind);
      return coachingOf(cross, drill);
    };
    expect(told("streak")).toEqual({ ...coach("cross", { kind: "streak" }), say: "Count in sevens." });
    expect(told("one-stop")).toEqual({ ...coach("cross", { kind: "one-stop" }), look: "The shadow." });
    expect(told("shadow")).toEqual(coach("cross", { kind: "shadow" }));
  });

  it("is the trick's own words where there is no rope to be stopped, and something to look at", () => {
    const drill = parseDrill({ kind: "one-stop" });
    if (drill === null) throw new Error("no drill");
    const kip = { ...skillOf(CATALOGUE, "cross"), score: null, skillClass: "ground" } as const;
    expect(coachingOf({ ...kip, look: "Legs together." }, drill)).toMatchObject({
      ...{ say: kip.cues[0], look: "Legs together.", back: coachingOf(kip, drill).back },
    });
    expect(coachingOf({ ...kip, look: "" }, drill).look).not.toBe("");
  });

  it("is one short cue, and something to look at or listen for, in every kind of every skill", () => {
    for (const id of CATALOGUE.skills.keys()) {
      for (const kind of DRILL_KINDS) {
        const { say, look } = coach(id, { kind });
        expect([id, kind, say.length > 3 && say.length < 100, look.length > 3]).toEqual([
          id,
          kind,
          true,
          true,
        ]);
      }
    }
  });
});

describe("faults", () => {
  it("are mended by drills that stand on some ladder", () => {
    for (const [code, { drills }] of Object.entries(FAULTS)) {
      for (const kind of drills) expect([code, DRILL_KINDS.includes(kind)]).toEqual([code, true]);
    }
  });
});
