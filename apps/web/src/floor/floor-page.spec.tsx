import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { NextItem, RungItem, StandingItem } from "@mirrup/contract";
import { act, cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { dropRun, keptRuns, outbox } from "../device/index.js";
import { drawn, Refused, SILENT, signedIn, type Answers } from "../testing/drawn.js";
import { emptyOutbox, waitingSets } from "../testing/outbox.js";
import { FloorPage } from "./floor-page.js";

const NEXT: NextItem = {
  ...{ subject: "cross", side: "left", drill: { kind: "streak", count: 4 }, chance: 0.7, isNew: false },
  gate: { kind: "streak", count: 10 },
  tryGate: { drill: { kind: "streak", count: 10 }, chance: 0.2 },
  after: { kind: "streak", count: 6 },
  reason: { code: "near-gate", best: 6, gate: 10 },
};
const AFTER: NextItem = { ...NEXT, subject: "skier", side: "whole", tryGate: null, after: null };
const STANDING = {
  ...{ subject: "cross", side: "left", status: "working", bestStreak: 6, cleanChance: 0.8 },
  ...{ gate: NEXT.gate, gateBest: 6, reviewDue: null, clearedBy: null, isStuck: false, lowReviews: 0 },
  ...{ lastAt: null, unmet: [] },
} as StandingItem;
const rung = (id: string, drill: RungItem["drill"], state: RungItem["state"], isNext = false) =>
  ({ id, drill, state, chance: 0.7, isNext }) as RungItem;
const LADDER = [
  rung("one-out", { kind: "one-out", count: 5 }, "passed"),
  rung("streak", { kind: "streak", count: 4 }, "tried", true),
];
const person = (id: string, name: string, next: NextItem | null) => ({
  ...{
    id,
    name,
    next,
    archived: false,
    hasStopped: false,
    ropeMisfitMm: 60,
    groups: [],
    dominantHand: "right",
  },
});
const CLASS = [
  person("ada", "Ada Lowe", NEXT),
  person("bo", "Bo Wick", AFTER),
  person("cy", "Cy Marsh", null),
];
/** Everybody is told the same of whoever they ask for. */
const OF_ANYBODY = (id: string): Answers => ({
  [`GET /students/${id}`]: CLASS.find((one) => one.id === id),
  [`GET /students/${id}/standings`]: { items: [STANDING] },
  [`GET /students/${id}/next`]: { items: [NEXT, AFTER] },
  [`GET /students/${id}/ladder`]: { items: LADDER },
  [`GET /students/${id}/sets`]: { items: [] },
  [`GET /students/${id}/load`]: { today: {}, landings: 0, allowance: null },
});

function floor(more: Answers = {}, path = "ada/floor/cross/left", search = "") {
  return drawn(
    <Routes>
      <Route path="students/:studentId/floor/:subject/:side" element={<FloorPage />} />
    </Routes>,
    {
      at: `/students/${path}${search}`,
      answers: {
        ...OF_ANYBODY("ada"),
        ...OF_ANYBODY("bo"),
        "GET /auth/session": signedIn("coach"),
        "GET /students": { items: CLASS },
        "GET /studio": { id: "s", school: "steady-hold", settings: {}, timeZone: "Europe/London" },
        "GET /presence": { items: [] },
        "POST /sets": SILENT,
        "GET /health": SILENT,
        ...more,
      },
    },
  );
}
function press(...keys: readonly string[]) {
  for (const key of keys) {
    fireEvent.keyDown(document.body, { key });
    fireEvent.keyUp(document.body, { key });
  }
}
const opens = () =>
  waitFor(() => expect(screen.getByRole("button", { name: /^Clean/ }).hasAttribute("disabled")).toBe(false));
const button = (name: string | RegExp) => screen.getByRole("button", { name });

beforeEach(() => outbox.read());
afterEach(async () => {
  cleanup();
  await emptyOutbox();
  for (const key of (await keptRuns("")).keys()) await dropRun(key);
  localStorage.clear();
});

describe("the floor", () => {
  it("opens with what is proposed, its odds, what follows, and the rope that is too long", async () => {
    const { user, address } = floor();
    await opens();
    expect(
      screen.getByText(/^Proposed; it comes off 7 in 10\. Once it is passed: 6 in a row\./),
    ).toBeDefined();
    expect(screen.getByText("Rope").parentElement?.textContent).toMatch(/6\scm/);
    expect(screen.getByRole("group", { name: "How many in a row" }).textContent).toBe("4");
    await user.click(button("One more"));
    expect(address()).toContain("kind=streak&aim=5");
    const drills = screen.getByRole<HTMLSelectElement>("combobox", { name: "Drill" });
    expect(drills.selectedOptions[0]?.textContent).toBe("5 in a row");
    expect(screen.queryByText(/^Proposed/)).toBeNull();
    expect(screen.getByText(/^Then: skier, 4 in a row\.$/)).toBeDefined();
    await user.click(button("One less"));
    await user.click(button("Try the gate"));
    expect(address()).toContain("kind=streak&aim=10");
  });

  it("takes another rung of the ladder, until the first tap", async () => {
    const { user, address } = floor();
    await opens();
    const ladder = within(await screen.findByRole("navigation", { name: "Ladder" }));
    const [passed, here] = ladder.getAllByRole("button");
    expect(here?.getAttribute("aria-current")).toBe("step");
    if (passed !== undefined) await user.click(passed);
    expect(address()).toContain("kind=one-out&aim=5");
    press(" ");
    expect(passed?.hasAttribute("disabled")).toBe(true);
    expect(screen.queryByRole("combobox", { name: "Drill" })).toBeNull();
  });

  it("counts by keys, asks why it missed, and becomes one set that is on the device", async () => {
    const { user, address } = floor({
      "POST /sets": { changes: [], opened: [], clockAheadSeconds: 0 },
      "GET /students/ada/floor": {
        ...{ student: CLASS[0], standings: [STANDING], next: [AFTER, NEXT], ladder: LADDER, sets: [] },
        load: { today: {}, landings: 0, allowance: null },
      },
    });
    await opens();
    press(" ", " ", "m");
    expect(
      within(screen.getByRole("group", { name: "Why did it miss?" })).getAllByRole("button").length,
    ).toBeGreaterThan(3);
    press("1");
    expect(screen.queryByRole("group", { name: "Why did it miss?" })).toBeNull();
    press("z");
    expect(screen.getByText("missed").textContent).toBe("missed 0");
    press("m", " ", " ", " ");
    expect(screen.getByText("clean").textContent).toBe("clean 5");
    await user.click(button(/^Finish/));
    await screen.findByRole("heading", { name: "5 of 6 clean" });
    await user.click(await screen.findByRole("button", { name: /^Next: skier/ }));
    expect(address()).toMatch(/\/floor\/skier\/whole$/);
  });

  it("goes on without a server, and says what it does with the set", async () => {
    const asked = new Map<string, number>();
    const silent = Object.fromEntries(
      ["", "/standings", "/next", "/ladder", "/sets", "/load"].map((part) => [
        `GET /students/ada${part}`,
        () => {
          asked.set(part, (asked.get(part) ?? 0) + 1);
          return SILENT;
        },
      ]),
    );
    const { user, client } = floor(silent);
    await opens();
    await act(() => new Promise((resolve) => setTimeout(resolve, 100)));
    // A part that asks once more as it appears does not close the floor, to appear anew.
    expect(Math.max(...asked.values())).toBeLessThanOrEqual(2);
    press(" ", "m");
    act(() => void client.refetchQueries());
    expect(button(/^Clean/)).toBeDefined();
    await user.click(button(/^Finish/));
    expect(await screen.findByText(/does not answer just now/)).toBeDefined();
    expect(waitingSets()).toMatchObject([{ studentId: "ada", subject: "cross", side: "left", clean: 1 }]);
  });

  it("takes numbers that were counted elsewhere, and says which cannot be", async () => {
    const { user } = floor();
    await opens();
    await user.selectOptions(
      screen.getByRole("combobox", { name: "How it is counted" }),
      "typed in afterwards",
    );
    await user.type(screen.getByRole("textbox", { name: "Clean in all" }), "8");
    await user.type(screen.getByRole("textbox", { name: "Missed" }), "1");
    await user.type(screen.getByRole("textbox", { name: "Most in a row" }), "9");
    await user.click(button("Count the set"));
    expect((await screen.findByRole("alert")).textContent).toMatch(/best|row/i);
    await user.clear(screen.getByRole("textbox", { name: "Most in a row" }));
    await user.type(screen.getByRole("textbox", { name: "Most in a row" }), "6");
    await user.click(button("Count the set"));
    await screen.findByRole("heading", { level: 2 });
    await waitFor(() =>
      expect(waitingSets()).toMatchObject([
        { clean: 8, misses: [{ count: 1 }], bestStreak: 6, countedBy: "hand" },
      ]),
    );
  });

  it("has several students at once, each with a set of their own, one tap apart", async () => {
    const { user, address } = floor();
    await opens();
    press(" ", " ");
    await user.selectOptions(
      screen.getByRole("combobox", { name: "Another student on this floor" }),
      "Bo Wick",
    );
    expect(address()).toBe("/students/bo/floor/skier/whole");
    const strip = within(await screen.findByRole("navigation", { name: "Students on this floor" }));
    await waitFor(
      () => expect(strip.getByRole("link", { name: /^Ada Lowe/ }).textContent).toContain("2 of 4"),
      {
        timeout: 5000,
      },
    );
    // Whoever has nothing to do next is not offered, and nobody twice.
    expect(strip.queryByRole("combobox")).toBeNull();
    expect(strip.getByRole("link", { name: /^Bo Wick/ }).getAttribute("aria-current")).toBe("page");
    // What stands before one is not told of as left.
    expect(screen.queryByRole("button", { name: /not finished/ })).toBeNull();
    await user.click(button("Take Ada Lowe off this floor"));
    expect(screen.queryByRole("navigation", { name: "Students on this floor" })).toBeNull();
    expect(await screen.findByRole("button", { name: "1 set not finished" })).toBeDefined();
  });

  it("ends for whom it hurts, and is there again where that was a slip", async () => {
    const { user } = floor({ "PUT /students/ada/stop": SILENT, "DELETE /students/ada/stop": SILENT });
    await opens();
    press(" ");
    await user.click(button("Pain: stop today"));
    expect((await screen.findByRole("alert")).textContent).toContain("Jumping ends for Ada Lowe today");
    expect(screen.queryByRole("button", { name: /^Clean/ })).toBeNull();
    // No key counts any more.
    press(" ", " ");
    await user.click(button("It was pressed by mistake"));
    await waitFor(() => expect(screen.getByText("clean").textContent).toBe("clean 1"));
  });

  it("says which address is none, and who is not here any more", async () => {
    floor({}, "ada/floor/somersault/whole");
    expect(await screen.findByText("There is no such drill")).toBeDefined();
    cleanup();
    floor({}, "ada/floor/basic-bounce/left");
    expect(await screen.findByText("There is no such drill")).toBeDefined();
    cleanup();
    floor({ "GET /students/ada": new Refused(404, "There is no such student.") });
    expect(await screen.findByText("This student is not here")).toBeDefined();
    await act(() => Promise.resolve());
  });
});
