/** The counting under way, kept with each tap: a page that is closed loses none. */
import type { Counting } from "./counted.js";

const keyOf = (token: string) => `mirrup-home-counting ${token}`;

export function keepCounting(token: string, counting: Counting | null, storage: Storage): void {
  try {
    if (counting === null) storage.removeItem(keyOf(token));
    else storage.setItem(keyOf(token), JSON.stringify(counting));
  } catch {
    // Then it is kept by the open page alone.
  }
}

export function countingKept(token: string, storage: Storage): Counting | null {
  try {
    return JSON.parse(storage.getItem(keyOf(token)) ?? "null") as Counting | null;
  } catch {
    return null;
  }
}
