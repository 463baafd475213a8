import { afterEach, describe, expect, it } from "@jest/globals";
import type { HomePracticeView, SetView } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { HomePracticePage } from "./home-page.js";
import { PractisedAtHomeNote } from "./practised-note.js";

const setOf = (id: string, more: Partial<SetView> = {}): SetView => ({
  ...{ id, studentId: "ada", subject: "cross", side: "left", drill: { kind: "streak", count: 15 } },
  ...{ clean: 8, misses: [], bestStreak: 8, countedBy: "student", at: "2026-06-01T12:00:00.000Z", note: "" },
  ...more,
});
const NONE: HomePracticeView = { link: null, isGrown: false, sets: [] };
const SENT = { stored: [], alreadyStored: [], changes: [], opened: [] };

function page(view: HomePracticeView, more: Answers = {}, role: "coach" | "viewer" = "coach") {
  return drawn(
    <Routes>
      <Route path="students/:studentId/home" element={<HomePracticePage />} />
    </Routes>,
    {
      at: "/students/ada/home",
      answers: {
        "GET /auth/session": signedIn(role),
        "GET /students/ada/home": view,
        "POST /decisions": SENT,
        ...more,
      },
    },
  );
}
afterEach(cleanup);

describe("practice at home", () => {
  it("asks for a guardian's word before a link for a minor is made, and shows the link once", async () => {
    const made = { token: "abcdefghijklmnopqrstuvwxyz", madeAt: "", expiresAt: "2026-09-01T00:00:00.000Z" };
    const { user, sent } = page(NONE, { "POST /students/ada/home": made });
    const button = await screen.findByRole("button", { name: "Make the link" });
    expect(button.hasAttribute("disabled")).toBe(true);
    await user.click(screen.getByRole("checkbox", { name: /parent or guardian knows/ }));
    await user.click(button);
    expect(sent.at(-1)).toEqual({
      ...{ method: "POST", path: "/students/ada/home" },
      body: { days: 90, agreed: true },
    });
    const link = await screen.findByLabelText("The link, shown this once");
    expect((link as HTMLInputElement).value).toMatch(/\/home\/abcdefghijklmnopqrstuvwxyz$/);
    expect(await screen.findByAltText("A square that a phone reads as the link")).toBeTruthy();
    // Made on the machine itself, it would lead a phone to the phone.
    expect(screen.getByRole("note").textContent).toContain("No phone reaches this address");
  });

  it("asks nobody for whoever is grown, and says why a link was not made", async () => {
    const { user } = page(
      { ...NONE, isGrown: true },
      {
        "POST /students/ada/home": new Refused(422, "Whoever is archived practises with nobody."),
      },
    );
    const button = await screen.findByRole("button", { name: "Make the link" });
    expect(screen.queryByRole("checkbox")).toBeNull();
    await user.click(button);
    expect(await screen.findByText("Whoever is archived practises with nobody.")).toBeTruthy();
  });

  it("accepts a set, or leaves it out, by a decision about it", async () => {
    const { user, sent } = page({ ...NONE, sets: [setOf("a"), setOf("b", { side: "right" })] });
    const [first] = await screen.findAllByRole("button", { name: "Accept" });
    if (first === undefined) throw new Error("nothing to accept");
    await user.click(first);
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({
      decisions: [{ subject: "cross", side: "left", decision: { kind: "accept", target: "a" } }],
    });
    await waitFor(() => expect(screen.queryAllByRole("button", { name: "Accept" })).toHaveLength(1));
    await user.click(screen.getByRole("button", { name: "Leave out" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]?.body).toMatchObject({ decisions: [{ decision: { kind: "void", target: "b" } }] });
    expect(await screen.findByText("Nothing waits to be looked at.")).toBeTruthy();
  });

  it("accepts all at once", async () => {
    const { user, sent } = page({ ...NONE, sets: [setOf("a"), setOf("b")] });
    await user.click(await screen.findByRole("button", { name: "Accept all 2" }));
    await waitFor(() => expect(sent).toHaveLength(1));
    const { decisions } = sent[0]?.body as { readonly decisions: readonly { readonly decision: object }[] };
    expect(decisions.map(({ decision }) => decision)).toEqual([
      { kind: "accept", target: "a" },
      { kind: "accept", target: "b" },
    ]);
  });

  it("is looked at by a viewer, who changes nothing", async () => {
    page({ ...NONE, sets: [setOf("a")] }, {}, "viewer");
    expect(await screen.findByText(/8 clean/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: /Accept|Make|Leave/ })).toBeNull();
  });
});

describe("who has practised at home", () => {
  it("is told with a way to their sets, and not at all where nobody has", async () => {
    const note = (items: readonly object[]) =>
      drawn(<PractisedAtHomeNote />, { answers: { "GET /practised-at-home": { items } } });
    note([{ studentId: "ada", name: "Ada Fen", sets: 2, lastAt: "" }]);
    const link = await screen.findByRole("link", { name: "Ada Fen: 2 sets" });
    expect(link.getAttribute("href")).toMatch(/\/students\/ada\/home$/);
    cleanup();
    note([]);
    await waitFor(() => expect(screen.queryByText("Practised at home")).toBeNull());
  });
});
