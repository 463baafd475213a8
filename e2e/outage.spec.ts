import { createHash } from "node:crypto";
import type { Page } from "@playwright/test";
import { expect, floorIsOpen, press, test } from "./fixtures.js";

test("a set is kept while the server is gone, and sent when it answers again", async ({ page, mirrup }) => {
  await page.goto(
    `${await mirrup.studentPath("Priya Mossman")}/floor/side-straddle/whole?kind=streak&aim=16`,
  );
  await floorIsOpen(page);
  await press(page, "Space", 9);
  await mirrup.stack.stopServer();
  await press(page, "Space", 7);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Kept on this device" })).toBeVisible();
  await expect(page.getByRole("button", { name: "1 set still to send" })).toBeVisible();
  await mirrup.stack.startServer();
  await expect(page.getByRole("heading", { name: "Cleared: side straddle" })).toBeVisible({
    timeout: 30_000,
  });
  await expect(page.getByRole("button", { name: "1 set still to send" })).toBeHidden();
});

test("a set is kept while the database is gone", async ({ page, mirrup }) => {
  await page.goto(`${await mirrup.studentPath("Dag Ellerby")}/floor/basic-bounce/whole`);
  await floorIsOpen(page);
  await page.keyboard.press("Space");
  await mirrup.stack.postgres.stop();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Kept on this device" })).toBeVisible();
  await mirrup.stack.postgres.restart();
  await expect(page.getByRole("heading", { name: "1 of 1 clean" })).toBeVisible({ timeout: 30_000 });
});

test("a refused set goes to the tray and blocks nobody else's", async ({ page, mirrup }) => {
  const gone = await mirrup.studentPath("Temi Adewood");
  const id = gone.split("/").at(-1) ?? "";
  await page.goto(`${gone}/floor/basic-bounce/whole`);
  await floorIsOpen(page);
  await page.keyboard.press("Space");
  const hash = createHash("sha256").update(id).digest("hex");
  await mirrup.sql(
    "INSERT INTO deleted_student (studio_id, id_hash) SELECT studio_id, $2 FROM student WHERE id = $1",
    [id, hash],
  );
  await mirrup.sql("DELETE FROM student WHERE id = $1", [id]);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Not stored" })).toBeVisible();
  await expect(page.getByText(/This student was deleted/).first()).toBeVisible();

  await page.goto(`${await mirrup.studentPath("Leo Sandoval-Wren")}/floor/run-step/whole`);
  await floorIsOpen(page);
  await page.keyboard.press("Space");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "1 of 1 clean" })).toBeVisible();

  await page.getByRole("button", { name: "1 set needs attention" }).click();
  const tray = page.getByRole("dialog", { name: "On this device" });
  await expect(tray).toContainText("This student was deleted");
  await tray.getByRole("button", { name: "Discard this set" }).click();
  await expect(tray).toContainText("Nothing waits here");
});

test("a set outlives the session of whoever counted it, and is theirs alone", async ({
  page,
  context,
  mirrup,
}) => {
  await page.goto(`${await mirrup.studentPath("Kofi Marrow")}/floor/run-step/whole`);
  await floorIsOpen(page);
  await press(page, "Space", 3);
  await context.clearCookies();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Kept on this device" })).toBeVisible();
  await expect(page.getByRole("alert")).toContainText("You are signed out");
  await page.getByRole("link", { name: "Sign in", exact: true }).click();

  // Somebody else on the same tablet neither sees nor sends it.
  await page.getByLabel("E-mail").fill("owner@quillhaven.example");
  await page.getByRole("textbox", { name: "Password" }).fill("quillhaven demo");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await floorIsOpen(page);
  await expect(page.getByRole("button", { name: /still to send/ })).toBeHidden();
  await page.request.post("/api/auth/demo");
  await page.reload();
  await floorIsOpen(page);
  await expect(page.getByRole("button", { name: /still to send/ })).toBeHidden();
  const { body } = await log(page, mirrup.root);
  expect(body.find((one) => one.subject === "run-step")?.bestStreak).toBeGreaterThanOrEqual(3);
});

async function log(page: Page, root: string) {
  const path = page.url().split("/students/")[1]?.split("/")[0] ?? "";
  const reply = await page.request.get(`/api/students/${path}/standings`, {
    headers: { "x-mirrup-studio": root.slice(1) },
  });
  const { items } = (await reply.json()) as {
    items: { subject: string; side: string; bestStreak: number }[];
  };
  return { body: items };
}
