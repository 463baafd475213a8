import { afterEach, describe, expect, it } from "@jest/globals";
import type { ComboView, Membership } from "@mirrup/contract";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { ShelfPage } from "./shelf-page.js";

const combo = (name: string, more: Partial<ComboView> = {}) =>
  ({
    ...{
      id: name.toLowerCase(),
      version: 2,
      name,
      note: "",
      createdAt: "",
      linkedAt: null,
      isRemoved: false,
    },
    parts: [{ subject: "cross", side: "right", score: "xr o", times: 2 }],
    ...more,
  }) as unknown as ComboView;

function shelf(
  combos: readonly ComboView[],
  role: Membership["role"] = "coach",
  more: Answers = {},
  at = "/combos",
) {
  return drawn(<ShelfPage />, {
    at,
    answers: {
      "GET /auth/session": signedIn(role),
      "GET /students": { items: [{ id: "ada", name: "Ada", archived: false, leadingSide: "right" }] },
      "GET /students/ada/combos": { items: [] },
      "GET /students/ada/standings": { items: [] },
      "GET /combos": { items: combos },
      "GET /studio": { id: "s", school: "steady-hold", settings: {} },
      ...more,
    },
  });
}
const saved = () => within(screen.getByRole("region", { name: "Saved combos" }));

afterEach(cleanup);

describe("the shelf of combos", () => {
  it("has what is saved, and not what was removed", async () => {
    shelf([combo("Nine"), combo("Old", { isRemoved: true })]);
    expect(await screen.findByRole("link", { name: "Nine" })).toBeDefined();
    expect(screen.queryByRole("link", { name: "Old" })).toBeNull();
  });

  it("finds by name, moves and score", async () => {
    const { user } = shelf([
      combo("Nine"),
      combo("Step", { parts: [{ subject: "skier", side: "whole", score: "o/r", times: 1 }] as never }),
    ]);
    const field = await screen.findByLabelText("Find a combo by its name, its moves or its score");
    await screen.findByRole("link", { name: "Nine" });
    for (const [words, found, left] of [
      ["nin", "Nine", "Step"],
      ["cross", "Nine", "Step"],
      ["skier", "Step", "Nine"],
    ] as const) {
      await user.clear(field);
      await user.type(field, words);
      expect(saved().queryByRole("link", { name: found })).not.toBeNull();
      expect(saved().queryByRole("link", { name: left })).toBeNull();
    }
    await user.clear(field);
    await user.type(field, "zzz");
    expect(screen.getByText("No saved combo matches “zzz”.")).toBeDefined();
    expect(screen.getByText("None of them matches “zzz”.")).toBeDefined();
  });

  it("leads on where nothing is saved yet", async () => {
    shelf([]);
    expect(await screen.findByText(/^No combo is saved yet\./)).toBeDefined();
    expect(screen.getByRole("link", { name: "Build one" })).toBeDefined();
    expect(
      within(screen.getByRole("region", { name: "To begin with" })).getAllByRole("link").length,
    ).toBeGreaterThan(3);
  });

  it("keeps for whom it is looked at", async () => {
    shelf([combo("Nine")], "coach", {}, "/combos?for=ada");
    expect((await screen.findByRole("link", { name: "Nine" })).getAttribute("href")).toMatch(
      /combos\/nine\?for=ada$/,
    );
    expect(await screen.findByText("Saved, as Ada stands with them")).toBeDefined();
    expect(screen.getByRole("link", { name: "Build one" }).getAttribute("href")).toMatch(/bench\?for=ada$/);
  });

  it("shows how somebody has each of its skills, once", async () => {
    const parts = [
      { subject: "cross", side: "right", score: "xr o", times: 2 },
      { subject: "cross", side: "left", score: "xl o", times: 1 },
      { subject: null, side: "whole", score: "o", times: 1 },
      { subject: "combo:nine", side: "right", score: "o", times: 1 },
    ];
    shelf([combo("Nine", { parts: parts as never })], "coach", {}, "/combos?for=ada");
    await screen.findByRole("link", { name: "Nine" });
    const skills = within(saved().getByRole("list", { name: "Its skills" }));
    expect(skills.getAllByRole("listitem").map(({ textContent }) => textContent)).toEqual(["cross"]);
  });

  it("shows nobody's skills where it is looked at for nobody", async () => {
    shelf([combo("Nine")]);
    await screen.findByRole("link", { name: "Nine" });
    expect(screen.queryByRole("list", { name: "Its skills" })).toBeNull();
  });

  it("removes a combo with a way back", async () => {
    const { user, sent } = shelf([combo("Nine")], "coach", {
      "PATCH /combos/nine": (body: unknown) => combo("Nine", { ...(body as object), version: 3 }),
    });
    await user.click(await screen.findByRole("button", { name: "More for Nine" }));
    await user.click(await screen.findByRole("menuitem", { name: "Remove from the shelf" }));
    await user.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent.map(({ body }) => body)).toEqual([
      { version: 2, isRemoved: true },
      { version: 3, isRemoved: false },
    ]);
  });

  it("lets a viewer remove nothing", async () => {
    const { client, user } = shelf([combo("Nine")], "viewer");
    await user.click(await screen.findByRole("button", { name: "More for Nine" }));
    await screen.findByRole("menuitem", { name: "Open on the bench" });
    await waitFor(() => expect(client.isFetching()).toBe(0));
    expect(screen.queryByRole("menuitem", { name: "Remove from the shelf" })).toBeNull();
  });

  it("says what could not be read", async () => {
    shelf([], "coach", { "GET /combos": new Refused(500, "It broke.") });
    expect(await screen.findByText("The combos could not be read")).toBeDefined();
  });
});
