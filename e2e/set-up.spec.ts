import { expect, test, type Page } from "@playwright/test";
import { spawnSync } from "node:child_process";
import { expectAccessible } from "./fixtures.js";
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
  await expect(page.getByRole("heading", { name: "First steps at Tannery Yard" })).toBeVisible();
  await page.goto(`${address}/set-up`);
  await expect(page.getByText("Tannery Yard")).toBeVisible();
  await expect(page.getByText("No group meets today.")).toBeVisible();
});

/** A page that still hears who is here would be given its cookie again. */
async function forgetWhoIsHere(page: Page): Promise<void> {
  await page.goto("about:blank");
  await page.context().clearCookies();
}

test("beside the demo club one sets up a studio of one's own, and the demo can be taken away", async ({
  page,
}) => {
  const { address, postgres } = await throwawayStack();
  await page.goto(address);
  await expect(page.getByRole("heading", { name: "Welcome" })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Look around the demo club" }).click();
  await expect(page.getByText("Quillhaven Rope Hall")).toBeVisible();
  await forgetWhoIsHere(page);
  await page.goto(address);
  await page.getByRole("link", { name: "Set up your own studio" }).click();
  await expect(page.getByRole("link", { name: "Look around the demo club first" })).toBeVisible();
  await page.getByLabel("Name of the studio").fill("Mill Lane");
  await page.getByLabel("Your name").fill("Ode Marsh");
  const email = page.getByLabel("Your e-mail");
  await email.fill("owner@quillhaven.example");
  await page.getByRole("textbox", { name: "A password" }).fill("skipping all day");
  await page.getByRole("button", { name: "Set up" }).click();
  await expect(page.getByRole("alert")).toContainText("Somebody has this e-mail here already");
  await email.fill("ode@mill.example");
  await page.getByRole("button", { name: "Set up" }).click();
  await expect(page.getByRole("heading", { name: "First steps at Mill Lane" })).toBeVisible();

  const env = { ...process.env, DATABASE_URL: postgres.url, DATABASE_ADMIN_URL: postgres.adminUrl };
  const keeper = new URL("../apps/server/dist/commands/mirrup.js", import.meta.url).pathname;
  const remove = () => spawnSync(process.execPath, [keeper, "remove-demo"], { env, encoding: "utf8" });
  expect(remove().stdout).toContain("The demo club is gone, and 3 people");
  const again = remove();
  expect([again.status, again.stderr]).toEqual([1, expect.stringContaining("There is no demo club")]);
  await page.reload();
  await expect(page.getByRole("heading", { name: "First steps at Mill Lane" })).toBeVisible();
  await forgetWhoIsHere(page);
  await page.goto(address);
  await expect(page.getByRole("heading", { name: "Sign in", level: 1 })).toBeVisible();
  await expect(page.getByText("demo club")).toHaveCount(0);
  await expect(page.getByText("Set up your own studio")).toHaveCount(0);
});
