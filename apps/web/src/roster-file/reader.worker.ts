/** Reads roster files off the main thread, so that a long one does not freeze the page. */
import { expose } from "comlink";
import { rowsOfFile } from "../app/file-rows.js";
import { readRoster, type ReadRoster } from "./roster-file.js";

export interface ReaderWorker {
  read: (
    bytes: ArrayBuffer,
    known: readonly string[],
    onProgress: (read: number, all: number) => void,
  ) => Promise<ReadRoster & { readonly encoding: string }>;
}

const worker: ReaderWorker = {
  read: async (bytes, known, onProgress) => {
    const { rows, encoding } = await rowsOfFile(new Uint8Array(bytes));
    return { ...readRoster(rows, known, onProgress), encoding };
  },
};

expose(worker);
