/**
 * What a student can practise with nobody there: of what is proposed, what was begun where somebody looked, and what
 * can strike or sting nobody. A rope that flies free, passes the neck or turns faster than it is learned waits for the
 * next lesson (safety.md: face, neck, sting); past the week's allowance only what does not land is left.
 */
import { DRILL_ROWS, type Drill } from "../syllabus/drill.js";
import type { CautionCode } from "../syllabus/caution.js";

/** What is proposed, as far as it matters to whoever does it alone. */
export interface ProposedAlone {
  readonly drill: Drill;
  /** Neither begun nor cleared. */
  readonly isNew: boolean;
  /** Of its skill. */
  readonly cautions: readonly CautionCode[];
}

/** What asks for somebody who looks. */
const ASKS_EYES: ReadonlySet<CautionCode> = new Set(["face", "neck", "sting"]);
/** As much as somebody does at home in a quarter of an hour. */
const MOST_DRILLS = 4;

function canBeDoneAlone({ drill, isNew, cautions }: ProposedAlone, isOverAllowance: boolean): boolean {
  const { hasRope, lands } = DRILL_ROWS[drill.kind];
  if (isOverAllowance && lands) return false;
  if (!hasRope) return true;
  // The first tries of something are made where somebody looks at them.
  return !isNew && !cautions.some((code) => ASKS_EYES.has(code));
}

/** Of the proposals, in their order, what can be done at home; at most four. */
export function homeDrills<T extends ProposedAlone>(
  proposed: readonly T[],
  { isOverAllowance }: { readonly isOverAllowance: boolean },
): readonly T[] {
  return proposed.filter((one) => canBeDoneAlone(one, isOverAllowance)).slice(0, MOST_DRILLS);
}
