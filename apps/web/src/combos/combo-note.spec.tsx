import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import type { ComboView, Membership } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { ComboNote } from "./combo-note.js";

const COMBO = { id: "nine", version: 2, name: "Nine", note: "Elbows in." } as unknown as ComboView;

/** A combo of which a colleague may write something else meanwhile. */
function note(more: Answers = {}, role: Membership["role"] = "coach", combo = COMBO) {
  function Page() {
    const [now, setNow] = useState(combo);
    return (
      <>
        <ComboNote combo={now} />
        <button type="button" onClick={() => setNow({ ...now, version: 3, note: "Look up." })}>
          A colleague writes
        </button>
      </>
    );
  }
  return drawn(<Page />, {
    answers: {
      "GET /auth/session": signedIn(role),
      "PATCH /combos/nine": COMBO,
      "GET /combos": { items: [] },
      ...more,
    },
  });
}
const field = () => screen.getByRole<HTMLTextAreaElement>("textbox", { name: "Note" });
const open = async ({ user }: ReturnType<typeof drawn>) =>
  user.click(await screen.findByRole("button", { name: "Change the note" }));

beforeEach(() => sessionStorage.clear());
afterEach(cleanup);

describe("a combo's note", () => {
  it("is changed, of the version that it is of", async () => {
    const view = note();
    await open(view);
    await view.user.type(field(), " Slowly. ");
    await view.user.click(screen.getByRole("button", { name: "Save the note" }));
    expect(await screen.findByRole("button", { name: "Change the note" })).toBeTruthy();
    expect(view.sent.map(({ body }) => body)).toEqual([{ version: 2, note: "Elbows in. Slowly." }]);
    expect(sessionStorage.length).toBe(0);
  });

  it("is not put over a colleague's unseen", async () => {
    const view = note();
    await open(view);
    await view.user.type(field(), " Slowly.");
    expect(screen.queryByRole("alert")).toBeNull();
    await view.user.click(screen.getByRole("button", { name: "A colleague writes" }));
    expect(screen.getByRole("alert").textContent).toBe(
      "Somebody else wrote meanwhile: “Look up.”. Saving puts yours in its place.",
    );
    await view.user.click(screen.getByRole("button", { name: "Save the note" }));
    await waitFor(() => expect(view.sent[0]?.body).toEqual({ version: 3, note: "Elbows in. Slowly." }));
  });

  it("is there again after the page was loaded anew, as a change of what it was", async () => {
    const view = note();
    await open(view);
    await view.user.type(field(), " Slowly.");
    cleanup();
    note({}, "coach", { ...COMBO, version: 3, note: "" });
    expect(field().value).toBe("Elbows in. Slowly.");
    expect(screen.getByRole("alert").textContent).toMatch(/^Somebody else took the note away meanwhile\./);
  });

  it("stays typed where it is refused, and is let go by Escape", async () => {
    const view = note({ "PATCH /combos/nine": new Refused(409, "Not just now.") });
    await open(view);
    await view.user.type(field(), " Slowly.");
    await view.user.click(screen.getByRole("button", { name: "Save the note" }));
    expect(await screen.findByText("Not just now.")).toBeTruthy();
    expect(field().value).toBe("Elbows in. Slowly.");
    await view.user.type(field(), "{Escape}");
    expect(screen.getByText("Elbows in.")).toBeTruthy();
    expect(sessionStorage.length).toBe(0);
  });

  it("is read by whoever may not teach", async () => {
    note({}, "viewer");
    expect(await screen.findByText("Elbows in.")).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Change the note" })).toBeNull();
  });
});
