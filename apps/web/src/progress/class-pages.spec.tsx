import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { ClassProgressView, StudentProgress } from "@mirrup/contract";
import { NO_PRACTICE } from "@mirrup/core/teaching";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { teach } from "../app/catalogue.js";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { ClassProgressPage } from "./class-progress-page.js";
import { SeasonPage } from "./season-page.js";

// What is drawn on a canvas is looked at in a browser; here there is none.
jest.mock("./canvas.js", () => ({ QuestionCanvas: () => null }));

const student = (name: string, more: Partial<StudentProgress> = {}): StudentProgress => ({
  ...{ studentId: name.toLowerCase(), name, lastAt: null, isAway: false, standsStill: false, stuck: [] },
  ...{
    behind: null,
    days: 0,
    clean: 0,
    missed: 0,
    landings: 0,
    cleared: [],
    came: 0,
    missing: 0,
    heldUpBy: [],
  },
  ...more,
});
const cross = { subject: "cross", side: "left" } as const;
const ADA = student("Ada", {
  ...{ days: 4, clean: 90, missed: 10, landings: 1200, came: 5, missing: 1 },
  lastAt: new Date(2026, 10, 28, 23, 30).toISOString(),
  cleared: [{ ...cross, day: "2026-11-28", by: "gate" }],
});
const BO = student("Bo", { isAway: true, heldUpBy: [cross] });
const OTHERS = ["Cy", "Di", "Ed", "Flo", "Gus", "Hal"].map((name) =>
  student(name, { isAway: true, heldUpBy: [cross] }),
);
const odds = (sets: number) => ({ streak: { sets, said: 0.6 * sets, came: 0.5 * sets } });
const viewOf = (students: readonly StudentProgress[], sets = 0): ClassProgressView => ({
  ...{ from: "2026-06-01", to: "2026-11-29", weeks: [], cleared: [], students },
  days: [{ ...NO_PRACTICE, ...cross, day: "2026-11-28", sets: 1, clean: 90, missed: 10, odds: odds(sets) }],
});
const GROUPS = [
  { id: "g", name: "Juniors", members: ["ada", "bo"], version: 1, archived: false },
  { id: "h", name: "Juniors", members: ["bo"], version: 1, archived: false },
];
const KEY = "programme:0199c1b2-0000-7000-8000-000000000009";

function page(at: string, answers: Answers = {}) {
  const asked: string[] = [];
  const view = drawn(
    <Routes>
      <Route path="progress/:groupId/season" element={<SeasonPage />} />
      <Route path="progress/:groupId" element={<ClassProgressPage />} />
    </Routes>,
    {
      at,
      answers: {
        "GET /auth/session": signedIn("coach"),
        "GET /studio": {
          id: "s",
          name: "Tannery Yard",
          timeZone: "UTC",
          school: "quick-frontier",
          settings: {},
        },
        "GET /groups": { items: GROUPS },
        "GET /progress": (_body: unknown, path: string) => {
          asked.push(path.split("?")[1] ?? "");
          return viewOf([ADA, BO, ...OTHERS], 40);
        },
        "GET /progress/refit": { version: 0, at: null, sets: 0, changed: [] },
        ...answers,
      },
    },
  );
  return { ...view, asked };
}
const region = async (name: string | RegExp) => within(await screen.findByRole("region", { name }));

afterEach(() => {
  cleanup();
  teach(null);
  jest.restoreAllMocks();
});

describe("a class's progress", () => {
  it("names who needs looking at, the first of them at once", async () => {
    page("/progress/all");
    const away = await region(/^Not seen for/);
    expect(away.getByRole("heading").textContent).toMatch(/: 7$/);
    expect(away.getByText("2 more")).toBeTruthy();
    expect(away.getAllByRole("listitem")[0]?.textContent).toBe("Bo: never practised");
    expect((await region("Stuck")).getByText("Nobody is stuck on anything.")).toBeTruthy();
    const held = await region("What holds them up");
    expect(held.getByText(/^Cross, left side: 7\sstudents$/)).toBeTruthy();
  });

  it("has everybody's numbers, with the day of the hall on which they practised last", async () => {
    page("/progress/g");
    expect(await screen.findByRole("heading", { name: "Juniors: progress" })).toBeTruthy();
    const table = within(await region("Everybody").then((all) => all.getByRole("table")));
    const [, ada, bo] = table.getAllByRole("row").map((row) => row.textContent.replace(/\s/g, " "));
    // Half past eleven in the evening, wherever that is.
    expect(ada).toBe("Ada28 November 20265 of 610090%1,2001");
    expect(bo).toBe("Bonever000");
    expect(screen.getByText("83% of the places in lessons were taken.")).toBeTruthy();
  });

  it("says how honest the odds were, where sets tell of it", async () => {
    page("/progress/all");
    const row = within(
      (await screen.findAllByRole("table", { name: "By kind of drill" }))[0] ?? document.body,
    );
    expect(row.getAllByRole("row")[1]?.textContent).toMatch(/4060%50%$/);
    cleanup();
    page("/progress/all", { "GET /progress": viewOf([ADA], 3) });
    expect(await screen.findByText(/^Too few sets were begun/)).toBeTruthy();
  });

  it("asks for as many weeks as one likes", async () => {
    const { user, asked } = page("/progress/g");
    await waitFor(() => expect(asked).toHaveLength(1));
    await user.click(screen.getByRole("radio", { name: "4 weeks" }));
    await waitFor(() => expect(asked).toHaveLength(2));
    const [first, second] = asked.map((search) => new URLSearchParams(search));
    expect(second?.get("group")).toBe("g");
    expect(Date.parse(second?.get("from") ?? "")).toBeGreaterThan(Date.parse(first?.get("from") ?? ""));
  });

  it("says so where nobody is in the group, and where it could not be read", async () => {
    page("/progress/g", { "GET /progress": viewOf([]) });
    expect(await screen.findByText("Nobody is in this group yet.")).toBeTruthy();
    for (const what of ["GET /progress", "GET /studio"]) {
      cleanup();
      page("/progress/g", { [what]: new Refused(409, "Not just now.") });
      expect(await screen.findByText("The progress could not be read")).toBeTruthy();
      expect(screen.getByText("Not just now.")).toBeTruthy();
    }
  });
});

describe("a season's page", () => {
  it("tells it in words, group by group, of the half year where nothing else is asked", async () => {
    const { asked } = page("/progress/all/season");
    expect(await screen.findByRole("heading", { name: "Tannery Yard: the season" })).toBeTruthy();
    expect(
      await screen.findByText(/^From 1 June 2026 to 29 November 2026, 1 of 8\sstudents practised/),
    ).toBeTruthy();
    const rows = screen.getAllByRole("row").map((row) => row.querySelector("th")?.textContent);
    expect(rows).toEqual(["Group", "Juniors", "Juniors", "In no group", "Everybody"]);
    const [from, to] = ["from", "to"].map((key) => Date.parse(new URLSearchParams(asked[0]).get(key) ?? ""));
    expect(Math.round(((to ?? 0) - (from ?? 0)) / 86_400_000)).toBe(26 * 7 - 1);
  });

  it("has no table of groups for one group, and says what was learned and by whom", async () => {
    page("/progress/g/season", { "GET /progress": viewOf([ADA]) });
    expect(await screen.findByRole("heading", { name: "Juniors: the season" })).toBeTruthy();
    expect(await screen.findByText(/^Cross: 1\sstudent$/)).toBeTruthy();
    expect(screen.getByText(/^Ada: 1\sside$/)).toBeTruthy();
    expect(screen.queryByRole("table")).toBeNull();
  });

  it("names who finished a programme, or says that it could not be read", async () => {
    teach({
      edition: 1,
      entries: {
        [KEY]: { kind: "programme", name: "Wagtail", order: "free", before: null, allBut: 0, headings: [] },
      },
    });
    const finished = { studentId: "ada", name: "Ada", finishedOn: "2026-11-20", items: [] };
    page("/progress/g/season", { [`GET /programmes/${KEY}/progress`]: { items: [finished] } });
    expect(await screen.findByText("Wagtail: Ada on 20 November 2026")).toBeTruthy();
    cleanup();
    page("/progress/g/season", { [`GET /programmes/${KEY}/progress`]: new Refused(409, "Not just now.") });
    expect(await screen.findByText(/^Not all of them could be read\./)).toBeTruthy();
  });

  it("is printed, and says so where it could not be read", async () => {
    const print = jest.spyOn(window, "print").mockReturnValue(undefined);
    const { user } = page("/progress/g/season");
    await user.click(await screen.findByRole("button", { name: "Print" }));
    expect(print).toHaveBeenCalledTimes(1);
    for (const what of ["GET /progress", "GET /groups", "GET /studio"]) {
      cleanup();
      page("/progress/g/season", { [what]: new Refused(409, "Not just now.") });
      expect(await screen.findByText("The season could not be read")).toBeTruthy();
    }
  });
});
