/** A table on its way out to other programs. */
import Papa from "papaparse";

export interface Sheet {
  readonly fields: readonly string[];
  readonly rows: readonly (readonly (string | number | null)[])[];
}

/** As text; a cell that a spreadsheet would run as a formula is written so that it stays text. */
export function csvOf({ fields, rows }: Sheet): string {
  return Papa.unparse({ fields: [...fields], data: rows.map((row) => [...row]) }, CSV);
}

const CSV = { escapeFormulae: true, newline: "\r\n" } as const;

/** Columns are as wide as what stands in them, in letters, within these. */
const WIDTHS = { least: 8, most: 60 } as const;
/** Rows that are looked at for it. */
const LOOKED_AT = 200;

/** As a spreadsheet's own file, whose heading stays in sight. Text is text in it, whatever it begins with. */
export async function xlsxOf({ fields, rows }: Sheet): Promise<Uint8Array<ArrayBuffer>> {
  const { default: spreadsheets } = await import("exceljs");
  const book = new spreadsheets.Workbook();
  const page = book.addWorksheet("Mirrup", { views: [{ state: "frozen", ySplit: 1 }] });
  page.columns = fields.map((header, place) => {
    const lengths = rows.slice(0, LOOKED_AT).map((row) => String(row[place] ?? "").length);
    return { header, width: Math.min(WIDTHS.most, Math.max(WIDTHS.least, header.length, ...lengths) + 2) };
  });
  page.getRow(1).font = { bold: true };
  page.addRows(rows.map((row) => [...row]));
  // A buffer of another make in a browser, and one out of a pool elsewhere.
  return new Uint8Array(await book.xlsx.writeBuffer());
}
