import { afterEach, describe, expect, it } from "@jest/globals";
import type { Membership, SkillChanges } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, signedIn } from "../testing/drawn.js";
import { OwnSkills } from "./own-skills.js";

const EDITIONS = {
  items: [
    { edition: 2, subjects: ["skier", "bell"], at: "2026-06-01T10:00:00Z", by: "Ansa Brook" },
    { edition: 1, subjects: ["cross"], at: "2026-05-01T10:00:00Z", by: null },
  ],
};

interface Told {
  readonly leftOut?: readonly object[];
  readonly role?: Membership["role"];
}

function own(entries: object, { leftOut = [], role = "coach" }: Told = {}) {
  return drawn(<OwnSkills />, {
    answers: {
      "GET /auth/session": signedIn(role),
      "GET /catalogue": { edition: 2, entries, leftOut },
      "GET /catalogue/editions": EDITIONS,
      "GET /catalogue/editions/1": {
        edition: 1,
        entries: { cross: { kind: "changed", name: "pretzel" } },
        leftOut: [],
      },
      "POST /catalogue/changes": { edition: 3, entries: {}, leftOut: [] },
    },
  });
}

afterEach(cleanup);

describe("what the studio teaches of its own", () => {
  it("leads on where there is nothing yet", async () => {
    own({});
    expect(
      (await screen.findByRole("link", { name: "Make a skill of your own" })).getAttribute("href"),
    ).toMatch(/skills\/new$/);
  });

  it("has what is changed, and who changed it", async () => {
    own({ skier: { kind: "changed", name: "slalom" } });
    expect((await screen.findByRole("link", { name: "Skier" })).getAttribute("href")).toMatch(
      /skills\/skier$/,
    );
    const rows = (await screen.findAllByRole("row")).map(({ textContent }) => textContent);
    expect(rows[0]).toContain("Skier and bell");
    expect(rows[1]).toContain("Someone who has left");
  });

  it("goes back to how it was, by what that differs from now", async () => {
    const now = { skier: { kind: "changed", name: "slalom" } };
    const { user, sent } = own(now);
    await user.click(await screen.findByRole("button", { name: /^Back to how it was on 1 May 2026/ }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect((sent[0]?.body as SkillChanges).changes).toEqual([
      { subject: "skier", was: now.skier, is: null },
      { subject: "cross", was: null, is: { kind: "changed", name: "pretzel" } },
    ]);
  });

  it("says what is not taught any more, and why", async () => {
    own({}, { leftOut: [{ skill: "skier", message: "The name “bell” belongs to bell." }] });
    expect(await screen.findByText(/The name “bell” belongs to bell/)).toBeDefined();
  });

  it("asks nothing for a viewer that only coaches see", async () => {
    const { client } = own({}, { role: "viewer" });
    await waitFor(() => expect(client.isFetching()).toBe(0));
    expect(screen.queryByRole("link")).toBeNull();
    expect(screen.queryByRole("table")).toBeNull();
  });
});
