import { expect, test } from "@jest/globals";
import { handOf } from "./hand-of.js";

test("the hand that an open cross leaves to the jumper is their own, and the right where nobody says", () => {
  expect([handOf({ dominantHand: "left" }), handOf({ dominantHand: "right" })]).toEqual(["l", "r"]);
  expect([handOf({ dominantHand: null }), handOf(undefined)]).toEqual(["r", "r"]);
});
