import { describe, expect, it } from "@jest/globals";
import { addressOfAsked, askedFrom, banned, pinned, startsOf, type PlanAsked } from "./plan-asked.js";

const ASKED: PlanAsked = { minutes: 30, energy: "tired", ban: ["cross:left"], pin: ["double-under:whole"] };

describe("what is asked of a plan", () => {
  it("is kept in the address", () => {
    expect(askedFrom(addressOfAsked(ASKED))).toEqual(ASKED);
    expect(askedFrom(new URLSearchParams())).toEqual({ minutes: 45, energy: "normal", ban: [], pin: [] });
  });

  it.each([
    ["minutes=-3", 0],
    ["minutes=9999", 240],
    ["minutes=soon", 45],
  ])("makes minutes of %s", (address, minutes) => {
    expect(askedFrom(new URLSearchParams(address)).minutes).toBe(minutes);
  });

  it("holds a side either in or out", () => {
    expect(pinned(ASKED, "cross:left", true)).toMatchObject({
      ban: [],
      pin: ["double-under:whole", "cross:left"],
    });
    expect(banned(ASKED, "double-under:whole", true)).toMatchObject({
      ban: ["cross:left", "double-under:whole"],
      pin: [],
    });
    expect(banned(ASKED, "cross:left", false).ban).toEqual([]);
  });

  it("tells when each block begins", () => {
    expect(startsOf([{ minutes: 5 }, { minutes: 2.5 }, { minutes: 4 }])).toEqual([0, 5, 7.5]);
  });
});
