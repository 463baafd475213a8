/**
 * After a set: one suggestion, with its reason (teaching.md, Stuck and Faults; safety.md, fatigue).
 * The rules stand in the order in which they are tried, and the first that fits is what is said.
 */
import { Tally } from "../tally.js";
import type { SideName } from "../sides.js";
import type { SubjectSide } from "../syllabus/roles.js";
import type { DrillKind } from "../syllabus/drill.js";
import type { FaultCode } from "../syllabus/fault.js";
import type { WeekLoad } from "../record/load.js";
import { missCount, type Miss } from "../log/set.js";

/** What of a set says why it went as it did. */
export interface JudgedSet {
  readonly kind: string;
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
  /** Not moving either, and a part of it has not been seen for long. */
  | { readonly code: "rusty-part"; readonly subject: string; readonly side: SideName }
  /** Two reviews running that went badly: whether it is cleared is to be looked at. */
  | { readonly code: "reopen"; readonly reviews: number }
  /** The week's landings have passed their allowance. */
  | { readonly code: "load"; readonly landings: number; readonly allowance: number }
  /** The gate is met here; the other side is behind. */
  | { readonly code: "other-side"; readonly side: SideName };

export interface SuggestionContext {
  /** The last sets of this skill and side, newest first, the one just made among them. */
  readonly sets: readonly JudgedSet[];
  readonly isCleared: boolean;
  readonly isStuck: boolean;
  /** The other side where it is not cleared yet; null where there is none, or it is. */
  readonly sideBehind: SideName | null;
  /** A variant that would do as well, open for this student. */
  readonly sibling: string | null;
  /** A part of it that has gone rusty; null where none has. */
  readonly rustyPart: SubjectSide | null;
  /** The drill that mends a fault on this ladder, where one does. */
  readonly drillFor: (fault: FaultCode) => DrillKind | null;
  /** Reviews in a row that went badly. */
  readonly lowReviews: number;
  /** The week so far, unless its caution was shown in this lesson already. */
  readonly week: Pick<WeekLoad, "landings" | "allowance"> | null;
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
  const places = set.misses.flatMap(({ position }) => position ?? []);
  if (tries < FEWEST_TRIES || places.length < set.misses.length) return null;
  const half = Math.floor(tries / 2);
  const late = places.filter((place) => place > tries - half).length;
  const early = places.filter((place) => place <= half).length;
  return { early, late, half };
}

/** The fault that was noted most in these sets, and how often; the first to be noted among equals. */
export function commonestFault(
  sets: readonly JudgedSet[],
): { readonly fault: FaultCode; readonly times: number } | null {
  const counts = new Tally<FaultCode>();
  for (const { fault, count = 1 } of sets.flatMap((set) => set.misses)) {
    if (fault !== undefined) counts.add(fault, count);
  }
  const [first] = counts.mostFirst();
  return first === undefined ? null : { fault: first[0], times: first[1] };
}

/**
 * What a plateau is treated with beside its gentler drill, which the proposals give (record.md, Stuck), in
 * this order: the fix for the fault noted most, the sibling, a part that has gone rusty; each tried once.
 */
function treatmentOf({ sets, sibling, rustyPart, drillFor }: SuggestionContext): Suggestion | null {
  const common = commonestFault(sets);
  const mending = common === null ? null : drillFor(common.fault);
  const isMended = mending !== null && sets.some(({ kind }) => kind === mending);
  if (common !== null && !isMended) return { code: "fix", ...common };
  if (sibling !== null) return { code: "sibling", subject: sibling };
  return rustyPart === null ? null : { code: "rusty-part", ...rustyPart };
}

const LOW_REVIEWS = 2;

export function suggestionOf(context: SuggestionContext): Suggestion | null {
  const { sets, isCleared, isStuck, sideBehind, week, lowReviews } = context;
  const [last] = sets;
  if (last === undefined) return null;
  const parts = halves(last);
  if (parts !== null && (parts.late - parts.early) / parts.half >= TIRING) {
    return { code: "rest", early: parts.early, late: parts.late };
  }
  if (week !== null && week.allowance !== null && week.landings > week.allowance) {
    return { code: "load", landings: week.landings, allowance: week.allowance };
  }
  if (isCleared && lowReviews >= LOW_REVIEWS) return { code: "reopen", reviews: lowReviews };
  if (isStuck && !isCleared) return treatmentOf(context);
  const common = commonestFault(sets);
  if (!isCleared && common !== null && common.times >= FEWEST_OF_A_FAULT) return { code: "fix", ...common };
  const unnamed = missCount(sets.flatMap((set) => set.misses).filter((miss) => miss.fault === undefined));
  const tries = sets.reduce((sum, set) => sum + triesOf(set), 0);
  if (!isCleared && common === null && unnamed >= FEWEST_UNNAMED && unnamed * 2 > tries) {
    return { code: "rope-length", misses: unnamed };
  }
  if (isCleared && sideBehind !== null) return { code: "other-side", side: sideBehind };
  return null;
}
