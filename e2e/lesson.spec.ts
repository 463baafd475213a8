import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { expect, expectAccessible, test } from "./fixtures.js";
import { LONG, PLANNED } from "./planning.js";

const CLASS = "Second year";

/** Opens the plan of the demo's class of today, made by its first opening. */
async function openPlan(page: Page, root: string): Promise<void> {
  await page.goto(`${root}/today`);
  const today = page.getByRole("region", { name: CLASS });
  await today
    .getByRole("button", { name: "Plan the class" })
    .or(today.getByRole("link", { name: "The plan" }))
    .click();
  await expect(page.getByText(/useful minutes of/)).toBeVisible(PLANNED);
}

/** Waits until the plan for the last change is there, and kept; before the first change, for the first plan. */
async function planIsMade(page: Page, isChanged = true): Promise<void> {
  if (isChanged) await expect(page.getByText(/^The last change/)).toBeVisible(PLANNED);
  await expect(page.getByRole("progressbar", { name: "Planning" })).toHaveCount(0, PLANNED);
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
}

/** Plans a class of the show team for today, on a day that is not theirs. */
async function planOutOfTurn(page: Page, root: string): Promise<void> {
  await page.goto(`${root}/today`);
  await page.getByRole("combobox", { name: "Plan a class out of turn, for today" }).click();
  await page.getByRole("option", { name: "Show team" }).click();
  await expect(page.getByText(/useful minutes of/)).toBeVisible(PLANNED);
  await planIsMade(page, false);
}

/** The rest of the class planned anew in the hall, and kept. */
function replanned(page: Page) {
  return page.waitForResponse(
    (reply) => reply.request().method() === "PATCH" && !reply.url().endsWith("/run") && reply.ok(),
  );
}

async function pagesOf(page: Page): Promise<number> {
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString("latin1");
  return (pdf.match(/\/Type\s*\/Page[^s]/g) ?? []).length;
}

test("a class is planned, changed by hand, held with one away, and compared with its plan", async ({
  page,
  mirrup,
}) => {
  test.setTimeout(LONG);
  await openPlan(page, mirrup.root);
  await planIsMade(page, false);
  const table = page.getByRole("table", { name: /turns and stations/ });
  const cell = (turn: number, station: number) =>
    table.locator("tbody tr").nth(turn).locator("td").nth(station);

  // Somebody is moved by hand, and stays where they were put; undo takes it back, and again.
  const mover = cell(0, 0).locator("ul button").first();
  const name = (await mover.locator("span").first().textContent()) ?? "";
  await mover.click();
  await page.getByRole("menuitem", { name: /^To station 2/ }).click();
  await planIsMade(page);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: "Redo" })).toBeEnabled();
  await page.getByRole("button", { name: "Redo" }).click();
  await planIsMade(page);

  // With two ropes for all of them less of it is useful, which is said, and taken back.
  const useful = async () =>
    Number(
      /^([\d,]+) useful/
        .exec((await page.getByText(/useful minutes of/).textContent()) ?? "")?.[1]
        ?.replace(",", ""),
    );
  const all = await useful();
  await page.getByLabel("Ropes", { exact: true }).fill("2");
  await expect.poll(useful, PLANNED).toBeLessThan(all);
  await planIsMade(page);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("Ropes", { exact: true })).toHaveValue("");
  await expect.poll(useful, PLANNED).toBe(all);
  await planIsMade(page, false);

  // One is dragged onto another station of the turn.
  const dragged = cell(2, 0).locator("ul button").first();
  const draggedName = (await dragged.locator("span").first().textContent()) ?? "";
  await cell(2, 1).scrollIntoViewIfNeeded();
  await dragged.scrollIntoViewIfNeeded();
  const from = await dragged.boundingBox();
  const to = await cell(2, 1).boundingBox();
  if (from === null || to === null) throw new Error("The plan has no such places.");
  await page.mouse.move(from.x + 10, from.y + 10);
  await page.mouse.down();
  // On the cell beside its people: on one of them it would be a swap.
  await page.mouse.move(to.x + 30, to.y + 14, { steps: 12 });
  await page.mouse.move(to.x + 32, to.y + 14);
  await expect(page.getByText(/is at turn 3, station 2\./)).toBeAttached();
  await page.mouse.up();
  await planIsMade(page);
  await expect(cell(2, 1).getByRole("button", { name: draggedName })).toBeVisible();

  // A drill is left out of today, and is nowhere in the plan any more.
  const drill = page.getByRole("combobox", { name: "Turn 2, station 1: the drill" });
  const banned = await drill.inputValue();
  await drill.click();
  await page.getByRole("option", { name: `No ${banned} today` }).click();
  await expect(page.getByRole("button", { name: `Bring back: ${banned}` })).toBeVisible();
  const drills = page.getByRole("combobox", { name: /the drill$/ });
  await expect(async () => {
    for (const one of await drills.all()) expect(await one.inputValue()).not.toBe(banned);
  }).toPass(PLANNED);
  await planIsMade(page);

  // The plan and a stranger's sheet are a page each, and the page keeps what was made.
  expect(await pagesOf(page)).toBe(1);
  await expectAccessible(page);
  await page.reload();
  await expect(page.getByRole("button", { name: `Bring back: ${banned}` })).toBeVisible();
  await page.getByRole("button", { name: "Print or save" }).click();
  await page.getByRole("menuitem", { name: /substitute/ }).click();
  await expect(page.getByRole("heading", { name: "Type in the marks" })).toBeVisible();
  expect(await pagesOf(page)).toBe(1);
  // What is typed back from it outlives the page, and is taken back as one.
  const marks = page.getByRole("form", { name: "The marks on the sheet" }).getByRole("textbox").first();
  await marks.fill("m n");
  await page.reload();
  await expect(marks).toHaveValue("m n");
  await page.getByRole("button", { name: "Store 2 sets" }).click();
  await expect(page.getByText(/^2 sets are on this device/)).toBeVisible();
  await page.getByRole("button", { name: "Take all of it back" }).click();
  await expect(marks).toHaveValue("m n");
  await marks.fill("");
  await page.getByRole("button", { name: "Back to the plan" }).click();

  // In the hall: begin, the first turn, and one station is counted.
  await page.getByRole("link", { name: "Start the lesson" }).click();
  await expect(page.getByRole("heading", { name: "Who is here?" })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Begin with the warm-up" }).click();
  await expect(page.getByRole("heading", { name: "Warm-up together" })).toBeVisible();
  await page.getByRole("button", { name: "Next: turn 1" }).click();
  await expect(page.getByRole("heading", { name: "Turn 1" })).toBeVisible();
  // That was too early: the warm-up goes on where it was, here and with the server.
  const back = page.waitForResponse((reply) => reply.url().endsWith("/run") && reply.ok());
  await page.getByRole("button", { name: "Back to the warm-up" }).click();
  await back;
  await page.reload();
  await expect(page.getByRole("heading", { name: "Warm-up together" })).toBeVisible();
  await page.getByRole("button", { name: "Next: turn 1" }).click();
  await expect(page.getByRole("heading", { name: "Turn 1" })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("link", { name: "Count here" }).first().click();
  const made = page.getByRole("button", { name: "Made it" }).first();
  const first = (await made.locator("xpath=..").getAttribute("aria-label")) ?? "nobody";
  await made.click();
  await page.getByRole("button", { name: /^Finish the round: 1 of/ }).click();
  await expect(page.getByText("All of them are stored.")).toBeVisible();
  await page.getByRole("link", { name: "Leave the floor" }).click();

  // Somebody goes: the turns to come are planned without them. A turn is cut short.
  await page.getByRole("button", { name: "Who is here" }).click();
  const away = page.getByRole("group", { name, exact: true });
  const without = replanned(page);
  await away.getByRole("button", { name: "Away" }).click();
  await without;
  await expect(away.getByRole("button", { name: "Away" })).toHaveAttribute("aria-pressed", "true");
  // Ropes break: the turns to come are planned with those that are left, in a moment.
  const broken = replanned(page);
  await page.getByLabel("Ropes left", { exact: true }).fill("3");
  await broken;
  await expect(page.getByText("Planning the rest anew …")).toHaveCount(0);
  await page.getByRole("button", { name: "Back to the turn" }).click();
  await page.getByRole("button", { name: "Who is here" }).click();
  await expect(page.getByLabel("Ropes left", { exact: true })).toHaveValue("3");
  await page.getByRole("button", { name: "Back to the turn" }).click();
  const shared = replanned(page);
  await page.getByRole("button", { name: "Skip" }).click();
  await shared;
  await expect(page.getByRole("heading", { name: "Turn 2" })).toBeVisible();
  await expect(page.getByText("Planning the rest anew …")).toHaveCount(0, PLANNED);
  await expect(page.locator("main").getByText(name, { exact: true })).toHaveCount(0);
  await page.getByRole("link", { name: "Count here" }).first().click();
  const number = page.getByRole("group").getByRole("textbox").first();
  const second = ((await number.getAttribute("aria-label")) ?? "nobody").replace(/: [a-z ]+$/, "");
  await number.fill("3");
  await page.getByRole("button", { name: /^Finish the round: 1 of/ }).click();
  await expect(page.getByText("All of them are stored.")).toBeVisible();
  await page.getByRole("link", { name: "Leave the floor" }).click();
  await page.getByRole("button", { name: "Finish", exact: true }).click();

  // What was planned and what was done stand side by side.
  await expect(page.getByRole("heading", { name: "Planned and done" })).toBeVisible();
  await expect(page.getByText(/^\d+ of \d+ planned turns are written down/)).toBeVisible();
  await expect(page.getByText(`Away: ${name}.`)).toBeVisible();
  await expect(page.getByRole("row", { name: new RegExp(`^${first} 1 .*clean of`) })).toBeVisible();
  await expect(page.getByRole("row", { name: new RegExp(`^${second} 2 .*clean of`) })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("link", { name: "Leave the hall" }).click();
  await expect(page.getByRole("region", { name: CLASS }).getByText("Held.")).toBeVisible();
});

test("attendance is one tap on Today, also with no network, and none is lost", async ({
  page,
  context,
  mirrup,
}) => {
  await planOutOfTurn(page, mirrup.root);
  await page.getByRole("link", { name: "Today" }).click();
  const region = page.getByRole("region", { name: "Show team" });
  await expectAccessible(page);
  const mark = (name: string, as: string) =>
    region.getByRole("group", { name }).getByRole("button", { name: as });
  await mark("Amara Thistle", "Here").click();
  await context.setOffline(true);
  await mark("Oskar Fennel", "Away").click();
  await expect(mark("Oskar Fennel", "Away")).toHaveAttribute("aria-pressed", "true");
  const stored = page.waitForResponse((reply) => reply.url().includes("/run") && reply.ok());
  await context.setOffline(false);
  await stored;
  await page.reload();
  await expect(mark("Amara Thistle", "Here")).toHaveAttribute("aria-pressed", "true");
  await expect(mark("Oskar Fennel", "Away")).toHaveAttribute("aria-pressed", "true");

  // A guest of another group is planned for as soon as they are there.
  const withoutOskar = replanned(page);
  await region.getByRole("link", { name: "Start the lesson" }).click();
  await expect(page.getByRole("heading", { name: "Who is here?" })).toBeVisible();
  await withoutOskar;
  await page.getByRole("combobox", { name: "Add somebody who came" }).click();
  const planned = replanned(page);
  await page.getByRole("option", { name: "Dag Ellerby" }).click();
  await planned;
  await page.getByRole("button", { name: "Begin with the warm-up" }).click();
  await page.getByRole("button", { name: "Next: turn 1" }).click();
  await expect(page.locator("main strong").getByText("Dag Ellerby")).toBeVisible();
  await expect(page.locator("main strong").getByText("Oskar Fennel")).toHaveCount(0);
});

test("who is new to the studio is taken in from the hall without a network, and has a place once there is one", async ({
  page,
  context,
  mirrup,
}) => {
  await planOutOfTurn(page, mirrup.root);
  await page.getByRole("link", { name: "Start the lesson" }).click();
  await expect(page.getByRole("heading", { name: "Who is here?" })).toBeVisible();
  await context.setOffline(true);
  const name = "Wren Ashdown";
  await page.getByRole("combobox", { name: "Add somebody who came" }).fill(name);
  await page.getByRole("option", { name: `Add ${name}, who is new` }).click();
  const wren = page.getByRole("group", { name });
  await expect(wren.getByRole("button", { name: "Here" })).toHaveAttribute("aria-pressed", "true");
  await expect(page.getByText("new, not sent yet")).toBeVisible();
  // The hall is left and opened anew: it is on the device, and said by name where what waits is told.
  await page.getByRole("link", { name: "Leave the hall" }).click();
  await page.getByRole("button", { name: /still to send/ }).click();
  await expect(page.getByText(`${name}: a new student`)).toBeVisible();
  await expect(page.getByText(`A lesson: ${name}: here`)).toBeVisible();
  await page.keyboard.press("Escape");
  const planned = replanned(page);
  await context.setOffline(false);
  await page
    .getByRole("region", { name: "Show team" })
    .getByRole("link", { name: "Start the lesson" })
    .click();
  await planned;
  await expect(page.getByText("new, not sent yet")).toBeHidden();
  await page.getByRole("button", { name: "Begin with the warm-up" }).click();
  await page.getByRole("button", { name: "Next: turn 1" }).click();
  await expect(page.locator("main strong").getByText(name)).toBeVisible();
  // Taken in once, and a student like any other.
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("link", { name })).toHaveCount(1);
});

test("a viewer sees the class in the hall and cannot run it", async ({ page, mirrup }) => {
  await openPlan(page, mirrup.root);
  const hall = page.url().replace(/\/plan$/, "");
  await page.context().clearCookies();
  const data = { email: "viewer@quillhaven.example", password: "quillhaven demo" };
  await page.request.post("/api/auth/sign-in", { data });
  await page.goto(hall);
  await expect(page.getByRole("heading", { name: CLASS })).toBeVisible();
  await expect(page.getByRole("button", { name: /Begin|Next|Finish|Away/ })).toHaveCount(0);
});

test("the first tap on a class that nobody has opened makes its lesson", async ({ page, mirrup }) => {
  // A group of its own that meets today, so that no other test has opened its lesson.
  const day = new Date().toLocaleDateString("sv-SE", { timeZone: "Europe/London" });
  const weekday = new Date(`${day}T12:00:00Z`).getUTCDay() || 7;
  await mirrup.sql(
    `INSERT INTO student_group (studio_id, id, name, weekday, start_time)
     SELECT studio_id, gen_random_uuid(), 'Fresh group', $1, '06:15' FROM student_group LIMIT 1`,
    [weekday],
  );
  await mirrup.sql(
    `INSERT INTO group_member (studio_id, group_id, student_id)
     SELECT g.studio_id, g.id, s.id FROM student_group g JOIN student s USING (studio_id)
     WHERE g.name = 'Fresh group' AND s.name IN ('Amara Thistle', 'Dag Ellerby')`,
  );
  await page.goto(`${mirrup.root}/today`);
  const region = page.getByRole("region", { name: "Fresh group" });
  const here = region.getByRole("group", { name: "Dag Ellerby" }).getByRole("button", { name: "Here" });
  await here.click();
  await expect(region.getByRole("link", { name: "Plan the class" })).toBeVisible();
  await expect(here).toHaveAttribute("aria-pressed", "true");
  await page.reload();
  await expect(here).toHaveAttribute("aria-pressed", "true");
});

test("a lesson is renamed, taken off, and put back", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/today`);
  await page.getByRole("combobox", { name: "Plan a class out of turn, for today" }).click();
  await page.getByRole("option", { name: "Beginners" }).click();
  await planIsMade(page, false);
  await page.getByText("Name, day, hour and place").click();
  await page.getByLabel("Name", { exact: true }).fill("Extra hour");
  await page.getByLabel("Begins").fill("20:15");
  await page.getByLabel("Begins").press("Enter");
  await expect(page.getByRole("heading", { name: "Extra hour" })).toBeVisible();
  await expect(page.getByText(/, 20:15, /)).toBeVisible();

  await page.getByRole("button", { name: "Print or save" }).click();
  await page.getByRole("menuitem", { name: "Cancel the lesson" }).click();
  await expect(page.getByText("“Extra hour” is cancelled.")).toBeVisible();
  const region = page.getByRole("region", { name: "Extra hour" });
  await expect(region).toHaveCount(0);
  await page
    .getByRole("alert")
    .filter({ hasText: "is cancelled" })
    .getByRole("button", { name: "Undo" })
    .click();
  await expect(region.getByText(/Planned: \d turns/)).toBeVisible();
});

test("a calendar is read and written, and bad files say what to do", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/today`);
  await expect(page.getByRole("heading", { name: "The next seven days" })).toBeVisible();
  const inTwoDays = new Date(Date.now() + 2 * 86_400_000).toISOString().slice(0, 10).replaceAll("-", "");
  const calendar = ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//x//y//EN", "BEGIN:VEVENT", "UID:guest"]
    .concat([
      `DTSTART:${inTwoDays}T190000`,
      "DURATION:PT45M",
      "SUMMARY:Guest class",
      "END:VEVENT",
      "END:VCALENDAR",
    ])
    .join("\r\n");
  const choose = async (button: string, name: string, text: string) => {
    const chooser = page.waitForEvent("filechooser");
    await page.getByRole("button", { name: button }).click();
    await (await chooser).setFiles({ name, mimeType: "text/plain", buffer: Buffer.from(text) });
  };
  await choose("Read a calendar", "guest.ics", calendar);
  await expect(page.getByText("1 lesson is added from the calendar.")).toBeVisible();
  const coming = page.getByRole("listitem").filter({ hasText: "Guest class" });
  await expect(coming).toContainText("19:00");

  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save the lessons as a calendar" }).click();
  const text = readFileSync(await (await download).path(), "utf8");
  expect(text).toContain("SUMMARY:Guest class");

  await page.getByRole("button", { name: "Undo" }).click();
  await expect(coming).toHaveCount(0);
  // An event of every second since the last century: the page goes on, and says so at last.
  const endless = calendar.replace(/DTSTART.*/, "DTSTART:19900101T000000\r\nRRULE:FREQ=SECONDLY");
  await choose("Read a calendar", "endless.ics", endless);
  await page.getByRole("link", { name: "Students", exact: true }).click();
  await expect(page.getByRole("link", { name: /Ines/ })).toBeVisible();
  await expect(page.getByText(/does not come to an end/)).toBeVisible();
  await page.goBack();
  await choose("Read a calendar", "photo.ics", "not a calendar");
  await expect(page.getByText(/This is not a calendar file/)).toBeVisible();
  await choose("Read a plan’s file", "plan.json", "{");
  await expect(page.getByText(/it is not JSON/)).toBeVisible();
});

test("the weeks to a date say honestly whether it is enough", async ({ page, mirrup }) => {
  await page.goto(`${await mirrup.studentPath("Hana Petrivale")}/weeks`);
  await expect(page.getByRole("heading", { name: /^Week of/ }).first()).toBeVisible();
  await page.getByLabel("Tries a lesson toward it").fill("1");
  await expect(page.getByRole("heading", { name: /Not (likely )?by then/ })).toBeVisible();
  await expect(page.getByText(/in 10 by then|hardly ever by then|never by then/).first()).toBeVisible();

  // What would have to give is said with its chance, and one tap plans it so.
  await page.getByLabel("Lessons a week").fill("1");
  const until = await page.getByLabel("Until").inputValue();
  const gives = page.getByRole("region", { name: "What would have to give" });
  const later = gives.getByRole("button", { name: /Plan it that way.*Until/ });
  // How many tries make it nearly enough is the learner model's to say, and it learns from every lesson.
  for (const tries of ["20", "14", "10", "7", "5"]) {
    await page.getByLabel("Tries a lesson toward it").fill(tries);
    const isPlanned = later.click({ timeout: 4000 }).then(
      () => true,
      () => false,
    );
    if (await isPlanned) break;
  }
  await expect(page.getByLabel("Until")).not.toHaveValue(until);
  await expect(gives).toHaveCount(0);
  await expectAccessible(page);
  await page.getByLabel("Until").fill("2020-01-01");
  await expect(page.getByText("That date is not ahead of today. Choose one that is.")).toBeVisible();
});

test("a group's weeks toward a show say who will be ready, and what would have to give", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/class`);
  await page.getByRole("link", { name: "Second year" }).click();
  await page.getByRole("link", { name: "Toward a show" }).click();
  await expect(page.getByText(/^Choose the skills that the show asks of everybody/)).toBeVisible();
  const skills = page.getByRole("combobox", { name: "What everybody needs" });
  // Found by another of its names.
  await skills.fill("criss-cross");
  await page.getByRole("option", { name: "Cross", exact: true }).click();
  await skills.fill("double under");
  await page.getByRole("option", { name: "Double under", exact: true }).click();
  await page.keyboard.press("Escape");
  const ready = page.getByRole("status").filter({ hasText: /likely to be ready/ });
  await expect(ready).toBeVisible();
  await page.getByLabel("Lessons a week").fill("1");
  await expect(page.getByRole("columnheader", { name: "Lessons it takes" })).toBeVisible();
  const gives = page.getByRole("region", { name: "What would have to give" });
  await gives.getByRole("button", { name: /Plan it that way.*Until/ }).click();
  await expect(gives).toHaveCount(0);
  await expect(page.getByText(/half of the usual/).first()).toBeVisible();
  await expectAccessible(page);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.reload();
  await expect(ready).toBeVisible();
  await page.getByLabel("The show").fill("2020-01-01");
  await expect(page.getByText("That date is not ahead of today. Choose one that is.")).toBeVisible();
});
