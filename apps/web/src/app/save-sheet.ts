/** A table saved as a file. */
import { wrap } from "comlink";
import { saveFile } from "./save-file.js";
import { csvOf, type Sheet } from "./sheet.js";
import type { SheetWriter } from "./sheet.worker.js";

const XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

async function saveXlsx(name: string, sheet: Sheet): Promise<void> {
  const worker = new Worker(new URL("./sheet.worker.ts", import.meta.url), { type: "module" });
  try {
    const bytes = await new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
      worker.addEventListener("error", () => reject(new Error("The spreadsheet could not be written.")));
      wrap<SheetWriter>(worker).write(sheet).then(resolve, reject);
    });
    saveFile(`${name}.xlsx`, bytes, XLSX);
  } finally {
    worker.terminate();
  }
}

export const SHEET_KINDS = [
  ["csv", "as CSV"],
  ["xlsx", "as a spreadsheet (.xlsx)"],
] as const;
export type SheetKind = (typeof SHEET_KINDS)[number][0];

/** Saves it under its name: as CSV with the mark by which a spreadsheet knows the encoding, or as a spreadsheet's own file. */
export async function saveSheet(name: string, kind: SheetKind, sheet: Sheet): Promise<void> {
  if (kind === "xlsx") await saveXlsx(name, sheet);
  else saveFile(`${name}.csv`, `\uFEFF${csvOf(sheet)}`, "text/csv;charset=utf-8");
}
