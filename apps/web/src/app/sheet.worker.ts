/** Writes spreadsheets off the main thread: a long one takes seconds. */
import { expose, transfer } from "comlink";
import { xlsxOf, type Sheet } from "./sheet.js";

export interface SheetWriter {
  write: (sheet: Sheet) => Promise<Uint8Array<ArrayBuffer>>;
}

const writer: SheetWriter = {
  write: async (sheet) => {
    const bytes = await xlsxOf(sheet);
    return transfer(bytes, [bytes.buffer]);
  },
};

expose(writer);
