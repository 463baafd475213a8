/**
 * How different two combos are: the share of counts at which one has to be changed to become the
 * other (an edit distance over counts), from 0 for the same to 1 for nothing in common.
 */
import { cellOf } from "../grid.js";
import { countsOf, partKey, type ComboPart } from "./part.js";

/** What is done at each count, as texts that are equal where the same is done. */
export type CountLabels = readonly string[];

export function countLabels(parts: readonly ComboPart[]): CountLabels {
  return parts.flatMap((part) => {
    const key = partKey(part);
    const counts = countsOf(part);
    const once = counts / part.times;
    return Array.from({ length: counts }, (_, count) => `${key} ${count % once}`);
  });
}

/** Levenshtein's distance over counts, by the longer of the two; O(counts²). */
export function labelDifference(one: CountLabels, other: CountLabels): number {
  const longest = Math.max(one.length, other.length);
  if (longest === 0) return 0;
  let row = new Uint16Array(other.length + 1).map((_, place) => place);
  for (let place = 0; place < one.length; place += 1) {
    const next = new Uint16Array(other.length + 1);
    next[0] = place + 1;
    for (let at = 0; at < other.length; at += 1) {
      const exchanged = cellOf(row, at) + (one[place] === other[at] ? 0 : 1);
      next[at + 1] = Math.min(exchanged, cellOf(row, at + 1) + 1, cellOf(next, at) + 1);
    }
    row = next;
  }
  return cellOf(row, other.length) / longest;
}

export function differenceOf(one: readonly ComboPart[], other: readonly ComboPart[]): number {
  return labelDifference(countLabels(one), countLabels(other));
}
