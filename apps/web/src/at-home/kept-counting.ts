/** The counting under way, kept with each tap: a page that is closed loses none. */
import type { Counting } from "./counted.js";

const KEPT = "mirrup-home-counting";

export function keepCounting(token: string, counting: Counting | null, storage: Storage): void {
  try {
    if (counting === null) storage.removeItem(KEPT);
    else storage.setItem(KEPT, JSON.stringify({ token, counting }));
  } catch {
    // Then it is kept by the open page alone.
  }
}

export function countingKept(token: string, storage: Storage): Counting | null {
  try {
    const kept = JSON.parse(storage.getItem(KEPT) ?? "null") as {
      readonly token: string;
      readonly counting: Counting;
    } | null;
    return kept?.token === token ? kept.counting : null;
  } catch {
    return null;
  }
}
