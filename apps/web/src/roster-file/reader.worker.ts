/** Reads roster files off the main thread, so that a long one does not freeze the page. */
import { expose } from "comlink";
import { decodeText, readRoster, type ReadRoster } from "./roster-file.js";

export interface ReaderWorker {
  read: (
    bytes: ArrayBuffer,
    known: readonly string[],
    onProgress: (read: number, all: number) => void,
  ) => ReadRoster & { readonly encoding: string };
}

const worker: ReaderWorker = {
  read: (bytes, known, onProgress) => {
    const { text, encoding } = decodeText(new Uint8Array(bytes));
    return { ...readRoster(text, known, onProgress), encoding };
  },
};

expose(worker);
