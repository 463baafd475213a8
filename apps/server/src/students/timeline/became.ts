/** What became of a student's sides by their sets. */
import type { Became } from "@mirrup/contract";
import { grouped } from "@mirrup/core";
import type { KeptFacts } from "../../standings/index.js";

export type BecameBySet = ReadonlyMap<string, readonly Became[]>;

/** What was cleared comes first; the same however the facts are kept. */
function inOrder(one: Became, other: Became): number {
  const cleared = Number(other.kind === "cleared") - Number(one.kind === "cleared");
  return cleared || (`${one.subject} ${one.side}` < `${other.subject} ${other.side}` ? -1 : 1);
}

/** By the set's id. O(sides). */
export function becameBySet(facts: KeptFacts): BecameBySet {
  const all = facts
    .entries()
    .flatMap(([{ subject, side }, { milestones }]) =>
      milestones.map(({ id, kind }) => ({ id, became: { subject, side, kind } })),
    )
    .sort((one, other) => inOrder(one.became, other.became));
  return new Map(
    [...grouped(all, ({ id }) => id)].map(([id, own]) => [id, own.map(({ became }) => became)] as const),
  );
}
