import { expect, expectAccessible, test } from "./fixtures.js";

test("finding a skill by another of its names, mirroring it, and walking to what it opens", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/skills`);
  const list = page.getByRole("navigation", { name: "Skills" });
  await expect(list.getByRole("link").first()).toHaveText("Rope at the side");
  await page.keyboard.press("/");
  await page.keyboard.type("toad");
  await expect(list.getByRole("link").first()).toHaveText("Leg-over cross");
  await list.getByRole("link").first().press("Enter");
  await expect(page.getByRole("heading", { name: "Leg-over cross" })).toBeVisible();
  const score = page.getByRole("textbox", { name: "Score" });
  await expect(score).toHaveValue("ur o");
  await expect(page.getByText("leg-over cross, right leg lifted and open")).toBeVisible();
  await page.getByText("Left", { exact: true }).click();
  await expect(score).toHaveValue("ul o");
  await expect(
    page.getByRole("row", { name: /^Toe catch, 5 tries Fold; see the loop\..* ul!/ }),
  ).toBeVisible();
  await expect(page.getByRole("definition").filter({ hasText: "15 in a row" })).toBeVisible();
  await page.getByRole("link", { name: "leg-over cross, double out" }).click();
  await expect(page.getByRole("heading", { name: "Leg-over cross, double out" })).toBeVisible();
  await expect(page.getByRole("region", { name: "Cautions" })).toContainText("shoes that cushion");
  await page.getByRole("button", { name: "The leg-over cross catches on the way out." }).click();
  await expect(page.getByText("Feet wider, the standing heel kicked back.")).toBeVisible();
});

test("the score desk judges while one types", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/skills`);
  const score = page.getByRole("textbox", { name: "Score" });
  const faults = page.getByRole("status").filter({ hasText: /./ });
  await score.fill("sr xl");
  await expect(faults).toContainText(
    "After a side swing to the right, the right arm goes on top. Here the left one does.",
  );
  await expect(page.locator("mark").first()).toHaveText("xl");
  await score.fill("o (o");
  await expect(faults).toContainText("The score ends here; expected another turn");
  await expect(page.getByRole("button", { name: "Mirror" })).toBeDisabled();
  await score.fill("sr/r   xr # a note\n o/l");
  await expect(page.getByText("Can be jumped.")).toBeVisible();
  await page.getByRole("button", { name: "Mirror" }).click();
  await expect(score).toHaveValue("sl/l xl o/r");
  await score.fill("o/r o/l");
  await expect(page.getByText("This score is run step and speed step.")).toBeVisible();

  await score.fill("(o xr)");
  await expect(page.locator("p", { hasText: "Tightest link:" })).toContainText(
    "open to cross with the right arm on top, 2 hand moves in",
  );
  const before = await page.locator("p", { hasText: "Tightest link:" }).textContent();
  const height = page.getByRole("textbox", { name: /jump height/ });
  await height.fill("40");
  await expect(page.locator("p", { hasText: "Tightest link:" })).not.toHaveText(before ?? "");
  await height.fill("400");
  await expect(page.getByText("Give 2 to 140 cm; 40 cm is used.")).toBeVisible();

  await page.getByRole("button", { name: "Play", exact: true }).click();
  await expect
    .poll(() => page.getByRole("slider", { name: "Time" }).getAttribute("aria-valuenow"))
    .not.toBe("0");
  await page.getByRole("button", { name: "Pause", exact: true }).click();
  await score.fill("[".repeat(5000));
  await expect(faults).toContainText("64 deep");
});

test("an unknown skill, and a search that finds nothing, say what to do", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/skills/moonwalk`);
  await expect(page.getByRole("alert")).toContainText("There is no such skill");
  await page.getByRole("textbox", { name: /Find a skill/ }).fill("qqqqzz");
  await expect(page.getByText("No skill is called “qqqqzz”.")).toBeVisible();
});

test("skills are put elsewhere by dragging and by keys, kept over a reload, taken back, saved and undone", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/skills`);
  await page.getByRole("link", { name: "Order of the skills" }).click();
  await expect(page.getByRole("heading", { name: "Order of the skills", level: 1 })).toBeVisible();
  const strand = (name: string) => page.getByRole("region", { name: new RegExp(`: ${name}$`) });
  const namesOf = async (name: string) => strand(name).getByRole("listitem").allTextContents();
  const grip = (skill: string) => page.getByRole("button", { name: `Move ${skill}: space, then the arrows` });
  const before = await namesOf("taps");

  // Dragged to the beginning of its own strand.
  await grip("grapevine").hover();
  await page.mouse.down();
  const first = await strand("taps").getByRole("listitem").first().boundingBox();
  await page.mouse.move((first?.x ?? 0) + 30, (first?.y ?? 0) + 40, { steps: 5 });
  await page.mouse.move((first?.x ?? 0) + 30, (first?.y ?? 0) + 8, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByText("1 move, not saved yet.")).toBeVisible();
  expect((await namesOf("taps"))[0]).toBe("Grapevine (moved)");

  // Taken up and put down by keys, one further.
  await grip("grapevine").press("Space");
  await expect(page.locator('[data-taken="true"]')).toHaveText("Grapevine (moved)");
  // Just taken up, it does not hear the arrows at once.
  await expect(async () => {
    await page.keyboard.press("ArrowDown");
    await expect(page.locator("li[data-over]")).toHaveText(before[0] ?? "", { timeout: 3000 });
  }).toPass();
  await page.keyboard.press("Space");
  await expect(page.getByText("2 moves, not saved yet.")).toBeVisible();
  expect((await namesOf("taps"))[1]).toBe("Grapevine (moved)");
  await expectAccessible(page);

  await page.reload();
  await expect(page.getByText("What you typed before is here again.")).toBeVisible();
  expect((await namesOf("taps"))[1]).toBe("Grapevine (moved)");
  await page.getByRole("button", { name: "Save the order" }).click();
  await expect(page.getByText("The skills stand as you put them.")).toBeVisible();
  await expect.poll(() => namesOf("taps")).toEqual([before[0], "Grapevine", ...before.slice(1, -1)]);
  await expect(page.getByRole("button", { name: "Save the order" })).toBeDisabled();
  await page.getByRole("button", { name: "Undo", exact: true }).last().click();
  await expect.poll(() => namesOf("taps")).toEqual(before);
});
