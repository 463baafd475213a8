import { describe, expect, it } from "@jest/globals";
import { refusedHow } from "./passing.js";

describe("a refusal", () => {
  it.each([
    [501, "bug", "busy"],
    [503, "database-unavailable", "busy"],
    [429, "too-many-tries", "busy"],
    [425, "refused", "busy"],
    [500, "bug", "held"],
    [409, "conflict", "held"],
    [409, "refused-sets", "for-good"],
    [409, "stale-change", "for-good"],
    [410, "deleted-student", "for-good"],
    [413, "too-large", "for-good"],
    [422, "refused-sets", "for-good"],
    [400, "invalid-request", "for-good"],
  ] as const)("of %d %s of one thing means %s", (status, type, how) => {
    expect(refusedHow({ status, type }, 1)).toBe(how);
  });

  it("of several for their size, or by a fault that one of them may be the reason of, asks for fewer", () => {
    for (const status of [413, 500]) expect(refusedHow({ status, type: "x" }, 2)).toBe("fewer");
    for (const status of [400, 409, 422, 503])
      expect(refusedHow({ status, type: "x" }, 500)).toBe(refusedHow({ status, type: "x" }, 1));
  });
});
