import { wrap, type Remote } from "comlink";

/** Any file that somebody means to read is read in far less; what takes longer would never end. */
const LONGEST_MS = 8000;

/**
 * Reads a file in a worker of its own, which ends with it. Throws where reading it does not end: whatever is in a
 * file, the page goes on.
 */
export async function inWorker<W, T>(worker: Worker, read: (worker: Remote<W>) => Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  try {
    return await new Promise<T>((resolve, reject) => {
      const fail = (sentence: string) => reject(new Error(sentence));
      timer = setTimeout(
        () =>
          fail("Reading this file does not come to an end. It is damaged, or far too large; choose another."),
        LONGEST_MS,
      );
      worker.addEventListener("error", () => fail("The file could not be read. Try again."));
      read(wrap<W>(worker)).then(resolve, reject);
    });
  } finally {
    clearTimeout(timer);
    worker.terminate();
  }
}
