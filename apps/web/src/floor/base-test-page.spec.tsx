import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import type { SetRequest } from "@mirrup/contract";
import { localDate } from "@mirrup/core";
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { outbox } from "../device/index.js";
import { drawn, Refused, SILENT, signedIn, type Answers } from "../testing/drawn.js";
import { emptyOutbox } from "../testing/outbox.js";
import { BaseTestPage } from "./base-test-page.js";

const PARTS = CATALOGUE.roles.baseTest?.parts ?? [];
const COUNT = CATALOGUE.roles.baseTest?.count ?? 0;
const MISSES = CATALOGUE.roles.baseTest?.misses ?? 0;
const TODAY = localDate(Date.now(), new Intl.DateTimeFormat().resolvedOptions().timeZone);
const KEY = `mirrup-base-test coach ada ${TODAY}`;

/** A part of the test that was passed with so many misses before. */
const passed = (part: number, misses = 0) => ({
  ...{ id: `part-${part}`, studentId: "ada", countedBy: "tapped", at: new Date().toISOString() },
  ...{ subject: PARTS[part]?.subject, side: PARTS[part]?.side, drill: { kind: "streak", count: COUNT } },
  ...{ clean: COUNT, bestStreak: COUNT, misses: Array.from({ length: misses }, (_, after) => ({ after })) },
});

function test(done: readonly object[] = [], more: Answers = {}) {
  localStorage.setItem(KEY, JSON.stringify(done));
  return drawn(
    <Routes>
      <Route path="students/:studentId/base-test" element={<BaseTestPage />} />
    </Routes>,
    {
      at: "/students/ada/base-test",
      answers: {
        "GET /auth/session": signedIn("coach"),
        "GET /students/ada": { id: "ada", name: "Ada Lowe" },
        "POST /sets": SILENT,
        "GET /health": SILENT,
        ...more,
      },
    },
  );
}
const steps = async () =>
  within(await screen.findByRole("list", { name: "The five parts" }))
    .getAllByRole("listitem")
    .map((one) => one.querySelector("span")?.textContent);
/** Keys one after another, as a finger presses them. */
function press(key: string, times = 1) {
  for (let time = 0; time < times; time += 1) {
    fireEvent.keyDown(document.body, { key });
    fireEvent.keyUp(document.body, { key });
  }
}
const kept = () => JSON.parse(localStorage.getItem(KEY) ?? "[]") as readonly SetRequest[];
const waiting = () => outbox.current().waiting.length;

beforeEach(() => outbox.read());
afterEach(async () => {
  cleanup();
  await emptyOutbox();
  localStorage.clear();
});

describe("the base test", () => {
  it("goes from part to part, and each that reaches its count is a set of its own", async () => {
    test();
    expect(await steps()).toEqual(["now", ...PARTS.slice(1).map(() => "to come")]);
    await screen.findByText("Ada Lowe");
    expect(screen.getByText(new RegExp(`${MISSES} more misses allowed`))).toBeDefined();
    await waitFor(() =>
      expect(screen.getByRole("button", { name: /^Clean/ }).hasAttribute("disabled")).toBe(false),
    );
    press(" ", COUNT - 1);
    // Not before its end.
    press("Enter");
    expect(waiting()).toBe(0);
    press(" ");
    await screen.findByRole("button", { name: /^On to the next part/ });
    // Beyond the end nothing counts, and pressed twice it is one set.
    press(" ", 3);
    press("Enter", 2);
    await waitFor(async () =>
      expect(await steps()).toEqual(["done", "now", ...PARTS.slice(2).map(() => "to come")]),
    );
    expect(kept().map(({ clean, misses }) => [clean, misses.length])).toEqual([[COUNT, 0]]);
    expect(waiting()).toBe(1);
  });

  it("has one count of misses over all of its parts, and is passed within it", async () => {
    test(PARTS.slice(0, -1).map((_, part) => passed(part, part === 1 ? MISSES : 0)));
    expect((await steps()).at(-1)).toBe("now");
    await screen.findByText(/0 more misses allowed/);
    await waitFor(() =>
      expect(screen.getByRole("button", { name: /^Clean/ }).hasAttribute("disabled")).toBe(false),
    );
    press(" ", COUNT);
    press("Enter");
    await screen.findByText("The base test is passed");
    expect(screen.queryByRole("button", { name: /^Clean/ })).toBeNull();
  });

  it("ends for today with one miss more, once that is said, and not where it was a slip", async () => {
    test([passed(0, MISSES)]);
    await screen.findByText(/0 more misses allowed/);
    await waitFor(() =>
      expect(screen.getByRole("button", { name: /^Miss/ }).hasAttribute("disabled")).toBe(false),
    );
    press(" ", 4);
    press("m");
    await screen.findByText("No miss was left.");
    press("z");
    await screen.findByText(/0 more misses allowed/);
    press("m");
    press("Enter");
    await screen.findByText("Not today");
    expect(kept()).toHaveLength(2);
    expect(kept()[1]).toMatchObject({ clean: 4, bestStreak: 4 });
  });

  it("is not of somebody who is not here, and goes on while nobody answers", async () => {
    test([], { "GET /students/ada": new Refused(410, "This student was deleted.") });
    expect(await screen.findByText("This student was deleted.")).toBeDefined();
    cleanup();
    test([], { "GET /students/ada": SILENT });
    expect((await steps())[0]).toBe("now");
  });

  it("ends where it hurts, with what was done by then, and goes on where that was a slip", async () => {
    const { user } = test([passed(0)], { "PUT /students/ada/stop": SILENT });
    await user.click(await screen.findByRole("button", { name: "Pain: stop today" }));
    expect((await screen.findByRole("alert")).textContent).toContain("Jumping ends for");
    expect(screen.queryByRole("button", { name: /^Clean/ })).toBeNull();
    expect(screen.queryByRole("button", { name: "Pain: stop today" })).toBeNull();
    expect((await steps())[0]).toBe("done");
    await user.click(screen.getByRole("button", { name: "It was pressed by mistake" }));
    expect(await screen.findByRole("button", { name: /^Clean/ })).toBeDefined();
  });

  it("goes on while the server has a fault, and says where the device keeps nothing", async () => {
    test([passed(0), passed(1), passed(2), passed(3)], { "GET /students/ada": new Refused(500, "A fault.") });
    await waitFor(() =>
      expect(screen.getByRole("button", { name: /^Clean/ }).hasAttribute("disabled")).toBe(false),
    );
    const full = jest.spyOn(IDBObjectStore.prototype, "put").mockImplementation(() => {
      throw new DOMException("No room.", "QuotaExceededError");
    });
    press(" ");
    expect((await screen.findByRole("alert")).textContent).toContain("This browser refuses to keep the taps");
    full.mockRestore();
  });
});
