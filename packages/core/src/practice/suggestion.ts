/**
 * After a set: one suggestion, with its reason (teaching.md, Stuck and Faults; safety.md, fatigue).
 * The rules stand in the order in which they are tried, and the first that fits is what is said.
 */
import type { Side } from "../sides.js";
import type { FaultCode } from "./fault.js";
import { missCount, type Miss } from "./set.js";

/** What of a set says why it went as it did. */
export interface JudgedSet {
  readonly clean: number;
  readonly misses: readonly Miss[];
}

export type Suggestion =
  /** Misses climbed through the set: form goes before strength does. */
  | { readonly code: "rest"; readonly early: number; readonly late: number }
  /** One fault keeps coming. */
  | { readonly code: "fix"; readonly fault: FaultCode; readonly times: number }
  /** Many trips that nobody could name. */
  | { readonly code: "rope-length"; readonly misses: number }
  /** Not moving for three lessons, and there is another variant of it. */
  | { readonly code: "sibling"; readonly subject: string }
  /** More misses than clean: a step back on the ladder. */
  | { readonly code: "gentler"; readonly clean: number; readonly tries: number }
  /** The gate is met here; the other side is behind. */
  | { readonly code: "other-side"; readonly side: Side };

export interface SuggestionContext {
  /** The last sets of this skill and side, newest first, the one just made among them. */
  readonly sets: readonly JudgedSet[];
  readonly isCleared: boolean;
  readonly isStuck: boolean;
  /** The other side where it is not cleared yet; null where there is none, or it is. */
  readonly sideBehind: Side | null;
  /** A variant that would do as well, open for this student. */
  readonly sibling: string | null;
}

const FEWEST_TRIES = 10;
/** How much the share of misses grows from the first half of a set to the second. */
const TIRING = 0.25;
const FEWEST_OF_A_FAULT = 3;
const FEWEST_UNNAMED = 6;

function triesOf({ clean, misses }: JudgedSet): number {
  return clean + missCount(misses);
}

/** Misses in the first and the second half of a set; null where their places are not known, or few tries were made. */
function halves(
  set: JudgedSet,
): { readonly early: number; readonly late: number; readonly half: number } | null {
  const tries = triesOf(set);
  if (tries < FEWEST_TRIES || set.misses.some((miss) => miss.position === undefined)) return null;
  const half = Math.floor(tries / 2);
  const late = set.misses.filter((miss) => (miss.position ?? 0) > tries - half).length;
  const early = set.misses.filter((miss) => (miss.position ?? 0) <= half).length;
  return { early, late, half };
}

/** The fault that was noted most in these sets, and how often; the first to be noted among equals. */
export function commonestFault(
  sets: readonly JudgedSet[],
): { readonly fault: FaultCode; readonly times: number } | null {
  const counts = new Map<FaultCode, number>();
  for (const { fault, count = 1 } of sets.flatMap((set) => set.misses)) {
    if (fault !== undefined) counts.set(fault, (counts.get(fault) ?? 0) + count);
  }
  const [first] = [...counts].sort(([, one], [, other]) => other - one);
  return first === undefined ? null : { fault: first[0], times: first[1] };
}

export function suggestionOf(context: SuggestionContext): Suggestion | null {
  const { sets, isCleared, isStuck, sideBehind, sibling } = context;
  const [last] = sets;
  if (last === undefined) return null;
  const parts = halves(last);
  if (parts !== null && (parts.late - parts.early) / parts.half >= TIRING) {
    return { code: "rest", early: parts.early, late: parts.late };
  }
  const common = commonestFault(sets);
  if (!isCleared && common !== null && common.times >= FEWEST_OF_A_FAULT) return { code: "fix", ...common };
  const unnamed = missCount(sets.flatMap((set) => set.misses).filter((miss) => miss.fault === undefined));
  const tries = sets.reduce((sum, set) => sum + triesOf(set), 0);
  if (!isCleared && common === null && unnamed >= FEWEST_UNNAMED && unnamed * 2 > tries) {
    return { code: "rope-length", misses: unnamed };
  }
  if (isStuck && sibling !== null) return { code: "sibling", subject: sibling };
  if (!isCleared && triesOf(last) >= FEWEST_TRIES && last.clean * 3 < triesOf(last)) {
    return { code: "gentler", clean: last.clean, tries: triesOf(last) };
  }
  if (isCleared && sideBehind !== null) return { code: "other-side", side: sideBehind };
  return null;
}
