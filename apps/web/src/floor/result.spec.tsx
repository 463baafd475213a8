import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { SetRequest, StandingChange } from "@mirrup/contract";
import { cleanup, screen } from "@testing-library/react";
import { drawn } from "../testing/drawn.js";
import { Result } from "./result.js";
import type { Lead } from "./use-lead.js";
import type { Outcome } from "./use-outcome.js";

const SET: SetRequest = {
  ...{ id: "0199c1b2-0000-7000-8000-000000000002", studentId: "hana", subject: "cross", side: "left" },
  ...{ drill: { kind: "streak", count: 10 }, clean: 9, bestStreak: 6, countedBy: "tapped" },
  ...{ misses: [{ count: 1 }], at: "2026-06-01T17:00:00.000Z" },
};
const LEAD: Lead = { name: "Next: cross", why: "9 in 10.", address: "/next", go: jest.fn() };
const SUGGESTION = { title: "Say: low hands", why: "Twice.", to: null, onGo: () => undefined };
const change = (from: string, to: string) =>
  ({
    ...{ studentId: "hana", subject: "cross", side: "left", from, to, bestStreak: 6, cleanChance: 0.9 },
    gate: { kind: "streak", count: 15 },
  }) as unknown as StandingChange;
const stored = (one?: StandingChange): Outcome => ({
  ...{ kind: "stored", change: one },
  opened: one === undefined ? [] : [{ studentId: "hana", subject: "held-cross", side: "left" }],
});

function shown(outcome: Outcome, lead: Lead | null = LEAD, set = SET) {
  return drawn(<Result set={set} outcome={outcome} standings={[]} suggestion={SUGGESTION} lead={lead} />, {
    answers: { "GET /students/hana/load": { today: {}, landings: 0 } },
  });
}

afterEach(cleanup);

describe("what became of a set", () => {
  it.each<[string, Outcome, string, RegExp]>([
    ["while it is sent", { kind: "sending" }, "Set finished", /kept on this device and being sent/],
    ["without a server", { kind: "kept" }, "Kept on this device", /does not answer just now/],
    ["signed out", { kind: "signed-out" }, "Kept on this device", /when you sign in again/],
    [
      "refused",
      { kind: "refused", message: "No such student." },
      "Not stored",
      /No such student\. The set waits on this device under “needs attention”/,
    ],
    [
      "cleared",
      stored(change("working", "cleared")),
      "Cleared: cross, left side",
      /gate was 15 in a row; best in a row is 6/,
    ],
    ["cleared before", stored(change("cleared", "cleared")), "Cross, left side: still clear", /gate was/],
    [
      "stored",
      stored(change("working", "working")),
      "9 of 10 clean",
      /the gate is 15 in a row.*now comes 9 in 10/,
    ],
    ["stored without a change", stored(), "9 of 10 clean", /^$/],
  ])("%s is said in a heading and a sentence", (_, outcome, heading, sentence) => {
    shown(outcome);
    const title = screen.getByRole("heading", { level: 2 });
    expect(title.textContent).toBe(heading);
    expect(title.parentElement?.nextElementSibling?.textContent).toMatch(sentence);
  });

  it("is read out as it changes", () => {
    shown({ kind: "kept" });
    expect(screen.getAllByRole("status")[0]?.textContent).toContain("9 clean, 1 missed (90% clean).");
  });

  it("tells what it opened, once it is stored", () => {
    shown(stored(change("working", "cleared")));
    expect(screen.getByText("Opened:").parentElement?.textContent).toBe("Opened: held cross, left side.");
  });

  it("offers what is next and what the set itself suggests, but not before it was sent", async () => {
    shown({ kind: "sending" });
    expect(screen.queryByRole("button", { name: /^Next/ })).toBeNull();
    expect(screen.queryByText("Say: low hands")).toBeNull();
    cleanup();
    const { user } = shown({ kind: "kept" });
    await user.click(screen.getByRole("button", { name: /^Next: cross/ }));
    expect(LEAD.go).toHaveBeenCalledTimes(1);
    expect(screen.getByText("Say: low hands")).toBeDefined();
  });

  it("proposes one thing once, where set and lead agree", () => {
    const to = { address: "/next", name: "Go" };
    drawn(
      <Result
        {...{ set: SET, outcome: { kind: "kept" }, standings: [], lead: LEAD }}
        suggestion={{ ...SUGGESTION, to }}
      />,
    );
    expect(screen.queryByText("Say: low hands")).toBeNull();
  });

  it("draws the rhythm of a set that kept its times, and of no other", () => {
    const ticks = [0, 500, 1000, 1520, 2000, 2500].map((at) => at);
    shown({ kind: "kept" }, null, { ...SET, ticks });
    expect(document.querySelector("svg")).not.toBeNull();
    cleanup();
    shown({ kind: "kept" }, null);
    expect(document.querySelector("svg")).toBeNull();
  });
});
