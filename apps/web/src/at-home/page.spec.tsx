import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import type { HomeSet, HomeView } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, Refused, SILENT, type Answers } from "../testing/drawn.js";
import type { Counting } from "./counted.js";
import { HomePage } from "./page.js";

const TOKEN = "abcdefghijklmnopqrstuvwxyz";
const VIEW: HomeView = {
  expiresAt: "2026-09-01T00:00:00.000Z",
  rest: null,
  drills: [
    {
      ...{ subject: "cross", side: "left", chance: 0.7, gate: { kind: "streak", count: 15 }, cautions: [] },
      drill: { kind: "one-out", count: 5 },
    },
  ],
  strands: [{ subject: "basic-bounce", side: "whole", status: "cleared" }],
  goals: [
    {
      goal: { subject: "cross", side: "both" },
      left: [{ subject: "cross", side: "left" }],
      cleared: [{ subject: "cross", side: "right", day: "2026-05-20", by: "gate" }],
    },
  ],
  ...{ cleared: [], waiting: 2, own: { edition: 0, entries: {} } },
};

const page = (answers: Answers) => drawn(<HomePage token={TOKEN} />, { answers });
beforeEach(() => localStorage.clear());
afterEach(cleanup);

/** An audio clock that runs ahead of the real one, and hears nothing. */
class Clock {
  static closed = 0;
  private reads = 0;
  get currentTime(): number {
    this.reads += 1;
    return 0.05 * this.reads;
  }
  readonly destination = {};
  readonly resume = () => Promise.resolve();
  readonly close = () => {
    Clock.closed += 1;
    return Promise.resolve();
  };
  private readonly node = {
    frequency: {},
    gain: { setValueAtTime: () => undefined, exponentialRampToValueAtTime: () => undefined },
    connect: () => this.node,
    start: () => undefined,
    stop: () => undefined,
  };
  readonly createOscillator = () => this.node;
  readonly createGain = () => this.node;
}

describe("a student's page at home", () => {
  it("says what to do today, how far it is to the goal, and what can be done", async () => {
    page({ [`GET /home/${TOKEN}`]: VIEW });
    expect(
      await screen.findByRole("button", { name: /Cross, left side.*one, then bounce, 5 tries/ }),
    ).toBeTruthy();
    expect(screen.getByText(/Still to come, 1: cross, left side/).textContent).toContain(
      "Cleared in the last month: cross, right side",
    );
    expect(screen.getByText(/2 sets of yours wait/)).toBeTruthy();
    expect(screen.getByText("basic bounce")).toBeTruthy();
  });

  it("counts by taps and hands in what was counted, by the link alone", async () => {
    const reply = { stored: ["x"], clockAheadSeconds: 0 };
    const { user, sent } = page({
      [`GET /home/${TOKEN}`]: VIEW,
      [`POST /home/${TOKEN}/sets`]: reply,
    });
    await user.click(await screen.findByRole("button", { name: /Cross, left side/ }));
    await user.click(screen.getByRole("button", { name: "Clean" }));
    await user.click(screen.getByRole("button", { name: "Missed" }));
    const handIn = screen.getByRole("button", { name: "Hand in" });
    // As a finger that bounces does: both before anything is drawn anew.
    await Promise.all([user.click(handIn), user.click(handIn)]);
    expect(await screen.findByText(/Handed in/)).toBeTruthy();
    expect(sent).toHaveLength(1);
    const { sets } = sent[0]?.body as { readonly sets: readonly Record<string, unknown>[] };
    expect(sets).toMatchObject([
      {
        subject: "cross",
        side: "left",
        drill: { kind: "one-out", count: 5 },
        clean: 1,
        misses: [{ position: 2 }],
      },
    ]);
    expect(sets).toHaveLength(1);
    expect(Object.keys(sets[0] ?? {})).not.toEqual(expect.arrayContaining(["studentId"]));
  });

  it("calls the drill's own beats in time, in words where the voice cannot be had, until it is stopped", async () => {
    Object.assign(globalThis, { AudioContext: Clock });
    const { user } = page({ [`GET /home/${TOKEN}`]: VIEW });
    await user.click(await screen.findByRole("button", { name: /Cross, left side/ }));
    await user.click(screen.getByRole("button", { name: "Call it out" }));
    expect(await screen.findByText(/^The voice cannot be loaded/)).toBeTruthy();
    // A count-in, then the cross with the left arm on top.
    expect(await screen.findByText(/^cross/)).toBeTruthy();
    const before = Clock.closed;
    await user.click(screen.getByRole("button", { name: "A beat" }));
    expect(Clock.closed).toBe(before + 1);
    expect(screen.queryByText(/^The voice cannot be loaded/)).toBeNull();
    expect(screen.queryByText(/^cross/)).toBeNull();
    await user.click(screen.getByRole("button", { name: "Stop the beat" }));
    expect(Clock.closed).toBe(before + 2);
  });

  it("keeps what was tapped where the set is left, to go on with it or to throw it away", async () => {
    const { user } = page({ [`GET /home/${TOKEN}`]: VIEW });
    const drill = () => screen.findByRole("button", { name: /Cross, left side/ });
    await user.click(await drill());
    await user.click(screen.getByRole("button", { name: "Not now" }));
    // Nothing was tapped: nothing is begun.
    await drill();
    expect(screen.queryByText(/^A set of .* is begun/)).toBeNull();
    await user.click(await drill());
    await user.click(screen.getByRole("button", { name: "Clean" }));
    await user.click(screen.getByRole("button", { name: "Not now" }));
    expect(screen.getByText(/^A set of cross, left side is begun/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Go on with it" }));
    expect(screen.getByText("1", { selector: "strong" })).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Not now" }));
    await user.click(screen.getByRole("button", { name: "Throw it away" }));
    expect(screen.queryByText(/^A set of .* is begun/)).toBeNull();
    expect(localStorage.length).toBe(1);
  });

  it("asks for the page to stay open where the phone has no room for a set that waits", async () => {
    const full = jest.spyOn(IDBObjectStore.prototype, "put").mockImplementation(() => {
      throw new DOMException("No room.", "QuotaExceededError");
    });
    let isSilent = true;
    const { user } = page({
      [`GET /home/${TOKEN}`]: VIEW,
      [`POST /home/${TOKEN}/sets`]: () => (isSilent ? SILENT : { stored: [], clockAheadSeconds: 0 }),
    });
    await user.click(await screen.findByRole("button", { name: /Cross, left side/ }));
    await user.click(screen.getByRole("button", { name: "Clean" }));
    await user.click(screen.getByRole("button", { name: "Hand in" }));
    expect(
      await screen.findByText(/^1\sset waits on this phone.*leave this page open until then\.$/),
    ).toBeTruthy();
    isSilent = false;
    window.dispatchEvent(new Event("online"));
    expect(await screen.findByText(/^Handed in/)).toBeTruthy();
    full.mockRestore();
  });

  it("takes a number instead, and says what is wrong with one that cannot be", async () => {
    const { user, sent } = page({
      [`GET /home/${TOKEN}`]: VIEW,
      [`POST /home/${TOKEN}/sets`]: { stored: [], clockAheadSeconds: 0 },
    });
    await user.click(await screen.findByRole("button", { name: /Cross, left side/ }));
    await user.click(screen.getByRole("button", { name: "Type it instead" }));
    await user.click(screen.getByRole("button", { name: "Hand in" }));
    expect((await screen.findByRole("alert")).textContent).toBe("Type how many tries were clean, or missed.");
    await user.type(screen.getByLabelText("Clean tries"), "12");
    await user.type(screen.getByLabelText("Missed"), "3");
    await user.click(screen.getByRole("button", { name: "Hand in" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({ sets: [{ clean: 12, misses: [{ count: 3 }], bestStreak: 0 }] });
  });

  it("has a clock started before it runs, and hands in what was held without a tap", async () => {
    const [drill] = VIEW.drills;
    if (drill === undefined) throw new Error("no drill");
    const held: HomeView = { ...VIEW, drills: [{ ...drill, drill: { kind: "hold", seconds: 1 } }] };
    const { user, sent } = page({
      [`GET /home/${TOKEN}`]: held,
      [`POST /home/${TOKEN}/sets`]: { stored: [], clockAheadSeconds: 0 },
    });
    await user.click(await screen.findByRole("button", { name: /keep going for 1 s/ }));
    expect(screen.getByRole("button", { name: "Hand in" }).hasAttribute("disabled")).toBe(true);
    await user.click(screen.getByRole("button", { name: "Start the clock" }));
    expect(screen.queryByRole("button", { name: "Clean" })).toBeNull();
    expect(await screen.findByText(/^Done!/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Hand in" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({ sets: [{ seconds: 1, misses: [] }] });
  });

  it("opens as it was where nobody answers, and goes on counting where the page was closed", async () => {
    const first = page({ [`GET /home/${TOKEN}`]: VIEW });
    await first.user.click(await screen.findByRole("button", { name: /Cross, left side/ }));
    await first.user.click(screen.getByRole("button", { name: "Clean" }));
    cleanup();
    const second = page({ [`GET /home/${TOKEN}`]: SILENT, [`POST /home/${TOKEN}/sets`]: SILENT });
    expect(await screen.findByText(/1 clean/)).toBeTruthy();
    await second.user.click(screen.getByRole("button", { name: "Not now" }));
    await second.user.click(screen.getByRole("button", { name: "Go on with it" }));
    await second.user.click(screen.getByRole("button", { name: "Hand in" }));
    expect(await screen.findByText("1 set waits on this phone, until there is a network.")).toBeTruthy();
    expect(screen.getByText(/^As of /)).toBeTruthy();
  });

  it("hands in a set of another day as it was counted, on its day, and goes on with none", async () => {
    const first = page({ [`GET /home/${TOKEN}`]: VIEW });
    await first.user.click(await screen.findByRole("button", { name: /Cross, left side/ }));
    await first.user.click(screen.getByRole("button", { name: "Clean" }));
    await first.user.click(screen.getByRole("button", { name: "Missed" }));
    cleanup();
    const WEEK = 7 * 24 * 3_600_000;
    const key = `mirrup-home-counting ${TOKEN}`;
    const before = JSON.parse(localStorage.getItem(key) ?? "{}") as Counting;
    if (before.kept === null) throw new Error("Nothing was kept.");
    const { startedAt, lastTapAt } = before.kept;
    const kept = { ...before.kept, startedAt: startedAt - WEEK, lastTapAt: lastTapAt - WEEK };
    localStorage.setItem(key, JSON.stringify({ ...before, kept }));
    const { user, sent } = page({
      [`GET /home/${TOKEN}`]: VIEW,
      [`POST /home/${TOKEN}/sets`]: { stored: [], clockAheadSeconds: 0 },
    });
    expect(await screen.findByText(/^A set of cross, left side was begun on .*: 1\sclean/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Go on with it" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Hand it in as it is" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    const { sets } = sent[0]?.body as { readonly sets: readonly HomeSet[] };
    expect(sets).toMatchObject([{ id: before.id, clean: 1, misses: [{ position: 2 }] }]);
    const [set] = sets;
    expect(Date.parse(set?.at ?? "")).toBeLessThan(Date.now() - WEEK + 60_000);
    expect(set?.seconds).toBeLessThan(60);
    expect(localStorage.getItem(key)).toBeNull();
  });

  it("shows nothing once the link has ended, and keeps nothing of it", async () => {
    page({ [`GET /home/${TOKEN}`]: VIEW });
    await screen.findByText("basic bounce");
    cleanup();
    const { client } = page({ [`GET /home/${TOKEN}`]: new Refused(410, "This link has ended.") });
    expect(client).toBeTruthy();
    expect(await screen.findByText("This link has ended.")).toBeTruthy();
    expect(screen.queryByText("basic bounce")).toBeNull();
    expect(localStorage.getItem(`mirrup-home-view ${TOKEN}`)).toBeNull();
  });

  it("asks for rest where jumping has ended early", async () => {
    page({ [`GET /home/${TOKEN}`]: { ...VIEW, rest: "stopped", drills: [] } });
    expect(await screen.findByText(/Today is for rest/)).toBeTruthy();
  });
});
