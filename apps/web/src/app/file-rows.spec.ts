import { describe, expect, it } from "@jest/globals";
import spreadsheets from "exceljs";
import { rowsOfFile } from "./file-rows.js";

async function sheetOf(rows: readonly (readonly unknown[])[]): Promise<Uint8Array> {
  const book = new spreadsheets.Workbook();
  const sheet = book.addWorksheet("Log");
  rows.forEach((row) => sheet.addRow([...row]));
  return new Uint8Array(await book.xlsx.writeBuffer());
}

describe("a table out of a file", () => {
  it("is read from text in its own encoding", async () => {
    const { rows, encoding } = await rowsOfFile(new TextEncoder().encode("\uFEFFName,Zoë\nA,1\n"));
    expect(encoding).toBe("UTF-8");
    expect(rows.slice(0, 2)).toEqual([
      ["Name", "Zoë"],
      ["A", "1"],
    ]);
  });

  it("is read from a spreadsheet's first sheet: days, numbers, formulas and empty rows as they are seen", async () => {
    const bytes = await sheetOf([
      ["Day", "Clean", "Sum", "At"],
      [
        new Date("2026-06-01T00:00:00Z"),
        12,
        { formula: "B2+1", result: 13 },
        new Date("2026-06-01T17:30:00Z"),
      ],
      [],
      ["x", null, { richText: [{ text: "a" }, { text: "b" }] }],
    ]);
    const { rows, encoding } = await rowsOfFile(bytes);
    expect(encoding).toBe("spreadsheet");
    expect(rows).toEqual([
      ["Day", "Clean", "Sum", "At"],
      ["2026-06-01", "12", "13", "2026-06-01 17:30"],
      [],
      ["x", "", "ab"],
    ]);
  });

  it("is refused where the spreadsheet is damaged", async () => {
    await expect(rowsOfFile(new Uint8Array([0x50, 0x4b, 1, 2, 3, 4]))).rejects.toThrow();
  });
});
