import { randomUUID } from "node:crypto";
import { readFileSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import type { Page } from "@playwright/test";
import { expect, expectAccessible, floorIsOpen, press, test } from "./fixtures.js";

test.use({ serviceWorkers: "allow" });

test("without a network the app opens, runs a set, and sends it once when the network is back", async ({
  page,
  context,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Priya Mossman");
  await page.goto(student);
  await expect(page.getByRole("button", { name: /^side straddle:/ })).toBeVisible();
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  // What was read is written down a moment later.
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          new Promise<number>((resolve) => {
            const opening = indexedDB.open("mirrup");
            opening.onsuccess = () => {
              const all = opening.result.transaction("readings").objectStore("readings").getAll();
              all.onsuccess = () => resolve(JSON.stringify(all.result).length);
            };
          }),
      ),
    )
    .toBeGreaterThan(10_000);

  await context.setOffline(true);
  await page.close();
  const again = await context.newPage();
  await again.goto(`${student}/floor/side-straddle/whole?kind=streak&aim=6`);
  await floorIsOpen(again);
  await press(again, "Space", 3);
  await again.keyboard.press("m");
  await press(again, "Space", 6);
  await again.keyboard.press("Enter");
  await expect(again.getByRole("heading", { name: "Kept on this device" })).toBeVisible();

  await context.setOffline(false);
  await again.evaluate(() => window.dispatchEvent(new Event("online")));
  await expect(again.getByRole("heading", { name: "9 of 10 clean" })).toBeVisible();
  const id = student.split("/students/")[1] ?? "";
  const reply = await again.request.get(`/api/students/${id}/sets?subject=side-straddle&side=whole`, {
    headers: { "x-mirrup-studio": mirrup.root.slice(1) },
  });
  const { items } = (await reply.json()) as { items: { clean: number; drill: { count?: number } }[] };
  expect(items.filter((one) => one.clean === 9 && one.drill.count === 6)).toHaveLength(1);
});

test("a new version is taken by a page that is opened, and an open one mends what it lacks of its own", async ({
  page,
  context,
  mirrup,
}) => {
  const worker = fileURLToPath(new URL("../apps/web/dist/sw.js", import.meta.url));
  const built = readFileSync(worker, "utf8");
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  // Opened again, it is under the worker's control.
  await page.reload();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  const isWaiting = (on: Page) =>
    on.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.waiting !== null);
  try {
    writeFileSync(worker, `${built}\n// ${randomUUID()}`);
    await page.evaluate(async () => {
      await (await navigator.serviceWorker.getRegistration())?.update();
    });
    await expect.poll(() => isWaiting(page)).toBe(true);
    // A browser that is busy with the old version may keep it once more: then the next page takes it.
    await expect(async () => {
      const fresh = await context.newPage();
      try {
        await fresh.goto(`${mirrup.root}/students`);
        await expect.poll(() => isWaiting(fresh).catch(() => true), { timeout: 6000 }).toBe(false);
        await expect(fresh.getByRole("heading", { level: 1 })).toBeVisible();
      } finally {
        await fresh.close();
      }
    }).toPass({ timeout: 60_000 });
  } finally {
    writeFileSync(worker, built);
  }

  // A part of the open page is not there any more: it is loaded anew, once.
  const loaded = page.waitForEvent("load");
  await page.evaluate(() => {
    sessionStorage.removeItem("mirrup-reloaded");
    window.dispatchEvent(new Event("vite:preloadError", { cancelable: true }));
  });
  await loaded;
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
});

test("a clock that is wrong is told where what waits is told", async ({ page, mirrup }) => {
  await page.clock.setSystemTime(new Date(Date.now() - 3 * 3_600_000));
  await page.goto(`${await mirrup.studentPath("Ines Varga-Holt")}/floor/basic-bounce/whole`);
  await floorIsOpen(page);
  await press(page, "Space", 3);
  await page.keyboard.press("m");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "This clock is wrong" }).click();
  const tray = page.getByRole("dialog", { name: "On this device" });
  await expect(tray).toContainText("This device’s clock is 3 hours behind");
  await expect(tray).toContainText("Nothing waits here");
  await expectAccessible(page);
});
