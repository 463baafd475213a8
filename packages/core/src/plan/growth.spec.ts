import { describe, expect, it } from "@jest/globals";
import { mayGrow } from "./growth.js";

describe("whether a student may still grow", () => {
  it("goes by the younger age that the year of birth allows, and asks nothing of an unknown one", () => {
    // Born in 2010, somebody is 15 until their birthday in 2026, and 16 all through 2027.
    expect(mayGrow(2010, "2026-11-25")).toBe(true);
    expect(mayGrow(2010, "2027-01-01")).toBe(false);
    expect(mayGrow(2009, "2026-11-25")).toBe(false);
    expect(mayGrow(null, "2026-11-25")).toBe(false);
  });
});
