import type { Page } from "@playwright/test";
import { expect, test } from "./fixtures.js";
import { place } from "./placing.js";

/** What Wren can do already, as whoever places them sees it. */
const KNOWN =
  /bounce|run step|hop|boxer|taps|straddle|scissors|skier|bell|knees|kicks|leg swing|side swing$|^cross$/i;

/** A set on the floor: the keys of its tries, then whatever ends it. */
async function run(page: Page, keys: readonly string[]): Promise<void> {
  const first = page.getByRole("button", { name: /^(Clean|Right)/ });
  await expect(first).toBeEnabled();
  for (const key of keys) await page.keyboard.press(key);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: /^Next:/ })).toBeVisible();
}

const right = (times: number) => Array.from({ length: times }, () => "Space");

test("a new student is placed, has a first lesson, and goes up the ladder of a front-back cross to its gate", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/students`);
  await page.getByLabel("New student").fill("Wren Alderby");
  await page.keyboard.press("Enter");
  await page.getByRole("link", { name: "Placement" }).click();
  await place(page, KNOWN, 8);
  const student = page.url().split("/placement")[0] ?? "";

  // The first lesson: drills of their ladders with their odds, one of them taken to the floor.
  await page.goto(`${student}/session?minutes=45`);
  await expect(page.getByText(/It comes off \d in 10\./).first()).toBeVisible();
  for (const subject of ["back-arm-swing", "cross"]) {
    await page.goto(`${student}/floor/${subject}/right?kind=streak&aim=20`);
    await run(page, right(20));
  }

  // The ladder, rung by rung, from the bead.
  await page.goto(student);
  const bead = page.getByRole("button", { name: /^front-back cross:/ });
  const side = page
    .getByRole("complementary", { name: "The bead in hand" })
    .getByRole("region", { name: "Right side" });
  const openRung = async (name: RegExp) => {
    await page.goto(student);
    await bead.click();
    await side.getByText(/^Ladder:/).click();
    await side.getByRole("link", { name }).last().click();
    await expect(page.getByRole("heading", { name: "Front-back cross, right side" })).toBeVisible();
  };

  // A shape passes its rung and tells nothing of the whole.
  await openRung(/^Without a rope/);
  await run(page, right(10));
  await expect(
    page.getByText(/^A rung on the way: the front-back cross, right side itself comes/),
  ).toBeVisible();
  await openRung(/^Toe catch/);
  await expect(page.getByText(/, stopped under the toes/)).toBeVisible();
  await run(page, [...right(4), "m"]);
  await openRung(/^Jump in and stay/);
  await run(page, [...right(3), "m", "m"]);

  await page.goto(student);
  await bead.click();
  await side.getByText(/^Ladder:/).click();
  await expect(side.getByRole("link", { name: /^Toe catch.*passed/ }).last()).toBeVisible();
  await expect(side.getByText(/Ladder: [3-9]\d* of \d+ rungs passed/)).toBeVisible();

  // From the stop on it is the whole, and counts.
  await openRung(/^One, then stop/);
  await run(page, right(5));
  await expect(page.getByText("Counts for the front-back cross, right side.")).toBeVisible();
  await page.goto(`${student}/floor/front-back-cross/right?kind=climb&aim=4`);
  await run(page, right(10));
  await expect(page.getByRole("heading", { name: /front-back cross, right side/i })).toBeVisible();
  await page.goto(`${student}/floor/front-back-cross/right?kind=streak&aim=15`);
  await run(page, right(15));
  await expect(page.getByRole("heading", { name: "Cleared: front-back cross, right side" })).toBeVisible();

  await page.goto(student);
  await expect(bead).toHaveAccessibleName(/right cleared/);
});
