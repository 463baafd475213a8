import { describe, expect, it } from "@jest/globals";
import { mayReload } from "./updates.js";

describe("a page whose version is gone", () => {
  it.each([
    ["it was never loaded anew", null, true],
    ["it was a while ago", "1000000", true],
    ["it has just been: the fault is another", "1095000", false],
  ])("is loaded anew, if %s", (_when, before, may) => {
    expect(mayReload(1_100_000, before)).toBe(may);
  });
});
