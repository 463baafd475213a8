/** A combo as somebody stands with it: its sides, and where the record is on each. */
import { mirrorScore } from "../rope/mirror.js";
import { printScore } from "../rope/print.js";
import type { SideName } from "../sides.js";
import { NO_FACTS, plainChance, type SideFacts } from "../record/facts.js";
import type { Status } from "../record/standing.js";
import type { LocalDate } from "../instant.js";
import { comboScore, type ComboPart } from "./part.js";

/** The right side is the combo as written, the left its mirror; one that is its own mirror has no sides. */
export function sidesOfScore(parts: readonly ComboPart[]): readonly SideName[] {
  const score = comboScore(parts);
  if (score === null) return [];
  return printScore(mirrorScore(score)) === printScore(score) ? ["whole"] : ["left", "right"];
}

export interface ComboStanding {
  readonly status: Status;
  readonly cleanChance: number;
  /** The most clean ones of five so far. */
  readonly gateBest: number;
  readonly bestStreak: number;
  readonly reviewDue: LocalDate | null;
}

function statusOf({ cleared, review, sets }: SideFacts, canBegin: boolean, today: LocalDate): Status {
  if (cleared !== null) return review !== null && review.due < today ? "rusty" : "cleared";
  if (!canBegin) return "locked";
  return sets > 0 ? "working" : "ready";
}

/** Where somebody stands with a combo: like a skill, its parts being what it needs. */
export function comboStanding(
  facts: SideFacts | undefined,
  canBegin: boolean,
  today: LocalDate,
): ComboStanding {
  const own = facts ?? NO_FACTS;
  return {
    status: statusOf(own, canBegin, today),
    cleanChance: plainChance(own),
    gateBest: own.gateBest,
    bestStreak: own.bestStreak,
    reviewDue: own.review?.due ?? null,
  };
}
