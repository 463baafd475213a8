import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { CATALOGUE, CAUTIONS, FAULTS } from "@mirrup/catalogue";
import { skillOf } from "@mirrup/core";
import { cleanup, screen, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, signedIn, type Answers } from "../testing/drawn.js";
import { SkillBookPage } from "./skill-book-page.js";

const CROSS = skillOf(CATALOGUE, "cross");

function book(at = "/skills", role: "coach" | "viewer" = "coach", more: Answers = {}) {
  return drawn(
    <Routes>
      <Route path="skills/:skillId?" element={<SkillBookPage />} />
    </Routes>,
    {
      at,
      answers: {
        "GET /auth/session": signedIn(role),
        "GET /studio": { id: "s", school: "steady-hold", settings: {} },
        "GET /students": { items: [] },
        ...more,
      },
    },
  );
}
const list = () => within(screen.getByRole("navigation", { name: "Skills" }));
const section = (name: string | RegExp) => {
  const found = screen.getByRole("heading", { name }).closest("section");
  if (found === null) throw new Error("The heading stands in no section.");
  return within(found);
};
const texts = (all: readonly HTMLElement[]) => all.map((one) => one.textContent);

// What is painted is seen in a browser alone.
beforeEach(() => {
  jest.spyOn(HTMLCanvasElement.prototype, "getContext").mockReturnValue(null);
});
afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
});

describe("the skill book", () => {
  it("tells of a skill its family, names, needs, what it opens, its gates and what can hurt", async () => {
    book("/skills/cross");
    await screen.findByRole("heading", { level: 1, name: "Cross" });
    expect(screen.getByText(new RegExp(`level ${CROSS.level}`))).toBeDefined();
    const needs = section("Needs");
    expect(needs.getAllByRole("link").length).toBeGreaterThan(0);
    const opens = texts(section("Opens").getAllByRole("link"));
    expect(opens.length).toBe((CATALOGUE.neededBy.get("cross") ?? []).length);
    expect(section("Gate, each side").getAllByRole("term")).toHaveLength(3);
    expect(texts(section("When it misses").getAllByRole("button"))).toEqual(
      CROSS.faults.map((code) => FAULTS[code].sign),
    );
    for (const code of CROSS.cautions) expect(screen.getByText(CAUTIONS[code])).toBeDefined();
  });

  it("shows the ladder of the side that is asked for, from the gentlest to the gate", async () => {
    const { user, address } = book("/skills/cross?side=left");
    const ladder = within(await screen.findByRole("region", { name: "Ladder of drills" }));
    expect(screen.getByRole("heading", { name: "Ladder of drills, left side" })).toBeDefined();
    const rows = ladder.getAllByRole("row").slice(1);
    const gate = rows.find((row) => within(row).queryByText("The gate") !== null);
    expect(gate?.textContent).toContain("its school’s");
    expect(rows.filter((row) => row.textContent.includes("no rope")).length).toBeGreaterThan(0);
    await user.click(screen.getByRole("radio", { name: "Right" }));
    expect(address()).toBe("/skills/cross?side=right");
    expect(screen.getByRole("heading", { name: "Ladder of drills, right side" })).toBeDefined();
  });

  it("says what a miss means once it is pressed", async () => {
    const { user } = book("/skills/cross");
    const [code = "wrists"] = CROSS.faults;
    const { sign, cause, cue } = FAULTS[code as keyof typeof FAULTS];
    await user.click(await screen.findByRole("button", { name: sign }));
    expect(await screen.findByText(new RegExp(cause.slice(0, 20)))).toBeDefined();
    expect(screen.getByText(new RegExp(cue.slice(0, 16)))).toBeDefined();
  });

  it("is found by any of its names, by strand, or by level, and keeps what was asked in its links", async () => {
    const { user, address } = book();
    const all = list().getAllByRole("link").length;
    expect(all).toBe(CATALOGUE.skills.size);
    await user.click(screen.getByRole("radio", { name: "by level" }));
    expect(address()).toBe("/skills?by=level");
    expect(texts(list().getAllByRole("heading"))[0]).toMatch(/^Level 0|Level 1$/);
    await user.type(screen.getByRole("textbox", { name: /^Find a skill/ }), "criss");
    const found = list().getAllByRole("link");
    expect(found.length).toBeLessThan(all);
    await user.clear(screen.getByRole("textbox", { name: /^Find a skill/ }));
    await user.type(screen.getByRole("textbox", { name: /^Find a skill/ }), "zzzz");
    expect(await list().findByText(/^No skill is called “zzzz”/)).toBeDefined();
  });

  it("has a desk for a score that is no skill's, of which a coach makes one, and a viewer does not", async () => {
    book();
    expect(await screen.findByRole("heading", { name: "Score desk" })).toBeDefined();
    const link = await screen.findByRole("link", { name: "Make it a skill of your own" });
    expect(link.getAttribute("href")).toMatch(/\/skills\/new\?score=sr%20xr%20o%20\(o%20o\)$/);
    cleanup();
    book("/skills/new", "viewer");
    expect(await screen.findByText("Coaches and owners can add skills to the book.")).toBeDefined();
    expect(screen.queryByRole("link", { name: "A new skill of your own" })).toBeNull();
  });

  it("says of an address that is none that there is no such skill", () => {
    book("/skills/somersault");
    expect(screen.getByText("There is no such skill")).toBeDefined();
    expect(list().getAllByRole("link").length).toBe(CATALOGUE.skills.size);
  });
});
