import { afterEach, describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "@mirrup/catalogue";
import { scoreOf, sidesOf } from "@mirrup/core";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { drawn, signedIn } from "../testing/drawn.js";
import { Variants } from "./variants.js";

const SIDES = CATALOGUE.order.flatMap((id) => {
  const skill = CATALOGUE.skills.get(id);
  return skill === undefined ? [] : sidesOf(skill).map((side) => `${id}:${side}`);
});
const GRID = {
  sides: SIDES,
  students: [
    { id: "ada", name: "Ada", codes: SIDES.map(() => "c").join("") },
    { id: "bo", name: "Bo", codes: SIDES.map(() => "-").join("") },
  ],
};

async function variants(role: "coach" | "viewer" = "coach", score = "xr o", id = "cross") {
  const view = drawn(<Variants skill={{ id }} score={scoreOf(score)} />, {
    answers: { "GET /auth/session": signedIn(role), "GET /grid": GRID },
  });
  expect(screen.queryByRole("list")).toBeNull();
  await view.user.click(screen.getByRole("button", { name: "What can be made of it" }));
  await waitFor(() => expect(view.client.isFetching()).toBe(0));
  const line = (name: string) => {
    const found = screen.getAllByRole("listitem").find(({ textContent }) => textContent.startsWith(name));
    if (found === undefined) throw new Error(`no line of ${name}`);
    return within(found);
  };
  return { ...view, line };
}

afterEach(cleanup);

describe("what can be made of a skill", () => {
  it("is named where it is a skill already, and told who could begin it", async () => {
    const { line } = await variants();
    expect(line("All in one jump").getByRole("link", { name: "cross-open double" })).toBeDefined();
    expect(
      screen.getAllByRole("listitem").some(({ textContent }) => textContent.startsWith("The other side")),
    ).toBe(false);
    expect(screen.getAllByText(/Open to 1 student today\./).length).toBeGreaterThan(3);
  });

  it("is made a skill where it is none, with what it would need", async () => {
    const { line } = await variants();
    const row = line("On one foot");
    expect(row.getByText(/^It needs .*cross/)).toBeDefined();
    const link = row.getByRole("link", { name: "Make a skill of xr/r o/r" });
    expect(link.getAttribute("href")).toMatch(/skills\/new\?score=xr%2Fr%20o%2Fr$/);
    cleanup();
    await variants("viewer");
    expect(screen.queryByRole("link", { name: /^Make a skill/ })).toBeNull();
  });

  it("says why it cannot be jumped, and offers nothing there", async () => {
    const { line } = await variants("coach", "er el", "back-arm-alternating");
    const row = line("All in one jump");
    expect(row.getByText(/^In a multiple the rope goes under the feet at least once/)).toBeDefined();
    expect(row.queryByRole("link")).toBeNull();
  });
});
