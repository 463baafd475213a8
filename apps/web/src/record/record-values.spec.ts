import { describe, expect, it } from "@jest/globals";
import type { StudentDetail } from "@mirrup/contract";
import { changeOf, formErrors, valuesOf } from "./record-values.js";

const DETAIL: StudentDetail = {
  id: "1",
  version: 4,
  archived: false,
  sameAs: null,
  name: "Fern",
  birthYear: null,
  yearsJumping: null,
  heightMm: 1523,
  dominantHand: null,
  strongerSide: "left",
  ropeKind: null,
  ropeLengthMm: null,
  ropeUse: "beginner",
  homeStep: null,
  goals: [],
  school: null,
  settings: {},
  notes: "",
  cautions: [],
  groups: [],
  gates: {},
};

describe("the record's form", () => {
  it("sends what was changed and nothing else, so that a length is not rounded by being looked at", () => {
    for (const unit of ["cm", "in"] as const) {
      expect(changeOf(DETAIL, valuesOf(DETAIL, unit), unit)).toEqual({ version: 4 });
    }
    const values = { ...valuesOf(DETAIL, "in"), height: 61, strongerSide: "", notes: "Shy." };
    expect(changeOf(DETAIL, values, "in")).toEqual({
      version: 4,
      heightMm: 1549,
      strongerSide: null,
      notes: "Shy.",
    });
  });

  it("asks about keeping what was cleared only with another school", () => {
    const values = { ...valuesOf(DETAIL, "cm"), school: "steady-hold" };
    expect(changeOf(DETAIL, values, "cm")).toEqual({ version: 4, school: "steady-hold", keepCleared: true });
  });

  it("puts the server's errors where the form shows them", () => {
    expect(formErrors({ heightMm: "Too tall.", "goals[0]": "Cleared." })).toEqual({
      height: "Too tall.",
      goals: "Cleared.",
    });
  });
});
