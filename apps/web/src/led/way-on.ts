/** The way on within a session that is led, after a set. */
import type { Drill, SideName } from "@mirrup/core";
import { goesUp } from "@mirrup/core/planning";
import { blockNow, isDue, type Led, type LedBlock } from "./led.js";

export type WayOn =
  /** Another set of the block under way. */
  | { readonly code: "set"; readonly block: LedBlock; readonly number: number }
  /** The block under way is another one than what was just done. */
  | { readonly code: "back"; readonly block: LedBlock }
  /** The block under way is done; the next one, or null after the last. */
  | { readonly code: "block"; readonly block: LedBlock; readonly next: LedBlock | null };

interface Here {
  readonly subject: string;
  readonly side: SideName;
}

/** Null once the session is over. */
export function wayOn(led: Led, { subject, side }: Here, now: number): WayOn | null {
  const block = blockNow(led);
  if (block === null) return null;
  if (isDue(led, now)) return { code: "block", block, next: led.ahead[1] ?? null };
  return block.subject === subject && block.side === side
    ? { code: "set", block, number: led.now.sets.length + 1 }
    : { code: "back", block };
}

/** What the next set of a block is: the rung that its ladder has come to, else the planned drill. */
export function drillOfSet(block: LedBlock, proposed: Drill | undefined): Drill {
  return goesUp(block.phase) ? (proposed ?? block.drill) : block.drill;
}
