import { CATALOGUE } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import { sidesOf, skillOf } from "@mirrup/core";
import { gridOf } from "./grid.js";
import { skillsOfSheet } from "./sheet-skills.js";

const sides = CATALOGUE.order.flatMap((id) => sidesOf(skillOf(CATALOGUE, id)).map((side) => `${id}:${side}`));
/** A student for whom the named sides are open, and all else locked. */
const student = (id: string, ...open: readonly string[]) => ({
  id,
  name: id,
  codes: sides.map((key) => (open.includes(key) ? "o" : "-")).join(""),
});

describe("a class's sheet", () => {
  it("takes what is open for most, as much as fits, in the map's order", () => {
    const many = sides.filter((key) => key.endsWith(":whole")).slice(0, 30);
    const view = { sides, students: [student("a", ...many), student("b", "cross:left", "skier:whole")] };
    const skills = skillsOfSheet(gridOf(view, CATALOGUE, "shape"), CATALOGUE);
    expect(skills).toHaveLength(16);
    expect(skills).toContain("skier");
    const order = CATALOGUE.strands.flatMap((strand) => strand.skills);
    const places = skills.map((id) => order.indexOf(id));
    expect(places).toEqual([...places].sort((one, other) => one - other));
  });

  it("leaves out what is open for nobody", () => {
    const view = { sides, students: [student("a", "cross:left")] };
    expect(skillsOfSheet(gridOf(view, CATALOGUE, "shape"), CATALOGUE)).toEqual(["cross"]);
  });
});
