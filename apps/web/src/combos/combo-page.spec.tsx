import { afterEach, describe, expect, it } from "@jest/globals";
import type { ComboView, Membership } from "@mirrup/contract";
import { act, cleanup, screen, waitFor, within } from "@testing-library/react";
import { Outlet, Route, Routes } from "react-router";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { ComboPage } from "./combo-page.js";

const COMBO = {
  ...{ id: "nine", version: 2, name: "Nine", note: "", createdAt: "", linkedAt: null, isRemoved: false },
  parts: [
    { subject: "cross", side: "right", score: "xr o", times: 1 },
    { subject: null, side: "whole", score: "(o o)", times: 1 },
  ],
} as unknown as ComboView;
const ADA = {
  ...{ id: "ada", name: "Ada Lowe", archived: false, dominantHand: "right" },
  ...{ heightMm: null, ropeLengthMm: null, groups: [] },
};
const standing = (more: object = {}) => ({
  ...{ comboId: "nine", side: "right", status: "ready", gateBest: 2, cleanChance: 0.5, reviewDue: null },
  ...more,
});

function combo(at: string, more: Answers = {}, role: Membership["role"] = "coach") {
  return drawn(
    <Routes>
      <Route path="combos" element={<Outlet />}>
        <Route path=":comboId" element={<ComboPage />} />
      </Route>
    </Routes>,
    {
      at,
      answers: {
        "GET /auth/session": signedIn(role),
        "GET /students": { items: [ADA] },
        "GET /students/archived": { items: [] },
        "GET /students/ada/detail": ADA,
        "GET /students/ada/standings": { items: [] },
        "GET /students/ada/combos": { items: [standing()] },
        "GET /students/ada/combo-sets": { items: [] },
        "GET /standings": { items: [] },
        "GET /grid": { students: [], sides: [] },
        "GET /combos": { items: [COMBO] },
        "GET /studio": { id: "s", school: "steady-hold", settings: {} },
        ...more,
      },
    },
  );
}
const learn = async () => within(await screen.findByRole("region", { name: "Learn it" }));
const bench = () => screen.getByRole("link", { name: /bench/ }).getAttribute("href");

afterEach(cleanup);

describe("a combo's page", () => {
  it("asks for a student where nobody is chosen, or nobody whom the studio has", async () => {
    for (const at of ["/combos/nine", "/combos/nine?for=nobody"]) {
      combo(at);
      const ladder = await learn();
      expect(await ladder.findByText(/^Choose a student above/)).toBeDefined();
      expect(ladder.queryByRole("link", { name: "Go to the floor" })).toBeNull();
      expect(bench()).not.toContain("for=");
      cleanup();
    }
  });

  it("forgets nobody while it is not known yet who they are", async () => {
    let answer: (value: unknown) => void = () => undefined;
    combo("/combos/nine?for=ada", { "GET /students": () => new Promise((resolve) => (answer = resolve)) });
    const ladder = await learn();
    expect(ladder.queryByText(/^Choose a student above/)).toBeNull();
    expect(bench()).toContain("for=ada");
    await act(async () => {
      answer({ items: [ADA] });
      await Promise.resolve();
    });
    expect(await ladder.findByText("Ada Lowe: ready as written.")).toBeDefined();
    expect(bench()).toContain("for=ada");
  });

  it("says how far it has come, and leads to the floor where it is open", async () => {
    combo("/combos/nine?for=ada");
    const ladder = await learn();
    expect((await ladder.findByText(/^Gate: 4 clean of 5/)).textContent).toMatch(
      /best so far 2\. A clean try/,
    );
    const [first] = ladder.getAllByRole("link", { name: "Go to the floor" });
    expect(first?.getAttribute("href")).toMatch(/\/students\/ada\/combos\/nine\/right\/link1$/);
    cleanup();
    combo("/combos/nine?for=ada", {
      "GET /students/ada/combos": { items: [standing({ status: "locked" })] },
    });
    const locked = await learn();
    expect(await locked.findByText(/More than one of its skills is not cleared yet/)).toBeDefined();
    expect(locked.queryByRole("link", { name: "Go to the floor" })).toBeNull();
  });

  it("is mirrored, by the address", async () => {
    const { user, address } = combo("/combos/nine");
    await user.click((await learn()).getByRole("radio", { name: "mirrored" }));
    await waitFor(() => expect(address()).toContain("side=left"));
    cleanup();
    combo("/combos/nine?for=ada&side=left", {
      "GET /students/ada/combos": { items: [standing(), standing({ side: "left", status: "cleared" })] },
    });
    expect(await (await learn()).findByText("Ada Lowe: cleared mirrored.")).toBeDefined();
  });

  it("is called otherwise, by a name that is one", async () => {
    const { user, sent } = combo("/combos/nine", { "PATCH /combos/nine": { ...COMBO, name: "Ten" } });
    await user.click(await screen.findByRole("button", { name: "Rename" }));
    const field = screen.getByRole("textbox", { name: "Name" });
    await user.clear(field);
    await user.type(field, "  ");
    expect(screen.getByRole("button", { name: "Rename" }).hasAttribute("disabled")).toBe(true);
    await user.type(field, "{Enter}");
    expect(sent).toEqual([]);
    await user.type(field, "Ten {Enter}");
    await waitFor(() => expect(screen.queryByRole("textbox", { name: "Name" })).toBeNull());
    expect(sent).toEqual([{ method: "PATCH", path: "/combos/nine", body: { version: 2, name: "Ten" } }]);
  });

  it("goes back on the shelf from which it was removed, by who may teach", async () => {
    const removed = { "GET /combos": { items: [{ ...COMBO, isRemoved: true }] } };
    const { user, sent } = combo("/combos/nine", { ...removed, "PATCH /combos/nine": COMBO });
    expect(await screen.findByText("Removed from the shelf.")).toBeDefined();
    await user.click(await screen.findByRole("button", { name: "Put back on the shelf" }));
    await waitFor(() => expect(sent.map(({ body }) => body)).toEqual([{ version: 2, isRemoved: false }]));
    cleanup();
    combo("/combos/nine", removed, "viewer");
    await screen.findByText("Removed from the shelf.");
    for (const name of ["Rename", "Put back on the shelf", "Remove from the shelf"])
      expect(screen.queryByRole("button", { name })).toBeNull();
  });

  it("says what is wrong where it is not there, or cannot be read", async () => {
    combo("/combos/ten");
    expect(await screen.findByText("There is no such combo")).toBeDefined();
    cleanup();
    combo("/combos/nine", { "GET /combos": new Refused(422, "Ask for something else.") });
    expect(await screen.findByText("Ask for something else.")).toBeDefined();
  });
});
