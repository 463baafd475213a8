import { afterEach, describe, expect, it } from "@jest/globals";
import type { ComboView } from "@mirrup/contract";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { FreestylePage } from "./freestyle-page.js";

const combo = (id: string, name: string, subject: string, score: string, more: Partial<ComboView> = {}) => ({
  ...{
    id,
    name,
    version: 1,
    note: "",
    createdAt: "2026-05-01T10:00:00Z",
    linkedAt: null,
    isRemoved: false,
  },
  parts: [{ subject, side: "right", score, times: 4 }],
  ...more,
});
const SHELF = [
  combo("a", "Swing lane", "side-swing", "sr"),
  combo("b", "Open lane", "cross", "xr o"),
  combo("c", "Off the shelf", "skier", "o o", { isRemoved: true }),
];

const page = (at = "/combos/freestyle", more: Answers = {}) =>
  drawn(<FreestylePage />, {
    at,
    answers: {
      "GET /auth/session": signedIn("coach"),
      "GET /combos": { items: SHELF },
      "GET /students": { items: [] },
      "GET /studio": { id: "s", school: "steady-hold", settings: {} },
      ...more,
    },
  });
const round = async () => within(await screen.findByRole("region", { name: "The round" }));

afterEach(cleanup);

describe("a freestyle round", () => {
  it("is of what stands on the shelf, each once, in as long as is asked, and runs by the clock", async () => {
    page("/combos/freestyle?seconds=60&rest=6");
    const shown = await round();
    const [heading] = shown.getAllByRole("heading");
    expect(heading?.textContent).toMatch(/^2 combos in .* of 1 min$/);
    const names = shown.getAllByRole("link").map((one) => one.textContent);
    expect(names.toSorted()).toEqual(["Open lane", "Swing lane"]);
    const [first] = shown.getAllByRole("listitem");
    expect(first?.textContent).toMatch(/^0:00/);
    expect(screen.queryByRole("checkbox", { name: "Off the shelf" })).toBeNull();
    expect(screen.getByRole("link", { name: "Run the round by the clock" }).getAttribute("href")).toMatch(
      /\/combos\/freestyle\/clock\?seconds=60&rest=6$/,
    );
  });

  it("leaves out what is not ticked, and says what fits nowhere", async () => {
    const { user, address } = page();
    await user.click(await screen.findByRole("checkbox", { name: "Swing lane" }));
    expect(address()).toBe("/combos/freestyle?out=a");
    expect((await round()).queryByRole("link", { name: "Swing lane" })).toBeNull();
    await user.click(screen.getByRole("checkbox", { name: "Open lane" }));
    expect((await round()).getByText(/^Nothing fits\./)).toBeDefined();
    expect(screen.queryByRole("link", { name: "Run the round by the clock" })).toBeNull();
    await user.click(screen.getByRole("checkbox", { name: "Swing lane" }));
    expect(address()).toBe("/combos/freestyle?out=b");
    expect((await round()).getByRole("link", { name: "Swing lane" })).toBeDefined();
  });

  it("says which of the skills that have to come are in none", async () => {
    page("/combos/freestyle?goal=cross&goal=held-cross&goal=somersault");
    expect((await round()).getByText(/^Not touched: /).textContent).toMatch(
      /^Not touched: held cross\. No chosen combo/,
    );
  });

  it("leaves out what has no time left, by name", async () => {
    page("/combos/freestyle?seconds=10&rest=6");
    const shown = await round();
    expect(shown.getAllByRole("listitem")).toHaveLength(1);
    expect(shown.getByText(/^Left out, since the time is used/)).toBeDefined();
  });

  it("says that the shelf could not be read, and not that it is empty", async () => {
    let isThere = false;
    const { user } = page("/combos/freestyle", {
      "GET /combos": () => (isThere ? { items: [] } : new Refused(500, "Something is wrong in Mirrup.")),
    });
    expect(await screen.findByText("The combos could not be read")).toBeDefined();
    expect(screen.queryByText(/^No combo is saved yet/)).toBeNull();
    isThere = true;
    await user.click(screen.getByRole("button", { name: "Try again" }));
    await waitFor(() => expect(screen.getByText(/^No combo is saved yet/)).toBeDefined());
  });
});
