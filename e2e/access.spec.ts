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
    `${student}/progress`,
    `${student}/log`,
    `${student}/clock`,
    `${mirrup.root}/programmes`,
    `${mirrup.root}/skills/order`,
    `${mirrup.root}/timing`,
    `${mirrup.root}/start`,
  ]) {
    await page.goto(path);
    await settled(page);
    expect([path, await widest()]).toEqual([path, PHONE.width]);
  }
});

for (const [name, size] of [
  ["a desk", { width: 1280, height: 800 }],
  ["a tablet", { width: 820, height: 1180 }],
  ["a phone", PHONE],
] as const)
  test(`what is under the thumbs is in sight on ${name}, whatever is counted`, async ({ page, mirrup }) => {
    await page.setViewportSize(size);
    const student = await mirrup.studentPath("Ines Varga-Holt");
    const inSight = async (names: readonly RegExp[]) => {
      for (const name of names) {
        const box = await page.getByRole("button", { name }).boundingBox();
        expect(box?.height).toBeGreaterThanOrEqual(72);
        expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(size.height);
        expect((box?.x ?? 0) + (box?.width ?? 0)).toBeLessThanOrEqual(size.width);
      }
    };
    for (const drill of ["kind=streak&aim=20", "kind=climb&aim=6", "kind=one-bounce"]) {
      await page.goto(`${student}/floor/cross/left?${drill}`);
      await floorIsOpen(page);
      await inSight([/^Clean/, /^Miss/]);
      await press(page, "Space", 1);
      await press(page, "m", 1);
      await expect(page.getByRole("group", { name: "Why did it miss?" })).toBeVisible();
      await inSight([/^Clean/, /^Miss/, /^Undo/, /^Finish/]);
      // Nothing of the question lies under them.
      const why = await page.getByRole("button", { name: /^1 / }).boundingBox();
      const pad = await page.getByRole("button", { name: /^Undo/ }).boundingBox();
      const clean = await page.getByRole("button", { name: /^Clean/ }).boundingBox();
      const top = Math.min(pad?.y ?? 0, clean?.y ?? 0);
      expect((why?.y ?? 0) + (why?.height ?? 0)).toBeLessThanOrEqual(top);
      await press(page, "z", 2);
      await expect(page.getByRole("button", { name: /^Undo/, disabled: false })).toHaveCount(0);
    }
  });
