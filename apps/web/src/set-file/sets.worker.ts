/** Reads a file's table off the main thread, so that a long one does not freeze the page. */
import { expose } from "comlink";
import { rowsOfFile, type FileRows } from "../app/file-rows.js";

export interface SetsWorker {
  readonly read: (bytes: ArrayBuffer) => Promise<FileRows>;
}

const worker: SetsWorker = { read: (bytes) => rowsOfFile(new Uint8Array(bytes)) };

expose(worker);
