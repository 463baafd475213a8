import type { CatalogueView } from "@mirrup/contract";
import { expect, expectAccessible, floorIsOpen, press, test } from "./fixtures.js";

test("a trick from its score: proposed, taken, learned on the floor, put into a combo, renamed, and its needs undone", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/skills`);
  await page.getByRole("textbox", { name: "Score" }).fill("sr xr sl o");
  await page.getByRole("link", { name: "Make it a skill of your own" }).click();
  const form = page.getByRole("form", { name: "A new skill" });
  const needs = form.getByRole("group", { name: "Needs" });
  await expect(needs.getByRole("listitem").first()).toBeVisible();
  await expect(form.getByLabel("Kind")).toHaveValue("fusion");
  await expect(form.getByLabel("Sides", { exact: true })).toHaveValue("two");
  await expectAccessible(page);

  // What is not yet right is told of where it stands, and nothing is lost.
  await form.getByRole("button", { name: "Put it into the skill book" }).click();
  await expect(form.getByText("Give it a name.")).toBeVisible();
  await form.getByRole("textbox", { name: "Name", exact: true }).fill("cross");
  await form.getByRole("button", { name: "Put it into the skill book" }).click();
  await expect(form.getByText(/belongs to/)).toBeVisible();
  await form.getByRole("textbox", { name: "Name", exact: true }).fill("tannery twist");
  // What was proposed is dropped, and something else added.
  while ((await needs.getByRole("listitem").count()) > 0) {
    await needs
      .getByRole("button", { name: /^Remove the need of/ })
      .first()
      .click();
  }
  await needs.getByRole("combobox", { name: "Another need" }).click();
  await page.keyboard.type("basic bounce");
  await page.getByRole("option", { name: /^basic bounce/ }).click();
  await needs.getByRole("button", { name: "Add the need" }).click();
  await expect(needs.getByRole("listitem")).toHaveText([/Basic bounce/]);
  await expect(form.getByText(/^Level 2\./)).toBeVisible();
  // A page that is loaded anew has lost nothing.
  await page.reload();
  await expect(page.getByText("What you typed before is here again.")).toBeVisible();
  await expect(form.getByRole("textbox", { name: "Name", exact: true })).toHaveValue("tannery twist");
  await form.getByRole("button", { name: "Put it into the skill book" }).click();
  await expect(page.getByRole("heading", { name: "Tannery twist", level: 1 })).toBeVisible();
  const id = decodeURIComponent(page.url().split("/").at(-1) ?? "");

  // It is found, stands on the map and on the frontier, and is learned to its gate.
  const student = await mirrup.studentPath("Hana Petrivale");
  await page.goto(student);
  const bead = page.getByRole("button", { name: /^tannery twist:/ });
  await expect(bead).toHaveAccessibleName(/left ready; right ready/);
  await page.goto(`${student}/floor/${id}/left?kind=streak&aim=5`);
  await floorIsOpen(page);
  await press(page, "Space", 5);
  await page.keyboard.press("Enter");
  await expect(page.getByText(/5 in a row/).first()).toBeVisible();
  await page.goto(`${student}/frontier?skill=${id}`);
  await expect(page.getByRole("complementary", { name: "The bead in hand" })).toContainText("tannery twist");

  // A combo uses it.
  await page.goto(`${mirrup.root}/combos/bench?parts=basic-bounce,${id}:left`);
  await expect(page.getByRole("list", { name: "The line" })).toContainText("Tannery twist");
  await page.getByRole("textbox", { name: "Save it as" }).fill("Twisted");
  await page.getByRole("button", { name: "Save the combo" }).click();
  await expect(page.getByRole("heading", { name: "Twisted" })).toBeVisible();

  // It has a record now: it is renamed, and not removed.
  await page.goto(`${mirrup.root}/skills/${id}`);
  await page.getByRole("button", { name: "Remove the skill" }).click();
  await expect(page.getByText(/in somebody's record, a goal, a plan or a combo/)).toBeVisible();
  await page.getByRole("button", { name: "Edit the skill" }).click();
  const edit = page.getByRole("form", { name: "The skill tannery twist" });
  await edit.getByRole("textbox", { name: "Name", exact: true }).fill("ropewalk twist");
  await edit.getByRole("button", { name: "Save the skill" }).click();
  await expect(page.getByRole("heading", { name: "Ropewalk twist", level: 1 })).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("heading", { name: "Tannery twist", level: 1 })).toBeVisible();
});

test("what ships has the studio's name everywhere, and other needs, until it goes back", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/skills/skier`);
  await page.getByRole("button", { name: "Teach it our way" }).click();
  const form = page.getByRole("form", { name: "Skier, our way" });
  await form.getByLabel("What we call it").fill("slalom");
  const needs = form.getByRole("group", { name: "Needs" });
  await needs.getByRole("combobox", { name: "Another need" }).click();
  await page.keyboard.type("double under");
  await page
    .getByRole("option", { name: /^double under/ })
    .first()
    .click();
  await needs.getByRole("button", { name: "Add the need" }).click();
  await form.getByRole("button", { name: "Save our way" }).click();
  await expect(page.getByRole("heading", { name: "Slalom", level: 1 })).toBeVisible();
  await expect(page.getByText(/Also: .*skier/)).toBeVisible();

  const student = await mirrup.studentPath("Hana Petrivale");
  await page.goto(`${student}?skill=skier`);
  await expect(page.getByRole("button", { name: /^slalom: locked/ })).toBeVisible();
  await page.goto(`${student}/outline`);
  await expect(page.getByRole("link", { name: "Slalom", exact: true })).toBeVisible();
  await page.keyboard.press("Control+k");
  await expect(
    page.getByRole("combobox", { name: "Find a student, a skill, a combo or a page" }),
  ).toBeFocused();
  await page.keyboard.type("skier");
  await expect(page.getByRole("option", { name: /Slalom/ }).first()).toBeVisible();
  await page.keyboard.press("Escape");

  await page.goto(`${mirrup.root}/skills/skier`);
  await page.getByRole("button", { name: "Teach it our way" }).click();
  await page.getByRole("button", { name: "Back to the usual" }).click();
  await expect(page.getByRole("heading", { name: "Skier", level: 1 })).toBeVisible();
  await page.goto(`${student}?skill=skier`);
  await expect(page.getByRole("button", { name: /^skier: ready/ })).toBeVisible();
});

test("a trick without a score has its needs and drills by hand, and is walked by them on the floor", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/skills/new`);
  const form = page.getByRole("form", { name: "A new skill" });
  await form.getByRole("textbox", { name: "Name", exact: true }).fill("seat spin");
  const needs = form.getByRole("group", { name: "Needs" });
  await needs.getByRole("combobox", { name: "Another need" }).click();
  await page.keyboard.type("basic bounce");
  await page.getByRole("option", { name: /^basic bounce \(two/ }).click();
  await needs.getByRole("button", { name: "Add the need" }).click();
  await form.getByLabel("Say", { exact: true }).fill("Sit tall.\nTurn the rope over.");
  await form.getByLabel("Look at", { exact: true }).fill("The back stays straight.");
  const drills = form.getByRole("group", { name: "Drills that lead to it" });
  for (const [place, kind] of ["shadow", "apart", "one-stop"].entries()) {
    await drills.getByRole("button", { name: "Add a drill" }).click();
    await drills.getByLabel(`Drill ${String(place + 1)}`, { exact: true }).selectOption(kind);
  }
  await drills.getByLabel("Which part in drill 2").fill("hips alone");
  await drills.getByLabel("How many in drill 3").fill("4");
  await expectAccessible(page);
  await form.getByRole("button", { name: "Put it into the skill book" }).click();
  await expect(page.getByRole("heading", { name: "Seat spin", level: 1 })).toBeVisible();
  const ladder = page.getByRole("table").filter({ hasText: "Passed by" });
  await expect(ladder.getByRole("row")).toHaveCount(5);
  await expect(ladder).toContainText("hips alone");
  const id = new URL(page.url()).pathname.split("/").at(-1) ?? "";
  const student = await mirrup.studentPath("Hana Petrivale");
  await page.goto(`${student}/floor/${id}/whole?kind=one-stop&aim=4`);
  await floorIsOpen(page);
  await expect(page.getByText("Sit tall.")).toBeVisible();
  await press(page, "Space", 4);
  await expect(page.getByText("4 right of 4 tries, 4 asked")).toBeVisible();
});

test("a drill is said in the studio's words, in the skill book and on the floor", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/skills/run-step`);
  await page.getByRole("button", { name: "Teach it our way" }).click();
  const form = page.getByRole("form", { name: "Run step, our way" });
  await form.getByLabel("Words for one drill").selectOption("streak");
  await form.getByLabel("Say in this drill").fill("Quick knees.");
  await expectAccessible(page);
  await form.getByRole("button", { name: "Save our way" }).click();
  await expect(page.getByText("Quick knees.").first()).toBeVisible();
  const student = await mirrup.studentPath("Hana Petrivale");
  await page.goto(`${student}/floor/run-step/whole?kind=streak&aim=20`);
  await floorIsOpen(page);
  await expect(page.getByText("Quick knees.")).toBeVisible();
});

test("a circle is refused with the sentence, and nothing is lost", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/skills/basic-bounce`);
  await page.getByRole("button", { name: "Teach it our way" }).click();
  const form = page.getByRole("form", { name: "Basic bounce, our way" });
  const needs = form.getByRole("group", { name: "Needs" });
  await needs.getByRole("combobox", { name: "Another need" }).click();
  await page.keyboard.type("triple under");
  await page
    .getByRole("option", { name: /^triple under/ })
    .first()
    .click();
  await needs.getByRole("button", { name: "Add the need" }).click();
  await expect(form.getByText(/needs itself by way of its needs/)).toBeVisible();
  await expect(form.getByRole("button", { name: "Save our way" })).toBeDisabled();
});

test("what a colleague changes is taught here too, without a word of it lost on the floor", async ({
  page,
  mirrup,
  browser,
}) => {
  const student = await mirrup.studentPath("Hana Petrivale");
  await page.goto(`${student}/floor/bell/whole?kind=streak&aim=20`);
  await floorIsOpen(page);
  await press(page, "Space", 3);
  const colleague = await browser.newContext({ baseURL: mirrup.stack.address });
  await colleague.request.post("/api/auth/demo");
  const studioId = mirrup.root.slice(1);
  const change = await colleague.request.post("/api/catalogue/changes", {
    headers: { "x-mirrup-studio": studioId },
    data: { changes: [{ subject: "bell", was: null, is: { kind: "changed", name: "clapper" } }] },
  });
  expect(((await change.json()) as CatalogueView).entries).toHaveProperty("bell");
  await press(page, "Space", 2);
  await expect(page.getByText("5", { exact: true }).first()).toBeVisible();
  await page.goto(`${mirrup.root}/skills/bell`);
  await expect(page.getByRole("heading", { name: "Clapper", level: 1 })).toBeVisible();
  await colleague.request.post("/api/catalogue/changes", {
    headers: { "x-mirrup-studio": studioId },
    data: { changes: [{ subject: "bell", was: { kind: "changed", name: "clapper" }, is: null }] },
  });
  // A page that is open follows by itself.
  await expect(page.getByRole("heading", { name: "Bell", level: 1 })).toBeVisible();
  await colleague.close();
});
