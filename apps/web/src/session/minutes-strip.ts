/** A plan as a strip of minutes: what is where, how long, how much of it is rest, and of what kind. Pure. */
import type { Family } from "@mirrup/core";
import { isEasyPhase, type PlanBlock } from "@mirrup/core/planning";
import { familyOf } from "../app/family.js";
import { blockKey, startsOf } from "./plan-asked.js";

/** Told by shape before colour: easy jumping is low, a review is an outline, what is new has a marked edge. */
export type PieceKind = "easy" | "review" | "new" | "work";

export interface StripPiece {
  readonly key: string;
  readonly block: PlanBlock;
  readonly kind: PieceKind;
  /** Null for what is of no trick. */
  readonly family: Family | null;
  /** Of the whole strip's length, from 0 to 1. */
  readonly from: number;
  readonly share: number;
  /** Of the piece's own length: the rest at its end. */
  readonly rest: number;
}

export interface MinutesStrip {
  readonly pieces: readonly StripPiece[];
  /** Minutes that are written below it. */
  readonly marks: readonly { readonly minute: number; readonly at: number }[];
}

const EVERY_MINUTES = 5;
/** As many words stand below a strip. */
const MOST_MARKS = 8;

function kindOf({ phase, reason }: PlanBlock): PieceKind {
  if (isEasyPhase(phase) || phase === "no-landing") return "easy";
  if (phase === "review") return "review";
  return reason.code === "new" ? "new" : "work";
}

/** The strip of a plan of so many minutes; what the plan leaves free is empty at its end. */
export function minutesStrip(blocks: readonly PlanBlock[], minutes: number): MinutesStrip {
  const starts = startsOf(blocks);
  const planned = blocks.reduce((sum, block) => sum + block.minutes, 0);
  const length = Math.max(minutes, planned, 1);
  const every = EVERY_MINUTES * Math.max(1, Math.ceil(length / EVERY_MINUTES / MOST_MARKS));
  return {
    pieces: blocks.map((block, place) => ({
      key: blockKey(block),
      block,
      kind: kindOf(block),
      family: isEasyPhase(block.phase) ? null : familyOf(block.subject),
      from: (starts[place] ?? 0) / length,
      share: block.minutes / length,
      rest: block.minutes === 0 ? 0 : block.rest / block.minutes,
    })),
    marks: Array.from({ length: Math.floor(length / every) + 1 }, (_, place) => ({
      minute: place * every,
      at: (place * every) / length,
    })),
  };
}
