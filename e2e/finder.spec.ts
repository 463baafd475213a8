import { expect, expectAccessible, floorIsOpen, press, test } from "./fixtures.js";

test("anything is found from any page by a few letters, with keys alone", async ({ page, mirrup }) => {
  await page.goto(`${mirrup.root}/studio`);
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
  await page.keyboard.press("/");
  const words = page.getByRole("combobox", { name: "Find a student, a skill, a combo or a page" });
  await expect(words).toBeFocused();
  await expectAccessible(page);
  await page.keyboard.type("hana rec");
  const found = page.getByRole("listbox", { name: "What was found" });
  await expect(found.getByRole("option").first()).toHaveText("Hana PetrivaleRecord");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/record$/);
  await expect(page.getByRole("heading", { name: "Hana Petrivale" })).toBeVisible();

  // On a student's page a skill is found on their strands too.
  await page.keyboard.press("Control+k");
  await expect(words).toBeFocused();
  await page.keyboard.type("criss cross");
  await expect(found.getByRole("option", { name: /Hana Petrivale’s strands/ }).first()).toBeVisible();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/skill=cross$/);
  await expect(page.getByRole("complementary", { name: "The bead in hand" })).toBeVisible();

  // Nothing of that name, and away again.
  await page.keyboard.press("Control+k");
  await expect(words).toBeFocused();
  await page.keyboard.type("qqqq");
  await expect(page.getByText(/Nothing is called “qqqq”/)).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(words).toBeHidden();
  await expect(page).toHaveURL(/skill=cross$/);

  // A page with a search of its own keeps the key for it.
  await page.goto(`${mirrup.root}/students`);
  await expect(page.getByRole("link", { name: /Hana/ })).toBeVisible();
  await page.keyboard.press("/");
  await expect(page.getByRole("textbox", { name: "Find a student" })).toBeFocused();
});

test("the keys of a page stand first, and what is pressed in a window counts nothing", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${await mirrup.studentPath("Suki Marchbank")}/floor/cross/left?kind=streak&aim=40`);
  await floorIsOpen(page);
  const counted = page.getByRole("status").filter({ hasText: "in a row" });
  await press(page, "Space", 3);
  await expect(counted).toHaveText("3 of 40 in a row");
  await page.keyboard.press("?");
  const keys = page.getByRole("dialog", { name: "Keys" });
  await expect(keys.getByRole("heading", { level: 3 }).first()).toHaveText("On the floor");
  await press(page, "m", 2);
  await page.keyboard.press("z");
  await page.keyboard.press("Escape");
  await expect(keys).toBeHidden();
  // Whether or not the window is there already: what is typed now is meant for it.
  await page.keyboard.press("Control+k");
  await page.keyboard.type("mz ");
  await expect(page.getByRole("dialog")).toBeVisible();
  await page.keyboard.type("m ");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toBeHidden();
  await press(page, "Space", 1);
  await expect(counted).toHaveText("4 of 40 in a row");
});
