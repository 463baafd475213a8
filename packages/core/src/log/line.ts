/**
 * The lines of a student's log as the core reads them: sets and decisions, each about a subject and a
 * side. Their order is the time at which a thing happened, then the id.
 */
import type { Instant, LocalDate } from "../instant.js";
import type { SideName } from "../sides.js";
import type { Decision } from "./decision.js";
import type { PracticeSet } from "./set.js";

interface Placed {
  readonly subject: string;
  readonly side: SideName;
}

export interface LoggedSet extends PracticeSet, Placed {}

export interface LoggedDecision extends Placed {
  readonly id: string;
  readonly decision: Decision;
  readonly at: Instant;
  /** The studio's calendar day of `at`. */
  readonly lesson: LocalDate;
}

/** One student's lines, whatever they are about, in any order. */
export interface Lines {
  readonly sets: readonly LoggedSet[];
  readonly decisions: readonly LoggedDecision[];
}

/** The log's order. */
export function compareLines(
  one: { readonly at: Instant; readonly id: string },
  other: { readonly at: Instant; readonly id: string },
): number {
  return one.at - other.at || (one.id < other.id ? -1 : one.id > other.id ? 1 : 0);
}
