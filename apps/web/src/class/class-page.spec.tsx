import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import type { GroupView } from "@mirrup/contract";
import { sidesOf } from "@mirrup/core";
import { cleanup, screen, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, Refused, signedIn, STUDIO_ID, type Answers } from "../testing/drawn.js";
import { ClassPage } from "./class-page.js";

const SIDES = [...CATALOGUE.skills.values()].flatMap((skill) =>
  sidesOf(skill).map((side) => `${skill.id}:${side}`),
);
/** A student who stands as their codes say, everything else locked. */
const student = (name: string, codes: Readonly<Record<string, string>>) => ({
  ...{ id: name.toLowerCase(), name },
  codes: SIDES.map((side) => codes[side] ?? codes[side.split(":")[0] ?? ""] ?? "-").join(""),
});
const STUDENTS = [
  student("Ada", { "basic-bounce": "c", cross: "o" }),
  student("Bo", { "basic-bounce": "c", cross: "o" }),
  student("Cy", { "basic-bounce": "o" }),
];
const group = (id: string, name: string, archived = false) =>
  ({
    ...{ id, name, archived, version: 1, place: "Main hall", minutes: 60 },
    meetings: [],
    studentIds: [],
  }) as unknown as GroupView;
const GROUPS = [group("first", "First year"), group("old", "Last year", true)];

function page(at: string, answers: Answers = {}, role: "coach" | "viewer" = "coach") {
  return drawn(
    <Routes>
      <Route path="class/:groupId?" element={<ClassPage />} />
    </Routes>,
    {
      at,
      answers: {
        "GET /auth/session": signedIn(role),
        "GET /groups": { items: GROUPS },
        "GET /grid": { sides: SIDES, students: STUDENTS },
        ...answers,
      },
    },
  );
}
const title = () => screen.findByRole("heading", { level: 1 });
const useful = () =>
  within(screen.getByRole("heading", { name: /do together/ }).parentElement ?? document.body);

// What is painted is seen in a browser alone; here a table stands without its pictures.
beforeEach(() => {
  jest.spyOn(HTMLCanvasElement.prototype, "getContext").mockReturnValue(null);
  jest.spyOn(HTMLCanvasElement.prototype, "toDataURL").mockReturnValue("data:image/png;base64,");
  Object.assign(URL, { createObjectURL: () => "blob:beads", revokeObjectURL: () => undefined });
});
afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
});

describe("a class", () => {
  it("is everybody, or a group that is not archived, with how many they are", async () => {
    page("/class");
    expect((await title()).textContent).toBe("Everybody");
    await screen.findByText("3 students");
    const groups = within(screen.getByRole("navigation", { name: "Groups" }));
    expect(groups.getAllByRole("link").map((one) => one.textContent)).toEqual(["Everybody", "First year"]);
    expect(screen.queryByRole("link", { name: "Toward a show" })).toBeNull();
    expect(screen.queryByRole("button", { name: "Edit the group" })).toBeNull();
  });

  it("shows an archived group where it is asked for, and says so", async () => {
    page("/class/old");
    await screen.findByRole("heading", { level: 1, name: "Last year" });
    expect(await screen.findByText(/3 students\. Archived\.$/)).toBeDefined();
    expect(screen.getByRole("link", { name: "Last year" })).toBeDefined();
    expect(screen.getByRole("link", { name: "Toward a show" }).getAttribute("href")).toBe(
      `/${STUDIO_ID}/class/old/weeks`,
    );
  });

  it("says what is useful to most, whom it is not for, and of those alone who are chosen", async () => {
    const { user } = page("/class/first");
    await screen.findByRole("heading", { name: "What could these 3 do together?" });
    const cross = useful()
      .getAllByRole("listitem")
      .find((one) => within(one).queryByRole("link", { name: "Cross" }) !== null);
    expect(cross?.textContent).toContain("useful to 2 of 3; not for Cy");
    expect(
      within(cross ?? document.body)
        .getByRole("link", { name: "Do a round" })
        .getAttribute("href"),
    ).toBe(`/${STUDIO_ID}/class/first/round/cross`);
    await user.click(screen.getByRole("checkbox", { name: /Cy/ }));
    await screen.findByRole("heading", { name: "What could this one do together?" });
    expect(useful().queryByRole("link", { name: "Cross" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Clear the choice" }));
    await screen.findByRole("heading", { name: "What could these 3 do together?" });
  });

  it("keeps in its address how it is shown, and takes what is usual out of it", async () => {
    const { user, address } = page("/class/first?order=strand");
    await screen.findByText(/3 students$/);
    await user.click(screen.getByRole("radio", { name: "What most know first" }));
    expect(address()).toBe("/class/first");
    await user.click(screen.getByRole("radio", { name: "Skill sheet" }));
    expect(address()).toBe("/class/first?view=sheet");
    expect(screen.getByRole("link", { name: "Everybody" }).getAttribute("href")).toContain("?view=sheet");
    expect(screen.queryByRole("heading", { name: /do together/ })).toBeNull();
  });

  it("has a form for its group or a new one, which a viewer has not", async () => {
    const { user } = page("/class/first");
    await user.click(await screen.findByRole("button", { name: "Edit the group" }));
    expect(await screen.findByDisplayValue("First year")).toBeDefined();
    cleanup();
    page("/class/first", {}, "viewer");
    await screen.findByText(/3 students$/);
    expect(screen.queryByRole("button", { name: "New group" })).toBeNull();
    expect(screen.queryByRole("button", { name: "Edit the group" })).toBeNull();
  });

  it("leads on where nobody is in it yet", async () => {
    const empty = { "GET /grid": { sides: SIDES, students: [] } };
    page("/class", empty);
    expect(await screen.findByText(/Add the first one on the Students screen/)).toBeDefined();
    cleanup();
    page("/class/first", empty);
    expect(await screen.findByText(/Edit the group and choose its students/)).toBeDefined();
  });

  it("says what is wrong where it cannot be read, and asks again", async () => {
    let isUp = false;
    const grid = () => (isUp ? { sides: SIDES, students: STUDENTS } : new Refused(500, "The list is lost."));
    const { user } = page("/class", { "GET /grid": grid });
    await screen.findByText("The list is lost.");
    isUp = true;
    await user.click(screen.getByRole("button", { name: /again/i }));
    expect(await screen.findByText("3 students")).toBeDefined();
  });
});
