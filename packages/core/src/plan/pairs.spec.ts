import { describe, expect, it } from "@jest/globals";
import { pairsOf, type AtStation } from "./pairs.js";

const at = (id: string, use: AtStation["use"]): AtStation => ({ id, use });

describe("pairs at a station", () => {
  it("are one who shows and one who learns, then the rest as they come", () => {
    const here = [at("a", "frontier"), at("b", "keep"), at("c", "show"), at("d", "frontier")];
    expect(pairsOf(here)).toEqual([
      ["c", "a"],
      ["b", "d"],
    ]);
  });

  it("make the odd one the third of the last pair, and leave a single one alone", () => {
    expect(pairsOf(["a", "b", "c"].map((id) => at(id, "frontier")))).toEqual([["a", "b", "c"]]);
    expect(pairsOf([at("a", "frontier")])).toEqual([["a"]]);
    expect(pairsOf([])).toEqual([]);
  });
});
