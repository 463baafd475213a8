import { setImmediate } from "node:timers/promises";

/** What some steps come to; between two of them other requests have their turn. */
export async function inTurns<T>(steps: Generator<undefined, T>): Promise<T> {
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
    await setImmediate();
  }
}
