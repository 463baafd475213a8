import type { Page } from "@playwright/test";
import { expect, floorIsOpen, press, test } from "./fixtures.js";

const counted = (page: Page) => page.getByRole("status").filter({ hasText: /in a row|Rung|tries/ });

/** How the set is counted, before it begins. */
async function countBy(page: Page, label: string): Promise<void> {
  await page.getByLabel("How it is counted").selectOption({ label });
}

test("a climb to a cleared gate by keyboard, with a miss and its fault", async ({ page, mirrup }) => {
  await page.goto(
    `${await mirrup.studentPath("Amara Thistle")}/floor/open-cross-double/left?kind=climb&aim=5`,
  );
  await floorIsOpen(page);
  await expect(page.getByText(/Form: Open, cross\. Turns before it: singles\./)).toBeVisible();
  await press(page, "Space", 4);
  await press(page, "m", 1);
  await press(page, "1", 1);
  await press(page, "Space", 3 + 4 + 5);
  await expect(page.getByRole("button", { name: /^Reached/ })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /^Cleared: open-cross double/i })).toBeVisible();
});

test.describe("with fingers", () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });
  test("a climb to a cleared gate by touch, with a miss and its fault", async ({ page, mirrup }) => {
    await page.goto(
      `${await mirrup.studentPath("Ines Varga-Holt")}/floor/open-cross-double/left?kind=climb&aim=5`,
    );
    await floorIsOpen(page);
    const clean = page.getByRole("button", { name: /^Clean/ });
    for (let tap = 0; tap < 4; tap += 1) await clean.tap();
    await page.getByRole("button", { name: /^Miss/ }).tap();
    await page.getByRole("group", { name: "Why did it miss?" }).getByRole("button").first().tap();
    for (let tap = 0; tap < 12; tap += 1) await clean.tap();
    await page.getByRole("button", { name: /^Reached/ }).tap();
    await expect(page.getByRole("heading", { name: /^Cleared: open-cross double/i })).toBeVisible();
    // Nothing on a phone has to be looked for beyond its edge.
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  });
});

test("a climb to a cleared gate by the rope's handle, whose line breaks", async ({ page, mirrup }) => {
  await page.goto(
    `${await mirrup.studentPath("Oskar Fennel")}/floor/cross-open-double/right?kind=climb&aim=5`,
  );
  await floorIsOpen(page);
  const faster = page.getByRole("button", { name: "Faster" });
  for (let step = 0; step < 30; step += 1) await faster.click();
  await countBy(page, "by the rope’s handle");
  await page.getByRole("button", { name: "Listen to the handle" }).click();
  await expect(page.getByRole("group", { name: "The rope’s handle" })).toContainText(
    /\d+ a minute, evenness/,
  );
  await expect(page.getByRole("button", { name: /^Reached/ })).toBeVisible({ timeout: 120_000 });
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /^Cleared: cross-open double/i })).toBeVisible();
  const id = page.url().split("/students/")[1]?.split("/")[0] ?? "";
  const reply = await page.request.get(`/api/students/${id}/sets?subject=cross-open-double&side=right`, {
    headers: { "x-mirrup-studio": mirrup.root.slice(1) },
  });
  const { items } = (await reply.json()) as { items: { countedBy: string; bestStreak: number }[] };
  expect(items[0]).toMatchObject({ countedBy: "sensor", bestStreak: 5 });
});

test("a tempo counts by itself, and is put right by one, by five and by a number", async ({
  page,
  mirrup,
}) => {
  await page.clock.install();
  await page.goto(`${await mirrup.studentPath("Kofi Marrow")}/floor/boxer-step/whole?kind=streak&aim=40`);
  await floorIsOpen(page);
  await countBy(page, "by itself, at the tempo");
  await page.keyboard.press("Space");
  // A boxer step is two beats, at the tempo of low bounces: 133 a minute.
  await expect(page.getByRole("group", { name: "Tempo" })).toContainText("133");
  await page.clock.runFor(5550);
  await expect(counted(page)).toHaveText("6 of 40 in a row");
  await page.keyboard.press("p");
  await page.clock.runFor(5000);
  await expect(counted(page)).toHaveText("6 of 40 in a row");
  const right = page.getByRole("group", { name: "Put the count right" });
  await right.getByRole("button", { name: "−1" }).click();
  await right.getByRole("button", { name: "+5" }).click();
  await expect(counted(page)).toHaveText("10 of 40 in a row");
  await right.getByLabel("In a row, typed").fill("17");
  await page.keyboard.press("Enter");
  await expect(counted(page)).toHaveText("17 of 40 in a row");
  await page.keyboard.press("z");
  await expect(counted(page)).toHaveText("10 of 40 in a row");
  await page.keyboard.press("m");
  await expect(counted(page)).toHaveText("0 of 40 in a row");
});

test("a partner counts on one large button; a set is typed in when nobody did", async ({ page, mirrup }) => {
  await page.goto(`${await mirrup.studentPath("Kofi Marrow")}/floor/cross/left?kind=streak&aim=8`);
  await floorIsOpen(page);
  await countBy(page, "a partner counts");
  const button = page.getByRole("button", { name: /^Clean/ });
  expect((await button.boundingBox())?.height ?? 0).toBeGreaterThan(220);
  await button.click();
  await expect(counted(page)).toHaveText("1 of 8 in a row");
  await page.keyboard.press("z");

  await countBy(page, "typed in afterwards");
  const form = page.getByRole("form", { name: "The set in numbers" });
  await form.getByLabel("Clean in all").fill("4");
  await form.getByLabel("Missed").fill("2");
  await form.getByLabel("Most in a row").fill("9");
  await form.getByRole("button", { name: "Count the set" }).click();
  await expect(form.getByRole("alert")).toContainText("more than the 4 clean tries");
  await form.getByLabel("Most in a row").fill("3");
  await form.getByRole("button", { name: "Count the set" }).click();
  await expect(page.getByText("4 clean, 2 missed")).toBeVisible();
});

test("several students at once: each with a running set, one tap from one to the next", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${await mirrup.studentPath("Jonas Quist")}/floor/side-swing/left?kind=streak&aim=30`);
  await floorIsOpen(page);
  await press(page, "Space", 3);
  await page.getByLabel("Another student on this floor").selectOption({ label: "Leo Sandoval-Wren" });
  // The name stands in the list of others before the floor is theirs.
  const leo = await mirrup.studentPath("Leo Sandoval-Wren");
  await page.waitForURL(({ pathname }) => pathname.startsWith(leo));
  // Until then the floor of before takes the taps.
  await expect(counted(page)).toHaveText(/^0 /);
  await floorIsOpen(page);
  await press(page, "Space", 2);
  const strip = page.getByRole("navigation", { name: "Students on this floor" });
  await strip.getByRole("link", { name: /Jonas Quist/ }).click();
  await expect(counted(page)).toHaveText("3 of 30 in a row");
  await press(page, "Space", 1);
  await expect(strip.getByRole("link", { name: /Jonas Quist/ })).toContainText("4 of 30");
  await strip.getByRole("link", { name: /Leo/ }).click();
  await expect(page.getByText("clean 2")).toBeVisible();
  await strip.getByRole("button", { name: "Take Leo Sandoval-Wren off this floor" }).click();
  await expect(strip).toBeHidden();
});

test("a pattern is called out in time", async ({ page, mirrup }) => {
  const score = encodeURIComponent("o*2 xl*2");
  await page.goto(
    `${await mirrup.studentPath("Kofi Marrow")}/floor/cross/left?kind=rounds&aim=3&score=${score}`,
  );
  await floorIsOpen(page);
  await page.getByRole("button", { name: "Call it out" }).click();
  const call = page.getByRole("dialog", { name: "The pattern, called out" });
  await expect(call.getByText("cross", { exact: true }).first()).toBeVisible();
  await expect(call.getByText("open", { exact: true }).first()).toBeVisible();
  // Whoever watches the bodies still counts.
  await page.keyboard.press("PageDown");
  await call.getByRole("button", { name: "Stop calling" }).click();
  await expect(call).toBeHidden();
  await expect(page.getByText("clean 1")).toBeVisible();
});

test("the base test is one drill of five parts with one count of misses", async ({ page, mirrup }) => {
  await page.goto(`${await mirrup.studentPath("Amara Thistle")}/base-test`);
  const hundred = () =>
    page.evaluate(() => {
      for (let time = 0; time < 100; time += 1) {
        window.dispatchEvent(new KeyboardEvent("keydown", { key: " " }));
        window.dispatchEvent(new KeyboardEvent("keyup", { key: " " }));
      }
    });
  const parts = page.getByRole("list", { name: "The five parts" });
  const names = ["Basic bounce", "Run step", "Single-leg hop, left", "Single-leg hop, right", "High knees"];
  for (const [place, name] of names.entries()) {
    await expect(parts.locator("[aria-current=step]")).toContainText(name);
    await expect(page.getByRole("button", { name: /^Clean/ })).toBeEnabled();
    if (place < 2) await page.keyboard.press("m");
    if (place === 1) await expect(page.getByText("0 more misses allowed.")).toBeVisible();
    await hundred();
    await page.getByRole("button", { name: /On to the next part/ }).click();
  }
  await expect(page.getByRole("heading", { name: "The base test is passed" })).toBeVisible();
});
