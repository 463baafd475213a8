/** A table out of a file, whatever wrote it: CSV in any of its encodings, or a spreadsheet's own file. */
import type { CellValue } from "exceljs";
import Papa from "papaparse";

export interface FileRows {
  /** The cells as text, the heading's row first. */
  readonly rows: readonly (readonly string[])[];
  /** How it was written. */
  readonly encoding: string;
}

/** Text from a file's bytes: UTF-8 or UTF-16 with their marks, else UTF-8, else the old Western encoding. */
export function decodeText(bytes: Uint8Array): { readonly text: string; readonly encoding: string } {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe)
    return { text: new TextDecoder("utf-16le").decode(bytes), encoding: "UTF-16" };
  if (first === 0xfe && second === 0xff)
    return { text: new TextDecoder("utf-16be").decode(bytes), encoding: "UTF-16" };
  try {
    return { text: new TextDecoder("utf-8", { fatal: true }).decode(bytes), encoding: "UTF-8" };
  } catch {
    return { text: new TextDecoder("windows-1252").decode(bytes), encoding: "Windows-1252" };
  }
}

export function rowsOfText(text: string): readonly (readonly string[])[] {
  return Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: false }).data;
}

/** A spreadsheet is a zip file, which begins so. */
const isZip = ([first, second]: Uint8Array) => first === 0x50 && second === 0x4b;

function textOf(value: CellValue): string {
  if (value === null || value === undefined) return "";
  // A day has no hour in a spreadsheet, and is midnight in UTC here.
  if (value instanceof Date)
    return value
      .toISOString()
      .replace(/T00:00:00\.000Z$/, "")
      .replace(/:\d\d\.\d{3}Z$/, "")
      .replace("T", " ");
  if (typeof value !== "object") return String(value);
  if ("result" in value) return textOf(value.result ?? null);
  if ("richText" in value) return value.richText.map(({ text }) => text).join("");
  return "text" in value ? textOf(value.text) : "";
}

/** The first sheet of a spreadsheet. */
async function rowsOfSheet(bytes: Uint8Array): Promise<FileRows> {
  const { default: spreadsheets } = await import("exceljs");
  const book = new spreadsheets.Workbook();
  await book.xlsx.load(bytes.slice().buffer);
  const rows: string[][] = [];
  book.worksheets[0]?.eachRow({ includeEmpty: true }, (row) => {
    const cells: string[] = [];
    row.eachCell({ includeEmpty: true }, ({ value }) => cells.push(textOf(value)));
    rows.push(cells);
  });
  return { rows, encoding: "spreadsheet" };
}

/** Throws where a spreadsheet is damaged; text is always read as some table. */
export async function rowsOfFile(bytes: Uint8Array): Promise<FileRows> {
  if (isZip(bytes)) return rowsOfSheet(bytes);
  const { text, encoding } = decodeText(bytes);
  return { rows: rowsOfText(text), encoding };
}
