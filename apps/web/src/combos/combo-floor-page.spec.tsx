import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { ComboView } from "@mirrup/contract";
import { act, cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { Route, Routes } from "react-router";
import { outbox } from "../device/index.js";
import { drawn, Refused, SILENT, signedIn, type Answers } from "../testing/drawn.js";
import { emptyOutbox, waitingSets } from "../testing/outbox.js";
import { ComboFloorPage } from "./combo-floor-page.js";

const COMBO = {
  ...{
    id: "nine",
    version: 2,
    name: "Nine",
    note: "Low hands",
    createdAt: "",
    linkedAt: null,
    isRemoved: false,
  },
  parts: [
    { subject: "cross", side: "right", score: "xr o", times: 1 },
    { subject: null, side: "whole", score: "(o o)", times: 1 },
    { subject: "cross", side: "right", score: "xr o", times: 1 },
  ],
} as unknown as ComboView;
const ADA = { id: "ada", name: "Ada Lowe", archived: false, dominantHand: "right", hasStopped: false };

function floor(step = "whole", more: Answers = {}, side = "whole") {
  return drawn(
    <Routes>
      <Route path="students/:studentId/combos/:comboId/:side/:step" element={<ComboFloorPage />} />
      <Route path="combos/:comboId" element={<h1>The combo</h1>} />
    </Routes>,
    {
      at: `/students/ada/combos/nine/${side}/${step}`,
      answers: {
        "GET /auth/session": signedIn("coach"),
        "GET /combos": { items: [COMBO] },
        "GET /students/ada": ADA,
        "GET /students/ada/standings": { items: [] },
        "GET /students/ada/combos": { items: [] },
        "GET /students/ada/combo-sets": { items: [] },
        "GET /studio": { id: "s", school: "steady-hold", settings: {} },
        "POST /sets": SILENT,
        "GET /health": SILENT,
        ...more,
      },
    },
  );
}
function press(key: string, times = 1) {
  for (let time = 0; time < times; time += 1) {
    fireEvent.keyDown(document.body, { key });
    fireEvent.keyUp(document.body, { key });
  }
}
const begins = () =>
  waitFor(() => expect(screen.getByRole("button", { name: /^Clean/ }).hasAttribute("disabled")).toBe(false));

beforeEach(() => outbox.read());
afterEach(async () => {
  cleanup();
  await emptyOutbox();
  localStorage.clear();
  sessionStorage.clear();
});

describe("a combo on the floor", () => {
  it("is counted as a whole, each miss put at its link by key or tap, and becomes a set of it", async () => {
    const { user } = floor("whole", {}, "right");
    await screen.findByRole("heading", { level: 1 });
    expect(screen.getByText("Low hands")).toBeDefined();
    await begins();
    press(" ");
    press("m");
    const where = within(await screen.findByRole("group", { name: "At which link did it miss?" }));
    const links = where.getAllByRole("button");
    expect(links.length).toBeGreaterThan(0);
    press("1");
    await waitFor(() => expect(screen.queryByRole("group", { name: /At which link/ })).toBeNull());
    press("m");
    const [again] = within(await screen.findByRole("group", { name: /At which link/ })).getAllByRole(
      "button",
    );
    if (again !== undefined) await user.click(again);
    press(" ", 2);
    press("Enter", 2);
    await screen.findByText(/Kept on this device\. It is sent as soon as the server answers\./);
    expect(waitingSets()).toHaveLength(1);
    const [set] = waitingSets();
    expect(set).toMatchObject({ studentId: "ada", subject: "combo:nine", side: "right", clean: 3 });
    expect(set?.misses.map(({ turn }) => typeof turn)).toEqual(["number", "number"]);
  });

  it("of a link asks no link, and goes on to what is next, the same again, or back to the combo", async () => {
    const { user, address } = floor("link1", {}, "right");
    await begins();
    press("m");
    expect(screen.queryByRole("group", { name: /At which link/ })).toBeNull();
    press(" ", 2);
    await user.click(screen.getByRole("button", { name: /^Finish/ }));
    await screen.findByRole("heading", { name: /^2 of \d clean$/ });
    await user.click(screen.getByRole("button", { name: "The same again" }));
    await begins();
    press(" ");
    press("Enter");
    await screen.findByRole("heading", { name: /^1 of \d clean$/ });
    const next = await screen.findByRole("button", { name: /^Next:/ });
    await waitFor(() => expect(next.hasAttribute("disabled")).toBe(false));
    await user.click(next);
    expect(address()).toMatch(/^\/students\/ada\/combos\/nine\//);
    expect(waitingSets()).toHaveLength(2);
  });

  it("ends where it hurts, and goes on where that was pressed by mistake", async () => {
    const { user } = floor("whole", {}, "right");
    await begins();
    await user.click(screen.getByRole("button", { name: "Pain: stop today" }));
    expect((await screen.findByRole("alert")).textContent).toContain("Ada Lowe");
    expect(screen.queryByRole("button", { name: /^Clean/ })).toBeNull();
    await user.click(screen.getByRole("button", { name: "It was pressed by mistake" }));
    await begins();
  });

  it("says what is wrong where there is no such combo or side, or it cannot be read", async () => {
    floor("whole", {}, "up");
    expect(await screen.findByText("There is no such combo")).toBeDefined();
    cleanup();
    floor("whole", { "GET /combos": { items: [] } }, "right");
    expect(await screen.findByText("There is no such combo")).toBeDefined();
    cleanup();
    floor("whole", { "GET /combos": new Refused(422, "Ask otherwise.") }, "right");
    expect(await screen.findByText("Ask otherwise.")).toBeDefined();
  });

  it("opens once where the sets before cannot be read, however often a part of it asks", async () => {
    let asked = 0;
    floor("whole", {
      "GET /students/ada/combo-sets": () => {
        asked += 1;
        return new Refused(503, "There is too much to do just now.");
      },
    });
    await begins();
    await act(() => new Promise((resolve) => setTimeout(resolve, 100)));
    expect(asked).toBeLessThanOrEqual(2);
    expect(screen.getByRole("button", { name: /^Clean/ })).toBeDefined();
  });
});
