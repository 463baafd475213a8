import { randomUUID } from "node:crypto";
import { STUDIO_HEADER } from "@mirrup/contract";
import { expect, test } from "./fixtures.js";

test("a bead is found by any name, and the map moves to it, closer and back", async ({ page, mirrup }) => {
  await page.goto(await mirrup.studentPath("Amara Thistle"));
  const bead = page.getByRole("button", { name: /^leg-over triple:/ });
  await expect(page.getByRole("button", { name: /^basic bounce:/ })).toBeVisible();
  await expect(bead).not.toBeInViewport();
  await page.keyboard.press("/");
  await page.keyboard.type("TJ triple");
  await page.getByRole("option", { name: /leg-over triple/ }).click();
  await expect(bead).toBeFocused();
  await expect(bead).toBeInViewport();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("complementary", { name: "The bead in hand" })).toContainText(
    "leg-over triple",
  );

  const width = async () => (await bead.boundingBox())?.width ?? 0;
  const before = await width();
  await page.getByRole("button", { name: /^Closer/ }).click();
  await expect.poll(width).toBeGreaterThan(before);
  await page.getByRole("button", { name: /^The whole map/ }).click();
  await expect.poll(width).toBeLessThan(before);
  await expect(page.getByRole("button", { name: /^rope at the side:/ })).toBeInViewport();
});

test("the map is dragged without taking a bead in hand, and filtered", async ({ page, mirrup }) => {
  await page.goto(await mirrup.studentPath("Ruta Lindqvaal"));
  const bead = page.getByRole("button", { name: /^boxer step:/ });
  const from = await bead.boundingBox();
  const [x, y] = [(from?.x ?? 0) + 20, (from?.y ?? 0) + 20];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 120, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => (await bead.boundingBox())?.y ?? 0).toBeLessThan((from?.y ?? 0) - 60);
  await expect(page.getByRole("heading", { name: "Next", exact: true })).toBeVisible();

  const faded = (name: RegExp) => page.getByRole("button", { name }).getAttribute("data-faded");
  await page.getByLabel("Show", { exact: true }).selectOption("stuck");
  expect(await faded(/^cross:/)).toBe("false");
  expect(await faded(/^skier:/)).toBe("true");
  await page.getByLabel("Show", { exact: true }).selectOption("all");
  await page.getByLabel("Strand").selectOption({ index: 1 });
  expect(await faded(/^cross:/)).toBe("true");
});

test("the outline says the same in words, and the schools stand side by side", async ({ page, mirrup }) => {
  const student = await mirrup.studentPath("Hana Petrivale");
  await page.goto(`${student}/outline`);
  const line = page.getByRole("listitem").filter({ hasText: "Side swing cross" }).first();
  await expect(line).toContainText("Left locked");
  await expect(line).toContainText("Needs 3 more in a row of cross, left side.");
  await page.getByRole("link", { name: "Side swing cross", exact: true }).click();
  await expect(page.getByRole("complementary", { name: "The bead in hand" })).toContainText(
    "side swing cross",
  );

  await page.getByRole("link", { name: "Schools" }).click();
  const row = page.getByRole("row", { name: /^Basic bounce/ });
  await expect(row).toContainText("100 in a row");
  await expect(row).toContainText("Cleared");
  const rows = page.getByRole("row");
  const different = await rows.count();
  await page.getByRole("switch", { name: "Only where they differ" }).click();
  await expect.poll(() => rows.count()).toBeGreaterThan(different);
});

test("the last sets of a bead are shown as they were counted, those of a later build too", async ({
  page,
  mirrup,
}) => {
  const path = await mirrup.studentPath("Hana Petrivale");
  const sent = await page.request.post("/api/sets", {
    headers: { [STUDIO_HEADER]: mirrup.root.slice(1) },
    data: {
      sets: [
        {
          ...{ id: randomUUID(), studentId: path.split("/").at(-1), subject: "double-under", side: "whole" },
          ...{ drill: { kind: "hop-scotch", count: 4 }, clean: 3, misses: [{ position: 2 }], bestStreak: 2 },
          ...{ countedBy: "tapped", at: new Date().toISOString() },
        },
      ],
    },
  });
  expect(sent.ok()).toBe(true);
  await page.goto(path);
  await page.getByRole("button", { name: /^double under:/ }).click();
  const panel = page.getByRole("complementary", { name: "The bead in hand" });
  await panel.getByText(/^The last \d+ sets/).click();
  const [newest, ...older] = await panel.getByRole("listitem").filter({ hasText: "clean" }).allInnerTexts();
  expect(newest).toContain("a drill of another version (hop-scotch)");
  expect(newest).toContain("3 clean, 1 missed, best 2 in a row");
  expect(newest).toContain("it counts for nothing");
  expect(older.join()).toContain("Counts for the double under.");
});

for (const [name, width] of [
  ["desk", 1280],
  ["tablet", 820],
  ["phone", 390],
] as const) {
  test(`no label of the map lies over another, or over a bead, on a ${name}`, async ({ page, mirrup }) => {
    await page.setViewportSize({ width, height: 900 });
    await page.goto(await mirrup.studentPath("Hana Petrivale"));
    await expect(page.getByRole("button", { name: /^cross:/ })).toBeVisible();
    const overlaps = await page.evaluate(() => {
      const boxesOf = (part: string) =>
        [...document.querySelectorAll(`li [class*="${part}"]`)].map((element) => {
          const { left, right, top, bottom } = element.getBoundingClientRect();
          return { text: element.textContent, left, right, top, bottom };
        });
      const labels = boxesOf("_label_");
      const all = [...labels, ...boxesOf("_bead_").filter(({ text }) => text === "")];
      // Letters end before their boxes do.
      const slack = 3;
      return labels.flatMap((one, place) =>
        all
          .slice(place + 1)
          .filter(
            (other) =>
              one.left < other.right - slack &&
              other.left < one.right - slack &&
              one.top < other.bottom - slack &&
              other.top < one.bottom - slack,
          )
          .map((other) => `${one.text} | ${other.text}`),
      );
    });
    expect(overlaps).toEqual([]);
    expect(await page.locator('li [class*="_label_"]').count()).toBeGreaterThan(70);
  });
}
