import type { Page } from "@playwright/test";
import { expect, expectAccessible, floorIsOpen, press, test } from "./fixtures.js";

/** Finishes the set on the floor with a few clean tries; `act` is how. */
interface Hand {
  readonly clean: (page: Page) => Promise<void>;
  readonly finish: (page: Page) => Promise<void>;
  readonly on: (page: Page) => Promise<void>;
  /** Leaves what nobody counts. */
  readonly easy: (page: Page) => Promise<void>;
}

/** The large buttons below, and not those of the bar above. */
const below = (page: Page, text: RegExp) =>
  page.locator('button:not(section[aria-label="The session"] button)').filter({ hasText: text });
const easyButton = (page: Page) => below(page, /^(Done; next|End the session)/);
const onButton = (page: Page) => below(page, /^(Set \d|Next block|End the session)/);
const pad = (page: Page) => page.getByRole("button", { name: /^(Clean|Right|Start the clock)/ });

const keys: Hand = {
  clean: (page) => press(page, "Space", 3),
  finish: (page) => page.keyboard.press("Enter"),
  on: (page) => page.keyboard.press("Enter"),
  easy: (page) => page.keyboard.press("Enter"),
};

const fingers: Hand = {
  clean: async (page) => {
    for (let time = 0; time < 3; time += 1) if (await pad(page).isVisible()) await pad(page).tap();
  },
  finish: (page) =>
    page
      .getByRole("button", { name: /^Finish|: finish the set/ })
      .first()
      .tap(),
  easy: (page) => easyButton(page).tap(),
  on: (page) => onButton(page).tap(),
};

/** Holds the whole session: every block to its sets, with its rests. Answers the blocks' names. */
async function hold(page: Page, hand: Hand): Promise<readonly string[]> {
  const bar = page.getByRole("region", { name: "The session" });
  const names: string[] = [];
  let rests = 0;
  for (;;) {
    const [, place, all, name] =
      /Block (\d+) of (\d+): ([^,0-9]+)/.exec((await bar.textContent()) ?? "") ?? [];
    expect(Number(place)).toBe(names.length + 1);
    names.push(name ?? "");
    const isLast = place === all;
    const easy = easyButton(page);
    await expect(easy.or(pad(page))).toBeEnabled();
    if (await easy.isVisible()) await hand.easy(page);
    else {
      for (let set = 1; ; set += 1) {
        await hand.clean(page);
        await hand.finish(page);
        const on = onButton(page);
        await expect(on).toBeVisible();
        if (await page.getByRole("timer", { name: "Rest that is left" }).isVisible()) rests += 1;
        const isSame = ((await on.textContent()) ?? "").startsWith("Set");
        await hand.on(page);
        if (!isSame) break;
        await expect(pad(page)).toBeEnabled();
        expect(set).toBeLessThan(9);
      }
    }
    if (isLast) break;
    await expect(bar).toContainText(`Block ${names.length + 1} of ${all ?? ""}`);
  }
  await expect(page.getByRole("heading", { name: "The session is over" })).toBeVisible();
  expect(rests).toBeGreaterThan(0);
  return names;
}

test("a planned session is held from block to block by keyboard, and what was done stands beside what was planned", async ({
  page,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Hana Petrivale");
  await page.goto(`${student}/session?minutes=20`);
  await page.getByRole("button", { name: "Begin the session" }).click();
  await expect(page.getByRole("button", { name: /^Done; next/ })).toBeVisible();
  await expectAccessible(page);
  const names = await hold(page, keys);
  expect(names.length).toBeGreaterThanOrEqual(4);
  const rows = page.getByRole("table").getByRole("row");
  await expect(rows).toHaveCount(names.length + 1);
  await expect(rows.nth(2)).toContainText(/\d sets?, \d+ clean of \d+/);
  await page.getByRole("link", { name: /^Close it/ }).click();
  await page.goto(`${student}/session/now`);
  await expect(page.getByRole("heading", { name: "No session is held" })).toBeVisible();
});

for (const [device, who, viewport] of [
  ["a phone", "Bram Oakhollow", { width: 390, height: 844 }],
  ["a tablet", "Kofi Marrow", { width: 820, height: 1180 }],
] as const)
  test.describe(`with fingers on ${device}`, () => {
    test.use({ hasTouch: true, viewport });

    test("a planned session is held; a page that is opened anew goes on where it was", async ({
      page,
      mirrup,
    }) => {
      await page.goto(`${await mirrup.studentPath(who)}/session?minutes=20`);
      await page.getByRole("button", { name: "Begin the session" }).tap();
      const bar = page.getByRole("region", { name: "The session" });
      await expect(bar).toContainText("Block 1 of");
      await bar.getByRole("button", { name: "2 min more" }).tap();
      await page.reload();
      await expect(page.getByRole("timer", { name: "Left of this block" })).toContainText(/^[67]:/);
      await hold(page, fingers);
    });
  });

test("a block is put off, skipped, lengthened and taken back, and a stop for pain ends the jumping", async ({
  page,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Hana Petrivale");
  await page.goto(`${student}/session?minutes=30`);
  await page.getByRole("button", { name: "Begin the session" }).click();
  const bar = page.getByRole("region", { name: "The session" });
  await bar.getByRole("button", { name: "Skip" }).click();
  await floorIsOpen(page);
  await expect(bar).toContainText("Block 2 of");
  const second = /: ([^0-9]+)/.exec((await bar.locator("p").textContent()) ?? "")?.[1] ?? "";
  // Any that is to come may be done in its place: here the last of them.
  const swap = bar.getByRole("combobox", { name: /^Do another block now/ });
  const last = (await swap.locator("option").last().textContent()) ?? "";
  await swap.selectOption({ label: last });
  await expect(bar.locator("p")).toContainText(`Block 2 of`);
  await expect(bar.locator("p")).toContainText(last);
  await expect(swap.locator("option").last()).toHaveText(second.replace(/, $/, ""));
  await page.goto(`${student}/session/now`);
  await expect(page.getByRole("row", { name: /Warm-up/ })).toContainText("skipped");
  await page.getByRole("button", { name: "Back to the block before" }).click();
  await expect(bar).toContainText("Block 1 of");
  await page.getByRole("button", { name: "Pain: stop today" }).click();
  await expect(bar).toBeHidden();
  await page.goto(`${student}/session`);
  await expect(page.getByText("No jumping today")).toBeVisible();
  await expect(page.getByRole("button", { name: /(Begin|Go on with) the session/ })).toBeHidden();
});
