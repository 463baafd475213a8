import type { FileRows } from "../app/file-rows.js";
import { inWorker } from "../app/in-worker.js";
import type { SetsWorker } from "./sets.worker.js";

/** A file's table, read in a worker. Throws, with what to do, where it cannot be. */
export async function readRows(file: File): Promise<FileRows> {
  const bytes = await file.arrayBuffer();
  const worker = new Worker(new URL("./sets.worker.ts", import.meta.url), { type: "module" });
  return inWorker<SetsWorker, FileRows>(worker, async (remote) => {
    try {
      return await remote.read(bytes);
    } catch {
      throw new Error(
        "The file could not be read. Save it as CSV, or as a spreadsheet (.xlsx), and choose it again.",
      );
    }
  });
}
