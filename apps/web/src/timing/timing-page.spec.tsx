import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import type { JumpMeasure } from "@mirrup/contract";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { drawn, signedIn } from "../testing/drawn.js";
import { TimingPage } from "./timing-page.js";

const WREN = "0199c1b2-0000-7000-8000-00000000000a";
const JUMP: JumpMeasure = {
  ...{ id: "a", turns: 2, heightMm: 310, contactMs: 250, landings: 11, way: "taps" },
  measuredAt: "2026-06-01T10:00:00Z",
};

const PROFILE = { id: WREN, name: "Wren Alder", dominantHand: "right", heightMm: 1450, ropeLengthMm: null };

const page = (at: string) =>
  drawn(<TimingPage />, {
    at,
    answers: {
      "GET /auth/session": signedIn("coach"),
      "GET /students": { items: [{ id: WREN, name: "Wren Alder", archived: false }] },
      [`GET /students/${WREN}`]: PROFILE,
      [`GET /students/${WREN}/detail`]: PROFILE,
      [`GET /students/${WREN}/jumps`]: { items: [JUMP] },
      [`GET /students/${WREN}/sets`]: { items: [] },
    },
  });

const rows = (region: string) =>
  within(screen.getByRole("region", { name: region }))
    .getAllByRole("row")
    .slice(1);

beforeEach(() => {
  jest.spyOn(HTMLCanvasElement.prototype, "getContext").mockReturnValue(null);
});
afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
});

describe("the timing of a score", () => {
  it("names each window of the hands, the tightest of them, and each kind of jump once", () => {
    page("/timing?score=xl+o+xr+o+(o+o)");
    const windows = rows("When the hands move");
    // Three moves of the hands: open, closed the other way, open.
    expect(windows).toHaveLength(3);
    expect(windows.filter((row) => row.dataset.tightest === "true")).toHaveLength(1);
    const heights = rows("How high, how fast").map((row) => within(row).getByRole("rowheader").textContent);
    expect(heights).toHaveLength(4);
    expect(new Set(heights).size).toBe(4);
    expect(heights.at(-1)).toMatch(/^Double: /);
    expect(screen.getByRole("region", { name: "Where the rope’s speed changes" }).textContent).toContain(
      "To make it equal:",
    );
  });

  it("says that hands which stay have no window, and that an even rope has no change of speed", () => {
    page("/timing?score=o+o");
    expect(screen.getByText("The hands stay where they are: there is no window to keep to.")).toBeTruthy();
    expect(screen.queryByRole("region", { name: "Where the rope’s speed changes" })).toBeNull();
  });

  it("follows what is typed, says what cannot be read, and leaves what was typed", async () => {
    const { user } = page("/timing?score=o");
    const field = screen.getByRole("textbox", { name: "Score" });
    await user.clear(field);
    await user.type(field, "o zz");
    expect((field as HTMLInputElement).value).toBe("o zz");
    expect(screen.getByText(/“zz” names no arms/)).toBeTruthy();
    expect(screen.queryByRole("region", { name: "How high, how fast" })).toBeNull();
    await user.clear(field);
    await user.type(field, "xl o");
    expect(rows("When the hands move")).toHaveLength(1);
    expect(screen.getByTestId("address").textContent).toBe("/timing?score=xl+o");
  });

  it("asks more height of a slower rope, and a rate that no rope has is not asked", async () => {
    const { user } = page("/timing?score=(o+o)+o&rate=200");
    const lowest = () =>
      Number.parseInt(
        within(rows("How high, how fast")[0] ?? document.body).getAllByRole("cell")[0]?.textContent ?? "",
        10,
      );
    const fast = lowest();
    const rate = screen.getByRole("textbox", { name: "Rope at the most" });
    await user.clear(rate);
    await user.type(rate, "150");
    expect(lowest()).toBeGreaterThan(fast);
    cleanup();
    page("/timing?score=(o+o)+o&rate=9000");
    expect(lowest()).toBeLessThan(100);
  });

  it("is of a skill and its side where it is asked so, and of nobody's jump until somebody is chosen", () => {
    page("/timing?skill=cross&side=left");
    expect(screen.getByRole<HTMLInputElement>("textbox", { name: "Score" }).value).toBe("xl o");
    expect(screen.getByRole<HTMLInputElement>("radio", { name: "Left" }).checked).toBe(true);
    expect(screen.getByRole("heading", { name: "Measure a jump" })).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Keep it on the record" })).toBeNull();
  });

  it("is by a student's measured jump", async () => {
    page(`/timing?score=(o+o)&student=${WREN}`);
    expect(await screen.findByRole("heading", { name: "How high Wren Alder jumps" })).toBeTruthy();
    const panel = screen.getByRole("region", { name: "Measure a jump" });
    await waitFor(() => expect(panel.textContent).toMatch(/31\scm in a double/));
    expect(
      within(rows("How high, how fast")[0] ?? document.body).getAllByRole("cell")[1]?.textContent,
    ).toMatch(/^31\scm$/);
  });
});
