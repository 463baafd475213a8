import { readFile } from "node:fs/promises";
import { expect, expectAccessible, test } from "./fixtures.js";

test("a student's progress is read as words, charts and tables, of all that they do and of one skill", async ({
  page,
  mirrup,
}) => {
  await page.goto(await mirrup.studentPath("Amara Thistle"));
  await page.getByRole("link", { name: "Progress", exact: true }).click();
  const cleared = page.getByRole("region", { name: "What was cleared" });
  await expect(cleared.locator("canvas")).toBeVisible();
  await expect(cleared).toContainText(/\d+ sides cleared: /);
  await expectAccessible(page);

  // A chart's bars say the same as its table and its file.
  await cleared.getByRole("button", { name: "As a table: What was cleared" }).click();
  const rows = await cleared.getByRole("row").allTextContents();
  expect(rows[0]).toContain("Footwork (sides)");
  const waiting = page.waitForEvent("download");
  await cleared.getByRole("button", { name: "Save: What was cleared" }).click();
  await page.getByRole("menuitem", { name: "As CSV" }).click();
  const lines = (await readFile(await (await waiting).path(), "utf8")).split("\r\n");
  expect(lines).toHaveLength(rows.length);
  const sides = lines.slice(1).flatMap((line) => line.split(",").slice(1).map(Number));
  const told = Number(/(\d+) sides cleared/.exec((await cleared.textContent()) ?? "")?.[1]);
  expect(sides.reduce((sum, one) => sum + one, 0)).toBe(told);

  await page.getByRole("combobox", { name: "Of" }).fill("criss");
  await page.getByRole("option", { name: /^cross \(/ }).click();
  await expect(page.getByRole("region", { name: "Best in a row, and the gate" })).toContainText(
    /The gate asks for \d+ in a row/,
  );
  await page.getByText("Half a year").click();
  await page.reload();
  await expect(page.getByRole("radio", { name: "Half a year" })).toBeChecked();
  await expect(page.getByRole("heading", { name: "Where it missed: cross, left side" })).toBeVisible();
  await expect(page.getByRole("region", { name: "Figure: cross, left side" })).toBeVisible();
  await expectAccessible(page);

  await page.getByRole("button", { name: "Earlier" }).click();
  await expect(page.getByText(/Nothing was counted in this time/)).toBeVisible();
  await page.getByRole("button", { name: "Later" }).click();
  await expect(page.getByRole("region", { name: "Why it missed" })).toBeVisible();
});

test("a class's progress names who needs looking at, and a report tells one of them in plain words", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/class`);
  await page.getByRole("link", { name: "Progress", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Everybody: progress" })).toBeVisible();
  const stuck = page.getByRole("region", { name: "Stuck" });
  await expect(stuck.getByRole("listitem").first()).toBeVisible();
  await expectAccessible(page);
  const waiting = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save: everybody" }).click();
  await page.getByRole("menuitem", { name: "As CSV" }).click();
  const rows = (await readFile(await (await waiting).path(), "utf8")).split("\r\n");
  await expect(page.getByRole("region", { name: "Everybody" }).getByRole("row")).toHaveCount(rows.length);

  // The same as a page of sentences, for whoever reads no chart.
  await page.getByRole("link", { name: "The season in words" }).click();
  await expect(page.getByText(/of 24 students practised on \d+ days:/)).toBeVisible();
  const everybody = page.getByRole("row", { name: /^Everybody/ });
  await expect(everybody).toContainText("24");
  await page.getByText("4 weeks").click();
  await expect(page).toHaveURL(/weeks=4/);
  await expectAccessible(page);
  await page.getByRole("link", { name: "Back to the progress" }).click();

  // From the number to whoever is behind it.
  const whom = stuck.getByRole("link").first();
  const name = (await whom.textContent()) ?? "";
  await whom.click();
  await expect(page.getByRole("heading", { level: 1, name })).toBeVisible();
  await page.getByRole("link", { name: "Report", exact: true }).click();
  await expect(page.getByRole("heading", { name: "How to help at home" })).toBeVisible();
  await expect(page.getByRole("article")).toContainText(`${name} practised on`);
  await expectAccessible(page);
  await page.getByText("Forms learned").click();
  await expect(page.getByRole("article")).toContainText(/\d+ forms can be shown/);
});
