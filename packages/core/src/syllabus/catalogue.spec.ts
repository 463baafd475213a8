import { describe, expect, it } from "@jest/globals";
import { catalogueOf, resultOf } from "../testing/small-catalogue.js";
import { parseNeeds } from "./needs.js";

describe("needs as the handbook writes them", () => {
  it("reads alternatives, counts, sides and helps", () => {
    expect(parseNeeds("boxer-step / run-step; single-leg-hop other; cross ≥ 10; helps: twist, bell")).toEqual(
      {
        needs: [
          {
            anyOf: [
              { skill: "boxer-step", atLeast: null, sides: "same" },
              { skill: "run-step", atLeast: null, sides: "same" },
            ],
          },
          { anyOf: [{ skill: "single-leg-hop", atLeast: null, sides: "other" }] },
          { anyOf: [{ skill: "cross", atLeast: 10, sides: "same" }] },
        ],
        helps: ["twist", "bell"],
      },
    );
    expect(parseNeeds("")).toEqual({ needs: [], helps: [] });
  });

  it.each(["cross ≥ 0", "cross both other", "Cross", "cross; /"])("refuses %j and quotes it", (text) => {
    expect(() => parseNeeds(text)).toThrow(SyntaxError);
  });
});

describe("a catalogue's check", () => {
  const codes = (...lines: Parameters<typeof resultOf>[0]) => {
    const result = resultOf(lines);
    return result.ok ? [] : result.faults.map((fault) => `${fault.skill} ${fault.code}`);
  };

  it("names each broken entry", () => {
    expect(codes(["a", "one", ""], ["a", "one", ""])).toEqual(["a duplicate-id"]);
    expect(codes(["a", "one", "b"])).toEqual(["a unknown-need"]);
    expect(codes(["a", "one", "helps: b"])).toEqual(["a unknown-need"]);
    expect(codes(["a", "one", "a"])).toContain("a self-need");
    expect(codes(["a", "one", "≥ 3"])).toEqual(["a bad-needs"]);
    expect(codes(["a", "one", ""], ["b", "two", "a both"])).toEqual(["b sides-of-need"]);
    expect(codes(["a", "two", ""], ["b", "one", "a other"])).toEqual(["b sides-of-need"]);
    expect(codes(["a", "one", "b"], ["b", "one", ""])).toEqual(["a strand-order"]);
  });

  it("finds a cycle", () => {
    expect(codes(["a", "one", "c"], ["b", "one", "a"], ["c", "one", "b"])).toContain("a cycle");
  });

  it("orders skills after their needs and gives each its level, the least for an either", () => {
    const catalogue = catalogueOf(
      ["a", "one", ""],
      ["b", "one", "a"],
      ["c", "one", "b"],
      ["d", "one", "c / a"],
      ["e", "one", "d; b"],
    );
    expect(Object.fromEntries([...catalogue.skills].map(([id, { level }]) => [id, level]))).toEqual({
      a: 1,
      b: 2,
      c: 3,
      d: 2,
      e: 3,
    });
    expect(catalogue.neededBy.get("a")).toEqual(["b", "d"]);
  });
});
