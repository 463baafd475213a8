import type { Page } from "@playwright/test";
import { expect, expectAccessible, test } from "./fixtures.js";

test.use({ signedIn: false });

async function signIn(page: Page, who: string, password = "quillhaven demo") {
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill(`${who}@quillhaven.example`);
  await page.getByRole("textbox", { name: "Password" }).fill(password);
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
}

test("a wrong password is told, and a right one leads back to where one was going", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/skills/cross`);
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page.getByText(/Email is not allowed to be empty/)).toBeVisible();
  await page.getByLabel("E-mail").fill("coach@quillhaven.example");
  await page.getByRole("textbox", { name: "Password" }).fill("not this one");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page.getByRole("alert")).toContainText("do not go together");
  await page.getByRole("textbox", { name: "Password" }).fill("quillhaven demo");
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Cross", exact: true })).toBeVisible();
});

test("an owner invites a viewer, who joins by the letter's link and only sees", async ({
  page,
  browser,
  mirrup,
}) => {
  await signIn(page, "owner");
  await page.getByRole("link", { name: "Studio", exact: true }).click();
  await page.getByLabel("Invite by e-mail").fill("lin@quillhaven.example");
  await page.getByLabel("As", { exact: true }).selectOption("viewer");
  await page.getByRole("button", { name: "Invite" }).click();
  await page.getByRole("button", { name: /Join Quillhaven Rope Hall on Mirrup, to lin@/ }).click();
  const letter = (await page.getByText(/Open this within seven days/).textContent()) ?? "";
  const link = /https?:\S+/.exec(letter)?.[0] ?? "";

  const other = await (await browser.newContext()).newPage();
  await other.goto(link);
  await other.getByLabel("Your name").fill("Lin Ferris");
  await other.getByRole("textbox", { name: "A password" }).fill("rope and again rope");
  await other.getByRole("button", { name: "Join" }).click();
  await expect(other.getByText("Quillhaven Rope Hall")).toBeVisible();
  await other.getByRole("link", { name: "Studio", exact: true }).click();
  await expect(other.getByText("You are its viewer.")).toBeVisible();
  await expect(other.getByRole("heading", { name: "People" })).toBeHidden();
  await other.getByRole("link", { name: "Students", exact: true }).click();
  await expect(other.getByRole("link", { name: /Ines/ })).toBeVisible();
  for (const name of ["Add", "From a file", "Export"])
    await expect(other.getByText(name, { exact: true })).toBeHidden();
  await other.goto(link);
  await other.getByLabel("Your name").fill("Again");
  await other.getByRole("textbox", { name: "A password" }).fill("rope and again rope");
  await other.getByRole("button", { name: "Join" }).click();
  await expect(other.getByRole("alert")).toContainText("This link has been used");
  await other.close();

  await page.reload();
  await expect(page.getByRole("region", { name: "Who did what" })).toContainText(
    "Lin Ferris joined as viewer",
  );
  await page.getByRole("button", { name: "Sign out", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
});

test("a student is exported, deleted after a chance to undo, and gone", async ({ page, mirrup }) => {
  await signIn(page, "owner");
  await page.getByRole("link", { name: "Studio", exact: true }).waitFor();
  // Somebody of this test's own, so that nobody else's student is gone.
  await page.request.post("/api/students", {
    headers: { "x-mirrup-studio": mirrup.root.slice(1) },
    data: { name: "Juno Harrow" },
  });
  await page.goto(`${mirrup.root}/studio`);
  const choose = page.getByLabel("Student", { exact: true });
  await choose.selectOption("Juno Harrow");
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Export as JSON" }).click();
  expect((await download).suggestedFilename()).toBe("Juno Harrow.json");

  await page.clock.install();
  await page.getByRole("button", { name: "Delete for good" }).click();
  await expect(page.getByRole("alert")).toContainText("Juno Harrow is being deleted");
  await page.getByRole("button", { name: "Undo" }).click();
  await page.clock.runFor(11_000);
  await expect(choose).toHaveValue(/.+/);
  await page.getByRole("button", { name: "Delete for good" }).click();
  await page.clock.runFor(11_000);
  await expect(page.getByText("Juno Harrow was deleted, with everything of theirs.")).toBeVisible();
  await page.getByRole("link", { name: "Students" }).click();
  await expect(page.getByRole("link", { name: /Oskar/ })).toBeVisible();
  await expect(page.getByRole("link", { name: /Juno/ })).toBeHidden();
});

test("two tabs in two studios do not mix, and the account's pages are accessible", async ({
  page,
  context,
  mirrup,
}) => {
  await mirrup.sql(
    "INSERT INTO studio (id, name, time_zone, school) VALUES ('0199c1b2-0000-7000-8000-00000000000a', 'Second Hall', 'Europe/London', 'steady-hold')",
  );
  await mirrup.sql(
    "INSERT INTO membership (studio_id, person_id, role) SELECT '0199c1b2-0000-7000-8000-00000000000a', id, 'viewer' FROM person WHERE email = 'owner@quillhaven.example'",
  );
  await page.goto("/sign-in");
  await expect(page.getByLabel("E-mail")).toBeVisible();
  await expectAccessible(page);
  await signIn(page, "owner");
  await expect(page.getByText("Quillhaven Rope Hall")).toBeVisible();
  const second = await context.newPage();
  await second.goto("/0199c1b2-0000-7000-8000-00000000000a/students");
  await expect(second.getByRole("heading", { name: "Second Hall" })).toBeVisible();
  await expect(second.getByText("No students yet.")).toBeVisible();
  await page.reload();
  await expect(page.getByText("Quillhaven Rope Hall")).toBeVisible();
  await page.getByRole("link", { name: "Studio", exact: true }).click();
  await expect(page.getByRole("heading", { name: "People" })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("link", { name: "Second Hall" }).click();
  await expect(page.getByText("Second Hall")).toBeVisible();
  await page.getByRole("link", { name: "Students", exact: true }).click();
  await expect(page.getByText("No students yet.")).toBeVisible();
});

test("what was read stays on the device while nobody answers, and goes with the sign-out", async ({
  page,
  mirrup,
}) => {
  await signIn(page, "coach");
  await page.getByRole("link", { name: "Students", exact: true }).click();
  await expect(page.getByRole("link", { name: /Hana/ })).toBeVisible();
  /** What of the readings is on the device, as text. */
  const kept = () =>
    page.evaluate(
      () =>
        new Promise<string>((resolve) => {
          const opening = indexedDB.open("mirrup-device");
          opening.onsuccess = () => {
            const all = opening.result.transaction("readings").objectStore("readings").getAll();
            all.onsuccess = () => {
              opening.result.close();
              resolve(JSON.stringify(all.result));
            };
          };
        }),
    );
  await expect.poll(kept).toContain("Hana");
  await page.route("**/api/**", (route) => route.abort());
  await page.reload();
  await expect(page.getByRole("link", { name: /Hana/ })).toBeVisible();
  await page.unroute("**/api/**");
  await page.getByRole("link", { name: "Studio", exact: true }).click();
  await page.getByRole("button", { name: "Sign out", exact: true }).click();
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  expect(await kept()).toBe("[]");
  await page.route("**/api/**", (route) => route.abort());
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("heading", { name: "The students could not be read" })).toBeVisible({
    timeout: 20_000,
  });
  await expect(page.getByText("Hana")).toBeHidden();
  // Pages that ask who is here do not ask again and again while nobody answers.
  await page.goto(`${mirrup.root}/today`);
  await expect(page.getByRole("heading", { name: "Today could not be read" })).toBeVisible();
});

test("an owner makes another studio, calls it otherwise and deletes it, and nothing of the first goes", async ({
  page,
}) => {
  await signIn(page, "owner");
  await page.getByRole("link", { name: "Studio", exact: true }).click();
  await page.getByLabel("Your name").fill("Orla W.");
  await page.getByRole("button", { name: "Save" }).last().click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.getByRole("button", { name: "Make another studio" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: "Make the studio" }).click();
  await expect(dialog.getByText(/not allowed to be empty/)).toBeVisible();
  await dialog.getByLabel("Name of the studio").fill("Second Hall");
  await dialog.getByRole("button", { name: "Make the studio" }).click();
  await expect(page.getByRole("heading", { name: "Second Hall" })).toBeVisible();
  await page.getByRole("link", { name: "Studio", exact: true }).click();
  await page.getByLabel("Name", { exact: true }).fill("The Second Hall");
  await page.getByRole("button", { name: "Save" }).first().click();
  await expect(page.getByRole("heading", { level: 1, name: "The Second Hall" })).toBeVisible();
  await expect(page.getByText("Orla W. changed of the studio: name")).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Leave The Second Hall" }).click();
  await dialog.getByRole("button", { name: "Leave the studio" }).click();
  await expect(dialog.getByRole("alert")).toContainText("owner");
  await dialog.getByRole("button", { name: "Stay" }).click();
  await page.getByRole("button", { name: "Delete The Second Hall" }).click();
  const erase = dialog.getByRole("button", { name: "Delete everything" });
  await dialog.getByLabel(/The name of the studio/).fill("Second Hall");
  await expect(erase).toBeDisabled();
  await dialog.getByLabel(/The name of the studio/).fill("The Second Hall");
  await erase.click();
  await expect(page.getByText("Quillhaven Rope Hall")).toBeVisible();
  await page.getByRole("link", { name: "Students", exact: true }).click();
  await expect(page.getByRole("link", { name: /Ines/ })).toBeVisible();
});
