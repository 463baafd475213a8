/** The counting under way, kept with each tap: a page that is closed loses none. */
import { parseDrill } from "@mirrup/core";
import { readRun } from "../app/floor-run.js";
import { hasCounted, isOfAnother } from "../app/left-run.js";
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

/** What an older version of the page kept may be of a drill that this one cannot read: then it is nothing. */
function read(value: Counting | null): Counting | null {
  const drill = value === null ? null : parseDrill(value.drill);
  if (value === null || drill === null) return null;
  return { ...value, drill, kept: value.kept && readRun(value.kept) };
}

/** What was being counted when the page was closed, and whether it is of another day: then it is not gone on with. */
export function countingKept(
  token: string,
  storage: Storage,
  now: number,
): { readonly counting: Counting; readonly isOld: boolean } | null {
  try {
    const counting = read(JSON.parse(storage.getItem(keyOf(token)) ?? "null") as Counting | null);
    if (counting === null) return null;
    const { kept } = counting;
    const isOld = kept !== null && isOfAnother(kept, now);
    // A clock that ran on without anybody says nothing of how long it was held.
    return isOld && !hasCounted(kept) ? null : { counting, isOld };
  } catch {
    return null;
  }
}
