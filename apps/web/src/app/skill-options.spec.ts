import { describe, expect, it } from "@jest/globals";
import { byAnyName, skillOptions } from "./skill-options.js";

const found = (search: string, limit = 40) =>
  byAnyName({ options: [...skillOptions()], search, limit }).map(
    (option) => "value" in option && option.value,
  );

describe("a skill in a field that is searched", () => {
  it.each(["double-under", "Double under", "DOUBLE UNDER "])("is found by “%s”", (search) => {
    expect(found(search)).toContain("double-under");
  });

  it("is found by its other names, and no more are shown than asked", () => {
    expect(found("criss-cross")).toContain("cross");
    expect(found("", 5)).toHaveLength(5);
    expect(found("no such skill")).toEqual([]);
  });

  it("stands in its group, and a group of nothing is not shown", () => {
    const options = [
      { group: "Programmes", items: [{ value: "p", label: "Wagtail", disabled: false }] },
      { group: "Skills", items: [...skillOptions()].map((one) => ({ ...one, disabled: false })) },
    ];
    const groups = (search: string) =>
      byAnyName({ options, search, limit: 3 }).map((one) => "group" in one && [one.group, one.items.length]);
    expect(groups("wagtail")).toEqual([["Programmes", 1]]);
    expect(groups("")).toEqual([
      ["Programmes", 1],
      ["Skills", 2],
    ]);
  });
});
