import { expect, type Page } from "@playwright/test";

/**
 * Answers placement's questions by key, what is known as clean and all else as not, until it asks no more or so many were
 * asked.
 */
export async function place(page: Page, isKnown: RegExp, most: number): Promise<void> {
  const question = page.locator("h2").first();
  const stand = async () =>
    `${await question.textContent()} ${await page.locator('[aria-pressed="true"]').count()}`;
  for (let asked = 0; asked < most; asked += 1) {
    const name = (await question.textContent()) ?? "";
    if ((await page.getByRole("button", { name: /^Clean/ }).count()) === 0) return;
    while ((await question.textContent()) === name) {
      const before = await stand();
      await page.keyboard.press(isKnown.test(name) ? "1" : "3");
      await expect.poll(stand).not.toBe(before);
    }
  }
}
