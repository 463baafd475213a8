import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import spreadsheets from "exceljs";
import { rowsOfFile, rowsOfText } from "./file-rows.js";
import { csvOf, xlsxOf, type Sheet } from "./sheet.js";

const CHARACTERS = ["a", "ß", "€", "😀", '"', "'", ",", ";", "=", "+", "-", "@", " ", "\n", "1"];
const cell = fc.oneof(
  fc.string({ unit: fc.constantFrom(...CHARACTERS) }).filter((text) => text.trim() === text),
  fc.integer({ min: -1e6, max: 1e6 }),
  fc.constant(null),
);
const anySheet = fc.integer({ min: 1, max: 5 }).chain((columns): fc.Arbitrary<Sheet> => {
  const row = fc.array(cell, { minLength: columns, maxLength: columns });
  return fc.record({
    fields: fc.constant(Array.from({ length: columns }, (_, place) => `Column ${String(place)}`)),
    // Of a row that is empty all through nothing is left in a file.
    rows: fc.array(
      row.filter(([first]) => first !== null && first !== ""),
      { minLength: 1, maxLength: 6 },
    ),
  });
});

/** The cells as text, without the mark that keeps one from being run, and what is empty at the end of a row. */
const plain = (rows: readonly (readonly (string | number | null)[])[]) =>
  rows.map((row) => {
    const cells = row.map((one) => String(one ?? "").replace(/^'(?=[=+\-@])/, ""));
    return cells.slice(0, cells.findLastIndex((text) => text !== "") + 1);
  });

describe("a sheet", () => {
  it("reads back as it was, from text and from a spreadsheet's own file", async () => {
    await fc.assert(
      fc.asyncProperty(anySheet, async (sheet) => {
        const whole = plain([sheet.fields, ...sheet.rows]);
        expect(plain(rowsOfText(csvOf(sheet)))).toEqual(whole);
        const { rows, encoding } = await rowsOfFile(await xlsxOf(sheet));
        expect(encoding).toBe("spreadsheet");
        expect(plain(rows)).toEqual(whole);
      }),
      { numRuns: 40 },
    );
  });

  it("has numbers as numbers, and runs no formula that somebody wrote as a name", async () => {
    const sheet = { fields: ["Name", "Clean"], rows: [["=SUM(A1)", 12]] };
    expect(csvOf(sheet)).toBe(`Name,Clean\r\n"'=SUM(A1)",12`);
    const book = new spreadsheets.Workbook();
    await book.xlsx.load((await xlsxOf(sheet)).buffer);
    const row = book.worksheets[0]?.getRow(2);
    expect(row?.getCell(1).type).toBe(spreadsheets.ValueType.String);
    expect(row?.getCell(1).value).toBe("=SUM(A1)");
    expect(row?.getCell(2).value).toBe(12);
  });
});
