import { describe, expect, it } from "@jest/globals";
import { fieldWords } from "./field-words.js";

describe("which fields a change is of", () => {
  it("is said in words, in one order, and never what they were or are", () => {
    const change = { version: 3, ropeLengthMm: 2500, homeStep: "a secret", name: "Wren" };
    expect(fieldWords(change, ["version"])).toBe("home step, name, rope length mm");
  });

  it("is nothing for a change of nothing", () => {
    expect(fieldWords({ version: 3, keepCleared: true }, ["version", "keepCleared"])).toBe("");
  });
});
