import { describe, expect, it } from "@jest/globals";
import { beadOfCodes } from "./bead-state.js";
import { beadsOf } from "./beads-of.js";

const SIDES = ["cross:left", "basic-bounce:whole", "cross:right"];
const view = {
  sides: SIDES,
  students: [
    { id: "a", name: "Ada", codes: "Ec-" },
    { id: "b", name: "Ben", codes: "--" },
    { id: "d", name: "Di", codes: "c?c" },
  ],
};

describe("the beads of a class", () => {
  const beadOf = beadsOf(view);

  it("are each student's own, by the skill's sides wherever they stand in the reading", () => {
    expect(beadOf("a", "cross")).toEqual(beadOfCodes("cross", "E-"));
    expect(beadOf("a", "basic-bounce")).toMatchObject({ kind: "whole", whole: { status: "cleared" } });
    expect(beadOf("b", "basic-bounce")).toMatchObject({ kind: "whole", whole: { status: "locked" } });
  });

  it("are the same each time, so that nothing is drawn anew", () => {
    expect(beadOf("a", "cross")).toBe(beadOf("a", "cross"));
    expect(beadOf("b", "cross")).not.toBe(beadOf("a", "cross"));
  });

  it("are none of whom, and of what, the reading does not have", () => {
    expect(beadOf("c", "cross")).toBeNull();
    expect(beadOf("a", "skier")).toBeNull();
    // Fewer codes than sides, and codes of a later build.
    expect(beadOf("b", "cross")).toMatchObject({ right: { status: "locked" } });
    expect(beadOf("d", "cross")).toMatchObject({ left: { status: "locked" }, right: { status: "locked" } });
  });
});
