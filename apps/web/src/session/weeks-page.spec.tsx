import { afterEach, describe, expect, it } from "@jest/globals";
import type { WeeksView } from "@mirrup/contract";
import { cleanup, screen, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, Refused, STUDIO_ID } from "../testing/drawn.js";
import { WeeksPage } from "./weeks-page.js";

const CROSS = { subject: "cross", side: "left" } as const;
const work = (subject: string, tries: number, finishes = false) => ({
  ...{ subject, side: "left" as const, tries, finishes, landings: tries },
});
const WEEKS = {
  ...{
    goals: [CROSS],
    outlook: "unlikely",
    until: "2027-01-25",
    lessonsAWeek: 2,
    triesALesson: 30,
    allowance: 900,
  },
  ...{ tries: { expected: 240, low: 180, high: 300 }, holds: 120, chance: 0.2, reached: [] },
  lessonsNeeded: { expected: 8, low: 6, high: 10 },
  gives: [
    { code: "lessons", aWeek: 3, chance: 0.7 },
    { code: "later", until: "2027-03-01", chance: 0.8 },
    { code: "nearer", subject: "side-swing", side: "left", chance: 0.9 },
  ],
  weeks: [
    {
      ...{
        start: "2026-12-28",
        lessons: ["2026-12-28", "2026-12-30"],
        landings: 410,
        slack: 7.4,
        isTaper: false,
      },
      ...{ work: [work("cross", 24, true), work("double-under", 0.2)], reviews: [CROSS] },
    },
    {
      ...{ start: "2027-01-04", lessons: ["2027-01-04"], landings: 205, slack: 0, isTaper: true },
      ...{ work: [], reviews: [] },
    },
  ],
} as unknown as WeeksView;

function page(answer: unknown, at = "?until=2027-01-25") {
  return drawn(
    <Routes>
      <Route path="students/:studentId/weeks" element={<WeeksPage />} />
    </Routes>,
    {
      at: `/students/ada/weeks${at}`,
      answers: { "GET /students/ada/weeks": answer, "GET /students/ada/standings": { items: [] } },
    },
  );
}

afterEach(cleanup);

describe("the weeks to a date", () => {
  it("say whether it is enough and why, and what each week holds; a crumb of a try is nothing to plan", async () => {
    page(WEEKS);
    await screen.findByRole("heading", { name: "Not likely by then" });
    expect(screen.getByRole("status").textContent).toMatch(
      /3 lessons until then hold about 120.*2 in 10 by then/,
    );
    expect(screen.getByRole("status").textContent).toContain("It takes about 8 lessons (6 to 10).");
    expect(screen.getByRole("status").textContent).toContain("At this pace it is 4 weeks.");
    const [first, second] = screen.getAllByRole("heading", { level: 3 }).map((one) => one.closest("li"));
    expect(first?.textContent).toContain(
      "2 lessons, about 410 of the 900 weighted landings that are allowed, room for 7 tries more",
    );
    const links = within(first ?? document.body).getAllByRole("link");
    expect(links.map((one) => one.getAttribute("href"))).toEqual([
      `/${STUDIO_ID}/students/ada/floor/cross/left`,
    ]);
    expect(first?.textContent).toContain(": 24 tries, then the gate");
    expect(first?.textContent).toContain("Reviews: cross");
    expect(second?.textContent).toContain("1 lesson, about 205");
    expect(second?.textContent).toContain("half of the usual: the week before goes easy");
    expect(second?.textContent).not.toContain("room for");
    expect(second?.textContent).not.toContain("Reviews");
  });

  it("take over what would have to give, where the page can ask for it", async () => {
    const { user, address } = page(WEEKS);
    const more = await screen.findByText(/^3 lessons a week: 7 in 10 by then/);
    expect(screen.getByText(/^As far as side swing, left side: 9 in 10 by then/)).toBeDefined();
    const [lessons, later] = screen.getAllByRole("button", { name: /plan/i });
    expect(more.closest("li")?.contains(lessons ?? null)).toBe(true);
    await user.click(lessons ?? more);
    expect(address()).toBe("/students/ada/weeks?until=2027-01-25&perWeek=3");
    await user.click(later ?? more);
    expect(address()).toBe("/students/ada/weeks?until=2027-03-01&perWeek=3");
    expect(screen.getAllByRole("button", { name: /plan/i })).toHaveLength(2);
  });

  it("say beside the date why it cannot be planned to, and keep it there", async () => {
    page(new Refused(422, "That day is over. Choose a later one."), "?until=2020-01-01");
    expect(await screen.findByText("That day is over. Choose a later one.")).toBeDefined();
    expect(screen.getByLabelText<HTMLInputElement>("Until").value).toBe("2020-01-01");
    expect(screen.queryByRole("status")).toBeNull();
  });

  it("lead to the record where no goal is chosen, and to a later date where no lesson lies before it", async () => {
    page({ ...WEEKS, goals: [], outlook: "there", gives: [], weeks: [] });
    const link = await screen.findByRole("link", { name: "Choose one on the record" });
    expect(link.getAttribute("href")).toBe(`/${STUDIO_ID}/students/ada/record`);
    expect(screen.getByText(/Choose a later one, or more days/)).toBeDefined();
  });

  it("say nothing of an allowance where nothing is judged yet, and name what is reached by then", async () => {
    page({ ...WEEKS, allowance: null, reached: [{ subject: "side-swing", side: "right" }] });
    await screen.findByText(/By then, at the middle of the range: side swing, right side\./);
    expect(screen.queryByText(/allowed/)).toBeNull();
    expect(screen.getByText(/^2 lessons, about 410 weighted landings/)).toBeDefined();
  });
});
