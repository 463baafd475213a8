/** Reads combos' files off the main thread: a damaged one may take without end. */
import { expose } from "comlink";
import type { Overlay } from "@mirrup/core";
import { teach } from "../app/catalogue.js";
import { readComboFile } from "./combo-file.js";

const worker = {
  read: (name: string, bytes: Uint8Array, own: Overlay | null) => {
    teach(own);
    return readComboFile(name, bytes);
  },
};
export type ComboFileWorker = typeof worker;

expose(worker);
