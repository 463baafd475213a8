import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { ComboView, Membership, NewCombo } from "@mirrup/contract";
import { COMBO_LIMITS } from "@mirrup/core/combos";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { drawn, Refused, signedIn, SILENT, type Answers } from "../testing/drawn.js";
import { BenchPage } from "./bench-page.js";

const KEPT = {
  ...{
    id: "00000000-0000-7000-8000-000000000001",
    version: 1,
    name: "Nine",
    note: "Slowly.",
    isRemoved: false,
  },
  parts: [{ subject: "cross", side: "right", score: "xr o", times: 1 }],
} as unknown as ComboView;

function bench(at: string, more: Answers = {}, role: Membership["role"] = "coach") {
  // What is written into the address goes by the browser's.
  window.history.replaceState(null, "", `/combos/bench${at}`);
  return drawn(
    <Routes>
      <Route path="combos/bench" element={<BenchPage />} />
      <Route path="combos/:comboId" element={<p>The combo</p>} />
    </Routes>,
    {
      at: `/combos/bench${at}`,
      answers: {
        "GET /auth/session": signedIn(role),
        "GET /combos": { items: [KEPT] },
        "GET /grid": { sides: [], students: [] },
        "GET /students": { items: [] },
        "GET /studio": { id: "s", school: "steady-hold", settings: {} },
        "POST /combos": (body: unknown) => ({ items: (body as { combos: readonly NewCombo[] }).combos }),
        ...more,
      },
    },
  );
}
const line = () => screen.findByRole("list", { name: "The line" });
/** The parts that lie there, as scores with how often. */
async function parts() {
  const items = within(await line()).getAllByRole("listitem");
  return items.map((item) => {
    const times = within(item)
      .getByLabelText(/^\d+ times$/)
      .textContent.slice(1);
    return `${item.querySelector("code")?.textContent ?? ""} ×${times}`;
  });
}
async function press({ user }: ReturnType<typeof drawn>, name: string | RegExp) {
  await waitFor(() => expect(isShut(name)).toBe(false));
  await user.click(screen.getByRole("button", { name, hidden: true }));
}
const isShut = (name: string | RegExp) =>
  screen.getByRole<HTMLButtonElement>("button", { name, hidden: true }).disabled;

beforeEach(() => {
  sessionStorage.clear();
  localStorage.clear();
});
afterEach(cleanup);

describe("the bench", () => {
  it("is empty at first, and takes what is added from the list, found by its name", async () => {
    const view = bench("");
    expect(await screen.findByText(/^The bench is empty\./)).toBeTruthy();
    for (const name of ["Mirror all", "Once more", "Remove", "Clear the bench", "Undo", "Save the combo"])
      expect([name, isShut(name)]).toEqual([name, true]);
    await view.user.type(screen.getByRole("textbox", { name: "Find a skill or combo to add" }), "cross");
    await press(view, "Add cross, left side");
    await press(view, "Add cross, left side");
    expect(await parts()).toEqual(["xl o ×2"]);
    expect(screen.getByText("Can be jumped.")).toBeTruthy();
  });

  it("takes every step back, and does it again", async () => {
    const view = bench("?parts=cross:right,basic-bounce");
    // A short list is a quick one.
    await view.user.type(
      await screen.findByRole("textbox", { name: "Find a skill or combo to add" }),
      "no such",
    );
    const first = await parts();
    await press(view, /^Choose cross, right/);
    await press(view, "Mirror 1");
    expect(await parts()).toEqual(["xl o ×1", "o ×1"]);
    await press(view, /^Choose bounce|^Choose basic bounce/);
    await press(view, "Once more");
    expect(await parts()).toEqual(["xl o ×1", "o ×1", "o ×1"]);
    await press(view, /^Choose .*place 3$/);
    await press(view, "Remove");
    await press(view, /^Basic bounce, place 2: once more|^basic bounce, place 2: once more/);
    expect(await parts()).toEqual(["xl o ×1", "o ×2"]);
    for (let step = 0; step < 4; step++) await press(view, "Undo");
    expect(await parts()).toEqual(first);
    expect(isShut("Undo")).toBe(true);
    await view.user.keyboard("{Control>}y{/Control}");
    expect(await parts()).toEqual(["xl o ×1", "o ×1"]);
    await press(view, "Clear the bench");
    expect(await screen.findByText(/^The bench is empty\./)).toBeTruthy();
    expect(isShut("Redo")).toBe(true);
  });

  it("says what an address asks for that nobody here knows, until something is changed", async () => {
    const view = bench("?parts=moonwalk,cross:right,cross:whole");
    expect(await parts()).toEqual(["xr o ×1"]);
    const note = within(screen.getByRole("alert"));
    expect(note.getByText(/^2\sparts left out$/)).toBeTruthy();
    expect(note.getByText(/such as moonwalk and cross:whole\./)).toBeTruthy();
    await press(view, "Mirror all");
    await waitFor(() => expect(screen.queryByText(/left out$/)).toBeNull());
  });

  it("says what does not join and mends it", async () => {
    const view = bench("?parts=side-swing:right~,cross:left");
    const { sent } = view;
    const faults = within(await screen.findByRole("region", { name: "What does not join" }));
    expect(isShut("Save the combo")).toBe(true);
    expect(screen.getByText("It can be saved once every join is mended.")).toBeTruthy();
    const [mend] = faults.getAllByRole("button");
    await view.user.click(mend ?? document.body);
    expect(await screen.findByText("Can be jumped.")).toBeTruthy();
    expect(isShut("Save the combo")).toBe(false);
    expect(sent).toEqual([]);
  });

  it("takes a score that is typed, and shows the line as one", async () => {
    const view = bench("?parts=cross:right");
    await press(view, "Edit the line as text");
    const field = screen.getByRole<HTMLTextAreaElement>("textbox", { name: /score/i });
    expect(field.value).toBe("xr o");
    await view.user.clear(field);
    await view.user.type(field, "o o xl o");
    await press(view, "Replace the line");
    expect(await parts()).toEqual(["o ×2", "xl o ×1"]);
    expect(field.value).toBe("");
  });

  it("is full with as many parts as a combo may have, and says so", async () => {
    const many = Array.from({ length: COMBO_LIMITS.parts }, (_, place) =>
      place % 2 === 0 ? "cross:right" : "basic-bounce",
    );
    sessionStorage.setItem("mirrup-bench", many.join(","));
    bench("");
    expect(await screen.findByText(/^The bench is full: 400 parts\./)).toBeTruthy();
  }, 60_000);
});

describe("what lies on the bench", () => {
  it("is saved once, also where the answer to it was lost, and leads to its page", async () => {
    const said: NewCombo[][] = [];
    const view = bench("?parts=cross:right&for=ada", {
      "POST /combos": (body: unknown) => {
        const { combos } = body as { combos: NewCombo[] };
        said.push(combos);
        return said.length === 1 ? SILENT : { items: combos };
      },
    });
    await view.user.type(await screen.findByRole("textbox", { name: "Note" }), " Elbows in ");
    await press(view, "Save the combo");
    await waitFor(() => expect(said).toHaveLength(1));
    await waitFor(() => expect(isShut("Save the combo")).toBe(false));
    await press(view, "Save the combo");
    expect(await screen.findByText("The combo")).toBeTruthy();
    expect(said[1]).toEqual(said[0]);
    expect(said[0]).toMatchObject([{ name: "Cross", note: "Elbows in" }]);
    expect(view.address()).toBe(`/combos/${said[0]?.[0]?.id ?? ""}?for=ada`);
  });

  it("has the note of the combo that it began as, and another name where one is typed", async () => {
    const view = bench(`?parts=cross:right&from=${KEPT.id}`);
    expect((await screen.findByRole<HTMLTextAreaElement>("textbox", { name: "Note" })).value).toBe("Slowly.");
    const name = screen.getByRole("textbox", { name: "Save it as" });
    await view.user.clear(name);
    expect(isShut("Save the combo")).toBe(true);
    await view.user.type(name, "Ten{Enter}");
    await waitFor(() => expect(view.sent[0]?.body).toMatchObject({ combos: [{ name: "Ten" }] }));
  });

  it("stays where saving is refused, which says why", async () => {
    const view = bench("?parts=cross:right", { "POST /combos": new Refused(400, "Too many combos.") });
    await press(view, "Save the combo");
    expect(await screen.findByText("Too many combos.")).toBeTruthy();
    expect(await parts()).toEqual(["xr o ×1"]);
  });

  it("is saved by coaches and owners alone", async () => {
    bench("?parts=cross:right", {}, "viewer");
    expect(await screen.findByText("Coaches and owners can save combos.")).toBeTruthy();
    expect(isShut("Save the combo")).toBe(true);
  });

  it("cannot be shown without the combos, which says so", async () => {
    bench("", { "GET /combos": new Refused(500, "Nobody knows.") });
    expect(await screen.findByText("The bench could not be opened")).toBeTruthy();
  });
});
