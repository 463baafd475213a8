import { readFile } from "node:fs/promises";
import { expect, expectAccessible, test } from "./fixtures.js";

test("a student's log is looked through, a set taken back and counted again, and all of it saved as a table", async ({
  page,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Amara Thistle");
  await page.goto(student);
  await page.getByRole("link", { name: "Log", exact: true }).click();
  const days = page.getByRole("region", { name: /\d{4}$/ });
  await expect(days.first()).toBeVisible();
  await expectAccessible(page);
  const shown = await page.getByRole("listitem").count();
  await page.getByRole("button", { name: "Show earlier ones" }).click();
  await expect.poll(() => page.getByRole("listitem").count()).toBeGreaterThan(shown);

  // Of one skill alone, and back to it by its address.
  await page.getByRole("combobox", { name: "Of" }).fill("double-under");
  await page.getByRole("option", { name: /^double under/ }).click();
  await expect(page).toHaveURL(/skill=double-under/);
  await page.reload();
  const lines = page.getByRole("listitem");
  await expect(lines.first()).toContainText("Double under");
  for (const line of await lines.all()) await expect(line).toContainText("Double under");

  const sets = await lines.count();
  await lines.first().getByText("Double under", { exact: true }).click();
  await lines.first().getByRole("button", { name: "Take it back" }).click();
  await expect(lines.first()).toContainText("(taken back)");
  await expect(lines).toHaveCount(sets);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(lines).toHaveCount(sets + 1);
  await expect(lines.filter({ hasText: "(taken back)" })).toHaveCount(1);

  const waiting = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as CSV" }).click();
  const text = await readFile(await (await waiting).path(), "utf8");
  const rows = text.split("\r\n");
  expect(rows[0]).toMatch(/^At,Skill,What,/);
  expect(rows).toHaveLength(sets + 2);
  expect(rows.filter((row) => row.includes(",yes,"))).toHaveLength(1);
});
