import { afterEach, describe, expect, it } from "@jest/globals";
import type { Membership, RulesChange } from "@mirrup/contract";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { drawn, Refused, signedIn } from "../testing/drawn.js";
import { RulesChanges } from "./rules-changes.js";

const change = (name: string, subject: string, isCleared: boolean) =>
  ({ studentId: name, name, subject, side: "left", isCleared }) as unknown as RulesChange;

function shown(
  changes: readonly RulesChange[],
  role: Membership["role"] = "owner",
  answer: unknown = { done: true },
) {
  return drawn(<RulesChanges />, {
    answers: {
      "GET /auth/session": signedIn(role),
      "GET /studio/rules-changes": { items: changes },
      "POST /studio/rules-changes": answer,
    },
  });
}

afterEach(cleanup);

describe("what newer rules read otherwise", () => {
  it("is told by student, what is lost before what is won", async () => {
    shown([change("Ada", "cross", false), change("Ada", "side-swing", false), change("Bo", "skier", true)]);
    expect((await screen.findByRole("alert")).textContent).toMatch(
      /So 2 sides are no longer cleared:.*Ada: cross, left side,? and side swing, left side.*1 side is cleared by them.*Bo/,
    );
  });

  it.each([
    ["Keep them cleared", true],
    ["Leave it as it is now", false],
  ])("%s is said to the server", async (name, keep) => {
    const { user, sent } = shown([change("Ada", "cross", false)]);
    await user.click(await screen.findByRole("button", { name }));
    await waitFor(() =>
      expect(sent).toEqual([{ method: "POST", path: "/studio/rules-changes", body: { keep } }]),
    );
  });

  it("asks only to be seen where nothing is lost", async () => {
    shown([change("Bo", "skier", true)]);
    expect(await screen.findByRole("button", { name: "I have seen it" })).toBeDefined();
    expect(screen.queryByRole("button", { name: "Keep them cleared" })).toBeNull();
  });

  it("says what went wrong, and stays", async () => {
    const { user } = shown(
      [change("Ada", "cross", false)],
      "owner",
      new Refused(409, "Somebody did it already."),
    );
    await user.click(await screen.findByRole("button", { name: "Keep them cleared" }));
    expect(await screen.findByText("Somebody did it already.")).toBeDefined();
  });

  it.each<[string, readonly RulesChange[], Membership["role"]]>([
    ["a coach", [change("Ada", "cross", false)], "coach"],
    ["an owner without any", [], "owner"],
  ])("is nothing to %s", async (_, changes, role) => {
    const { client } = shown(changes, role);
    await waitFor(() => expect(client.isFetching()).toBe(0));
    expect(screen.queryByRole("alert")).toBeNull();
  });
});
