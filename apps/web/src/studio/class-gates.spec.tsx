import { afterEach, describe, expect, it } from "@jest/globals";
import type { SkillChanges } from "@mirrup/contract";
import type { OwnSchool } from "@mirrup/core";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { teach } from "../app/catalogue.js";
import { drawn, Refused, signedIn, type Answers } from "../testing/drawn.js";
import { ClassGates } from "./class-gates.js";

function gates(more: Answers = {}) {
  return drawn(<ClassGates school="quick-frontier" />, {
    answers: {
      "GET /auth/session": signedIn("owner"),
      "GET /students": { items: [] },
      "POST /catalogue/changes": { edition: 1, entries: {}, leftOut: [] },
      ...more,
    },
  });
}
const open = () => screen.getByRole("button", { name: "Gates of your own for kinds of skills" });
const changes = (sent: readonly { readonly path: string; readonly body: unknown }[]) =>
  sent
    .filter(({ path }) => path === "/catalogue/changes")
    .map(({ body }) => (body as SkillChanges).changes[0]);

afterEach(() => {
  cleanup();
  teach(null);
});

describe("gates of the studio's own for kinds of skills", () => {
  it("begin with the school's, and are kept for that school alone", async () => {
    const { user, sent } = gates();
    await user.click(open());
    expect(screen.getByRole("button", { name: "Save the gates" })).toHaveProperty("disabled", true);
    await user.click(screen.getByLabelText("A gate of your own for footwork"));
    const amount = screen.getByLabelText("Gate of footwork");
    await user.clear(amount);
    await user.type(amount, "7");
    await user.click(screen.getByRole("button", { name: "Save the gates" }));
    await waitFor(() => expect(changes(sent)).toHaveLength(1));
    expect(changes(sent)[0]).toMatchObject({
      ...{ subject: "school:quick-frontier", was: null },
      is: { kind: "school", classes: { footwork: expect.objectContaining({ kind: "streak" }) } },
    });
    expect(
      await screen.findByRole("button", { name: "Gates of your own for kinds of skills" }),
    ).toBeDefined();
  });

  it("go back to the school's one by one, and nothing is kept of none", async () => {
    const was: OwnSchool = { kind: "school", classes: { cross: { kind: "streak", count: 3 } } };
    teach({ edition: 1, entries: { "school:quick-frontier": was } });
    const { user, sent } = gates();
    expect(screen.getByText("1 kind has one in quick frontier.")).toBeDefined();
    await user.click(open());
    await user.click(screen.getByLabelText("A gate of your own for cross"));
    await user.click(screen.getByRole("button", { name: "Save the gates" }));
    await waitFor(() => expect(changes(sent)).toEqual([{ subject: "school:quick-frontier", was, is: null }]));
  });

  it("stay as they were typed where they could not be kept", async () => {
    const { user } = gates({ "POST /catalogue/changes": new Refused(409, "Somebody else changed this.") });
    await user.click(open());
    await user.click(screen.getByLabelText("A gate of your own for taps"));
    await user.click(screen.getByRole("button", { name: "Save the gates" }));
    expect(await screen.findByText("Somebody else changed this.")).toBeDefined();
    expect(screen.getByLabelText<HTMLInputElement>("A gate of your own for taps").checked).toBe(true);
  });
});
