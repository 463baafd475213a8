import { expect, expectAccessible, expectLegible, floorIsOpen, press, test } from "./fixtures.js";
import { settled } from "../scripts/lib/settled.mjs";

const PHONE = { width: 390, height: 844 };

test("no screen breaks a rule of WCAG 2.2 AA that can be checked by machine", async ({ page, mirrup }) => {
  const student = await mirrup.studentPath("Ines Varga-Holt");
  const check = () => expectAccessible(page);
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("link", { name: /Ines/ })).toBeVisible();
  await check();
  await page.goto(`${student}?skill=leg-over-cross`);
  await expect(page.getByRole("complementary")).toContainText("leg-over cross");
  await check();
  await page.goto(`${mirrup.root}/skills/knee-cross`);
  await expect(page.getByRole("heading", { name: "Cross behind the knees" })).toBeVisible();
  await check();
  await page.goto(`${student}/floor/leg-over-cross/right`);
  await floorIsOpen(page);
  await check();
  await press(page, "Space", 2);
  await page.keyboard.press("m");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: /^Next:/ })).toBeVisible();
  await check();
});

test("by night every page is as legible: the system's dark scheme is the desk's", async ({
  page,
  mirrup,
}) => {
  // Nineteen pages, each measured text by text.
  test.setTimeout(300_000);
  await page.emulateMedia({ colorScheme: "dark" });
  const student = await mirrup.studentPath("Ines Varga-Holt");
  for (const path of [
    `${mirrup.root}/today`,
    `${mirrup.root}/students`,
    `${student}?skill=cross`,
    `${student}/frontier`,
    `${student}/session`,
    `${student}/weeks`,
    `${student}/outline`,
    `${student}/placement`,
    `${student}/record`,
    `${student}/schools`,
    `${mirrup.root}/class`,
    `${mirrup.root}/class?view=sheet`,
    `${mirrup.root}/combos`,
    `${mirrup.root}/combos/bench`,
    `${mirrup.root}/combos/freestyle`,
    `${mirrup.root}/skills/cross`,
    `${mirrup.root}/studio`,
    `${mirrup.root}/start`,
    `${student}/floor/cross/left`,
  ]) {
    await page.goto(path);
    await settled(page);
    const ground = await page.evaluate(() => getComputedStyle(document.body).backgroundColor);
    expect([path, ground]).toEqual([path, "rgb(18, 21, 29)"]);
    await expectLegible(page);
  }
});

test("fits a phone", async ({ page, mirrup }) => {
  await page.setViewportSize(PHONE);
  const student = await mirrup.studentPath("Ines Varga-Holt");
  const widest = () => page.evaluate(() => document.documentElement.scrollWidth);
  for (const path of [
    `${mirrup.root}/students`,
    student,
    `${mirrup.root}/skills/side-cross-back`,
    `${mirrup.root}/studio`,
    `${mirrup.root}/class`,
    `${mirrup.root}/today`,
    `${student}/session`,
    `${student}/weeks`,
    `${student}/record`,
    `${student}/placement`,
    `${student}/floor/cross/left`,
  ]) {
    await page.goto(path);
    await settled(page);
    expect(await widest()).toBeLessThanOrEqual(PHONE.width);
  }
  for (const name of [/^Clean/, /^Miss/, /^Undo/, /^Finish/]) {
    const box = await page.getByRole("button", { name }).boundingBox();
    expect(box?.height).toBeGreaterThanOrEqual(72);
    expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(PHONE.height);
  }
});
