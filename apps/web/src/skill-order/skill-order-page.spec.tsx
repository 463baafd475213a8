import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { Membership } from "@mirrup/contract";
import type { Overlay } from "@mirrup/core";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { teach } from "../app/catalogue.js";
import { keepUnsaved } from "../device/unsaved.js";
import { drawn, Refused, signedIn, STUDIO_ID } from "../testing/drawn.js";
import type { Move } from "./moves.js";
import { SkillOrderPage } from "./skill-order-page.js";

const OWN: Overlay = { edition: 3, entries: { bell: { kind: "changed", name: "chime" } } };
const MOVES: readonly Move[] = [
  { skill: "bell", strand: "taps", after: "taps" },
  { skill: "side-swing-hop", strand: "swings", after: "swings" },
];

beforeEach(() => teach(OWN));
afterEach(() => {
  cleanup();
  sessionStorage.clear();
  teach(null);
});

/** The page with moves that were made before it was loaded anew. */
function shown(
  moves: readonly Move[],
  answer: unknown = { ...OWN, leftOut: [] },
  role: Membership["role"] = "coach",
) {
  keepUnsaved(`${STUDIO_ID} order of the skills test`, "coach", moves, sessionStorage);
  return drawn(<SkillOrderPage />, {
    at: "/skills/order",
    answers: {
      "GET /auth/session": signedIn(role),
      "GET /catalogue": { ...OWN, leftOut: [] },
      "GET /catalogue/catching-up": { students: 4, behind: 0 },
      "GET /students": { items: [] },
      "POST /catalogue/changes": answer,
    },
  });
}

const linesOf = (strand: RegExp) =>
  within(screen.getByRole("region", { name: strand }))
    .getAllByRole("listitem")
    .map((line) => line.textContent);
const save = () => screen.findByRole("button", { name: "Save the order" });

describe("the order of the skills", () => {
  it("has nothing to save until something is moved", async () => {
    shown([]);
    expect((await save()).hasAttribute("disabled")).toBe(true);
    expect(screen.getByRole("button", { name: "Undo" }).hasAttribute("disabled")).toBe(true);
    expect(screen.queryByText(/not saved yet/)).toBeNull();
  });

  it("finds moves again that were not saved, says them together, and begins anew once they are", async () => {
    const { user, sent } = shown(MOVES);
    expect(await screen.findByText(/2 moves, not saved yet/)).toBeDefined();
    expect(linesOf(/: taps$/)[0]).toBe("Chime (moved)");
    await user.click(await save());
    await waitFor(() => expect(sent).toHaveLength(1));
    const { changes } = sent[0]?.body as { changes: { subject: string; was: unknown; is: unknown }[] };
    expect(changes.find(({ subject }) => subject === "bell")).toEqual({
      subject: "bell",
      was: { kind: "changed", name: "chime" },
      is: { kind: "changed", name: "chime", strand: "taps", after: "taps" },
    });
    expect(changes.map(({ subject }) => subject).sort()).toEqual(["bell", "side-swing-hop"]);
    await waitFor(() => expect(screen.queryByText(/not saved yet/)).toBeNull());
    expect(sessionStorage.length).toBe(0);
  });

  it("drops what was found, and takes that back", async () => {
    const { user } = shown(MOVES);
    await user.click(await screen.findByRole("button", { name: "Discard it" }));
    expect(screen.queryByText(/not saved yet/)).toBeNull();
    await user.click(screen.getByRole("button", { name: "Undo" }));
    expect(await screen.findByText(/2 moves, not saved yet/)).toBeDefined();
  });

  it("keeps the moves where they could not be saved, with the reason", async () => {
    const { user } = shown(MOVES, new Refused(409, "Somebody changed it meanwhile."));
    await user.click(await save());
    expect(await screen.findByText("Somebody changed it meanwhile.")).toBeDefined();
    expect(screen.getByText(/2 moves, not saved yet/)).toBeDefined();
  });

  it("says which need holds a skill back", async () => {
    shown([{ skill: "cross-straddle", strand: "straddles", after: "straddles" }]);
    expect(
      await screen.findByText(/Crossed straddle stands after .*: it needs what comes there/),
    ).toBeDefined();
  });

  it("is not for whoever may not teach", async () => {
    shown(MOVES, undefined, "viewer");
    expect(await screen.findByText("Coaches and owners can change it.")).toBeDefined();
    expect(screen.queryByRole("button", { name: "Save the order" })).toBeNull();
  });
});
