import { afterEach, describe, expect, it, jest } from "@jest/globals";
import type { Membership, NextItem, StandingItem } from "@mirrup/contract";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { drawn, signedIn } from "../testing/drawn.js";
import { SkillPanel } from "./skill-panel.js";

const standing = (more: Partial<StandingItem> = {}): StandingItem => ({
  ...{ subject: "cross", side: "left", status: "working", bestStreak: 12, cleanChance: 0.86 },
  ...{ gate: { kind: "streak", count: 15 }, gateBest: 12, reviewDue: null, clearedBy: null, isStuck: false },
  ...{ lowReviews: 0, lastAt: "2026-06-01T17:00:00Z", unmet: [] },
  ...more,
});
const NEXT = {
  ...{ subject: "cross", side: "left", drill: { kind: "streak", count: 10 }, chance: 0.7, after: null },
  ...{ reason: { code: "near-gate", best: 12, gate: 15 }, tryGate: null },
} as unknown as NextItem;

function panel(
  items: readonly StandingItem[],
  { next = [], role = "coach" }: { next?: readonly NextItem[]; role?: Membership["role"] } = {},
) {
  const calls = { onClose: jest.fn(), onHold: jest.fn(), onPath: jest.fn() };
  const view = drawn(
    <SkillPanel
      {...{ studentId: "hana", subject: "cross", next, ...calls }}
      standing={new Map(items.map((item) => [item.side, item]))}
    />,
    {
      answers: {
        "GET /auth/session": signedIn(role),
        "GET /studio": { id: "s", name: "Yard", school: "steady-hold", settings: {}, version: 1 },
        "GET /students/hana/detail": { settings: {} },
        "GET /students/hana/ladder": { items: [] },
        "GET /students/hana/sets": { items: [] },
        "GET /students/hana/path": { steps: [], tries: { low: 0, expected: 0, high: 0 }, choices: [] },
        "POST /decisions": (body: unknown) => ({ changes: [], ...(body as object) }),
      },
    },
  );
  return { ...view, ...calls };
}
const left = () => within(screen.getByRole("region", { name: "Left side" }));

afterEach(cleanup);

describe("the bead in hand", () => {
  it("shows where a side stands in figures", () => {
    panel([standing()]);
    expect(left().getByText("Best in a row").nextElementSibling?.textContent).toBe("12");
    expect(left().getByText("Chance of a clean try").nextElementSibling?.textContent).toBe("86%");
    expect(left().getByText("Last practised").nextElementSibling?.textContent).toBe("1 June 2026");
  });

  it("shows no chance of what nobody has begun", () => {
    panel([standing({ status: "ready", bestStreak: 0, lastAt: null })]);
    expect(left().queryByText("Chance of a clean try")).toBeNull();
    expect(left().queryByText("Last practised")).toBeNull();
  });

  it.each<[string, Partial<StandingItem>, RegExp]>([
    [
      "rusty",
      { status: "rusty", reviewDue: "2026-05-01", clearedBy: "gate" },
      /Review due since 1 May 2026\./,
    ],
    ["taken as known", { status: "inferred" }, /Taken as known: something that needs it is cleared/],
    ["stuck", { isStuck: true }, /A gentler drill comes first/],
    ["cleared by hand", { status: "cleared", clearedBy: "hand" }, /cleared by hand/],
    [
      "locked",
      {
        status: "locked",
        unmet: [
          {
            ...{ subject: "side-swing", side: "left", gate: { kind: "streak", count: 20 } },
            ...{ need: 20, have: 5, short: 15, needIndex: 0, way: 0 },
          },
        ],
      },
      /Needs 15 more in a row of side swing, left side\./,
    ],
  ])("says why a side is %s", (_, more, words) => {
    panel([standing(more)]);
    expect(left().getByText(words)).toBeDefined();
  });

  it("offers the proposed drill, else to run the side", () => {
    panel([standing()], { next: [NEXT] });
    expect(left().getByRole("link", { name: /^10 in a row.*7 in 10\. Best is 12 of 15/ })).toBeDefined();
    expect(left().queryByRole("link", { name: /Run it/ })).toBeNull();
    cleanup();
    panel([standing({ status: "cleared" })]);
    expect(left().getByRole("link", { name: "Run it again" }).getAttribute("href")).toMatch(
      /floor\/cross\/left$/,
    );
    cleanup();
    panel([standing({ status: "locked" })]);
    expect(left().getByRole("link", { name: "Run it anyway" })).toBeDefined();
  });

  it("shows the way to what is not cleared, of both sides, and walks to its kin", async () => {
    const { user, onPath, onHold, onClose } = panel([standing()]);
    await user.click(screen.getByRole("button", { name: "Show the way to it" }));
    expect(onPath).toHaveBeenCalledWith({ subject: "cross", side: "both" });
    await user.click(screen.getByRole("button", { name: "held cross" }));
    expect(onHold).toHaveBeenCalledWith("held-cross");
    await user.click(screen.getByRole("button", { name: "Let go of the bead" }));
    expect(onClose).toHaveBeenCalledTimes(1);
    cleanup();
    panel([standing({ status: "cleared" }), standing({ side: "right", status: "inferred" })]);
    expect(screen.queryByRole("button", { name: "Show the way to it" })).toBeNull();
  });

  it("lets nobody decide who only looks", async () => {
    const { client } = panel([standing()], { role: "viewer" });
    await waitFor(() => expect(client.isFetching()).toBe(0));
    expect(screen.queryByRole("button", { name: "Clear by hand" })).toBeNull();
  });
});

describe("a decision by hand", () => {
  it("asks for a reason, and is sent with it", async () => {
    const { user, sent } = panel([standing()]);
    await user.click(await screen.findByRole("button", { name: "Clear by hand" }));
    const form = within(screen.getByRole("form", { name: "Decide about cross, left side" }));
    const clear = form.getByRole<HTMLButtonElement>("button", { name: "Clear" });
    expect(clear.disabled).toBe(true);
    await user.type(form.getByLabelText("Reason"), "  ");
    expect(clear.disabled).toBe(true);
    await user.type(form.getByLabelText("Reason"), "seen on Monday");
    await user.click(clear);
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({
      decisions: [
        {
          ...{ studentId: "hana", subject: "cross", side: "left", reason: "seen on Monday" },
          decision: { kind: "clear" },
        },
      ],
    });
  });

  it("reopens what is cleared, and sets a gate for the whole of a skill", async () => {
    const { user, sent } = panel([standing({ status: "cleared" })]);
    expect(await screen.findByRole("button", { name: "Reopen" })).toBeDefined();
    await user.click(screen.getByRole("button", { name: "Set the gate" }));
    const form = within(screen.getByRole("form"));
    await user.selectOptions(form.getByLabelText("Kind of gate"), "clean");
    await user.clear(form.getByLabelText("Gate"));
    await user.type(form.getByLabelText("Gate"), "12");
    await user.type(form.getByLabelText("Reason"), "show");
    await user.click(form.getByRole("button", { name: "Set" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    // No more can be clean than are tried.
    expect(sent[0]?.body).toMatchObject({
      decisions: [
        { side: "whole", decision: { kind: "override", gate: { kind: "clean", clean: 10, of: 10 } } },
      ],
    });
  });

  it("gives the school's gate back without a reason of one's own", async () => {
    const { user, sent } = panel([standing()]);
    await user.click(await screen.findByRole("button", { name: "Set the gate" }));
    await user.click(screen.getByRole("button", { name: "The school’s" }));
    await waitFor(() =>
      expect(sent[0]?.body).toMatchObject({
        decisions: [{ decision: { kind: "override", gate: null }, reason: "Back to the school’s gate." }],
      }),
    );
  });

  it("is left without a trace", async () => {
    const { user, sent } = panel([standing()]);
    await user.click(await screen.findByRole("button", { name: "Clear by hand" }));
    await user.click(screen.getByRole("button", { name: "Cancel" }));
    expect(screen.queryByRole("form")).toBeNull();
    expect(sent).toEqual([]);
  });
});
