import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import { sidesOf } from "@mirrup/core";
import { cleanup, screen, within } from "@testing-library/react";
import { layoutOf } from "../frontier/layout.js";
import { drawn } from "../testing/drawn.js";
import { workedBy } from "../testing/worker.js";
import { ClassFrontier } from "./class-frontier.js";
import { gridOf } from "./grid.js";
import { standsWith } from "./stands.js";

const SIDES = [...CATALOGUE.skills.values()].flatMap((skill) =>
  sidesOf(skill).map((side) => ({ skill, side })),
);

/** Students who stand as their codes say, everything else locked. */
function students(...of: readonly Readonly<Record<string, string>>[]) {
  const view = {
    sides: SIDES.map(({ skill, side }) => `${skill.id}:${side}`),
    students: of.map((codes, place) => ({
      ...{ id: `s${place}`, name: `Student ${place}` },
      codes: SIDES.map(({ skill, side }) => codes[`${skill.id} ${side}`] ?? codes[skill.id] ?? "-").join(""),
    })),
  };
  return gridOf(view, CATALOGUE, "strand").students;
}

const CLASS = students(
  { "basic-bounce": "c", cross: "c" },
  { "basic-bounce": "c", cross: "D" },
  { "basic-bounce": "c", "cross left": "c", "cross right": "o" },
  { "basic-bounce": "o" },
);

function frontier(at = "") {
  return drawn(<ClassFrontier students={CLASS} groupId="g" title="Second year" />, { at: `/class/g${at}` });
}
const bead = (name: string) => screen.findByRole("button", { name: new RegExp(`^${name}:`) });

beforeEach(() => workedBy({ layoutOf }));
afterEach(cleanup);

describe("a class's frontier", () => {
  it("puts each skill where most have it, and says how many", async () => {
    frontier();
    const within1 = (name: string) => within(screen.getByRole("region", { name }));
    await bead("Cross");
    expect(within1("Cleared by most").getByRole("button").getAttribute("aria-label")).toMatch(
      /^Basic bounce: 3 of 4;/,
    );
    expect(within1("Open to most").getByRole("button").getAttribute("aria-label")).toMatch(
      /^Cross: 2 here, 1 stuck;/,
    );
    expect(screen.getByText("2 here, 1 stuck", { selector: "text" })).toBeDefined();
  });

  it("names who stands where with the bead in hand, and leads to a round and to each of them", async () => {
    const { user, address } = frontier();
    await user.click(await bead("Cross"));
    expect(address()).toBe("/class/g?skill=cross");
    const panel = within(screen.getByRole("complementary", { name: "The bead in hand" }));
    expect(panel.getAllByRole("heading", { level: 3 }).map(({ textContent }) => textContent)).toEqual([
      "Stuck1 student",
      "Open1 student",
      "Locked1 student",
      "Cleared1 student",
    ]);
    expect(panel.getByRole("link", { name: "Student 1" }).getAttribute("href")).toMatch(
      /students\/s1\?skill=cross$/,
    );
    expect(panel.getByRole("link", { name: "Do a round" }).getAttribute("href")).toMatch(
      /class\/g\/round\/cross$/,
    );
    await user.keyboard("{Escape}");
    expect(address()).toBe("/class/g");
    expect(screen.queryByRole("link", { name: "Do a round" })).toBeNull();
  });

  it("offers no round of what is open to nobody", async () => {
    frontier("?skill=triple-under");
    await bead("Cross");
    expect(screen.getByText("4 students")).toBeDefined();
    expect(screen.queryByRole("link", { name: "Do a round" })).toBeNull();
  });

  it("has help where nothing that there is is in hand", async () => {
    frontier("?skill=nothing");
    await bead("Cross");
    expect(screen.getByRole("complementary", { name: "Help" })).toBeDefined();
  });
});

describe("who stands where", () => {
  it("counts everybody once", () => {
    for (const { skill } of SIDES) {
      const stands = Object.values(standsWith(CLASS, skill.id)).flat();
      expect(stands).toHaveLength(CLASS.length);
      expect(new Set(stands).size).toBe(CLASS.length);
    }
  });
});
