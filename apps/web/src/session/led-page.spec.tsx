import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { outbox } from "../device/index.js";
import type { LedBlock } from "../led/index.js";
import { drawn, SILENT } from "../testing/drawn.js";
import { emptyOutbox } from "../testing/outbox.js";
import { LedPage } from "./led-page.js";

const block = (phase: LedBlock["phase"], subject: string, name: string, minutes: number): LedBlock => ({
  ...{ key: `${phase} ${subject}:whole`, name, phase, subject, side: "whole", sets: 2, minutes },
  ...{ drill: { kind: "streak", count: 10 }, comboId: null },
});
const WARM = block("warm-up", "basic-bounce", "warm-up", 5);
const MAIN = block("main", "side-swing", "side swing", 6);
const OTHER = block("review", "bell", "bell", 4);
const COOL = block("cool-down", "basic-bounce", "easing off", 3);
const KEY = "mirrup-led coach hana";

/** The page with a session that stands before these blocks, begun so many hours ago. */
function led(ahead: readonly LedBlock[] | null, { hours = 0, stopped = false, sets = 0 } = {}) {
  const since = Date.now() - hours * 3_600_000;
  const done = Array.from({ length: sets }, (_, place) => ({ id: String(place), clean: 9, tries: 10 }));
  if (ahead !== null)
    localStorage.setItem(
      KEY,
      JSON.stringify({ startedAt: since, past: [], ahead, since, now: { sets: done, added: 0 } }),
    );
  return drawn(
    <Routes>
      <Route path="students/:studentId/session/now" element={<LedPage />} />
    </Routes>,
    {
      at: "/students/hana/session/now",
      answers: {
        "GET /students/hana": { id: "hana", name: "Hana Petrivale", hasStopped: stopped },
        ...{ "PUT /students/hana/stop": SILENT, "GET /health": SILENT },
      },
    },
  );
}
const bar = () => within(screen.getByRole("region", { name: "The session" }));
const row = (name: string) =>
  within(screen.getByRole("row", { name: new RegExp(`^${name}`) }))
    .getAllByRole("cell")
    .map((cell) => cell.textContent);

beforeEach(() => outbox.read());
afterEach(async () => {
  cleanup();
  await emptyOutbox();
  localStorage.clear();
});

describe("the session that is held", () => {
  it("has a clock and its cautions for what nobody counts, and leads on to the next block's floor", async () => {
    const { user, address } = led([WARM, MAIN, COOL]);
    await screen.findByRole("heading", { name: "Warm-up" });
    expect(screen.getByRole("timer", { name: "Left of it" }).textContent).toMatch(/^(5:00|4:5\d)$/);
    expect(screen.getByText("Take care")).toBeDefined();
    expect(row("Warm-up")).toEqual(["5 min", "under way"]);
    expect(row("Side swing")).toEqual(["10 in a row, 2 sets, 6 min", ""]);
    const done = screen.getByRole("button", { name: /^Done; next: side swing/ });
    // What Enter works is what has the focus.
    expect(document.activeElement).toBe(done);
    await user.keyboard("{Enter}");
    expect(address()).toMatch(/^\/students\/hana\/floor\/side-swing\/whole\?kind=streak&aim=10$/);
    const kept = JSON.parse(localStorage.getItem(KEY) ?? "{}") as { readonly ahead: readonly LedBlock[] };
    expect(kept.ahead.map(({ key }) => key)).toEqual([MAIN.key, COOL.key]);
  });

  it("leads to the floor of a block that is counted, and leaves nothing by that", async () => {
    const { user, address } = led([MAIN, COOL]);
    await user.click(await screen.findByRole("button", { name: /^Go to the floor: side swing/ }));
    expect(address()).toContain("/floor/side-swing/whole");
    expect(localStorage.getItem(KEY)).toContain(MAIN.key);
  });

  it("takes blocks in another order, skips one, gives minutes, and goes back to the one before", async () => {
    const { user, address } = led([MAIN, OTHER, COOL]);
    await user.click(bar().getByRole("button", { name: "2 min more" }));
    expect(bar().getByRole("timer").textContent).toMatch(/^(8:00|7:5\d)$/);
    const swap = bar().getByRole("combobox");
    // What is done at the end is not done now.
    expect([...swap.querySelectorAll("option")].map((one) => one.textContent)).toEqual([
      "Swap with …",
      "bell",
    ]);
    await user.selectOptions(swap, "bell");
    expect(address()).toContain("/floor/bell/whole");
    cleanup();
    const again = drawn(
      <Routes>
        <Route path="students/:studentId/session/now" element={<LedPage />} />
      </Routes>,
      { at: "/students/hana/session/now" },
    );
    expect(bar().getByText(/^Block 1 of 3: bell/)).toBeDefined();
    await again.user.click(bar().getByRole("button", { name: "Skip" }));
    expect(again.address()).toContain("/floor/side-swing/whole");
    cleanup();
    const back = drawn(
      <Routes>
        <Route path="students/:studentId/session/now" element={<LedPage />} />
      </Routes>,
      { at: "/students/hana/session/now" },
    );
    expect(row("Bell")).toEqual(["10 in a row, 2 sets, 4 min", "skipped"]);
    await back.user.click(screen.getByRole("button", { name: "Back to the block before" }));
    expect(bar().getByText(/^Block 1 of 3: bell/)).toBeDefined();
    expect(screen.queryByRole("button", { name: "Back to the block before" })).toBeNull();
  });

  it("exchanges nothing that was begun: what was done of a block stays with it", async () => {
    led([MAIN, OTHER, COOL], { sets: 1 });
    await screen.findByText(/^Block 1 of 3: side swing, 1 of 2 sets/);
    expect(bar().queryByRole("combobox")).toBeNull();
    expect(row("Side swing")).toEqual(["10 in a row, 2 sets, 6 min", "1 set, 9 clean of 10"]);
  });

  it("ends after its last block, tells what came of it, and is put away", async () => {
    const { user, address } = led([COOL]);
    await user.click(await screen.findByRole("button", { name: /^End the session\s*Enter/ }));
    await screen.findByRole("heading", { name: "The session is over" });
    expect(screen.queryByRole("button", { name: "Pain: stop today" })).toBeNull();
    expect(row("Easing off")).toEqual(["3 min", "0 s"]);
    await user.click(screen.getByRole("link", { name: "Close it, and go to the strands" }));
    expect(address()).toBe("/students/hana");
    expect(JSON.parse(localStorage.getItem(KEY) ?? "null")).toBeNull();
  });

  it("ends at once where something hurts, and goes on where that was a slip", async () => {
    const { user } = led([WARM, MAIN]);
    await user.click(await screen.findByRole("button", { name: "Pain: stop today" }));
    expect((await screen.findByRole("alert")).textContent).toContain("Jumping ends for Hana Petrivale today");
    expect(screen.queryByRole("button", { name: /^Done/ })).toBeNull();
    expect(screen.queryByRole("region", { name: "The session" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "It was pressed by mistake" }));
    await waitFor(() => expect(screen.getByRole("button", { name: /^Done/ })).toBeDefined());
  });

  it("is none where nobody began one, or where it was begun yesterday", async () => {
    led(null);
    const link = await screen.findByRole("link", { name: "Go to the session" });
    expect(link.getAttribute("href")).toMatch(/\/students\/hana\/session$/);
    cleanup();
    led([MAIN], { hours: 13 });
    expect(await screen.findByText("No session is held")).toBeDefined();
  });
});
