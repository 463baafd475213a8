import { createHash } from "node:crypto";
import { request, type Page } from "@playwright/test";
import { expect, floorIsOpen, press, test } from "./fixtures.js";

/** How many sets of the student the log holds; the owner's export counts them. */
async function countSets(page: Page, root: string, id: string): Promise<number> {
  const owner = await request.newContext({ baseURL: new URL(page.url()).origin });
  const data = { email: "owner@quillhaven.example", password: "quillhaven demo" };
  await owner.post("/api/auth/sign-in", { data });
  const reply = await owner.get(`/api/students/${id}/export`, {
    headers: { "x-mirrup-studio": root.slice(1) },
  });
  const { sets } = (await reply.json()) as { sets: object[] };
  await owner.dispose();
  return sets.length;
}

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

test("a server killed in mid-batch, a cut network and a closed page lose nothing and double nothing", async ({
  page,
  context,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Hana Petrivale");
  const id = student.split("/").at(-1) ?? "";
  await page.goto(`${student}/floor/backward-bounce/whole?kind=streak&aim=400`);
  await floorIsOpen(page);
  const before = await countSets(page, mirrup.root, id);
  // As many finished sets as two batches hold wait on the device, as they would after a day without a network.
  await context.setOffline(true);
  await page.evaluate(async (studentId) => {
    const sender: unknown = JSON.parse(localStorage.getItem("mirrup-sender") ?? "null");
    const database = await new Promise<IDBDatabase>((resolve) => {
      const opening = indexedDB.open("mirrup-device");
      opening.onsuccess = () => resolve(opening.result);
    });
    const store = database.transaction("commands", "readwrite").objectStore("commands");
    for (let place = 0; place < 600; place += 1) {
      const set = {
        id: crypto.randomUUID(),
        studentId,
        subject: "backward-bounce",
        side: "whole",
        drill: { kind: "streak", count: 20 },
        clean: 3,
        misses: [],
        bestStreak: 3,
        countedBy: "tapped",
        at: new Date(Date.now() - place * 60_000).toISOString(),
      };
      store.put({ command: { kind: "set", id: set.id, at: set.at, sender, set }, refusal: null });
    }
    await new Promise((resolve) => (store.transaction.oncomplete = resolve));
  }, id);
  await press(page, "Space", 5);
  for (const cut of ["kill", "network", "kill"] as const) {
    const sent = page.waitForRequest((request) => request.url().endsWith("/api/sets"));
    await context.setOffline(false);
    await page.evaluate(() => window.dispatchEvent(new Event("online")));
    await sent;
    if (cut === "kill") {
      const { child } = mirrup.stack.server();
      child.kill("SIGKILL");
      await new Promise((resolve) => child.once("exit", resolve));
      await mirrup.stack.startServer();
    } else {
      await context.setOffline(true);
    }
  }
  await page.close();
  await context.setOffline(false);
  const again = await context.newPage();
  await again.goto(`${student}/floor/backward-bounce/whole?kind=streak&aim=400`);
  await expect(again.getByText("clean 5")).toBeVisible();
  await again.keyboard.press("Enter");
  await expect(again.getByRole("heading", { name: "5 of 5 clean" })).toBeVisible({ timeout: 60_000 });
  await expect(again.getByRole("button", { name: /still to send/ })).toBeHidden();
  expect(await countSets(again, mirrup.root, id)).toBe(before + 601);
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

test("a page that could not be read is there once the server answers, and nobody has pressed anything", async ({
  page,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Dag Ellerby");
  // What the page is made of is on the device; what stands on it is not.
  await page.goto(`${await mirrup.studentPath("Ines Varga-Holt")}/report`);
  await expect(page.getByRole("heading", { name: "Ines Varga-Holt", level: 1 })).toBeVisible();
  await page.goto(student);
  await expect(page.getByRole("heading", { name: "Dag Ellerby", level: 1 })).toBeVisible();
  await mirrup.stack.stopServer();
  await page.getByRole("link", { name: "Report", exact: true }).click();
  await expect(page.getByRole("heading", { name: "The report could not be made" })).toBeVisible();
  await mirrup.stack.startServer();
  await expect(page.getByRole("heading", { name: "The report could not be made" })).toBeHidden();
  await expect(page.getByRole("heading", { name: "Dag Ellerby", level: 1 })).toBeVisible();
});

test("a refused set goes to the tray and blocks nobody else's", async ({ page, mirrup }) => {
  const gone = await mirrup.studentPath("Temi Adewood");
  const id = gone.split("/").at(-1) ?? "";
  await page.goto(`${gone}/floor/basic-bounce/whole?kind=streak&aim=10`);
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

  await page.goto(`${await mirrup.studentPath("Leo Sandoval-Wren")}/floor/run-step/whole?kind=streak&aim=10`);
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
