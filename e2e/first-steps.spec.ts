import { expect, test } from "@playwright/test";
import { expectAccessible } from "./fixtures.js";
import { place } from "./placing.js";
import { endAll } from "../scripts/lib/processes.mjs";
import { throwawayStack } from "../scripts/lib/stack.mjs";

test.afterAll(() => endAll());

/** What is easy comes clean. */
const EASY = /bounce|step|hop|straddle|swing/i;

test("from the bare address to the first cleared skill of a studio of one's own", async ({ page }) => {
  const { address } = await throwawayStack({ demo: false });
  const began = Date.now();
  await page.goto(address);
  await page.getByLabel("Name of the studio").fill("Tannery Yard");
  await page.getByLabel("Your name").fill("Ansa Brook");
  await page.getByLabel("Your e-mail").fill("ansa@tannery.example");
  await page.getByRole("textbox", { name: "A password" }).fill("skipping all day");
  await page.getByRole("button", { name: "Set up" }).click();

  // Each step is a heading with what it asks; the next one says so.
  await expect(page.getByRole("heading", { name: "First steps at Tannery Yard" })).toBeVisible();
  const next = page.locator("li[aria-current='step']");
  await expect(next.getByRole("heading", { level: 2 })).toHaveText(/^Your students/);
  await expectAccessible(page);
  const names = page.getByLabel("Names, one to a line");
  await names.fill("1. Wren Alderby\n2. Ode Marsh\n\nWren alderby");
  await expect(page.getByText("Here already, or written twice, and left out: Wren alderby.")).toBeVisible();
  // What is typed outlives a reload, and a server that does not answer.
  await page.reload();
  await expect(names).toHaveValue(/Ode Marsh/);
  await page.route("**/api/students/import", (route) => route.abort());
  await page.getByRole("button", { name: "Add 2 students" }).click();
  await expect(page.getByRole("alert")).toContainText("The names are kept here.");
  await page.unroute("**/api/students/import");
  await page.getByRole("button", { name: "Add 2 students" }).click();
  await expect(page.getByText("2 students are here.")).toBeVisible();

  await expect(next.getByRole("heading", { level: 2 })).toHaveText(/^A group/);
  await page.getByRole("button", { name: "Make a group" }).click();
  const group = page.getByRole("form", { name: "A new group" });
  await group.getByLabel("Name").fill("Saturday beginners");
  await group.getByLabel("Day").selectOption({ label: "Saturday" });
  await group.getByLabel("Time").fill("10:00");
  await group.getByRole("button", { name: "Make the group" }).click();
  await expect(page.getByText(/Saturday beginners, .*2 students\./)).toBeVisible();

  // Left in the middle, and found again from the bare address.
  await page.goto(address);
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  await page.getByRole("link", { name: "The first steps" }).click();
  await expect(next.getByRole("heading", { level: 2 })).toHaveText(/^Where the first one stands/);
  await next.getByRole("link", { name: /^Place / }).click();
  await place(page, EASY, 4);
  await page.getByRole("link", { name: "Session" }).click();
  await expect(page.getByText(/It comes off \d in 10\./).first()).toBeVisible();

  // Search goes to the student's strands from anywhere, without leaving the keyboard.
  await page.keyboard.press("Control+k");
  await expect(page.getByRole("combobox", { name: /^Find a student/ })).toBeFocused();
  await page.keyboard.type("wren");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Wren Alderby" })).toBeVisible();
  const student = new URL(page.url()).pathname;
  await page.goto(`${address}${student}/floor/basic-bounce/whole?kind=streak&aim=40`);
  await expect(page.getByRole("button", { name: /^Clean/ })).toBeEnabled();
  for (let bounce = 0; bounce < 40; bounce += 1) await page.keyboard.press("Space");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /^Cleared: basic bounce/ })).toBeVisible();
  // Two minutes of clicks, and what this machine takes to answer them.
  expect(Date.now() - began).toBeLessThan(120_000);
});
