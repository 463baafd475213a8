/** Reads combos' files off the main thread: a damaged one may take without end. */
import { expose } from "comlink";
import { readComboFile } from "./combo-file.js";

const worker = { read: readComboFile };
export type ComboFileWorker = typeof worker;

expose(worker);
