/** How much there may be in one request, counted before anything looks at each of its values. */

/** More than the largest file that is taken in, with every field of every student. */
const MOST_VALUES = 120_000;
const MOST_DEPTH = 40;

/** Whether a body holds more than any request needs, or nests deeper. O(values), and no more than the most. */
export function isBeyondBounds(body: unknown): boolean {
  let level: readonly unknown[] = [body];
  let values = 0;
  for (let depth = 0; level.length > 0; depth += 1) {
    if (depth > MOST_DEPTH) return true;
    const next: unknown[] = [];
    for (const value of level) {
      if (typeof value !== "object" || value === null) continue;
      for (const own of Object.values(value)) next.push(own);
      if (values + next.length > MOST_VALUES) return true;
    }
    values += next.length;
    level = next;
  }
  return false;
}
