import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { byName } from "./by-name.js";

describe("names in order", () => {
  it("stand as people look for them", () => {
    const names = ["Zola", "élodie", "Jumper 10", "ada", "Jumper 2", "Émile", "Ben"];
    expect(names.toSorted(byName)).toEqual([
      "ada",
      "Ben",
      "élodie",
      "Émile",
      "Jumper 2",
      "Jumper 10",
      "Zola",
    ]);
  });

  it("stand so from whatever order they came in", () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.string(), { comparator: (a, b) => byName(a, b) === 0 }), (names) => {
        expect(names.toReversed().sort(byName)).toEqual(names.toSorted(byName));
      }),
    );
  });
});
