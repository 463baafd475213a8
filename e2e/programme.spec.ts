import { readFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import type { OwnProgramme } from "@mirrup/core";
import { expect, expectAccessible, test } from "./fixtures.js";

const OWN = "own:0199c1b2-0000-7000-8000-000000000077";

/** A skill of the studio's own, that needs the cross. */
async function addOwnSkill(page: Page, studioId: string): Promise<void> {
  const is = {
    ...{ kind: "own", strand: "crosses", name: "tannery twist", sides: "two", score: "sr xr sl o" },
    ...{ needs: "cross", class: "fusion", cues: ["swing low", "cross wide"], faults: [], look: "" },
  };
  const made = await page.request.post("/api/catalogue/changes", {
    headers: { "x-mirrup-studio": studioId },
    data: { changes: [{ subject: OWN, was: null, is }] },
  });
  expect(made.status()).toBe(200);
}

async function pagesPrinted(page: Page): Promise<number> {
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString("latin1");
  return (pdf.match(/\/Type\s*\/Page[^s]/g) ?? []).length;
}

async function addSkill(page: Page, name: string): Promise<void> {
  await page.getByRole("combobox", { name: "Add a skill" }).last().fill(name);
  await page
    .getByRole("option", { name: new RegExp(`^${name}`) })
    .first()
    .click();
}

test("a need is edited, seen whom it touches, and undone; a programme is made of the skill, printed, typed back and finished", async ({
  page,
  mirrup,
}) => {
  await addOwnSkill(page, mirrup.root.slice(1));
  await page.goto(`${mirrup.root}/skills/${OWN}`);
  await page.getByRole("button", { name: "Edit the skill" }).click();
  const needs = page.getByRole("group", { name: "Needs" });
  await needs.getByRole("button", { name: "Remove the need of cross" }).click();
  // Before anything is kept: who would be let in by it.
  await expect(page.getByText(/^\d+ students?: \d+ sides? opens?\.$/)).toBeVisible();
  await expect(page.getByRole("status").getByRole("link", { name: "Jonas Quist" })).toBeVisible();
  const student = await mirrup.studentPath("Jonas Quist");
  await page.getByRole("button", { name: "Save the skill" }).click();
  await expect(page.getByText("Tannery twist is changed.")).toBeVisible();
  await expect(page.getByText("Crosses, level 1.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("Crosses, level 3.")).toBeVisible();
  await page.getByRole("button", { name: "Edit the skill" }).click();
  await expect(needs.getByRole("listitem")).toHaveText([/^Cross/]);

  await page.goto(`${mirrup.root}/programmes`);
  await expectAccessible(page);
  await page.getByRole("link", { name: "New programme" }).click();
  await page.getByRole("textbox", { name: "Name" }).fill("Dipper");
  await page.getByRole("textbox", { name: "Heading" }).fill("Ground");
  await addSkill(page, "basic bounce");
  await page.getByRole("button", { name: "Another heading" }).click();
  await addSkill(page, "tannery twist");
  const twist = page.getByRole("listitem", { name: "tannery twist" });
  await twist.getByLabel("What counts").selectOption("shown once");
  await twist.getByRole("combobox", { name: "Side" }).selectOption("either side");
  await twist.getByLabel("How").fill("into a bounce");
  await expectAccessible(page);
  // A page that is loaded anew has lost nothing.
  await page.reload();
  await expect(page.getByText("What you typed before is here again.")).toBeVisible();
  await page.getByRole("button", { name: "Save the programme" }).click();
  await expect(page.getByRole("heading", { name: "Dipper", level: 1 })).toBeVisible();
  await expect(page.getByText("All of 2 skills, in any order")).toBeVisible();
  await expectAccessible(page);

  // For a group, on paper and back.
  await page.getByRole("navigation", { name: "Groups" }).getByRole("link", { name: "Beginners" }).click();
  await expect(page).toHaveURL(/programmes\/[\da-f-]{36}\/[\da-f-]{36}$/);
  await expect(page.getByRole("row", { name: /Jonas Quist/ })).toBeVisible();
  expect(await pagesPrinted(page)).toBe(1);
  await page.getByRole("button", { name: "Jonas Quist, tannery twist, left" }).click();
  await page.reload();
  await page.getByRole("button", { name: "Save 1 tick" }).click();
  await expect(page.getByText("1 tick is saved.")).toBeVisible();
  await expect(
    page.getByRole("img", { name: /^Jonas Quist, tannery twist, left: ticked by hand/ }),
  ).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: "Jonas Quist, tannery twist, left" })).toBeVisible();
  await page.getByRole("button", { name: "Jonas Quist, tannery twist, left" }).click();
  const bounce = page.getByRole("button", { name: "Jonas Quist, basic bounce" });
  if ((await bounce.count()) > 0) await bounce.click();
  await page.getByRole("button", { name: /^Save \d ticks?$/ }).click();
  await page.getByRole("button", { name: "Jonas Quist has finished" }).click();
  await expect(page.getByText("Jonas Quist has finished Dipper.")).toBeVisible();
  await expect(page.getByText(/^1 of \d+ students finished/)).toBeVisible();
  await page.getByRole("link", { name: "Certificates" }).click();
  const certificate = page.getByRole("article", { name: "Jonas Quist" });
  await expect(certificate).toContainText("Tannery twist, either side, shown once");
  await expectAccessible(page);
  expect(await pagesPrinted(page)).toBe(1);

  // What a tick says is no clearing of the skill; it stands in the record, by its name.
  await page.goto(`${student}?skill=${OWN}`);
  await expect(page.getByRole("button", { name: /^tannery twist: left locked/ })).toBeVisible();
  await page.goto(`${student}/record`);
  await expect(page.getByText("Dipper: tannery twist, left side").first()).toBeVisible();
});

test("a programme is a goal, goes out as a table and a file, and is kept while somebody has it", async ({
  page,
  mirrup,
}) => {
  const student = await mirrup.studentPath("Priya Mossman");
  await page.goto(`${student}/record`);
  await page.getByRole("combobox", { name: "Another goal" }).fill("wagtail");
  await page.getByRole("option", { name: "Wagtail" }).click();
  await page.getByRole("button", { name: "Add the goal" }).click();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.goto(student);
  await expect(page.getByText("Goal: Wagtail.")).toBeVisible();
  await page.getByRole("button", { name: "The way to Wagtail" }).click();
  await expect(page.getByRole("heading", { name: /Wagtail/ })).toBeVisible();
  await page.goto(`${student}/session`);
  await expect(page.getByText(/on the way to/i).first()).toBeVisible();

  await page.goto(`${mirrup.root}/programmes`);
  await page.getByRole("link", { name: "Wagtail" }).click();
  await expect(page.getByRole("row", { name: /Priya Mossman/ })).toBeVisible();
  const save = async (item: string) => {
    await page.getByRole("button", { name: "More for this programme" }).click();
    const waiting = page.waitForEvent("download");
    await page.getByRole("menuitem", { name: item }).click();
    const download = await waiting;
    return { name: download.suggestedFilename(), text: await readFile(await download.path(), "utf8") };
  };
  const table = await save("Save who is how far as CSV");
  expect(table.name).toBe("wagtail.csv");
  expect(table.text.split("\r\n")[0]).toMatch(/^\uFEFFStudent,"Basic bounce, 30 in a row",/);
  const file = await save("Save the programme as a file");
  const { format, entries } = JSON.parse(file.text) as {
    readonly format: string;
    readonly entries: Readonly<Record<string, OwnProgramme>>;
  };
  expect([format, Object.values(entries).map(({ name }) => name)]).toEqual(["mirrup-skills", ["Wagtail"]]);

  await page.getByRole("button", { name: "More for this programme" }).click();
  await page.getByRole("menuitem", { name: "Remove it" }).click();
  // Another one comes after it.
  await expect(
    page.getByText(/^Kingfisher: The programme that should come before is not there/),
  ).toBeVisible();
  await page.getByRole("button", { name: "More for this programme" }).click();
  await page.getByRole("menuitem", { name: "End it; what is done stays" }).click();
  await expect(page.getByText(/in any order. Ended\.$/)).toBeVisible();
  await expect(page.getByRole("button", { name: /^Save \d+ ticks?$/ })).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText(/in any order$/)).toBeVisible();
});

test("a skill that is hidden is on nobody's strands, and comes back as it was", async ({ page, mirrup }) => {
  const student = await mirrup.studentPath("Hana Petrivale");
  await page.goto(`${mirrup.root}/skills/bell`);
  await page.getByRole("button", { name: "Teach it our way" }).click();
  await page.getByLabel("Hidden: taught to nobody for now").check();
  await expect(page.getByRole("status").filter({ hasText: /nobody stands|students?:/ })).toBeVisible();
  await page.getByRole("button", { name: "Save our way" }).click();
  await expect(page.getByText(/on nobody’s strands and in no plan/)).toBeVisible();
  await page.goto(student);
  await expect(page.getByRole("button", { name: /^skier:/ })).toBeVisible();
  await expect(page.getByRole("button", { name: /^bell:/ })).toHaveCount(0);
  await page.goto(`${mirrup.root}/studio`);
  await page.getByRole("link", { name: "Bell" }).click();
  await page.getByRole("button", { name: "Show it again" }).click();
  await expect(page.getByRole("button", { name: "Teach it our way" })).toBeVisible();
  await page.goto(student);
  await expect(page.getByRole("button", { name: /^bell:/ })).toBeVisible();
});
