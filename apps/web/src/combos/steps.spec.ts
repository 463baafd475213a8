import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import { scoreOf } from "@mirrup/core";
import { partsOfScore } from "@mirrup/core/combos";
import { STEPS } from "./steps.js";

describe("the hand that an open cross leaves to the jumper", () => {
  it("makes `x` the left cross of a left-hander", () => {
    const side = (hand: "l" | "r") =>
      partsOfScore(CATALOGUE, scoreOf("x o"), hand).find((part) => part.subject === "cross")?.side;
    expect([side("l"), side("r")]).toEqual(["left", "right"]);
  });

  it("can be danced in the steps that the catalogue names", () => {
    expect(STEPS.map((step) => step.id)).toEqual(CATALOGUE.roles.steps);
  });
});
