import { afterEach, describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import type { ClassWeeksView } from "@mirrup/contract";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { ClassWeeksPage } from "./class-weeks-page.js";

const [first, ...others] = [...CATALOGUE.skills.keys()].slice(0, 9);
const work = [first, ...others].map((subject) => ({ subject, students: ["bo", "ada"], finishing: [] }));
const student = (name: string, outlook: string, chance: number) => ({
  ...{ studentId: name.slice(0, 2).trim().toLowerCase(), name, outlook, chance },
  lessonsNeeded: { expected: 3, low: 2, high: 5 },
});
const VIEW = {
  ...{ goals: [], until: "2027-03-01", lessonsAWeek: 2, likely: 1, chanceOfAll: 0.1 },
  students: [
    student("Ada Lowe", "there", 1),
    student("Cy Lorne", "even", 0.5),
    student("Bo Wick", "even", 0.5),
  ],
  weeks: [
    { start: "2027-02-01", lessons: ["2027-02-01", "2027-02-03"], work, isTaper: false },
    { start: "2027-02-08", lessons: ["2027-02-08"], work: [], isTaper: true },
  ],
  gives: [
    { code: "lessons", aWeek: 4, likely: 3 },
    { code: "date", until: "2027-05-01", likely: 2 },
  ],
} as unknown as ClassWeeksView;

function weeks(search: string, view: unknown = VIEW) {
  const asked: string[] = [];
  const answers: Answers = {
    "GET /auth/session": signedIn("coach"),
    "GET /groups": { items: [{ id: "g", name: "Juniors", members: [], version: 1 }] },
    "GET /groups/g/weeks": (_body: unknown, path: string) => {
      asked.push(path.split("?")[1] ?? "");
      return view;
    },
  };
  const page = drawn(
    <Routes>
      <Route path="class/:groupId/weeks" element={<ClassWeeksPage />} />
    </Routes>,
    { at: `/class/g/weeks${search}`, answers },
  );
  return { ...page, asked };
}
const week = async (name: RegExp) => {
  const heading = await screen.findByRole("heading", { name });
  return within(heading.closest("li") ?? document.body);
};

afterEach(cleanup);

describe("a group's weeks toward a show", () => {
  it("ask first what everybody needs, and are planned for that", async () => {
    const { user, asked, address } = weeks("");
    expect(await screen.findByRole("heading", { name: "Juniors, toward a show" })).toBeTruthy();
    expect(screen.getByText(/^Choose the skills that the show asks of everybody/)).toBeTruthy();
    const field = screen.getByRole("combobox", { name: "What everybody needs" });
    await user.type(field, "criss");
    const list = within(document.getElementById(field.getAttribute("aria-controls") ?? "") ?? document.body);
    // Found by another of its names.
    await user.click(await list.findByRole("option", { name: "Cross", hidden: true }));
    expect(await screen.findByText(/^1 of 3 is likely to be ready by 1 March 2027/)).toBeTruthy();
    expect(new URLSearchParams(asked[0]).getAll("goal")).toEqual(["cross:both"]);
    expect(address()).toContain("goal=cross%3Aboth");
  });

  it("say who is furthest from it, and what each week holds", async () => {
    weeks("?goal=cross:both");
    const rows = within(await screen.findByRole("table"))
      .getAllByRole("row")
      .slice(1);
    expect(rows.map((row) => row.textContent)).toEqual([
      expect.stringMatching(/^Bo WickAbout even, .*about 3, 2 to 5$/),
      expect.stringMatching(/^Cy Lorne/),
      "Ada LoweReadynone",
    ]);
    const full = await week(/^Week of .*1/);
    expect(full.getAllByRole("listitem")).toHaveLength(7);
    expect(full.getByText(/^and 3\sother skills$/)).toBeTruthy();
    const taper = await week(/^Week of .*8/);
    expect(taper.getByText(/half of the usual/)).toBeTruthy();
    expect(taper.getByText("Nothing new toward it: run it whole.")).toBeTruthy();
  });

  it("plan to what would have to give", async () => {
    const { user, asked } = weeks("?goal=cross:both");
    const gives = await screen.findAllByRole("button", { name: /^Plan/ });
    expect(gives).toHaveLength(2);
    await user.click(gives[0] ?? document.body);
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(new URLSearchParams(asked[1]).get("perWeek")).toBe("4");
    await user.click(screen.getAllByRole("button", { name: /^Plan/ })[1] ?? document.body);
    await waitFor(() => expect(new URLSearchParams(asked.at(-1)).get("until")).toBe("2027-05-01"));
    // What was taken before is kept.
    expect(new URLSearchParams(asked.at(-1)).get("perWeek")).toBe("4");
  });

  it("say why a date cannot be planned to, beside it", async () => {
    weeks("?goal=cross:both&until=2020-01-01", new Refused(422, "That day has passed."));
    const field = await screen.findByLabelText("The show");
    await waitFor(() => expect(field.getAttribute("aria-invalid")).toBe("true"));
    expect(screen.getByText("That day has passed.")).toBeTruthy();
    expect(screen.queryByText("The weeks could not be planned")).toBeNull();
  });

  it("say so where the group is empty, where no lesson lies before, and where nobody answers", async () => {
    weeks("?goal=cross:both", { ...VIEW, students: [], weeks: [] });
    expect(await screen.findByText(/^Nobody is in this group yet/)).toBeTruthy();
    cleanup();
    weeks("?goal=cross:both", { ...VIEW, weeks: [], gives: [] });
    expect(await screen.findByText(/^No lesson lies before that date/)).toBeTruthy();
    cleanup();
    weeks("?goal=cross:both", new Refused(404, "There is no such group."));
    expect(await screen.findByText("The weeks could not be planned")).toBeTruthy();
  });
});
