import { wrap } from "comlink";
import type { FrontierLayouter } from "./frontier-layout.worker.js";
import type { FrontierAsked, FrontierLayout } from "./layout.js";

/** Lays a frontier out in a worker of its own; the signal ends it. */
export async function layoutInWorker(asked: FrontierAsked, signal: AbortSignal): Promise<FrontierLayout> {
  const worker = new Worker(new URL("./frontier-layout.worker.ts", import.meta.url), { type: "module" });
  try {
    return await new Promise<FrontierLayout>((resolve, reject) => {
      signal.addEventListener("abort", () => reject(new DOMException("Asked anew.", "AbortError")));
      worker.addEventListener("error", () =>
        reject(new Error("The frontier could not be drawn. Try again.")),
      );
      wrap<FrontierLayouter>(worker).layoutOf(asked).then(resolve, reject);
    });
  } finally {
    worker.terminate();
  }
}
