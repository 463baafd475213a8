import { readFile } from "node:fs/promises";
import { expect, expectAccessible, press, test } from "./fixtures.js";
import { settled } from "../scripts/lib/settled.mjs";
import type { Download, Page } from "@playwright/test";

const PHONE = { width: 390, height: 844 };

async function bytesOf(download: Download): Promise<Buffer> {
  return readFile(await download.path());
}

async function urlOf(page: Page, like: RegExp): Promise<string> {
  await expect(page).toHaveURL(like);
  return page.url();
}

async function saved(page: Page, name: string): Promise<Download> {
  const waiting = page.waitForEvent("download");
  await page.getByRole("button", { name, exact: true }).click();
  return waiting;
}

/** Chooses for whom combos are looked at. */
async function chooseStudent(page: Page, name: string): Promise<void> {
  await page.getByRole("combobox", { name: "For which student" }).click();
  await page.getByRole("option", { name }).click();
  await expect(page).toHaveURL(/for=/);
}

test("a combo is built with a faulty join, mended, kept, learned on the floor, called and shared", async ({
  page,
  mirrup,
  browser,
}) => {
  await page.goto(`${mirrup.root}/combos`);
  await chooseStudent(page, "Amara Thistle");
  await page.getByRole("link", { name: "Build one" }).click();

  // By its name, by its bead, and by typing.
  const search = page.getByRole("textbox", { name: "Find a skill or combo to add" });
  await search.fill("basic bou");
  await search.press("Enter");
  await search.fill("double side");
  await page.getByRole("button", { name: /^Add double side swing, right side/ }).click();
  const line = page.getByRole("list", { name: "The line" }).getByRole("listitem");
  await expect(line).toHaveCount(2);
  await page.getByRole("button", { name: "More for double side swing, right side, place 2" }).click();
  await page.getByRole("menuitem", { name: /^Close up/ }).click();
  await page.getByRole("textbox", { name: "Score" }).fill("xr o (o o) o");
  await page.getByRole("button", { name: "Add at the end of the line" }).click();
  await expect(line).toHaveCount(5);

  // The join says what is wrong, and what would mend it.
  await expect(line.nth(2)).toContainText("does not join");
  const joins = page.getByRole("region", { name: "What does not join" });
  await expect(joins).toContainText("After a side swing to the left, the left arm goes on top.");
  await expect(page.getByRole("button", { name: "Save the combo" })).toBeDisabled();
  await joins.getByRole("button", { name: /^Put a bounce between \(o\): costs 3/ }).click();
  await expect(page.getByText("Can be jumped.")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(line.nth(2)).toContainText("does not join");
  await joins.getByRole("button", { name: /^Do what follows on the other side/ }).click();
  await expect(page.getByText("Can be jumped.")).toBeVisible();
  await expect(page.getByRole("region", { name: "Who could do it" })).toContainText("Amara Thistle");
  await expectAccessible(page);

  await page.getByRole("textbox", { name: "Save it as" }).fill("Mended");
  await page.getByRole("button", { name: "Save the combo" }).click();
  await expect(page.getByRole("heading", { name: "Mended" })).toBeVisible();
  await expect(page.getByText("o sr sl xl o (o o) o").first()).toBeVisible();

  // Its ladder on the floor: the hardest link first, then a whole that misses at a link.
  const learn = page.getByRole("region", { name: "Learn it" });
  await expect(learn).toContainText("Amara Thistle: ready as written.");
  await learn.getByRole("listitem").first().getByRole("link", { name: "Go to the floor" }).click();
  await expect(page.getByRole("heading", { name: /^Link: / })).toBeVisible();
  // Whoever hurts does not jump on, here as anywhere.
  await page.getByRole("button", { name: "Pain: stop today" }).click();
  await expect(page.getByRole("alert")).toContainText("Jumping ends for Amara Thistle today");
  await page.getByRole("button", { name: "It was pressed by mistake" }).click();
  await expect(page.getByRole("button", { name: /^Clean/ })).toBeEnabled();
  await press(page, "Space", 16);
  await page.getByRole("button", { name: /Reached/ }).click();
  await expect(page.getByRole("heading", { name: "16 of 16 clean" })).toBeVisible();
  await expect(page.getByText("Stored.")).toBeVisible();
  await page.getByRole("link", { name: "Leave the floor" }).click();
  await expect(learn.getByRole("img", { name: "passed" })).toHaveCount(1);

  await learn
    .getByRole("listitem")
    .filter({ has: page.getByText("Whole", { exact: true }) })
    .getByRole("link", { name: "Go to the floor" })
    .click();
  await expect(page.getByRole("button", { name: /^Clean/ })).toBeEnabled();
  await page.keyboard.press("m");
  await expectAccessible(page);
  await page.getByRole("group", { name: "At which link did it miss?" }).getByRole("button").first().click();
  await expect(page.getByRole("group", { name: "At which link did it miss?" })).toBeHidden();
  await press(page, "Space", 4);
  await page.getByRole("button", { name: /Reached/ }).click();
  await expect(page.getByRole("heading", { name: "Cleared" })).toBeVisible();
  await page.getByRole("link", { name: "Leave the floor" }).click();
  await expect(learn).toContainText("Amara Thistle: cleared as written.");
  await expect(learn).toContainText("missed 1 time in the whole");

  // The call sheet, and the click track, which is read back.
  const sheet = page.getByRole("region", { name: "Call sheet" });
  await expect(sheet.getByRole("row")).toHaveCount(8);
  await expect(sheet.getByRole("row").nth(2)).toContainText("side swing right");
  const midi = await bytesOf(await saved(page, "MIDI click track"));
  expect(midi.subarray(0, 4).toString()).toBe("MThd");
  const wav = await bytesOf(await saved(page, "WAV click track"));
  expect(wav.subarray(0, 4).toString()).toBe("RIFF");
  await expectAccessible(page);

  // A link for a student, which nobody has to sign in for, until it is withdrawn.
  await page.getByRole("button", { name: "Make a link to read it" }).click();
  const address = await page.getByRole("textbox", { name: /^The link/ }).inputValue();
  const readers = await browser.newContext();
  const reader = await readers.newPage();
  await reader.goto(address);
  await expect(reader.getByRole("heading", { name: "Mended" })).toBeVisible();
  await expect(reader.getByRole("region", { name: "Call sheet" })).toContainText("side swing right");
  await expectAccessible(reader);
  await page.getByRole("button", { name: "Withdraw the link" }).click();
  await expect(page.getByText("Nobody can read this combo without signing in.")).toBeVisible();
  await reader.reload();
  await expect(reader.getByRole("alert")).toContainText("This link was withdrawn");
  await readers.close();

  await page
    .locator('input[type="file"]')
    .setInputFiles({ name: "mended.mid", mimeType: "audio/midi", buffer: midi });
  await expect(page).toHaveURL(/\/combos\/bench/);
  await expect(page.getByText("Can be jumped.")).toBeVisible();
  await expect(line).toHaveCount(5);
});

test("combos are made up for a student, kept, and what cannot be is said", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/combos/make`);
  await chooseStudent(page, "Amara Thistle");
  await page.getByRole("textbox", { name: "How many" }).fill("3");
  await page.getByRole("button", { name: "Suggest 3" }).click();
  await expect(page.getByRole("heading", { name: "3 combos for Amara Thistle" })).toBeVisible();
  const made = page.getByRole("region", { name: "What was made" });
  await expect(made.getByRole("heading", { level: 3 })).toHaveCount(3);
  await expect(made).toContainText("16 counts");
  const [first = ""] = await made.locator("code").allTextContents();
  expect(first).toMatch(/^o\b.* o(\*\d+)?$/);
  await expectAccessible(page);
  await page.getByRole("button", { name: "Save all 3" }).click();
  await expect(page.getByText("3 combos are on the shelf.")).toBeVisible();
  await expect(page.getByRole("button", { name: "All are saved" })).toBeDisabled();

  // The same seed makes the same; others are others.
  await page.getByRole("button", { name: "Suggest others" }).click();
  await expect(made.locator("code").first()).not.toHaveText(first);

  // Asked for and ruled out, and too much for four counts: each says what to do.
  const include = page.getByRole("combobox", { name: "Must be in it" });
  await include.fill("held cross");
  await page.getByRole("option", { name: "Held cross, right side" }).click();
  await include.fill("leg-over cross");
  await page.getByRole("option", { name: "Leg-over cross, left side" }).click();
  await page.keyboard.press("Escape");
  await page.getByLabel("Counts", { exact: true }).selectOption("4");
  await page.getByRole("button", { name: "Suggest 3" }).click();
  await expect(page.getByText(/that is proven, not given up on.*make it 8 counts long/)).toBeVisible();
  const exclude = page.getByRole("combobox", { name: "Must not be in it" });
  await exclude.fill("held cross");
  await page.getByRole("option", { name: "Held cross", exact: true }).click();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Suggest 3" }).click();
  await expect(page.getByText(/is both asked for and ruled out/)).toBeVisible();

  // What was kept goes into a round.
  await page.getByRole("link", { name: "Freestyle" }).click();
  const round = page.getByRole("region", { name: "The round" });
  await expect(round.getByRole("heading")).toHaveText(/\d combos in .* of 1 min/);
  await page.getByRole("textbox", { name: "Length, seconds" }).fill("12");
  await expect(round.getByRole("heading")).toHaveText(/of 12 s/);
  await expectAccessible(page);
});

test("bad files and scores are told, and nothing on the bench is lost", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/combos/bench?parts=basic-bounce,cross:right,basic-bounce`);
  const line = page.getByRole("list", { name: "The line" }).getByRole("listitem");
  await expect(line).toHaveCount(3);
  const file = page.locator('input[type="file"]');
  const told = (text: string | RegExp) => expect(page.getByText(text).last()).toBeVisible();
  const give = (name: string, text: string) =>
    file.setInputFiles({ name, mimeType: "application/octet-stream", buffer: Buffer.from(text) });
  await give("half.json", '{"format":"mirrup-combo","ver');
  await told("This file is incomplete");
  await give("noise.mid", `MThd${"\u0000\u0001".repeat(40)}`);
  await told(/This MIDI file (is damaged|holds no combo)/);
  await give("faulty.txt", "o sr ?");
  await told("The score in this file does not parse.");
  await expect(line).toHaveCount(3);

  const score = page.getByRole("textbox", { name: "Score" });
  await score.fill("[[o xr]*50]*50");
  await expect(page.getByText(/4,?096/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Add at the end of the line" })).toBeDisabled();
  await score.fill("[o xr]*99 [sr sl]*9");
  await page.getByRole("button", { name: "Add at the end of the line" }).click();
  await expect(page.getByText(/^And \d+ counts more\.$/)).toBeVisible();

  // It is still there after the page is loaded anew, and can be undone until then.
  await page.reload();
  await expect(line.first()).toContainText("Basic bounce");
  await page.getByRole("button", { name: "Clear the bench" }).click();
  await expect(page.getByText("The bench is empty.")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(line.first()).toContainText("Basic bounce");
});

test("the line is arranged by keyboard, and combos fit a phone", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/combos/bench?parts=basic-bounce,cross:right,double-under`);
  const line = page.getByRole("list", { name: "The line" }).getByRole("listitem");
  await page.getByRole("button", { name: /^Move double under, place 3/ }).focus();
  await page.keyboard.press("Space");
  await expect(page.getByText(/is at .*place 3/)).toBeAttached();
  await page.keyboard.press("ArrowLeft");
  await expect(page.getByText(/is at .*place 2/)).toBeAttached();
  await page.keyboard.press("Space");
  await expect(line.nth(1)).toContainText("Double under");
  await page.getByRole("button", { name: "Mirror all" }).click();
  await expect(line.nth(2)).toContainText("Cross, left side");
  await page.getByRole("button", { name: "Choose cross, left side, place 3" }).click();
  await expect(page.getByRole("region", { name: "One hand move away" })).toContainText("side swing");
  await page.getByRole("button", { name: "Once more", exact: true }).click();
  await expect(line).toHaveCount(4);

  await page.setViewportSize(PHONE);
  const widest = () => page.evaluate(() => document.documentElement.scrollWidth);
  expect(await widest()).toBeLessThanOrEqual(PHONE.width);
  for (const path of ["", "/make", "/freestyle"]) {
    await page.goto(`${mirrup.root}/combos${path}`);
    await settled(page);
    expect(await widest()).toBeLessThanOrEqual(PHONE.width);
  }
  await page.goto(`${mirrup.root}/combos`);
  await page.getByRole("link", { name: "Opener for eight" }).click();
  await expect(page.getByRole("region", { name: "Call sheet" })).toBeVisible();
  expect(await widest()).toBeLessThanOrEqual(PHONE.width);
});

test("the shelf: a combo within a combo, renamed, taken off and brought back; a viewer only looks", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/combos/bench?parts=basic-bounce`);
  const search = page.getByRole("textbox", { name: "Find a skill or combo to add" });
  await search.fill("easy eight");
  await page.getByRole("button", { name: "Add the combo Easy eight" }).click();
  const line = page.getByRole("list", { name: "The line" }).getByRole("listitem");
  await expect(line.nth(1)).toContainText("Easy eight");
  await expect(page.getByText("Can be jumped.")).toBeVisible();
  // What it is made of decides who could do it.
  await expect(page.getByRole("region", { name: "Who could do it" })).toContainText("Amara Thistle");
  await page.getByRole("textbox", { name: "Save it as" }).fill("Bounce and eight");
  await page.getByRole("textbox", { name: "Save it as" }).press("Enter");
  await expect(page.getByRole("heading", { name: "Bounce and eight" })).toBeVisible();

  await page.getByRole("button", { name: "Rename" }).click();
  await page.getByRole("textbox", { name: "Name" }).fill("Nine");
  await page.getByRole("button", { name: "Rename" }).click();
  await expect(page.getByRole("heading", { name: "Nine", exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Remove from the shelf" }).click();
  await expect(page.getByText("“Nine” was removed from the shelf.")).toBeVisible();
  const kept = page.getByRole("region", { name: "Saved combos" });
  await expect(kept.getByRole("link", { name: "Easy eight" })).toBeVisible();
  await expect(kept.getByRole("link", { name: "Nine" })).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(kept.getByRole("link", { name: "Nine" })).toBeVisible();

  // Found by what is said of it too, as no combo that was made up is; a starter goes to the bench with its name.
  await page.keyboard.press("/");
  await page.keyboard.type("a lunge on each side");
  await expect(kept.getByText("No saved combo matches “a lunge on each side”.")).toBeVisible();
  await page.getByRole("link", { name: "Open on the bench" }).click();
  await expect(page.getByRole("textbox", { name: "Save it as" })).toHaveValue("Swing, swing, lunge");

  await page.context().clearCookies();
  await page.request.post("/api/auth/sign-in", {
    data: { email: "viewer@quillhaven.example", password: "quillhaven demo" },
  });
  await page.goto(`${mirrup.root}/combos/bench?parts=basic-bounce,cross:right`);
  await expect(page.getByText("Coaches and owners can save combos.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Save the combo" })).toBeDisabled();
  await page.goto(`${mirrup.root}/combos`);
  await kept.getByRole("button", { name: "More for Nine" }).click();
  await expect(page.getByRole("menuitem", { name: "Open on the bench" })).toBeVisible();
  await expect(page.getByRole("menuitem", { name: "Remove from the shelf" })).toBeHidden();
});

test("a starter's note stays with the combo that is made from it, and stands on its floor", async ({
  page,
  mirrup,
}) => {
  const student = (await mirrup.studentPath("Amara Thistle")).split("/").at(-1) ?? "";
  await page.goto(`${mirrup.root}/combos?for=${student}`);
  const card = page.getByRole("region", { name: "To begin with" }).getByRole("listitem");
  await card
    .filter({ hasText: "Swings, double, cross." })
    .or(card.first())
    .first()
    .getByRole("link", { name: "Open on the bench" })
    .click();
  await expect(page.getByLabel("Note", { exact: true })).toHaveValue(/begin it on the way down/);
  await page.getByRole("button", { name: "Save the combo" }).click();
  await expect(page.getByRole("region", { name: "Learn it" })).toBeVisible();
  await expect(page.getByText(/begin it on the way down/)).toBeVisible();
  // Every step says how likely it is; its one gap closes in the whole.
  await expect(page.getByText(/Whole, closing/)).toHaveCount(1);
  await expect(page.getByText(/it comes off (about )?\d/).first()).toBeVisible();
  await page.getByRole("button", { name: "Change the note" }).click();
  await page.getByLabel("Note").fill("Cross on the way down.");
  await page.getByRole("button", { name: "Save the note" }).click();
  await page.getByRole("link", { name: "Go to the floor" }).first().click();
  await expect(page.getByText("Cross on the way down.")).toBeVisible();
});

test("a combo is tried by a class at once, and each one's tries stand on its ladder", async ({
  page,
  mirrup,
}) => {
  const student = (await mirrup.studentPath("Amara Thistle")).split("/").at(-1) ?? "";
  await page.goto(`${mirrup.root}/combos/bench?parts=basic-bounce,cross:right,basic-bounce`);
  await page.getByRole("textbox", { name: "Save it as" }).fill("Bounce, cross, bounce");
  await page.getByLabel("Note", { exact: true }).fill("Elbows low.");
  await page.getByRole("button", { name: "Save the combo" }).click();
  const combo = new URL(await urlOf(page, /combos\/[0-9a-f-]{36}/)).pathname;
  await page
    .getByRole("region", { name: "Try it with a class" })
    .getByRole("link", { name: "Everybody" })
    .click();
  await expect(page.getByRole("heading", { name: /^Bounce, cross, bounce/ })).toBeVisible();
  await expect(page.getByText("Elbows low.")).toBeVisible();
  await expectAccessible(page);
  // Whoever has not got its skills is told of before they try.
  await expect(page.getByRole("listitem").filter({ hasText: "Jonas Quist" })).toContainText(
    "cross, right side",
  );
  await expect(page.getByRole("listitem").filter({ hasText: "Amara Thistle" })).not.toContainText(
    "cross, right side",
  );
  const row = (name: string) => page.getByRole("group", { name, exact: true });
  await page.getByRole("combobox", { name: "Side" }).selectOption("mirrored");
  await expect(page.getByText(/cross, left side/)).toBeVisible();
  await page.getByRole("combobox", { name: "Side" }).selectOption("as written");
  await row("Amara Thistle").getByRole("button", { name: "Made it" }).click();
  await row("Kofi Marrow").getByRole("textbox").fill("2");
  await page.getByRole("button", { name: /^Finish the round: 2 of/ }).click();
  await expect(page.getByText("All of them are stored.")).toBeVisible();
  await page.getByRole("link", { name: "Leave the floor" }).click();
  await page.goto(`${combo}?for=${student}`);
  await expect(page.getByText(/best so far 5|cleared as written/)).toBeVisible();
});

test("a note that came in a file is on the bench with its combo", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/combos`);
  const file = { format: "mirrup-combo", version: 1, name: "From afar", note: "Low hands", score: "o sr o" };
  await page.locator("input[type=file]").setInputFiles({
    ...{ name: "afar.json", mimeType: "application/json" },
    buffer: Buffer.from(JSON.stringify(file)),
  });
  await expect(page.getByLabel("Note", { exact: true })).toHaveValue("Low hands");
});
