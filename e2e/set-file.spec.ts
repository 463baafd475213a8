import spreadsheets from "exceljs";
import { expect, expectAccessible, test } from "./fixtures.js";

const HEADINGS = ["Jumper", "Trick", "Side", "Date", "Reps", "Misses", "Streak"];

test("a log from elsewhere is mapped, looked at, stored once, and taken back as a whole", async ({
  page,
  mirrup,
}) => {
  await page.goto(`${mirrup.root}/students/import`);
  await page.getByRole("link", { name: "Sets that were counted elsewhere" }).click();
  await expect(page.getByRole("heading", { name: "Sets from a file" })).toBeVisible();
  const book = new spreadsheets.Workbook();
  const sheet = book.addWorksheet("Log");
  sheet.addRow(HEADINGS);
  for (let day = 1; day <= 6; day += 1)
    sheet.addRow(["Temi Adewood", "basic bounce", "", new Date(Date.UTC(2026, 5, day)), 30, 2, 21]);
  sheet.addRow(["Nobody Here", "basic bounce", "", new Date(Date.UTC(2026, 5, 7)), 30, 2, 21]);
  const name = "log.xlsx";
  const buffer = Buffer.from(await book.xlsx.writeBuffer());
  await page.locator('input[type="file"]').setInputFiles({
    ...{ name, buffer, mimeType: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet" },
  });
  await expect(page.getByText("6 sets of 1 student; 1 line is left out.")).toBeVisible();
  await expect(page.getByText("Line 8, student: Nobody here is called “Nobody Here”.")).toBeVisible();
  await expectAccessible(page);

  await page.getByRole("button", { name: "Store 6 sets" }).click();
  await expect(page.getByText("6 sets stored")).toBeVisible();
  await page.getByRole("button", { name: "Take all of it back" }).click();
  await expect(page.getByText("All of it is taken back.")).toBeVisible();
  await page.goto(`${await mirrup.studentPath("Temi Adewood")}/log`);
  await expect(page.getByText("(taken back)")).toHaveCount(6);
});
