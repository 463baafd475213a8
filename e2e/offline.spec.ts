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
            const opening = indexedDB.open("mirrup-device");
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
  /** Puts another version on the server, and has the page find it. */
  const publish = async (on: Page) => {
    writeFileSync(worker, `${built}\n// ${randomUUID()}`);
    await on.evaluate(async () => {
      await (await navigator.serviceWorker.getRegistration())?.update();
    });
  };
  const isWaiting = (on: Page) =>
    on.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.waiting !== null);
  try {
    // An open page says so, and takes it when somebody taps.
    await publish(page);
    const newVersion = page.getByRole("button", { name: "New version" });
    await expect(newVersion).toBeVisible();
    await expectAccessible(page);
    await newVersion.click();
    await expect(newVersion).toBeHidden();
    await expect.poll(() => isWaiting(page).catch(() => true)).toBe(false);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();

    await publish(page);
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

test("what an older version left on the device is told, and a set that it had under way goes on", async ({
  page,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Mirela Dunmoor");
  const studentId = student.split("/").at(-1) ?? "";
  await page.goto(`${student}/floor/skier/whole?kind=streak&aim=77`);
  await floorIsOpen(page);
  const id = randomUUID();
  await page.evaluate(
    async ({ id, studentId }) => {
      const sender: unknown = JSON.parse(localStorage.getItem("mirrup-sender") ?? "null");
      const { personId } = sender as { personId: string };
      const database = await new Promise<IDBDatabase>((resolve) => {
        const opening = indexedDB.open("mirrup", 1);
        opening.onupgradeneeded = () =>
          ["sets", "runs", "readings"].forEach((store) => opening.result.createObjectStore(store));
        opening.onsuccess = () => resolve(opening.result);
      });
      const at = Date.now() - 60_000;
      const drill = { kind: "streak", count: 77 };
      const about = { studentId, subject: "skier", side: "whole" };
      const counts = { clean: 76, misses: [], bestStreak: 76, countedBy: "tapped" };
      const set = { id, ...about, drill, ...counts, at: new Date(at).toISOString() };
      const stores = database.transaction(["sets", "runs", "readings"], "readwrite");
      stores.objectStore("sets").put({ set, refusal: null, sender }, id);
      stores.objectStore("sets").put({ set: null, refusal: null, sender }, "broken");
      const taps = [0, 1, 2].map((second) => ({ at: second, kind: "clean" }));
      const run = { setId: crypto.randomUUID(), drill, taps, startedAt: at, lastTapAt: at + 2000 };
      stores.objectStore("runs").put(run, `${personId} ${studentId} skier whole`);
      await new Promise((resolve) => (stores.oncomplete = resolve));
      database.close();
      const day = new Intl.DateTimeFormat("sv-SE").format(new Date());
      localStorage.setItem("mirrup-stops", JSON.stringify([{ studentId, stops: true, day, sender }]));
    },
    { id, studentId },
  );
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("link", { name: /Mirela/ })).toContainText("No drill today.");
  const headers = { "x-mirrup-studio": mirrup.root.slice(1) };
  await expect(async () => {
    const reply = await page.request.get(`/api/students/${studentId}/sets?subject=skier&side=whole`, {
      headers,
    });
    const { items } = (await reply.json()) as { items: { id: string }[] };
    expect(items.filter((one) => one.id === id)).toHaveLength(1);
  }).toPass();
  await page.goto(`${student}/floor/skier/whole?kind=streak&aim=77`);
  await page.getByRole("button", { name: "It was pressed by mistake" }).click();
  await expect(page.getByText("3 of 77 in a row")).toBeVisible();
});

test("what cannot be taken over of an older version keeps nothing from being kept", async ({
  page,
  mirrup,
}) => {
  const floor = `${await mirrup.studentPath("Zola Penhurst")}/floor/skier/whole?kind=streak&aim=77`;
  await page.goto(floor);
  await floorIsOpen(page);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open("mirrup", 1);
        opening.onsuccess = () => {
          opening.result.close();
          resolve();
        };
      }),
  );
  await page.goto(floor);
  await floorIsOpen(page);
  await press(page, "Space", 4);
  await expect(page.getByText("clean 4")).toBeVisible();
  await expect(page.getByText(/refuses to keep the taps/)).toBeHidden();
  await page.goto(floor);
  await expect(page.getByText(/Goes on from/)).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByText(/4 clean, 0 missed/)).toBeVisible();
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
