import { afterEach, describe, expect, it } from "@jest/globals";
import type { ComboStandingItem, ComboView, NextItem, ProgressView, StandingItem } from "@mirrup/contract";
import { NO_PRACTICE } from "@mirrup/core/teaching";
import { cleanup, screen } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { eventSheet } from "./event-list.js";
import { combosOf, formsOf, reportOf } from "./report.js";
import { ReportPage } from "./report-page.js";
import { careWords, learnedWords, summaryWords, workingWords } from "./words.js";

const day = (subject: string, side: "left" | "right" | "whole") => ({
  ...{ ...NO_PRACTICE, day: "2026-06-02", subject, side, sets: 1, clean: 8, missed: 2 },
});
const VIEW: ProgressView = {
  ...{ from: "2026-06-01", to: "2026-06-14", weeks: [] },
  days: [day("cross", "left"), day("side-swing-cross", "left")],
  cleared: [
    { subject: "cross", side: "left", day: "2026-06-02", by: "gate" },
    { subject: "cross", side: "right", day: "2026-06-03", by: "gate" },
    { subject: "skier", side: "whole", day: "2026-06-03", by: "hand" },
  ],
};
const standing = (subject: string, side: string, status: string, gateBest = 0) =>
  ({ subject, side, status, gateBest, gate: { kind: "streak", count: 10 } }) as StandingItem;
const STANDINGS = [
  standing("cross", "left", "cleared"),
  standing("cross", "right", "inferred"),
  standing("skier", "whole", "cleared"),
  standing("basic-bounce", "whole", "rusty"),
  standing("side-swing-cross", "left", "working", 9),
  standing("side-swing-cross", "right", "working", 9),
  standing("double-under", "whole", "ready"),
];
const item = (subject: string, side: "left" | "whole", more: Partial<NextItem> = {}): NextItem => ({
  ...{ subject, side, drill: { kind: "streak", count: 5 }, chance: 0.7, gate: { kind: "streak", count: 10 } },
  ...{ tryGate: null, after: null, reason: { code: "stuck" }, isNew: false },
  ...more,
});
const COMBOS = ["Opener", "Closer", "Other"].map((name) => ({
  ...{ id: name, version: 1, name, note: "", createdAt: "2026-06-01T10:00:00Z", linkedAt: null },
  ...{ isRemoved: false, parts: [{ subject: "cross", side: "right", score: "xr o", times: 2 }] },
})) as readonly ComboView[];
const comboStanding = (comboId: string, side: "left" | "right", status: string) =>
  ({
    comboId,
    side,
    status,
    cleanChance: 0.5,
    gateBest: 4,
    bestStreak: 4,
    reviewDue: null,
  }) as ComboStandingItem;
const COMBO_STANDINGS = [
  comboStanding("Opener", "right", "cleared"),
  comboStanding("Opener", "left", "working"),
  comboStanding("Closer", "right", "rusty"),
  comboStanding("Closer", "left", "cleared"),
  comboStanding("Other", "right", "ready"),
];
const NEXT = [item("side-swing-cross", "left"), item("double-under", "whole", { isNew: true })];

describe("a report", () => {
  const report = reportOf(VIEW, STANDINGS, NEXT, undefined);

  it("tells both sides of a skill as one thing learned, and what was begun in the period alone", () => {
    expect(report.learned.map(learnedWords)).toEqual(["the cross on both sides", "the skier"]);
    expect(report.working.map(workingWords)).toEqual(["Side swing cross, left side: nearly there."]);
  });

  it("sums up what was practised, and says so where nothing was", () => {
    expect(summaryWords("Ada", report, VIEW)).toBe(
      "From 1 June 2026 to 14 June 2026 Ada practised on 1 day, 20 tries in all. New: the cross on both sides and the skier.",
    );
    const nothing = reportOf({ ...VIEW, days: [], cleared: [] }, [], [], undefined);
    expect(summaryWords("Ada", nothing, VIEW)).toBe(
      "From 1 June 2026 to 14 June 2026 nothing of Ada was counted.",
    );
  });

  it("sends home what was begun where somebody looked, and its cautions with what always holds", () => {
    expect(report.atHome.map(({ subject }) => subject)).toEqual(["side-swing-cross"]);
    const care = careWords(NEXT);
    expect(care[0]).toContain("five minutes of easy jumping");
    expect(care.join(" ")).toContain("Wear shoes that cushion");
    expect(new Set(care).size).toBe(care.length);
  });

  it("lists an event's combos beside its forms, each with its sides", () => {
    const { rows } = eventSheet(formsOf(STANDINGS), combosOf(COMBOS, COMBO_STANDINGS));
    const mirrored = combosOf(COMBOS, [comboStanding("Other", "left", "cleared")]);
    expect(mirrored).toMatchObject([
      { name: "Other", sides: ["left"], score: expect.stringContaining("xl") },
    ]);
    expect(rows.slice(-3)).toEqual([
      ["Crosses", "Cross", "yes", "yes"],
      ["Combo", "Closer", "yes", "yes"],
      ["Combo", "Opener", "", "yes"],
    ]);
  });

  it("lists for an event what can be shown, the easier first", () => {
    const forms = Object.fromEntries(
      formsOf(STANDINGS).map(([family, own]) => [family, own.map(learnedWords)]),
    );
    expect(forms).toEqual({
      footwork: ["the basic bounce", "the skier"],
      "side-swings": [],
      crosses: ["the cross on both sides"],
      multiples: [],
    });
  });
});

describe("the page of a report", () => {
  const page = (answers: Answers = {}, at = "/students/ada/report") =>
    drawn(
      <Routes>
        <Route path="students/:studentId/report" element={<ReportPage />} />
      </Routes>,
      {
        at,
        answers: {
          "GET /auth/session": signedIn("viewer"),
          "GET /studio": {
            id: "s",
            name: "Tannery Yard",
            timeZone: "UTC",
            school: "quick-frontier",
            settings: {},
          },
          "GET /students/ada": { id: "ada", name: "Ada Fen", goals: [{ subject: "cross", side: "both" }] },
          "GET /students/ada/standings": { items: STANDINGS },
          "GET /students/ada/next": { items: NEXT },
          "GET /students/ada/path": { steps: [], choices: [], tries: {} },
          "GET /students/ada/progress": VIEW,
          "GET /combos": { items: COMBOS },
          "GET /students/ada/combos": { items: COMBO_STANDINGS },
          ...answers,
        },
      },
    );
  afterEach(cleanup);

  it("reads as plain words, and turns into a list of forms", async () => {
    const { user, address } = page();
    expect(await screen.findByRole("heading", { name: "How to help at home" })).toBeTruthy();
    expect(screen.getByText(/The goal: cross, both sides\. The way is done\./)).toBeTruthy();
    expect(screen.queryByText(/\brungs?\b|\bgates?\b|stuck/i)).toBeNull();
    await user.click(screen.getByRole("radio", { name: "Forms learned" }));
    expect(address()).toContain("kind=event");
    expect(await screen.findByText("Cross on both sides")).toBeTruthy();
    expect(screen.getByRole("button", { name: "Save" })).toBeTruthy();
    // Combos that are cleared, count by count; what is not is not shown.
    expect(await screen.findByText(/^3 forms and 2 combos can be shown/)).toBeTruthy();
    const combos = screen.getAllByRole("heading", { level: 4 }).map((one) => one.textContent);
    expect(combos).toEqual(["Closer, as written and mirrored", "Opener, as written"]);
    expect(screen.getAllByRole("list", { name: /^Counts 1/ })).toHaveLength(2);
  });

  it("is sent in words to one address by a coach, and by no viewer", async () => {
    page();
    expect(await screen.findByRole("heading", { name: "Take care" })).toBeTruthy();
    expect(screen.queryByLabelText("Send it by mail to")).toBeNull();
    cleanup();
    const { user, sent } = page({
      "GET /auth/session": signedIn("coach"),
      "POST /students/ada/report-letter": { done: true },
    });
    const field = await screen.findByLabelText("Send it by mail to");
    await user.type(field, "nowhere");
    await user.click(screen.getByRole("button", { name: "Send" }));
    expect(sent).toEqual([]);
    await user.clear(field);
    await user.type(field, " parent@home.example");
    await user.click(screen.getByRole("button", { name: "Send" }));
    expect(await screen.findByText(/^On its way to parent@home.example/)).toBeTruthy();
    const { to, text } = sent[0]?.body as { readonly to: string; readonly text: string };
    expect(to).toBe("parent@home.example");
    expect(text).toContain("New: the cross on both sides and the skier.");
    expect(text).toContain("\n\nHow to help at home\n- Side swing cross, left side");
  });

  it("says what to do where it cannot be made", async () => {
    page({ "GET /students/ada/standings": new Refused(410, "This student was deleted.") });
    expect(await screen.findByText("This student was deleted.")).toBeTruthy();
  });
});
