import { AxeBuilder } from "@axe-core/playwright";
import { expect, floorIsOpen, test } from "./fixtures.js";

test("a student's session is planned, changed, and opened on the floor", async ({ page, mirrup }) => {
  await page.goto(await mirrup.studentPath("Hana Petrivale"));
  await page.getByRole("link", { name: "Session" }).click();
  const sum = page.getByRole("status").filter({ hasText: /of \d+ minutes/ });
  await expect(sum).toHaveText(/of 45 minutes, about [\d,]+ weighted landings/);
  const blocks = page.getByRole("listitem").filter({ has: page.getByRole("heading", { level: 2 }) });
  await expect(blocks.first()).toContainText("Warm-up");
  await expect(blocks.last()).toContainText("Cool-down");

  // What is banned makes room, says so, and can be let in again.
  const work = blocks.filter({ has: page.getByRole("link", { name: "To the floor" }) });
  const name = (await work.first().getByRole("heading").textContent()) ?? "";
  await work
    .first()
    .getByRole("button", { name: /^Not today/ })
    .click();
  await expect(page.getByRole("button", { name: `Let in again: ${name}`, exact: false })).toBeVisible();
  await expect(work.filter({ hasText: name })).toHaveCount(0);
  await page.getByRole("button", { name: /^Let in again/ }).click();
  await expect(work.filter({ hasText: name }).first()).toBeVisible();

  // A shorter session leaves things out, each with its reason; one of them is taken in.
  await page.getByLabel("How long").selectOption("15 minutes");
  await expect(sum).toHaveText(/of 15 minutes/);
  await page.getByText(/Left out, and why/).click();
  await page
    .getByRole("button", { name: /^Take it in/ })
    .first()
    .click();
  await expect(page.getByRole("button", { name: /^Kept/ })).toBeVisible();

  await page.reload();
  await expect(page.getByRole("button", { name: /^Kept/ })).toBeVisible();
  await work.first().getByRole("link", { name: "To the floor" }).click();
  await floorIsOpen(page);
});

test("a session of no minutes says so, and the page meets the rules of accessibility", async ({
  page,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Amara Thistle");
  await page.goto(`${student}/session?minutes=0`);
  await expect(page.getByText("There are no minutes to plan. Choose how long the session is.")).toBeVisible();
  await page.goto(`${student}/session?minutes=60`);
  await expect(page.getByText(/of 60 minutes/)).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).withTags(["wcag2a", "wcag2aa", "wcag22aa"]).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html ?? ""}`)).toEqual([]);
});
