import { describe, expect, it } from "@jest/globals";
import { HANDBOOK_MODEL, readModel } from "./model.js";

describe("a model that was written down", () => {
  it("is read as it was written", () => {
    const own = {
      ...HANDBOOK_MODEL,
      version: 4,
      paceSpread: 1.7,
      pace: { ...HANDBOOK_MODEL.pace, quad: 300 },
    };
    expect(readModel(JSON.parse(JSON.stringify(own)) as typeof own)).toEqual(own);
  });

  it("takes from the handbook what an older build did not know, and drops what this one does not", () => {
    const old = readModel({
      ...{ version: 2, paceSpread: 2, halfLifeDays: 10, halfLifeTries: 20 },
      ...{ startMiss: { cross: 0.7, somersault: 1 }, pace: {}, shares: { merge: 0.9, pirouette: 0.2 } },
    });
    expect(old).toEqual({
      ...{ version: 2, paceSpread: 2, halfLifeDays: 10, halfLifeTries: 20, aloneWeight: 0.5 },
      startMiss: { ...HANDBOOK_MODEL.startMiss, cross: 0.7 },
      pace: HANDBOOK_MODEL.pace,
      calibration: { shift: 0, slope: 1 },
      shares: { ...HANDBOOK_MODEL.shares, merge: 0.9 },
    });
  });
});
