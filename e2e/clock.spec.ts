import { expect, expectAccessible, test } from "./fixtures.js";

test("a growing circuit is made of what is cleared, runs to its end, and shows the same second after a reload", async ({
  page,
  mirrup,
}) => {
  await page.clock.install();
  await page.goto(`${await mirrup.studentPath("Hana Petrivale")}/clock`);
  await page.getByText("Growing circuit").click();
  const parts = page.getByRole("combobox", { name: /Parts after the bounces/ });
  for (const part of ["single-leg hop, left side", "run step"]) {
    await parts.click();
    await page.getByRole("option", { name: part, exact: true }).click();
  }
  await page.keyboard.press("Escape");
  await expect(page.getByText(/in all, 3 lines/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Start the clock" }).click();
  await expect(page.getByRole("heading", { name: "Ready" })).toBeVisible();
  // From here on time stands but for what is told.
  const begun = await page.evaluate(() => Date.now());
  await page.clock.pauseAt(begun + 5_200);
  await expect(page.getByRole("heading", { name: "Basic bounce" })).toBeVisible();
  await expect(page.getByText("line 1 of 3, set 1 of 2")).toBeVisible();
  // Two sets of 4 counts and two rests of 8, at 133 a minute, and the second line's bounces: 24 counts and 4.
  await page.clock.runFor((28.7 * 60_000) / 133);
  await expect(page.getByText("line 2 of 3, set 1 of 2")).toBeVisible();
  await expect(page.getByRole("heading", { name: /hop, left side/ })).toBeVisible();
  await page.keyboard.press("Space");
  await expect(page.getByRole("heading", { name: "Paused" })).toBeVisible();
  await page.clock.resume();
  await expectAccessible(page);
  await page.clock.runFor(60_000);
  await page.reload();
  await expect(page.getByRole("heading", { name: "Paused" })).toBeVisible();
  await page.getByRole("button", { name: /^Go on/ }).click();
  await expect(page.getByText("line 2 of 3, set 1 of 2")).toBeVisible();
  // The button that was pressed keeps no key.
  await page.keyboard.press("z");
  await expect(page.getByRole("heading", { name: "Basic bounce" })).toBeVisible();
  await page.getByRole("button", { name: /^Pause/ }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Paused" })).toBeVisible();
  await page.keyboard.press("Space");
  await expect(page.getByRole("heading", { name: "Basic bounce" })).toBeVisible();
  await page.clock.runFor(60_000);
  await expect(page.getByRole("heading", { name: "Done" })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Start the clock" })).toBeEnabled();
});

test.describe("on a phone", () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });

  test("a class works and rests by one clock that goes on while the page is closed", async ({
    page,
    mirrup,
  }) => {
    await page.clock.install();
    await page.goto(`${mirrup.root}/class`);
    await page.getByRole("link", { name: "Second year" }).click();
    await page.getByRole("link", { name: "Interval clock" }).click();
    await page.getByRole("button", { name: "20 s on, 40 s off, 5 rounds" }).tap();
    await page.getByLabel("What is done").fill("side straddle");
    await page.getByRole("button", { name: "Start the clock" }).tap();
    const address = page.url();
    await page.goto(`${mirrup.root}/today`);
    await page.clock.runFor(70_000);
    await page.goto(address);
    await expect(page.getByText("round 2 of 5")).toBeVisible();
    await expect(page.getByRole("heading", { name: "Side straddle" })).toBeVisible();
    await expect(page.getByRole("timer", { name: "Left of it" })).toHaveText(/^0:1[0-5]$/);
    await page.getByRole("button", { name: /^Skip to the next/ }).tap();
    await expect(page.getByRole("heading", { name: "Rest" })).toBeVisible();
    await page.getByRole("button", { name: "End", exact: true }).tap();
    await expect(page.getByRole("button", { name: "Start the clock" })).toBeVisible();
  });
});

test("a mix is called of what is cleared, and a student who stopped for pain is given no clock", async ({
  page,
  mirrup,
}) => {
  await page.clock.install();
  const student = await mirrup.studentPath("Hana Petrivale");
  await page.goto(`${student}/clock`);
  await page.getByText("Mix, called out").click();
  await expect(page.getByText(/sides that are cleared/)).toBeVisible();
  await page.getByRole("button", { name: "Start the clock" }).click();
  const heard = new Set<string>();
  for (let call = 0; call < 12; call += 1) {
    await page.clock.runFor((8 * 60_000) / 130);
    heard.add((await page.getByRole("heading", { level: 1 }).textContent()) ?? "");
  }
  expect(heard.size).toBeGreaterThan(4);
  await page.getByRole("button", { name: "End", exact: true }).click();
  await page.goto(`${student}/floor/basic-bounce/whole`);
  await page.getByRole("button", { name: "Pain: stop today" }).click();
  await page.goto(`${student}/clock`);
  await expect(page.getByRole("button", { name: "It was pressed by mistake" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Start the clock" })).toBeHidden();
});

test("a freestyle round is run by the clock: combo after combo, each called, with its rests, to its end", async ({
  page,
  mirrup,
}) => {
  await page.clock.install();
  await page.goto(`${mirrup.root}/combos/freestyle?seconds=60&rest=6`);
  await expect(page.getByRole("link", { name: "Run the round by the clock" })).toBeVisible();
  const planned = await page.locator("ol strong").count();
  expect(planned).toBeGreaterThan(1);
  await page.getByRole("link", { name: "Run the round by the clock" }).click();
  await expect(page.getByRole("heading", { name: "Freestyle round" })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Start the round" }).click();
  await expect(page.getByRole("heading", { name: "Ready" })).toBeVisible();
  const begun = await page.evaluate(() => Date.now());
  await page.clock.pauseAt(begun + 5_300);
  await expect(page.getByText(`combo 1 of ${planned}`)).toBeVisible();
  // A reload in the middle of it shows the same combo.
  await page.reload();
  await expect(page.getByText(`combo 1 of ${planned}`)).toBeVisible();
  await page.getByRole("button", { name: /^Skip to the next/ }).click();
  await expect(page.getByText("next:")).toBeVisible();
  await page.getByRole("button", { name: /^Skip to the next/ }).click();
  await expect(page.getByText(`combo 2 of ${planned}`)).toBeVisible();
  await page.clock.runFor(90_000);
  await expect(page.getByRole("heading", { name: "Done" })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Start the round" })).toBeEnabled();
});

test("a class does one combo so often by the clock", async ({ page, mirrup }) => {
  await page.clock.install();
  await page.goto(`${mirrup.root}/class/all/clock`);
  await page.getByText("A combo", { exact: true }).click();
  await page.getByLabel("Which combo").selectOption({ label: "Easy eight" });
  await page.getByLabel("How often").fill("2");
  await page.getByLabel("How often").blur();
  await page.getByRole("button", { name: "Start the clock" }).click();
  await page.getByRole("button", { name: /^Skip to the next/ }).click();
  await expect(page.getByText("round 1 of 2")).toBeVisible();
  await page.clock.runFor(120_000);
  await expect(page.getByRole("heading", { name: "Done" })).toBeVisible();
});
