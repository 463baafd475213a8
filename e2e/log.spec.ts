import { expect, expectAccessible, test } from "./fixtures.js";

test("a student's log tells what became by a set, and is searched", async ({ page, mirrup }) => {
  const student = await mirrup.studentPath("Amara Thistle");
  await page.goto(`${student}/log`);
  await expect(page.getByRole("listitem").filter({ hasText: "clean" }).first()).toBeVisible();
  await page.getByRole("combobox", { name: "Show" }).click();
  await page.getByRole("option", { name: "clearings and reviews" }).click();
  await expect(page.getByText(/^(Cleared: |Review of )/).first()).toBeVisible();
  await expect(page).toHaveURL(/kind=milestone/);
  await expectAccessible(page);

  // A decision is found by the words of its reason, whatever is shown beside it.
  const id = student.split("/").at(-1) ?? "";
  const studio = mirrup.root.slice(1);
  const decision = {
    ...{ id: crypto.randomUUID(), studentId: id, subject: "skier", side: "whole" },
    ...{
      decision: { kind: "clear", count: null },
      reason: "Shown at the quay",
      at: new Date().toISOString(),
    },
  };
  const told = await page.request.post("/api/decisions", {
    data: { decisions: [decision] },
    headers: { "x-mirrup-studio": studio },
  });
  expect(told.status()).toBe(200);
  await page.goto(`${student}/log`);
  await page.getByRole("textbox", { name: "With the words" }).fill("QUAY");
  await expect(page.getByRole("listitem")).toHaveCount(1);
  await expect(page.getByRole("listitem")).toContainText("Shown at the quay");
  await page.getByRole("textbox", { name: "With the words" }).fill("nobody wrote this");
  await expect(page.getByText("Nothing of this is in the log.")).toBeVisible();
});
