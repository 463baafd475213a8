import { settled } from "../scripts/lib/settled.mjs";
import { expect, test } from "./fixtures.js";

test("what is typed fast on a slow tablet stands as it was typed", async ({ page, mirrup }) => {
  const tools = await page.context().newCDPSession(page);
  await tools.send("Emulation.setCPUThrottlingRate", { rate: 4 });
  const fields = [
    ["timing?score=(o%20xr)%20o", "Score", "xl o xr o", "xl o xr o"],
    ["timing?skill=cross", "Rope at the most", "210", "210 turns a minute"],
    ["combos/bench?parts=cross", "Tempo, bounces a minute", "96", "96 a minute"],
    ["combos/freestyle", "Length, seconds", "95", "95"],
    ["skills", "Find a skill by any of its names", "mamba", "mamba"],
  ] as const;
  for (const [path, label, typed, stands] of fields) {
    await page.goto(`${mirrup.root}/${path}`);
    await settled(page);
    const field = page.getByLabel(label, { exact: true });
    await field.fill("");
    await field.pressSequentially(typed, { delay: 20 });
    await settled(page);
    await expect(field).toHaveValue(stands);
    await field.press("Tab");
    await expect(field).toHaveValue(stands);
  }
});

test("a page that is loaded anew is where it was left, and where it is moved from then on", async ({
  page,
  mirrup,
}) => {
  const place = () => page.evaluate(() => window.scrollY);
  await page.goto(`${mirrup.root}/timing?skill=open-cross-double`);
  await settled(page);
  await page.evaluate(() => window.scrollTo(0, 240));
  await page.reload();
  await expect.poll(place).toBe(240);
  // Moved at once, and by nobody else after it.
  await page.reload();
  await page.getByRole("heading", { name: "Timing", level: 1 }).waitFor();
  await page.evaluate(() => window.scrollTo(0, 90));
  await settled(page);
  expect(await place()).toBe(90);
  await page.getByRole("link", { name: "Today", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Timing", level: 1 })).toBeHidden();
  await expect.poll(place).toBe(0);
  await page.goBack();
  await expect.poll(place).toBe(90);
});
