import type { ClassAsked, ClassBefore, ClassPlan, ClassStudent } from "@mirrup/core/planning";
import { proxy, wrap } from "comlink";
import type { ClassPlanner } from "./class-planner.worker.js";

export interface ClassQuestion {
  readonly asked: ClassAsked;
  readonly students: readonly ClassStudent[];
  readonly before: ClassBefore | null;
}

/** A plan being made: how far it is, and the way to take the best so far. */
export interface Planning {
  readonly share: number;
  /** Ends the search with the best plan so far. */
  readonly take: () => void;
}

/**
 * Plans a class in a worker of its own. `onProgress` hears how far it is; the signal ends the worker
 * and rejects. A search that is ended early answers the best plan that it had.
 */
export async function planInWorker(
  { asked, students, before }: ClassQuestion,
  onProgress: (planning: Planning | null) => void,
  signal: AbortSignal,
): Promise<ClassPlan> {
  const worker = new Worker(new URL("./class-planner.worker.ts", import.meta.url), { type: "module" });
  let isOver = false;
  const planned = new Promise<ClassPlan>((resolve, reject) => {
    signal.addEventListener("abort", () => reject(new DOMException("Planned anew.", "AbortError")));
    worker.addEventListener("error", () => reject(new Error("The plan could not be made. Try again.")));
    const hear = proxy((share: number, best: ClassPlan) => {
      // A report may still be on its way when the plan is there.
      if (!isOver) onProgress({ share, take: () => resolve(best) });
    });
    wrap<ClassPlanner>(worker).plan(asked, students, before, hear).then(resolve, reject);
  });
  try {
    return await planned;
  } finally {
    isOver = true;
    worker.terminate();
    onProgress(null);
  }
}
