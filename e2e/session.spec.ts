import { randomUUID } from "node:crypto";
import { STUDIO_HEADER } from "@mirrup/contract";
import { expect, expectAccessible, floorIsOpen, test } from "./fixtures.js";

test("a student's session is planned, changed, and opened on the floor", async ({ page, mirrup }) => {
  await page.goto(await mirrup.studentPath("Hana Petrivale"));
  await page.getByRole("link", { name: "Session" }).click();
  const sum = page.getByRole("status").filter({ hasText: /of \d+ minutes/ });
  await expect(sum).toHaveText(/of 45 minutes, about [\d,]+ weighted landings/);
  const blocks = page.getByRole("listitem").filter({ has: page.getByRole("heading", { level: 2 }) });
  await expect(blocks.first()).toContainText("Warm-up");
  await expect(blocks.last()).toContainText("Cool-down");

  // What is banned makes room, says so, and can be let in again.
  const work = blocks.filter({ has: page.getByRole("link", { name: "Go to the floor" }) });
  const name = (await work.first().getByRole("heading").textContent()) ?? "";
  await work
    .first()
    .getByRole("button", { name: /^Not today/ })
    .click();
  await expect(page.getByRole("button", { name: `Bring back: ${name}`, exact: false })).toBeVisible();
  const named = work.filter({ has: page.getByRole("heading", { name, exact: true }) });
  await expect(named).toHaveCount(0);
  await page.getByRole("button", { name: /^Bring back/ }).click();
  await expect(named.first()).toBeVisible();

  // A shorter session leaves things out, each with its reason; one of them is taken in.
  await page.getByLabel("How long").selectOption("15 minutes");
  await expect(sum).toHaveText(/of 15 minutes/);
  await page.getByText(/Left out, and why/).click();
  await page
    .getByRole("button", { name: /^Add it to the plan/ })
    .first()
    .click();
  await expect(page.getByRole("button", { name: /^Kept/ })).toBeVisible();

  await page.reload();
  await expect(page.getByRole("button", { name: /^Kept/ })).toBeVisible();
  await work.first().getByRole("link", { name: "Go to the floor" }).click();
  await floorIsOpen(page);
});

test("a session is put in another order, lengthened, and taken home on a card", async ({ page, mirrup }) => {
  await page.goto(`${await mirrup.studentPath("Oskar Fennel")}/session?minutes=45`);
  const names = page.getByRole("heading", { level: 2 });
  await expect(names.nth(2)).toBeVisible();
  const [, first = "", second = ""] = await names.allTextContents();
  await page
    .getByRole("button", { name: `${second} earlier` })
    .first()
    .click();
  await expect(names.nth(1)).toHaveText(second);
  await expect(names.nth(2)).toHaveText(first);

  // The same by the grip's keys.
  await page
    .getByRole("button", { name: /^Move / })
    .first()
    .focus();
  await page.keyboard.press("Space");
  await expect(page.getByText(/is at .*, place 2\./)).toBeAttached();
  await page.keyboard.press("ArrowDown");
  await expect(page.getByText(/is at .*, place 3\./)).toBeAttached();
  await page.keyboard.press("Space");
  await expect(names.nth(1)).toHaveText(first);

  await page
    .getByRole("button", { name: /^One set more of/ })
    .last()
    .click();
  await expect(page.getByText(/What you changed costs/)).toBeVisible();
  await page.getByLabel("Shoes that cushion").click();
  await expect(page.getByLabel("Shoes that cushion")).not.toBeChecked();
  await page.getByText(/Left out, and why/).click();
  await expect(page.getByText("no multiples without shoes that cushion").first()).toBeVisible();

  await page.getByRole("button", { name: "Home practice" }).click();
  await expect(page.getByRole("heading", { name: "Oskar Fennel: practice at home" })).toBeVisible();
  // With its pictures, which come a moment later.
  await expect(page.getByRole("img", { name: /^(Rope|Hands|Landing)/ }).first()).toBeVisible();
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString("latin1");
  expect(pdf.match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
});

test("a session of no minutes says so, and the page meets the rules of accessibility", async ({
  page,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Amara Thistle");
  await page.goto(`${student}/session?minutes=0`);
  await expect(page.getByText("There are no minutes to plan. Choose how long the session is.")).toBeVisible();
  await page.goto(`${student}/session?minutes=60`);
  await expect(page.getByText(/of 60 minutes/)).toBeVisible();
  await expectAccessible(page);
});

test("a tired nine-year-old lands less, does no multiples the day after many, and keeps what was asked for", async ({
  page,
  mirrup,
}) => {
  const headers = { [STUDIO_HEADER]: mirrup.root.slice(1) };
  const ask = (path: string, data: object) => page.request.post(path, { headers, data });
  const born = new Date().getFullYear() - 9;
  const added = await ask("/api/students", { name: "Nell Nine", birthYear: born });
  const { id } = (await added.json()) as { id: string };
  const yesterday = Date.now() - 86_400_000;
  const set = (subject: string, clean: number, bestStreak: number, misses: number, place: number) => ({
    ...{ id: randomUUID(), studentId: id, subject, side: "whole", countedBy: "tapped" },
    ...{ drill: { kind: "streak", count: 15 }, clean, bestStreak, misses: [{ count: misses }] },
    at: new Date(yesterday + place * 60_000).toISOString(),
  });
  const sets = [set("basic-bounce", 80, 60, 1, 0), set("double-under", 50, 4, 30, 1)];
  expect((await ask("/api/sets", { sets })).ok()).toBe(true);

  await page.goto(`${mirrup.root}/students/${id}/session?minutes=45`);
  const sum = page.getByRole("status").filter({ hasText: /of 45 minutes/ });
  const landings = async () =>
    Number(/about ([\d,]+) weighted/.exec((await sum.textContent()) ?? "")?.[1]?.replace(",", ""));
  await expect(sum).not.toContainText("multiples");
  await expect(page.getByText("Yesterday had many multiples. Somebody")).toBeVisible();
  const usual = await landings();
  await page.getByText("tired", { exact: true }).click();
  await expect(page).toHaveURL(/energy=tired/);
  await expect.poll(landings).toBeLessThanOrEqual(0.6 * usual);
  await expect(sum).toHaveText(/^4[3-5](\.5)? of 45 minutes/);

  // What is asked for all the same stays, with a word; and is taken back by one key.
  await page.goto(`${page.url()}&pin=double-under:whole`);
  await expect(page.getByText(/Kept as you said, though .*yesterday had many multiples/)).toBeVisible();
  await expect(page.getByText("For a growing jumper keep multiples short")).toBeVisible();
  await page
    .getByRole("button", { name: /^Not today.*double under/i })
    .first()
    .click();
  await expect(page.getByText(/Kept as you said/)).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(page.getByText(/Kept as you said/)).toBeVisible();
  await page.keyboard.press("Control+y");
  await expect(page.getByText(/Kept as you said/)).toHaveCount(0);
  await expect(page.getByRole("button", { name: /Bring back.*double under/i })).toBeVisible();
});
