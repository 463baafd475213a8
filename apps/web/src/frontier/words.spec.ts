import { describe, expect, it } from "@jest/globals";
import type { FrontierBead } from "@mirrup/core/teaching";
import { columnWords, standWords } from "./words.js";

const bead = (more: Partial<FrontierBead>): FrontierBead => ({
  ...{ subject: "cross", step: 1, cleared: 0, open: 0, stuck: 0, next: 0 },
  ...more,
});

describe("the columns' names", () => {
  it("say for whom, and from the third on how far", () => {
    expect([0, 1, 2, 3, 4].map((step) => columnWords(step, "one"))).toEqual([
      "Cleared",
      "Open now",
      "What that opens",
      "2 steps on",
      "3 steps on",
    ]);
    expect([0, 1].map((step) => columnWords(step, "most"))).toEqual(["Cleared by most", "Open to most"]);
  });
});

describe("how a class stands with a skill", () => {
  it.each<[Partial<FrontierBead>, string]>([
    [{ step: 0, cleared: 11, open: 1 }, "11 of 12"],
    [{ open: 8, stuck: 2, cleared: 2 }, "8 here, 2 stuck"],
    [{ open: 5, cleared: 2 }, "5 here, 2 cleared"],
    [{ step: 2, next: 6, open: 1, cleared: 1 }, "opens for 6, 1 here"],
    [{ step: 3, cleared: 1 }, "1 cleared"],
    [{ step: 3 }, ""],
  ])("%j is “%s”", (more, words) => {
    expect(standWords(bead(more), 12)).toBe(words);
  });
});
