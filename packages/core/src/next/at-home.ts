/**
 * What a student can practise with nobody there: of what is proposed, what was begun where somebody looked, and what
 * can strike or sting nobody. A rope that flies free, passes the neck or turns faster than it is learned waits for the
 * next lesson (safety.md: face, neck, sting); past the week's allowance only what does not land is left.
 */
import { DRILL_ROWS } from "../syllabus/drill.js";
import type { CautionCode } from "../syllabus/caution.js";
import type { NextDrill } from "./next.js";

/** What asks for somebody who looks. */
const ASKS_EYES: ReadonlySet<CautionCode> = new Set(["face", "neck", "sting"]);
/** As much as somebody does at home in a quarter of an hour. */
const MOST_DRILLS = 4;

function canBeDoneAlone({ of, drill, isNew }: NextDrill, isOverAllowance: boolean): boolean {
  const { hasRope, lands } = DRILL_ROWS[drill.kind];
  if (isOverAllowance && lands) return false;
  if (!hasRope) return true;
  // The first tries of something are made where somebody looks at them.
  return !isNew && !of.skill.cautions.some((code) => ASKS_EYES.has(code));
}

/** Of the proposals, in their order, what can be done at home; at most four. */
export function homeDrills(
  proposed: readonly NextDrill[],
  { isOverAllowance }: { readonly isOverAllowance: boolean },
): readonly NextDrill[] {
  return proposed.filter((one) => canBeDoneAlone(one, isOverAllowance)).slice(0, MOST_DRILLS);
}
