import { readFile } from "node:fs/promises";
import { expect, expectAccessible, expectLegible, test } from "./fixtures.js";

const SIZES = [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
];

test("a student's frontier is walked, taken in hand, filtered and shown as a way to a goal", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${await mirrup.studentPath("Hana Petrivale")}/frontier`);
  const open = page.getByRole("region", { name: "Open now" });
  const cross = open.getByRole("button", { name: /^Cross: / });
  await expect(cross).toHaveAccessibleName(/needs basic bounce; leads to .*open-cross double/);
  await cross.focus();
  await page.keyboard.press("ArrowLeft");
  await expect(page.getByRole("button", { name: /^Basic bounce: cleared/ })).toBeFocused();
  await cross.focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("complementary", { name: "The bead in hand" })).toContainText(
    "Also: criss-cross",
  );
  const faded = (name: string) =>
    page
      .locator("svg g[data-faded]")
      .filter({ hasText: new RegExp(`^${name}$`) })
      .getAttribute("data-faded");
  expect(await faded("open-cross double")).toBe("false");
  expect(await faded("boxer step")).toBe("true");

  // What is found and not on the frontier is told of beside it.
  await page.keyboard.press("/");
  await page.keyboard.type("quadruple");
  await page.getByRole("option", { name: /^quadruple under/ }).click();
  await expect(page.getByRole("complementary", { name: "The bead in hand" })).toContainText(
    "quadruple under",
  );
  // While the search closes, Escape is still its own.
  await expect(page.getByRole("dialog")).toBeHidden();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("complementary", { name: "The bead in hand" })).toBeHidden();

  await page.getByLabel("How far ahead").selectOption("the whole tree");
  await expect(page.getByRole("region", { name: "2 steps on" }).getByRole("button").first()).toBeVisible();
  await page.getByLabel("Strand").selectOption({ index: 1 });
  await expect(page.getByRole("button", { name: /^Rope at the side: / })).toBeVisible();
  await expect(cross).toBeHidden();

  await page.getByRole("button", { name: "The way to open-cross double, right side" }).click();
  const opens = page.getByRole("region", { name: "What that opens" }).getByRole("button");
  await expect(opens.and(page.getByRole("button", { name: /^Open-cross double: / }))).toBeVisible();
  await expect(opens).toHaveCount(1);
  await expect(open.getByRole("button")).toHaveCount(2);
  await expectAccessible(page);
});

test("no name is wider than its place, and no page wider than its screen, at any size", async ({
  page,
  mirrup,
}) => {
  for (const size of SIZES) {
    await page.setViewportSize(size);
    await page.goto(`${await mirrup.studentPath("Hana Petrivale")}/frontier?ahead=all`);
    await page.getByRole("button", { name: /^Quadruple under: / }).waitFor();
    const tooWide = await page.evaluate(() => {
      const buttons = new Map(
        [...document.querySelectorAll<HTMLElement>("main li > button")].map((button) => [
          button.ariaLabel?.split(":")[0]?.toLowerCase(),
          button,
        ]),
      );
      return [...document.querySelectorAll<SVGTextElement>("main svg g g text, main svg g > text")].flatMap(
        (text) => {
          const button = buttons.get(text.textContent.toLowerCase());
          if (button === undefined) return [];
          return text.getBoundingClientRect().right > button.getBoundingClientRect().right
            ? [text.textContent]
            : [];
        },
      );
    });
    expect(tooWide).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(size.width);
  }
});

test("the frontier is printed on one large sheet, and saved as a drawing as wide without our typeface", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${await mirrup.studentPath("Hana Petrivale")}/frontier?ahead=all`);
  await page.getByRole("button", { name: /^Quadruple under: / }).waitFor();
  const sheets = (await page.pdf({ preferCSSPageSize: true }))
    .toString("latin1")
    .match(/MediaBox \[[^\]]*\]/g);
  // A3, upright, in points; one.
  expect(sheets).toEqual([expect.stringMatching(/^MediaBox \[0 0 84[12]\.?\d* 119[01]\.?\d*\]$/)]);

  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as a drawing (SVG)" }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe("Hana Petrivale, frontier.svg");
  const text = await readFile(await file.path(), "utf8");
  expect(text).toContain(">open-cross double</text>");
  expect(text).toMatch(/textLength="[\d.]+" lengthAdjust="spacingAndGlyphs"/);
  expect(text).not.toMatch(/var\(--|class=/);

  // Elsewhere nothing is printed on a sheet as large.
  await page.getByRole("link", { name: "Outline" }).click();
  await expect(page.getByText("The strands as an outline")).toBeVisible();
  const usual = /MediaBox \[[^\]]*\]/.exec((await page.pdf({ preferCSSPageSize: true })).toString("latin1"));
  expect(usual?.[0]).not.toContain("1191");
});

test("a class's frontier says how many stand where, and who", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/class`);
  await page.getByText("Frontier", { exact: true }).click();
  await expect(page).toHaveURL(/view=frontier/);
  const open = page.getByRole("region", { name: "Open to most" });
  const cross = open.getByRole("button", { name: /^Cross: \d+ here/ });
  const here = Number(/(\d+) here/.exec((await cross.getAttribute("aria-label")) ?? "")?.[1]);
  await cross.focus();
  await page.keyboard.press("Enter");
  const panel = page.getByRole("complementary", { name: "The bead in hand" });
  // Whoever is stuck has it open too.
  const counts = panel.getByRole("heading", { name: /^(Open|Stuck)/ });
  await expect
    .poll(async () =>
      (await counts.allTextContents()).reduce((sum, text) => sum + Number(/\d+/.exec(text)?.[0]), 0),
    )
    .toBe(here);
  await expectAccessible(page);
  await page.emulateMedia({ colorScheme: "dark" });
  await expectLegible(page);
  // The view stays from group to group.
  await page.getByRole("link", { name: "Show team" }).click();
  await expect(
    page.getByRole("region", { name: "Cleared by most" }).getByRole("button").first(),
  ).toBeVisible();
  const next = open.getByRole("button").first();
  const name = /^[^:]+/.exec((await next.getAttribute("aria-label")) ?? "")?.[0] ?? "";
  await next.focus();
  await page.keyboard.press("Enter");
  await panel.getByRole("link", { name: "Do a round" }).click();
  await expect(page.getByRole("heading", { name, level: 1 })).toBeVisible();
});
