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
