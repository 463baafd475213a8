import { CATALOGUE } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import { gridOf } from "./grid.js";

const VIEW = {
  sides: ["basic-bounce:whole", "cross:left", "cross:right", "skier:whole"],
  students: [
    { id: "1", name: "Ada", codes: "c--o" },
    { id: "2", name: "Bo", codes: "ccic" },
    { id: "3", name: "Cy", codes: "3--o" },
  ],
};

describe("the class's table", () => {
  it("puts whoever knows most first, and what most know first", () => {
    const { students, columns } = gridOf(VIEW, CATALOGUE, "shape");
    expect(students.map((one) => [one.name, one.known])).toEqual([
      ["Bo", 4],
      ["Ada", 1],
      ["Cy", 0],
    ]);
    const shown = columns.filter((one) => VIEW.sides.some((key) => key.startsWith(`${one.subject}:`)));
    expect(shown.map(({ subject, known, open }) => [subject, known, open])).toEqual([
      ["basic-bounce", 2, 1],
      ["skier", 1, 2],
      ["cross", 1, 0],
    ]);
  });

  it("keeps the map's order where that is asked", () => {
    const { columns } = gridOf(VIEW, CATALOGUE, "strand");
    const order = CATALOGUE.strands.flatMap((strand) => strand.skills);
    expect(columns.map((one) => one.subject)).toEqual(order);
  });
});
