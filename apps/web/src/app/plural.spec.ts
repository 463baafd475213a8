import { describe, expect, it } from "@jest/globals";
import { counted, pluralOf } from "./plural.js";

describe("numbers with their words", () => {
  it.each([
    [0, "0 sets"],
    [1, "1 set"],
    [2, "2 sets"],
    [21, "21 sets"],
    [1.5, "1.5 sets"],
    [1200, "1,200 sets"],
  ])("%p", (count, words) => {
    expect(counted(count, "set")).toBe(words);
  });

  it("take the form that is given for others", () => {
    expect(counted(1, "try", "tries")).toBe("1 try");
    expect(counted(3, "try", "tries")).toBe("3 tries");
    expect([pluralOf(1, "has", "have"), pluralOf(2, "has", "have")]).toEqual(["has", "have"]);
  });
});
