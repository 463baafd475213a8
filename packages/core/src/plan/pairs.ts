/** Who takes turns with whom at a station: one jumps and the other counts. */
import type { ClassUse } from "./class-option.js";

export interface AtStation {
  readonly id: string;
  readonly use: ClassUse;
}

/**
 * Pairs in order: who can show the skill with who is ready for it, then the rest as they come. An odd
 * one makes the last a three; a single one is alone.
 */
export function pairsOf(here: readonly AtStation[]): readonly (readonly string[])[] {
  const showing = here.filter((one) => one.use === "show");
  const learning = here.filter((one) => one.use === "frontier");
  const paired = showing.slice(0, learning.length).flatMap((one, place) => [one, learning[place] ?? one]);
  const rest = here.filter((one) => !paired.includes(one));
  const order = [...paired, ...rest].map((one) => one.id);
  const pairs: string[][] = [];
  for (let place = 0; place < order.length; place += 2) pairs.push(order.slice(place, place + 2));
  const last = pairs.at(-1);
  if (last?.length === 1 && pairs.length > 1) {
    pairs.pop();
    pairs.at(-1)?.push(...last);
  }
  return pairs;
}
