import { describe, expect, it } from "@jest/globals";
import { searchSkills } from "./search.js";

const found = (words: string) => searchSkills(words).map((skill) => skill.id);

describe("finding a skill", () => {
  it.each([
    ["toad", "leg-over-cross"],
    ["swipe", "side-swing"],
    ["criss", "cross"],
    ["cros", "cross"],
    ["dubble under", "double-under"],
    ["caboos", "knee-cross"],
    ["scisors", "front-straddle"],
    ["butt kick", "heel-kicks"],
  ])("%s finds %s among the first", (words, id) => {
    expect(found(words).slice(0, 4)).toContain(id);
  });

  it("puts what is written so before what is only like it", () => {
    expect(found("toad")[0]).toBe("leg-over-cross");
    expect(found("criss cross")[0]).toBe("cross");
  });

  it("offers both skills that share a name", () => {
    expect(found("heel to toe").slice(0, 3)).toEqual(
      expect.arrayContaining(["heel-toe", "heel-toe-shuffle"]),
    );
  });

  it("shows all for nothing, and nothing for nonsense", () => {
    expect(found("  ")).toHaveLength(91);
    expect(found("qqqqzzzz")).toEqual([]);
  });

  it.each(["dubble under", "doubel under", "double undr", "Double-Under", "double under"])(
    "puts %j at the double under",
    (words) => {
      expect(searchSkills(words)[0]?.id).toBe("double-under");
    },
  );
});
