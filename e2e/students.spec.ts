import { expect, expectAccessible, test } from "./fixtures.js";
import { settled } from "../scripts/lib/settled.mjs";

const ROSTER = `Full name;Born;Height;Group
Isla Merrow;2014;148;Lunch club
Noé Harrant;3.5.2013;1.52 m;Lunch club
Hana Petrivale;2013;152;
Tall One;2012;300;Lunch club
`;

test("brings in a roster, places a student, sets a goal, reads the path, clears a skill and undoes it", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/students`);
  await page.getByRole("link", { name: "From a file" }).click();
  // As a spreadsheet of the West saves it: no UTF-8.
  const buffer = Buffer.from(ROSTER, "latin1");
  const chooser = page.waitForEvent("filechooser");
  await page.getByText("Choose a file …").click();
  await (await chooser).setFiles({ name: "roster.csv", mimeType: "text/csv", buffer });
  await expect(page.getByText("3 students read (Windows-1252)")).toBeVisible();
  await expect(page.getByText(/Line 5, Height/)).toContainText("no length from 60 to 240 cm");
  await expect(page.getByRole("row", { name: /Hana Petrivale/ })).toContainText("already here");
  await page.getByRole("button", { name: "Add 2 students" }).click();

  await page.getByLabel("Group").selectOption({ label: "Lunch club" });
  await expect(page.getByRole("link", { name: /Noé Harrant/ })).toBeVisible();
  await page.getByRole("textbox", { name: "Find a student" }).fill("noe");
  await page.getByRole("link", { name: /Noé Harrant/ }).click();

  // Placement: four skills, one answer taken back, the likely ones taken as known.
  await page.getByRole("link", { name: "Placement" }).click();
  const question = page.locator("h2").first();
  for (const answer of ["1", "3", "1", "1"]) {
    const name = (await question.textContent()) ?? "";
    for (let side = 0; (await question.textContent()) === name && side < 2; side += 1) {
      const waiting = await page.getByRole("button", { pressed: false, name: /^(Clean|No)/ }).count();
      await page.keyboard.press(answer);
      await expect
        .poll(
          async () =>
            (await page.getByRole("button", { pressed: false, name: /^(Clean|No)/ }).count()) !== waiting ||
            (await question.textContent()) !== name,
        )
        .toBe(true);
    }
    await expect(question).not.toHaveText(name);
  }
  const concluded = page.getByRole("complementary", { name: "What is concluded" });
  await expect(concluded.getByRole("button", { name: /Sure to be known: [1-9]/ })).toBeVisible();
  const seen = concluded.getByRole("button", { name: "Take back" });
  // The last answer's line can come after the next question.
  let before = -1;
  await expect
    .poll(
      async () => {
        const [last, now] = [before, await seen.count()];
        before = now;
        return now === last;
      },
      { intervals: [500] },
    )
    .toBe(true);
  await page.keyboard.press("z");
  await expect(seen).toHaveCount(before - 1);

  // A goal, and the way to it.
  await page.getByRole("link", { name: "Record" }).click();
  await page.getByRole("combobox", { name: "Another goal" }).fill("quad");
  await page.getByRole("option", { name: /quadruple under/ }).click();
  await page.getByRole("button", { name: "Add the goal" }).click();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.getByRole("link", { name: "Strands" }).click();
  await page.getByRole("button", { name: "The way to quadruple under" }).click();
  const steps = page.getByRole("complementary").getByRole("listitem");
  await expect(steps.last()).toContainText("Quadruple under");
  const length = await steps.count();
  await expect(page.getByRole("button", { name: /^quadruple under:.*step \d+ of the path/ })).toBeVisible();

  // A skill is cleared by hand with a reason, and that is undone.
  await page.getByRole("button", { name: /^quadruple under:/ }).click();
  await page.getByRole("button", { name: "Clear by hand" }).click();
  await page.getByLabel("Reason").fill("Shown at the summer camp.");
  await page.getByRole("button", { name: "Clear", exact: true }).click();
  await expect(page.getByText(/^Cleared by hand: /)).toBeVisible();
  await page.getByRole("button", { name: "Let go of the bead" }).click();
  await expect(page.getByText("It is cleared already.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(steps).toHaveCount(length);
});

test("two instructors who edit one student at once lose nothing", async ({ page, mirrup }) => {
  const path = `${await mirrup.studentPath("Jonas Quist")}/record`;
  await page.goto(path);
  await expect(page.getByLabel("Notes")).toBeVisible();
  const other = await page.context().newPage();
  await other.goto(path);
  await other.getByLabel("Height, cm").fill("149");
  await other.getByRole("button", { name: "Save", exact: true }).click();
  await expect(other.getByText("Saved.")).toBeVisible();
  await page.getByLabel("Notes").fill("Left-handed at the desk.");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("alert")).toContainText("Somebody else changed this record");
  await page.getByRole("button", { name: "Save my changes too" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(page.getByLabel("Height, cm")).toHaveValue("149");
  await expect(page.getByLabel("Notes")).toHaveValue("Left-handed at the desk.");
  await page.getByLabel("Height, cm").fill("300");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText(/between 60 and 240 cm/)).toBeVisible();
});

test("a class's table shows its shape, and its sheet's ticks are typed back", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/class`);
  await page.getByRole("link", { name: "Beginners" }).click();
  await page.getByRole("checkbox", { name: "Choose Leo Sandoval-Wren" }).click();
  await page.getByRole("checkbox", { name: "Choose Priya Mossman" }).click();
  await expect(page.getByRole("heading", { name: "What could these 2 do together?" })).toBeVisible();
  await expect(page.getByText("useful to 2 of 2").first()).toBeVisible();
  await page.getByText("Skill sheet").click();
  const box = page.getByRole("button", { name: "Leo Sandoval-Wren, run step" });
  await box.click();
  await page.getByRole("button", { name: "Clear 1 tick" }).click();
  await expect(page.getByText("1 tick is cleared by hand.")).toBeVisible();
  await expect(box).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(box).toBeVisible();
});

test("what is typed outlives a page that is loaded anew and a save that fails, for whoever typed it", async ({
  page,
  mirrup,
}) => {
  const record = `${await mirrup.studentPath("Ravi Thornbury")}/record`;
  const notes = page.getByRole("textbox", { name: "Notes" });
  const isBack = page.getByText("What you typed before is here again. It is not saved yet.");
  await page.goto(record);
  await notes.fill("Wears new shoes.");
  await page.getByRole("textbox", { name: "Rope", exact: true }).fill("beaded");
  await page.reload();
  await expect(isBack).toBeVisible();
  await expect(notes).toHaveValue("Wears new shoes.");
  await expectAccessible(page);
  // Nobody answers: it stays, over another reload too.
  await page.route("**/api/students/*", (route) =>
    route.request().method() === "PATCH" ? route.abort() : route.continue(),
  );
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("alert").first()).toBeVisible();
  await page.unroute("**/api/students/*");
  await page.reload();
  await expect(notes).toHaveValue("Wears new shoes.");
  // Whoever saved something else meanwhile is heard of.
  const other = await page.context().newPage();
  await other.goto(record);
  await other.getByLabel("Birth year").fill("2014");
  await other.getByRole("button", { name: "Save", exact: true }).click();
  await expect(other.getByText("Saved.")).toBeVisible();
  await other.close();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.getByRole("button", { name: "Save my changes too" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.reload();
  await expect(notes).toHaveValue("Wears new shoes.");
  await expect(isBack).toBeHidden();
  await notes.fill("Something else.");
  await page.reload();
  await page.getByRole("button", { name: "Discard it" }).click();
  await expect(notes).toHaveValue("Wears new shoes.");

  // A group: somebody else changes it while it is open here, and what is typed stays all the same.
  await page.goto(`${mirrup.root}/class`);
  await page.getByRole("link", { name: "Show team" }).click();
  await page.getByRole("button", { name: "Edit the group" }).click();
  const form = page.getByRole("form", { name: "The group Show team" });
  const headers = { "x-mirrup-studio": mirrup.root.slice(1) };
  await form.getByRole("textbox", { name: "Place" }).fill("Small hall");
  const { items } = (await (await page.request.get("/api/groups", { headers })).json()) as {
    items: readonly { id: string; name: string; version: number }[];
  };
  const group = items.find((one) => one.name === "Show team");
  await page.request.patch(`/api/groups/${group?.id ?? ""}`, {
    headers,
    data: { version: group?.version, startTime: "18:45" },
  });
  await expect(isBack).toBeVisible();
  await expect(form.getByRole("textbox", { name: "Place" })).toHaveValue("Small hall");
  await form.getByRole("button", { name: "Save", exact: true }).click();
  await expect(form.getByRole("alert")).toContainText("Saving again puts yours in its place.");
  await form.getByRole("button", { name: "Save", exact: true }).click();
  await expect(form).toBeHidden();
  await page.getByRole("button", { name: "Edit the group" }).click();
  await expect(form.getByRole("textbox", { name: "Place" })).toHaveValue("Small hall");
  await form.getByRole("button", { name: "Cancel" }).click();

  // A sheet's ticks and a name that was not added yet.
  await page.goto(`${mirrup.root}/class?view=sheet`);
  await page.locator("table button").first().click();
  await expect(page.getByRole("button", { name: "Clear 1 tick" })).toBeEnabled();
  await page.reload();
  await expect(page.getByRole("button", { name: "Clear 1 tick" })).toBeEnabled();
  await page.goto(`${mirrup.root}/students`);
  await page.getByRole("textbox", { name: "New student" }).fill("Half Typed");
  await page.reload();
  await expect(page.getByRole("textbox", { name: "New student" })).toHaveValue("Half Typed");
  await page.goto(`${mirrup.root}/studio`);
  await page.getByRole("button", { name: "Sign out", exact: true }).click();
  await expect(page).toHaveURL(/sign-in/);
  expect(
    await page.evaluate(() => Object.keys(sessionStorage).filter((key) => key.includes("unsaved"))),
  ).toEqual([]);
});

test("the school is changed after a look at what that does, and back", async ({ page, mirrup }) => {
  await page.request.post("/api/auth/sign-in", {
    data: { email: "owner@quillhaven.example", password: "quillhaven demo" },
  });
  await page.goto(`${mirrup.root}/studio`);
  await page.getByLabel("School").selectOption("foundation-first");
  await expect(page.getByText(/It would clear \d+ sides and reopen [1-9]/)).toBeVisible();
  await page.getByRole("button", { name: "Teach by foundation first" }).click();
  await expect(page.getByText("The school is foundation first now.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("School")).toHaveValue("quick-frontier");
});

test("the pages of a student and a class meet the rules of accessibility", async ({ page, mirrup }) => {
  const student = await mirrup.studentPath("Amara Thistle");
  const pages = ["?goal=leg-over-double:right", "/placement", "/record"];
  for (const address of [
    ...pages.map((one) => student + one),
    `${mirrup.root}/class`,
    `${mirrup.root}/students`,
  ]) {
    await page.goto(address);
    await settled(page);
    await expectAccessible(page);
  }
});

test("who is added, or brought in from a file, is there once though the answer was lost", async ({
  page,
  mirrup,
}) => {
  /** The server does what it is asked, and its answer never arrives; once. */
  const loseAnswer = async (path: string) => {
    let isLost = false;
    await page.route(
      (url) => url.pathname === path,
      async (route) => {
        if (isLost || route.request().method() !== "POST") return route.fallback();
        isLost = true;
        await route.fetch();
        await route.abort();
      },
    );
  };
  await page.goto(`${mirrup.root}/students`);
  await loseAnswer("/api/students");
  await page.getByLabel("New student").fill("Lost Answer");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByText("does not answer just now").first()).toBeVisible();
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page).toHaveURL(/placement/);
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("link", { name: /Lost Answer/ })).toHaveCount(1);

  await page.getByRole("link", { name: "From a file" }).click();
  const chooser = page.waitForEvent("filechooser");
  await page.getByText("Choose a file …").click();
  const buffer = Buffer.from("Name\nFile One\nFile Two\n");
  await (await chooser).setFiles({ name: "roster.csv", mimeType: "text/csv", buffer });
  await loseAnswer("/api/students/import");
  const take = page.getByRole("button", { name: /2 students/ });
  await take.click();
  await expect(page.getByText("does not answer just now").first()).toBeVisible();
  await take.click();
  await expect(page).toHaveURL(/students$/);
  for (const name of ["File One", "File Two"])
    await expect(page.getByRole("link", { name: new RegExp(name) })).toHaveCount(1);
});

test("the roster goes out as a spreadsheet, and what was read of it is who is here", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/students`);
  await page.getByRole("button", { name: "Export" }).click();
  const waiting = page.waitForEvent("download");
  await page.getByRole("menuitem", { name: "As a spreadsheet (.xlsx)" }).click();
  const saved = await waiting;
  expect(saved.suggestedFilename()).toBe("students.xlsx");
  await page.getByRole("link", { name: "From a file" }).click();
  const chooser = page.waitForEvent("filechooser");
  await page.getByText("Choose a file …").click();
  await (await chooser).setFiles(await saved.path());
  await expect(page.getByText(/^\d+ students read \(spreadsheet\)/)).toBeVisible();
  await expect(page.getByRole("row", { name: /Amara Thistle/ })).toContainText("already here");
  await expect(page.getByRole("row").filter({ hasNotText: "already here" })).toHaveCount(1);
});

test("who stops coming is archived with all that they practised, warned of by name, and brought back", async ({
  page,
  mirrup,
}) => {
  const name = "Amara Thistle";
  await page.goto(`${mirrup.root}/students`);
  await page.getByRole("link", { name: new RegExp(`^${name}`) }).click();
  await page.getByRole("link", { name: "Record", exact: true }).click();
  await page.getByRole("button", { name: "Archive", exact: true }).click();
  await expect(page.getByText("Archived.", { exact: true })).toBeVisible();
  await expect(page.getByRole("button", { name: "Bring back" })).toBeVisible();

  await page.getByRole("link", { name: "All students" }).click();
  await expect(page.getByRole("link", { name: /^Anton Breckfield/ })).toBeVisible();
  await expect(page.getByRole("link", { name: new RegExp(`^${name}`) })).toHaveCount(0);
  await page.getByLabel("New student").fill(name.toUpperCase());
  await expect(page.getByText(`${name} is archived. Bring them back`)).toBeVisible();
  await page.getByLabel("New student").fill("");
  await page.keyboard.press("Control+k");
  await page.getByRole("combobox", { name: /^Find a student/ }).fill("amara");
  await expect(page.getByRole("option", { name: `${name} archived` })).toBeVisible();
  await page.keyboard.press("Escape");

  await page.getByLabel("Show", { exact: true }).selectOption({ label: "archived" });
  await expect(page.getByRole("link", { name })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: `Bring back ${name}` }).click();
  await expect(page.getByText(/^Nobody is archived\./)).toBeVisible();
  await page.getByLabel("Show", { exact: true }).selectOption({ label: "everybody" });
  await expect(page.getByRole("link", { name: new RegExp(`^${name}.*[1-9]\\d* cleared`) })).toBeVisible();
});

test("a child who was added twice is made one again, on the record and in every list", async ({
  page,
  mirrup,
}) => {
  const name = "Amara Thistle";
  await page.goto(`${mirrup.root}/students`);
  await page.getByLabel("New student").fill(name);
  await expect(page.getByText("Adding makes a second record.")).toBeVisible();
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page).toHaveURL(/placement/);
  await page.getByRole("link", { name: "Record", exact: true }).click();
  await expect(page.getByRole("status").filter({ hasText: "becomes part of" })).toBeVisible();
  const second = page.url();
  await page.getByRole("link", { name: "All students" }).click();
  await expect(page.getByText("somebody else has this name")).toHaveCount(2);
  await page.getByRole("link", { name: new RegExp(`^${name}.*ago`) }).click();
  await page.getByRole("link", { name: "Record", exact: true }).click();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Bring together" }).click();
  await expect(
    page.getByText(`${name} is part of ${name}’s record now, with 0 sets and 0 decisions.`),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: "Take apart" })).toBeVisible();
  await page.getByRole("link", { name: "All students" }).click();
  await expect(page.getByRole("link", { name: new RegExp(`^${name}`) })).toHaveCount(1);
  await page.getByLabel("Show", { exact: true }).selectOption({ label: "archived" });
  await expect(page.getByRole("listitem").filter({ hasText: `part of ${name}’s record` })).toHaveCount(1);
  await page.goto(second);
  await page.getByRole("button", { name: "Take the two apart" }).click();
  await expect(page.getByRole("button", { name: "Archive", exact: true })).toBeVisible();
  await page.getByRole("link", { name: "All students" }).click();
  await expect(page.getByText("somebody else has this name")).toHaveCount(2);
});
