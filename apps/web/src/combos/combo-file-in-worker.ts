import { ownCatalogue } from "../app/catalogue.js";
import { inWorker } from "../app/in-worker.js";
import type { ComboRead } from "./combo-file.js";
import type { ComboFileWorker } from "./combo-file.worker.js";

/** Reads a combo from its file, beside the page. */
export async function readComboFromFile(file: File): Promise<ComboRead> {
  const worker = new Worker(new URL("./combo-file.worker.ts", import.meta.url), { type: "module" });
  const bytes = new Uint8Array(await file.arrayBuffer());
  return inWorker<ComboFileWorker, ComboRead>(worker, (reader) =>
    reader.read(file.name, bytes, ownCatalogue()),
  );
}
