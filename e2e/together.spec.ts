import type { Items, SessionView, SetRequest } from "@mirrup/contract";
import { randomUUID } from "node:crypto";
import { expect, floorIsOpen, press, test } from "./fixtures.js";

const SOON = { timeout: 2000 };

test("two tablets agree within two seconds, and what one was typing stays", async ({
  page,
  browser,
  mirrup,
}) => {
  const path = await mirrup.studentPath("Anton Breckfield");
  await page.goto(`${path}/record`);
  const notes = page.getByLabel("Notes");
  await notes.fill("Half a sen");
  const context = await browser.newContext({ baseURL: mirrup.stack.address });
  const other = await context.newPage();
  await other.goto("/sign-in");
  await other.getByRole("button", { name: "Look around the demo club" }).click();
  // To leave before the answer is there would be to leave without having signed in.
  await other.waitForURL(`**${mirrup.root}/**`);
  await other.goto(`${mirrup.root}/students`);
  const line = other.getByRole("link", { name: /Anton/ });
  await expect(line).toBeVisible();

  // A record that one changes is renamed on the other's list.
  const { memberships } = (await (await context.request.get("/api/auth/session")).json()) as SessionView;
  const headers = { "x-mirrup-studio": memberships[0]?.studioId ?? "" };
  const studentId = path.split("/").at(-1) ?? "";
  const detail = (await (
    await context.request.get(`/api/students/${studentId}/detail`, { headers })
  ).json()) as { version: number };
  const renamed = { version: detail.version, name: "Anton B." };
  await context.request.patch(`/api/students/${studentId}`, { headers, data: renamed });
  await expect(other.getByRole("link", { name: /Anton B\./ })).toBeVisible(SOON);
  await expect(page.getByRole("heading", { name: "Anton B." })).toBeVisible(SOON);
  await expect(notes).toHaveValue("Half a sen");

  // A set by which one clears a side is on the other's list.
  const cleared = async () => {
    const text = (await other.getByRole("link", { name: /Anton B\./ }).textContent()) ?? "";
    return Number(/(\d+) cleared/.exec(text)?.[1]);
  };
  const before = await cleared();
  const set = {
    ...{ id: randomUUID(), studentId, subject: "skier", side: "whole", drill: { kind: "streak", count: 40 } },
    ...{ clean: 40, misses: [], bestStreak: 40, countedBy: "tapped", at: new Date().toISOString() },
  };
  const sent = await page.request.post("/api/sets", { headers, data: { sets: [set] } });
  expect(sent.status()).toBe(200);
  await expect.poll(cleared, SOON).toBeGreaterThan(before);

  // Away for a while, and back: what was missed is there.
  await context.setOffline(true);
  await page.request.put(`/api/students/${studentId}/stop`, { headers });
  await context.setOffline(false);
  await expect(line).toContainText(/stopped/i, { timeout: 10_000 });
  await context.close();
});

test("a set that two tabs have open goes on in the last, and every tap is stored once", async ({
  page,
  mirrup,
}) => {
  const floor = `${await mirrup.studentPath("Suki Marchbank")}/floor/cross/left?kind=streak&aim=40`;
  const counted = (one: typeof page) => one.getByRole("status").filter({ hasText: "in a row" });
  await page.goto(floor);
  await floorIsOpen(page);
  await press(page, "Space", 13);
  const second = await page.context().newPage();
  await second.goto(floor);
  await expect(counted(second)).toHaveText("13 of 40 in a row");
  await expect(page.getByText("This set is being counted in another tab.")).toBeVisible();
  await press(page, "Space", 4);
  await press(second, "Space", 2);
  await expect(counted(second)).toHaveText("15 of 40 in a row");
  await page.getByRole("button", { name: "Count here" }).click();
  await expect(counted(page)).toHaveText("15 of 40 in a row");
  await expect(second.getByText("This set is being counted in another tab.")).toBeVisible();
  await press(page, "Space", 1);
  const sent = page.waitForResponse((reply) => reply.url().endsWith("/api/sets"));
  await page.keyboard.press("Enter");
  expect((await sent).status()).toBe(200);
  // What is over is not counted on from an old tab: it begins a set of its own.
  await second.getByRole("button", { name: "Count here" }).click();
  await expect(counted(second)).toHaveText("0 of 40 in a row");
  await press(second, "Space", 3);
  await second.keyboard.press("Enter");
  await expect(second.getByText(/3 clean, 0 missed/)).toBeVisible();
  // Whichever tab is sending just then sends it.
  const path = floor.split("/students/")[1]?.split("/")[0] ?? "";
  await expect(async () => {
    const reply = await page.request.get(`/api/students/${path}/sets?subject=cross&side=left`, {
      headers: { "x-mirrup-studio": mirrup.root.slice(1) },
    });
    const { items } = (await reply.json()) as Items<SetRequest>;
    expect(items.slice(0, 2).map((one) => one.clean)).toEqual([3, 16]);
  }).toPass();
  await expect(second.getByRole("button", { name: /still to send/ })).toBeHidden();
  await expect(page.getByText(/could not be stored/i)).toBeHidden();
});
