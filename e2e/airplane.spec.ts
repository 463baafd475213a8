import type { Items, LessonView, SetRequest, StudentView } from "@mirrup/contract";
import type { Browser, BrowserContext, Page } from "@playwright/test";
import { randomUUID } from "node:crypto";
import { expect, floorIsOpen, press, test } from "./fixtures.js";
import { settled } from "../scripts/lib/settled.mjs";

/** A lesson of today with a warm-up, three turns and a close. */
function lessonOf(students: readonly string[]) {
  const asked = {
    ...{ minutes: 60, turns: null, stations: 1, coaches: 1, helpers: [], floor: null, hardSkill: "late" },
    ...{ bans: [], stationPins: [], seed: 1, missing: [] },
  };
  const station = { subject: "basic-bounce", watchedBy: "coach" };
  const place = { station: 0, side: "whole", drill: { kind: "streak", count: 20 }, use: "keep" };
  const plan = {
    ...{
      asked,
      warmUpMinutes: 5,
      closeMinutes: 2,
      room: null,
      minutes: 53,
      useful: 6,
      sameForAll: 5,
      most: 9,
    },
    rotations: [17, 18, 18].map((minutes) => ({ minutes, stations: [station] })),
  };
  const places = [0, 1, 2].map(() => ({ ...place, chance: 0.9, reason: null, pinned: false }));
  return {
    ...{
      id: randomUUID(),
      title: "Airplane class",
      day: new Date().toISOString().slice(0, 10),
      minutes: 60,
      plan,
    },
    students: students.map((studentId) => ({ studentId, attendance: "expected", places })),
  };
}

/** A tablet of its own, signed in, with a page under the worker's control. */
async function tablet(browser: Browser, address: string, email: string) {
  const context = await browser.newContext({ baseURL: address, serviceWorkers: "allow" });
  const data = { email, password: "quillhaven demo" };
  expect((await context.request.post("/api/auth/sign-in", { data })).ok()).toBe(true);
  return { context, page: await context.newPage() };
}

async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await settled(page);
}

/** When the device last wrote down what was read, in its own ms; 0 for never. */
function keptAt(page: Page): Promise<number> {
  return page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open("mirrup-device");
        opening.onerror = () => reject(new Error(opening.error?.message));
        opening.onsuccess = () => {
          const database = opening.result;
          const asked = database.transaction("readings").objectStore("readings").get("last");
          asked.onsuccess = () => {
            database.close();
            resolve((asked.result as { readonly savedAt: number } | undefined)?.savedAt ?? 0);
          };
        };
      }),
  );
}

const mark = (page: Page, name: string, as: string) =>
  page.getByRole("group", { name }).getByRole("button", { name: as, exact: true });

/** Takes the network away, and has the page opened anew without it. */
async function fly(context: BrowserContext, page: Page, path: string): Promise<void> {
  await context.setOffline(true);
  await open(page, path);
}

test("a lesson in airplane mode on two tablets: both back, everything is there once, and both screens agree", async ({
  browser,
  mirrup,
}) => {
  const { address } = mirrup.stack;
  const coach = await tablet(browser, address, "coach@quillhaven.example");
  const owner = await tablet(browser, address, "owner@quillhaven.example");
  const headers = { "x-mirrup-studio": mirrup.root.slice(1) };
  const read = async <T>(path: string) =>
    (await (await owner.context.request.get(`/api${path}`, { headers })).json()) as T;
  const { items } = await read<Items<StudentView>>("/students");
  const named = (start: string) => {
    const found = items.find((one) => one.name.startsWith(start));
    if (found === undefined) throw new Error(`There is no ${start}.`);
    return found;
  };
  const [noor, elif, zola] = [named("Noor"), named("Elif"), named("Zola")];
  const lesson = lessonOf([noor.id, elif.id, zola.id]);
  const data = { lessons: [lesson] };
  const made = await owner.context.request.post("/api/lessons", { headers, data });
  expect([made.status(), made.ok() ? "" : await made.text()]).toEqual([200, ""]);

  const hall = `${mirrup.root}/lessons/${lesson.id}`;
  const floor = `${mirrup.root}/students/${elif.id}/floor/basic-bounce/whole?kind=streak&aim=300`;
  const zolas = `${mirrup.root}/students/${zola.id}/floor/basic-bounce/whole`;
  for (const { page } of [coach, owner]) {
    await open(page, hall);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    for (const path of [floor, zolas, `${mirrup.root}/students`]) await open(page, path);
    const before = await page.evaluate(() => Date.now());
    await open(page, hall);
    // What was read is written down a moment later.
    await expect.poll(() => keptAt(page)).toBeGreaterThan(before);
  }
  await fly(coach.context, coach.page, hall);
  await fly(owner.context, owner.page, hall);

  // The coach marks, begins, counts, and ends somebody's jumping, over pages that are opened anew each time.
  await mark(coach.page, noor.name, "Late").click();
  await mark(coach.page, elif.name, "Here").click();
  await coach.page.getByRole("button", { name: "Begin with the warm-up" }).click();
  await coach.page.getByRole("button", { name: /^Next: turn 1/ }).click();
  await open(coach.page, zolas);
  await coach.page.getByRole("button", { name: "Pain: stop today" }).click();
  await expect(coach.page.getByRole("alert")).toContainText("It is kept on this device");
  await open(coach.page, floor);
  await floorIsOpen(coach.page);
  await press(coach.page, "Space", 7);
  await coach.page.keyboard.press("Enter");
  await expect(coach.page.getByRole("heading", { name: "Kept on this device" })).toBeVisible();
  await open(coach.page, hall);
  await expect(
    coach.page.getByRole("button", { name: "1 set and 4 other things still to send" }),
  ).toBeVisible();

  // The other tablet says otherwise of one child a little later, and is a turn further.
  await mark(owner.page, noor.name, "Away").click();
  await mark(owner.page, zola.name, "Here").click();
  await owner.page.getByRole("button", { name: "Begin with the warm-up" }).click();
  for (const turn of [1, 2]) await owner.page.getByRole("button", { name: `Next: turn ${turn}` }).click();

  // Whoever said it later comes back first: the older word comes last, and changes nothing.
  for (const { context, page } of [owner, coach]) {
    await context.setOffline(false);
    await page.evaluate(() => window.dispatchEvent(new Event("online")));
    await expect(page.getByRole("button", { name: /still to send/ })).toBeHidden({ timeout: 30_000 });
  }
  const held = await read<LessonView>(`/lessons/${lesson.id}`);
  expect(Object.fromEntries(held.students.map((one) => [one.studentId, one.attendance]))).toEqual({
    ...{ [noor.id]: "absent", [elif.id]: "present", [zola.id]: "present" },
  });
  expect(held.progress?.step).toBe(2);
  expect((await read<StudentView>(`/students/${zola.id}`)).hasStopped).toBe(true);
  const sets = await read<Items<SetRequest>>(`/students/${elif.id}/sets?subject=basic-bounce&side=whole`);
  expect(sets.items.filter((one) => one.clean === 7)).toHaveLength(1);

  for (const { context, page } of [coach, owner]) {
    await expect(page.getByRole("heading", { name: "Turn 2", exact: true })).toBeVisible();
    // Whose jumping has ended is not told to jump.
    await expect(page.locator("main strong").getByText(elif.name)).toBeVisible();
    await expect(page.locator("main strong").getByText(zola.name)).toHaveCount(0);
    await page.keyboard.press("a");
    await expect(mark(page, noor.name, "Away")).toHaveAttribute("aria-pressed", "true");
    await expect(mark(page, elif.name, "Here")).toHaveAttribute("aria-pressed", "true");
    await expect(mark(page, zola.name, "Here")).toHaveAttribute("aria-pressed", "true");
    await expect(page.getByText(/stopped for today/)).toBeVisible();
    await context.close();
  }
  await owner.context.close();
});
