import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import type { LessonView, SetRequest } from "@mirrup/contract";
import type { Place } from "@mirrup/core/planning";
import { act, cleanup, screen, waitFor, within } from "@testing-library/react";
import { drawn, signedIn, SILENT, type Answers } from "../testing/drawn.js";
import { outbox } from "../device/index.js";
import type { ShownPlan } from "./shown.js";
import { SubstituteSheet } from "./substitute-sheet.js";

const NAMES: Readonly<Record<string, string>> = { a: "Zoë Marchbank", b: "Ada Lowe", c: "Who Is Away" };
const nameOf = (id: string) => NAMES[id] ?? "Somebody";
const place = (station: number, count: number): Place => ({
  ...{ station, side: "left", use: "frontier", drill: { kind: "streak", count } },
  ...{ cautions: [], chance: null, reason: null },
});
const PLAN: ShownPlan = {
  warmUpMinutes: 5,
  closeMinutes: 2,
  rotations: [8, 7].map((minutes) => ({
    minutes,
    stations: [
      { subject: "cross", watchedBy: "coach" },
      { subject: "side-swing", watchedBy: "nobody" },
    ],
  })),
  students: [
    { id: "a", places: [place(0, 5), place(1, 12)] },
    { id: "b", places: [place(1, 9), place(0, 3)] },
    { id: "c", places: [null, null] },
  ],
};
const LESSON = {
  ...{ id: "l", title: "Juniors", day: "2026-06-01", startTime: "17:30", minutes: 22, place: "Hall 2" },
  students: [],
} as unknown as LessonView;
/** What the server answers to sets and decisions, and what it was told, by kind. */
const TAKES: Answers = {
  "POST /sets": { changes: [], opened: [], clockAheadSeconds: 0 },
  "POST /decisions": { changes: [], opened: [], clockAheadSeconds: 0 },
};

function sheet(more: Answers = {}) {
  const onLeave = jest.fn();
  const view = drawn(<SubstituteSheet lesson={LESSON} plan={PLAN} nameOf={nameOf} onLeave={onLeave} />, {
    answers: {
      "GET /auth/session": signedIn("coach"),
      "GET /lessons/l/done": { items: [] },
      ...TAKES,
      ...more,
    },
  });
  const bodies = <T,>(path: string, part: string) =>
    view.sent
      .filter((one) => one.path === path)
      .flatMap(({ body }) => (body as Readonly<Record<string, readonly T[]>>)[part] ?? []);
  return {
    ...{ ...view, onLeave },
    sets: () => bodies<SetRequest>("/sets", "sets"),
    decisions: () => bodies<{ readonly decision: object }>("/decisions", "decisions"),
  };
}
const field = (name: string) => screen.getByRole<HTMLInputElement>("textbox", { name });
const store = (many: string) => screen.getByRole<HTMLButtonElement>("button", { name: `Store ${many}` });

beforeEach(() => outbox.read());
afterEach(async () => {
  for (const one of [...outbox.current().waiting, ...outbox.current().refused])
    await act(() => outbox.discard(one));
  cleanup();
  sessionStorage.clear();
});

describe("the sheet of a substitute", () => {
  it("says when what begins, and what is done where", () => {
    sheet();
    expect(screen.getByRole("heading", { level: 1 }).textContent).toBe("Juniors, 1 June 2026, 17:30");
    const [steps] = screen.getAllByRole("list");
    const said = within(steps ?? document.body)
      .getAllByRole("listitem")
      .map((one) => one.textContent);
    expect(said).toHaveLength(4);
    expect(said[0]).toMatch(/^17:30 Warm-up together/);
    expect(said[1]).toMatch(/^17:35 Turn 1: 1 cross \(.+\), 2 side swing$/);
    expect(said[2]).toMatch(/^17:43 Turn 2: /);
    expect(said[3]).toMatch(/^17:50 Close together/);
  });

  it("has a box for each turn of whoever is planned, by name, and tells each skill by its cue", () => {
    sheet();
    const [, ...rows] = within(screen.getByRole("table")).getAllByRole("row");
    expect(rows.map((row) => within(row).getByRole("rowheader").textContent)).toEqual([
      "Ada Lowe",
      "Zoë Marchbank",
    ]);
    const [first, second] = within(rows[0] ?? document.body).getAllByRole("cell");
    expect(first?.textContent).toMatch(/^2 side swing: /);
    expect(second?.textContent).toMatch(/^1 cross: /);
    expect(screen.getAllByText(/Counts when: /).length).toBe(2);
  });

  it("is left for the plan", async () => {
    const { user, onLeave } = sheet();
    await user.click(screen.getByRole("button", { name: "Back to the plan" }));
    expect(onLeave).toHaveBeenCalledTimes(1);
  });
});

describe("the marks on it", () => {
  it("become sets of those they were typed for", async () => {
    const { user, sets } = sheet();
    expect(store("0 sets").disabled).toBe(true);
    await user.type(field("Ada Lowe"), "m 2");
    await user.type(field("Zoë Marchbank"), "- x");
    await user.click(store("3 sets"));
    await waitFor(() => expect(sets()).toHaveLength(3));
    expect(
      sets()
        .map(({ studentId, subject }) => `${studentId} ${subject}`)
        .sort(),
    ).toEqual(["a side-swing", "b cross", "b side-swing"]);
    expect(await screen.findByText(/^3 sets are on this device/)).toBeDefined();
    expect(field("Ada Lowe").value).toBe("");
  });

  it.each([
    ["m ? x", "“?” is not a mark."],
    ["m m m", "There are 2 turns, and more marks."],
  ])("are not stored while one of them means nothing: %s", async (text, fault) => {
    const { user } = sheet();
    await user.type(field("Zoë Marchbank"), "m");
    await user.type(field("Ada Lowe"), text);
    expect(screen.getByText(fault)).toBeDefined();
    expect(store("1 set").disabled).toBe(true);
  });

  it("are there again after the page was left, the same sets as before, until they are discarded", async () => {
    const first = sheet({ "POST /sets": SILENT });
    await first.user.type(field("Ada Lowe"), "m");
    cleanup();
    const second = sheet();
    await screen.findByText(/^What you typed before is here again/);
    expect(field("Ada Lowe").value).toBe("m");
    await second.user.click(screen.getByRole("button", { name: "Discard it" }));
    expect(field("Ada Lowe").value).toBe("");
    expect(screen.queryByText(/^What you typed before/)).toBeNull();
    cleanup();
    sheet();
    expect(field("Ada Lowe").value).toBe("");
  });

  it("are all taken back at once, and can be typed on as other sets", async () => {
    const { user, sets, decisions } = sheet();
    await user.type(field("Ada Lowe"), "mm");
    await user.type(field("Zoë Marchbank"), "n");
    await user.click(store("3 sets"));
    await user.click(await screen.findByRole("button", { name: "Take all of it back" }));
    await waitFor(() => expect(decisions()).toHaveLength(3));
    const first = sets().map(({ id }) => id);
    const targets = decisions().map(({ decision }) => decision);
    expect(targets).toEqual(expect.arrayContaining(first.map((target) => ({ kind: "void", target }))));
    expect(field("Ada Lowe").value).toBe("mm");
    await user.click(store("3 sets"));
    await waitFor(() => expect(sets()).toHaveLength(6));
    expect(new Set(sets().map(({ id }) => id)).size).toBe(6);
  });

  it("say whose are written down for that day already", async () => {
    const counts = { sets: 1, tries: 5, clean: 5, bestStreak: 5 };
    const done = { studentId: "b", subject: "side-swing", side: "left", ...counts };
    const { user } = sheet({ "GET /lessons/l/done": { items: [done] } });
    await user.type(field("Zoë Marchbank"), "m");
    expect(screen.queryByText(/written down for that day already/)).toBeNull();
    await user.type(field("Ada Lowe"), "m");
    expect(
      await screen.findByText(/^1 of these is written down for that day already \(Ada Lowe\)/),
    ).toBeDefined();
    expect(store("2 sets").disabled).toBe(false);
  });
});
