import { expect, floorIsOpen, press, test } from "./fixtures.js";

test("from the list of students to a cleared skill that is still there after a restart", async ({
  page,
  mirrup,
}) => {
  await page.context().clearCookies();
  await page.goto("/");
  await page.getByRole("button", { name: "Look around the demo club" }).click();
  await expect(page.getByText("Quillhaven Rope Hall")).toBeVisible();
  await page.getByRole("link", { name: "Students", exact: true }).click();
  await page.getByRole("textbox", { name: "Find a student" }).fill("petri");
  await page.getByRole("link", { name: /Hana Petrivale/ }).click();

  const cross = page.getByRole("button", { name: /^cross:/ });
  await expect(cross).toHaveAccessibleName("cross: left working, best 12, gate 15 in a row; right rusty");
  await expect(page.getByRole("button", { name: /^side swing cross:/ })).toHaveAccessibleName(
    /left locked; right ready/,
  );
  await cross.click();
  const panel = page.getByRole("complementary", { name: "The bead in hand" });
  // One of each side, in the order of the sides once both have been read.
  await expect(panel.getByText(/^Ladder:/)).toHaveCount(2);
  await panel
    .getByText(/^Ladder:/)
    .first()
    .click();
  await panel
    .getByRole("link", { name: /^The gate: 15 in a row/ })
    .first()
    .click();

  await expect(page.getByRole("heading", { name: "Cross, left side" })).toBeVisible();
  await floorIsOpen(page);
  await press(page, "Space", 4);
  await page.keyboard.press("m");
  await press(page, "Space", 15);
  await page.getByRole("button", { name: /Reached/ }).click();

  await expect(page.getByRole("heading", { name: "Cleared: cross, left side" })).toBeVisible();
  await expect(page.locator("p", { hasText: "Opened:" })).toContainText("side swing cross, left side");
  await expect(page.getByText("19 clean, 1 missed")).toBeVisible();
  const next = page.getByRole("button", { name: /^Next: double under/ });
  await expect(next).toContainText("It is on the way to the goal: open-cross double.");

  await page.getByRole("link", { name: "Leave the floor" }).click();
  await expect(cross).toHaveAccessibleName("cross: left cleared; right rusty");

  await mirrup.stack.stopServer();
  await mirrup.stack.postgres.stop();
  await mirrup.stack.postgres.restart();
  await mirrup.stack.startServer();
  await page.reload();
  await expect(cross).toHaveAccessibleName("cross: left cleared; right rusty");
});

test("why a bead is locked, and walking the strands by keyboard", async ({ page, mirrup }) => {
  await page.goto(await mirrup.studentPath("Hana Petrivale"));
  const bead = page.getByRole("button", { name: /^open-cross double:/ });
  await bead.focus();
  await page.keyboard.press("Enter");
  const panel = page.getByRole("complementary", { name: "The bead in hand" });
  await expect(panel.getByText("Needs 4 more in a row of double under.").first()).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("button", { name: /^cross-open double:/ })).toBeFocused();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("heading", { name: "Next" })).toBeVisible();
});

test("addresses that lead nowhere say so", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/nowhere`);
  await expect(page.getByRole("heading", { name: "There is no such page" })).toBeVisible();
  await page.goto(`${mirrup.root}/students/0199c1b2-0000-7000-8000-000000000000`);
  await expect(page.getByRole("alert")).toContainText("There is no student with this id");
  await page.goto(`${await mirrup.studentPath("Dag Ellerby")}/floor/basic-bounce/left`);
  await expect(page.getByRole("alert")).toContainText("There is no such drill");
});
