import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import { wordsOf } from "./label.js";

describe("a bead's label", () => {
  it("breaks no short word after its hyphen, and only there a long one", () => {
    expect(wordsOf("front-back cross")).toEqual([
      { word: "front-back", isWhole: true },
      { word: "cross", isWhole: true },
    ]);
    expect(wordsOf("open-cross-open triple")[0]).toEqual({ word: "open-cross-open", isWhole: false });
  });

  it("lets a word break only where it has a hyphen, whatever the skill is called", () => {
    for (const { name } of CATALOGUE.skills.values())
      for (const { word, isWhole } of wordsOf(name))
        expect([word, isWhole || word.includes("-")]).toEqual([word, true]);
  });
});
