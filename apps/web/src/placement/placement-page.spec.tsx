import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { DecisionRequest, DecisionView } from "@mirrup/contract";
import { act, cleanup, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { outbox } from "../device/index.js";
import { drawn, Refused, signedIn, SILENT, type Answers } from "../testing/drawn.js";
import { emptyOutbox } from "../testing/outbox.js";
import { PlacementPage } from "./placement-page.js";

const ADA = {
  ...{ id: "ada", version: 3, name: "Ada Lowe", archived: false, sameAs: null, school: null, groups: [] },
  ...{ strongerSide: null, dominantHand: "right", yearsJumping: null, birthYear: null, settings: {} },
};
const seen = (id: string, subject: string, answer: string, more: object = {}) => ({
  ...{ id, subject, side: "whole", isVoided: false, by: "Ansa", at: "2026-06-01T10:00:00.000Z", reason: "" },
  decision: { kind: "place", answer, seen: true },
  ...more,
});

/** A student's placement, and a server that keeps what was decided. */
function placement(known: readonly object[] = [], more: Answers = {}) {
  const decided = [...known] as DecisionView[];
  const take = (body: unknown) => {
    const { decisions } = body as { readonly decisions: readonly DecisionRequest[] };
    for (const one of decisions) {
      const { decision } = one;
      if (decision.kind === "void") {
        const at = decided.findIndex(({ id }) => id === decision.target);
        decided.splice(at, 1, { ...decided[at], isVoided: true } as DecisionView);
      } else decided.unshift({ ...one, isVoided: false } as unknown as DecisionView);
    }
    return { stored: decisions.map(({ id }) => id), alreadyStored: [], changes: [], opened: [] };
  };
  const view = drawn(
    <Routes>
      <Route path="students/:studentId/placement" element={<PlacementPage />} />
    </Routes>,
    {
      at: "/students/ada/placement",
      answers: {
        "GET /auth/session": signedIn("coach"),
        "GET /health": { status: "ok" },
        "GET /students/ada/detail": ADA,
        "GET /students/ada/decisions": () => ({ items: [...decided] }),
        "GET /studio": { id: "s", school: "steady-hold", settings: {} },
        "POST /decisions": take,
        ...more,
      },
    },
  );
  const said = () =>
    view.sent.flatMap(({ path, body }) =>
      path === "/decisions" ? (body as { decisions: readonly DecisionRequest[] }).decisions : [],
    );
  return { ...view, said };
}
const asked = async () => (await screen.findAllByRole("heading", { level: 2 }))[0]?.textContent ?? "";
const concluded = () => within(screen.getByRole("complementary", { name: "What is concluded" }));

beforeEach(() => outbox.read());
afterEach(async () => {
  cleanup();
  await emptyOutbox();
});

describe("placement", () => {
  it("asks one skill after another, each answer in the log at once, by key or tap", async () => {
    const { user, said } = placement();
    await screen.findByText(/^A dozen skills are enough/);
    const first = await asked();
    expect(concluded().getByText("Nothing yet.")).toBeDefined();
    await user.keyboard("1");
    await waitFor(() => expect(said()).toHaveLength(1));
    expect(said()[0]).toMatchObject({
      studentId: "ada",
      decision: { kind: "place", answer: "clean", seen: true },
    });
    await screen.findByText(/^1 skill asked\. About \d+\s?% of all sides/);
    expect(concluded().getAllByRole("listitem")[0]?.textContent).toMatch(/: clean/);
    // A skill with two sides stays until both are answered.
    for (let presses = 0; (await asked()) === first && presses < 2; presses += 1) await user.keyboard("3");
    expect(await asked()).not.toBe(first);
    const second = await asked();
    const [no] = screen.getAllByRole("button", { name: /^No/ });
    if (no !== undefined) await user.click(no);
    await waitFor(() => expect(said().at(-1)).toMatchObject({ decision: { answer: "no" } }));
    expect(said().every(({ subject }) => typeof subject === "string")).toBe(true);
    expect(second).not.toBe("Placed");
  });

  it("goes on with what was answered before, and takes the last answer back", async () => {
    const { user, said } = placement([
      seen("b", "cross", "nearly", { side: "left" }),
      seen("a", "basic-bounce", "clean"),
      seen("c", "skier", "no", { isVoided: true }),
    ]);
    await screen.findByText(/^2 skills asked/);
    const lines = () => concluded().getAllByRole("button", { name: "Take back" });
    expect(lines()).toHaveLength(2);
    await user.click(screen.getByRole("button", { name: "Undo: cross (Z)" }));
    await screen.findByText(/^1 skill asked/);
    expect(said()[0]).toMatchObject({
      subject: "cross",
      side: "left",
      decision: { kind: "void", target: "b" },
    });
    expect(lines()).toHaveLength(1);
    await user.keyboard("z");
    await screen.findByText(/^A dozen skills are enough/);
    expect(screen.queryByRole("button", { name: /^Undo:/ })).toBeNull();
  });

  it("asks something else where a skill is passed over, and nothing is said of it", async () => {
    const { user, said } = placement();
    await screen.findByText(/^A dozen/);
    const first = await asked();
    await user.click(screen.getByRole("button", { name: "Ask something else" }));
    await waitFor(async () => expect(await asked()).not.toBe(first));
    expect(said()).toEqual([]);
  });

  it("takes an answer off again that the server refuses, and keeps one that nobody hears", async () => {
    const refused = placement([], { "POST /decisions": new Refused(422, "Not of this student.") });
    await screen.findByText(/^A dozen/);
    await refused.user.keyboard("1");
    await screen.findByText("Not of this student.");
    await screen.findByText(/^A dozen skills are enough/);
    cleanup();
    for (const one of outbox.current().refused) await act(() => outbox.discard(one));
    const silent = placement([], { "POST /decisions": SILENT, "GET /health": SILENT });
    await screen.findByText(/^A dozen/);
    await silent.user.keyboard("1");
    await screen.findByText(/^1 skill asked/);
    expect(outbox.current().waiting).toHaveLength(1);
  });

  it("takes what is likely as known, as a guess that nobody saw", async () => {
    const { user, said } = placement([
      seen("a", "double-under", "clean"),
      seen("b", "cross", "clean", { side: "left" }),
      seen("c", "cross", "clean", { side: "right" }),
    ]);
    await screen.findByText(/^2 skills asked/);
    const button = await concluded().findByRole("button", { name: /^Take the \d+ likeliest as known/ });
    const count = Number(/\d+/.exec(button.textContent)?.[0]);
    await user.click(button);
    await waitFor(() => expect(said()).toHaveLength(count));
    expect(said().map(({ decision }) => decision)).toEqual(
      Array.from({ length: count }, () => ({ kind: "place", answer: "clean", seen: false })),
    );
    await screen.findByText(`${count} likely sides are taken as known.`);
  });

  it("is begun with the years of jumping, within what can be", async () => {
    const { user, sent } = placement([], { "PATCH /students/ada": { ...ADA, yearsJumping: 2 } });
    const years = await screen.findByLabelText("Years of jumping, if known");
    await user.type(years, "2.5");
    await user.tab();
    await waitFor(() => expect(sent.at(-1)?.body).toEqual({ version: 3, yearsJumping: 2.5 }));
    await user.clear(years);
    await user.type(years, "200");
    await user.tab();
    await waitFor(() => expect(sent.at(-1)?.body).toEqual({ version: 3, yearsJumping: 80 }));
  });

  it("says what it could not begin by", async () => {
    placement([], { "GET /students/ada/detail": new Refused(422, "No such record.") });
    expect(await screen.findByText("No such record.")).toBeDefined();
  });
});
