import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { ProgressView, SideProgressView } from "@mirrup/contract";
import { NO_PRACTICE } from "@mirrup/core/teaching";
import { cleanup, screen, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { nextTo, periodAsked } from "./period.js";
import { ProgressPage } from "./progress-page.js";

// What is drawn on a canvas is looked at in a browser; here there is none.
jest.mock("./canvas.js", () => ({ QuestionCanvas: () => null }));

const VIEW: ProgressView = {
  ...{ from: "2026-06-01", to: "2026-06-14", weeks: [], cleared: [] },
  days: [
    {
      ...{ ...NO_PRACTICE, day: "2026-06-02", subject: "cross", side: "left", sets: 1, clean: 8, missed: 2 },
      ...{ wholeClean: 8, wholeMissed: 2, bestStreak: 6, kinds: { streak: 10 } },
    },
  ],
};
const COURSE: SideProgressView = {
  ...{ gate: { kind: "streak", count: 15 }, chances: [], rhythms: [] },
  misses: [{ turn: 1, count: 3 }],
};
const STUDIO = { id: "s", name: "Tannery Yard", timeZone: "UTC", school: "quick-frontier", settings: {} };

function page(answers: Answers = {}, at = "/students/ada/progress") {
  return drawn(
    <Routes>
      <Route path="students/:studentId/progress" element={<ProgressPage />} />
    </Routes>,
    {
      at,
      answers: {
        "GET /auth/session": signedIn("coach"),
        "GET /studio": STUDIO,
        "GET /students/ada/standings": { items: [] },
        "GET /students/ada": { id: "ada", name: "Ada Fen", goals: [{ subject: "cross", side: "left" }] },
        "GET /students/ada/path": { steps: [{}], choices: [] },
        "GET /students/ada/progress": VIEW,
        "GET /students/ada/progress/side": COURSE,
        ...answers,
      },
    },
  );
}
afterEach(cleanup);

describe("a student's progress", () => {
  it("answers in words and, where asked, in a table", async () => {
    const { user } = page();
    expect(await screen.findByText(/^The way to the cross, left side has 1 side left\./)).toBeTruthy();
    const tried = await screen.findByRole("region", { name: "How much was tried" });
    expect(within(tried).getByText("10 tries in 1 lesson, 80% of them clean.")).toBeTruthy();
    const button = within(tried).getByRole("button", { name: "As a table: How much was tried" });
    expect(button.getAttribute("aria-pressed")).toBe("false");
    await user.click(button);
    const table = within(tried).getByRole("table", { name: "How much was tried", hidden: true });
    expect(
      within(table)
        .getAllByRole("row", { hidden: true })
        .map((row) => row.textContent),
    ).toEqual([...["Lessonclean (tries)missed (tries)", "2 Jun82"]]);
  });

  it("is of another time by its buttons, which stands in the address", async () => {
    const { user, address } = page();
    await user.click(await screen.findByRole("radio", { name: "4 weeks" }));
    expect(address()).toContain("weeks=4");
    await user.click(screen.getByRole("button", { name: "Earlier" }));
    expect(address()).toMatch(/until=\d{4}-\d{2}-\d{2}/);
    expect(screen.getByRole("button", { name: "Later" })).toBeTruthy();
  });

  it("tells of one skill where its misses fell, and of one that is not taught that it is not", async () => {
    page({}, "/students/ada/progress?skill=side-swing-cross");
    expect(
      await screen.findByRole("heading", { name: "Where it missed: side swing cross, left side" }),
    ).toBeTruthy();
    cleanup();
    page({}, "/students/ada/progress?skill=somersault");
    expect(await screen.findByText("This skill is not taught here any more.")).toBeTruthy();
  });

  it("says what to do where nothing was counted, and where it cannot be read", async () => {
    page({ "GET /students/ada/progress": { ...VIEW, days: [] } });
    expect(await screen.findByText(/Nothing was counted in this time/)).toBeTruthy();
    cleanup();
    page({ "GET /students/ada/progress": new Refused(410, "This student was deleted.") });
    expect(await screen.findByText("This student was deleted.")).toBeTruthy();
  });
});

describe("the time that is looked at", () => {
  const asked = (text: string) => periodAsked(new URLSearchParams(text), "2026-06-28");

  it("is the last twelve weeks, or what the address says, and never what has not come", () => {
    expect(asked("")).toEqual({ weeks: 12, to: "2026-06-28", from: "2026-04-06" });
    expect(asked("weeks=4&until=2026-05-31")).toEqual({ weeks: 4, to: "2026-05-31", from: "2026-05-04" });
    for (const wrong of ["weeks=5", "until=2030-01-01", "until=yesterday", "weeks=-1&until=2026-13-45"])
      expect(asked(wrong)).toEqual(asked(""));
  });

  it("goes back and forth by its own length", () => {
    const period = { from: "2026-05-04", to: "2026-05-31" };
    expect(nextTo(period, 4, "earlier", "2026-06-28")).toBe("2026-05-03");
    expect(nextTo(period, 4, "later", "2026-06-28")).toBe("2026-06-28");
    expect(nextTo(period, 4, "later", "2026-06-10")).toBe("2026-06-10");
  });
});
