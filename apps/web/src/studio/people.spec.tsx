import { afterEach, describe, expect, it } from "@jest/globals";
import type { MemberView } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { People } from "./people.js";

const MEMBERS: readonly MemberView[] = [
  { id: "a", name: "Ansa Brook", email: "ansa@tannery.example", role: "owner" },
  { id: "b", name: "Bea Lorne", email: "bea@tannery.example", role: "coach" },
];

function people(more: Answers = {}) {
  return drawn(<People />, {
    answers: {
      "GET /auth/session": signedIn("owner"),
      "GET /people": { items: MEMBERS },
      "POST /people/invitations": {},
      "PATCH /people/*": {},
      "DELETE /people/*": {},
      ...more,
    },
  });
}
const button = (name: string) => screen.findByRole("button", { name });

afterEach(cleanup);

describe("a studio's people", () => {
  it("are removed once that is asked for and meant", async () => {
    const { user, sent } = people();
    await user.click(await button("Remove Bea Lorne"));
    expect(sent).toEqual([]);
    // Whoever presses Enter again by mistake cancels.
    expect(document.activeElement?.textContent).toBe("Cancel");
    await user.keyboard("{Enter}");
    expect(sent).toEqual([]);
    await user.click(await button("Remove Bea Lorne"));
    await user.click(await button("Remove Bea Lorne from the studio"));
    expect(await screen.findByText(/^Bea Lorne was removed, and has no way into this studio/)).toBeTruthy();
    expect(sent).toEqual([{ method: "DELETE", path: "/people/b", body: undefined }]);
  });

  it("stay where that is refused, which says why", async () => {
    const { user } = people({ "DELETE /people/*": new Refused(409, "A studio has an owner.") });
    await user.click(await button("Remove Ansa Brook"));
    await user.click(await button("Remove Ansa Brook from the studio"));
    expect(await screen.findByText("A studio has an owner.")).toBeTruthy();
    expect(screen.queryByRole("status")).toBeNull();
  });

  it("have another part, and what they are now is said", async () => {
    const { user, sent } = people();
    await user.selectOptions(await screen.findByRole("combobox", { name: "Part of Bea Lorne" }), "viewer");
    expect(await screen.findByText("Bea Lorne is a viewer now.")).toBeTruthy();
    expect(sent).toEqual([{ method: "PATCH", path: "/people/b", body: { role: "viewer" } }]);
  });

  it("are invited by an address that is one", async () => {
    const { user, sent } = people();
    const field = await screen.findByRole<HTMLInputElement>("textbox", { name: "Invite by e-mail" });
    await user.type(field, "nobody");
    await user.click(await button("Invite"));
    expect(sent).toEqual([]);
    expect(field.validity.valid).toBe(false);
    await user.type(field, "@tannery.example");
    await user.selectOptions(screen.getByRole("combobox", { name: "As" }), "viewer");
    await user.click(await button("Invite"));
    expect(
      await screen.findByText("nobody@tannery.example is invited. The letter lies in the outbox below."),
    ).toBeTruthy();
    expect(sent[0]?.body).toEqual({ email: "nobody@tannery.example", role: "viewer" });
    await waitFor(() => expect(field.value).toBe(""));
  });

  it("keep the address where the invitation is refused", async () => {
    const { user } = people({ "POST /people/invitations": new Refused(409, "They are here already.") });
    const field = await screen.findByRole<HTMLInputElement>("textbox", { name: "Invite by e-mail" });
    await user.type(field, "bea@tannery.example{Enter}");
    expect(await screen.findByText("They are here already.")).toBeTruthy();
    expect(field.value).toBe("bea@tannery.example");
  });
});
