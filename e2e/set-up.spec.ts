import { expect, test } from "@playwright/test";
import { endAll } from "../scripts/lib/processes.mjs";
import { throwawayStack } from "../scripts/lib/stack.mjs";

test.afterAll(() => endAll());

test("the first run without demo data sets up a studio and its owner, once", async ({ page }) => {
  const { address } = await throwawayStack({ demo: false });
  await page.goto(address);
  await expect(page.getByRole("heading", { name: "Set up your studio" })).toBeVisible();
  await page.getByLabel("Name of the studio").fill("Tannery Yard");
  await page.getByLabel("Your name").fill("Ansa Brook");
  await page.getByLabel("Your e-mail").fill("ansa@tannery.example");
  await page.getByRole("textbox", { name: "A password" }).fill("short");
  await page.getByRole("button", { name: "Set up" }).click();
  await expect(page.getByText(/at least 10 characters/i).last()).toBeVisible();
  await page.getByRole("textbox", { name: "A password" }).fill("skipping all day");
  await page.getByRole("button", { name: "Set up" }).click();
  await expect(page.getByRole("heading", { name: "Tannery Yard" })).toBeVisible();
  await expect(page.getByText("No students yet.")).toBeVisible();
  await page.goto(`${address}/set-up`);
  await expect(page.getByRole("heading", { name: "Tannery Yard" })).toBeVisible();
});
