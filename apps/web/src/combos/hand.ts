import { CATALOGUE } from "@mirrup/catalogue";
import type { StudentView } from "@mirrup/contract";
import type { Hand } from "@mirrup/core";
import { dancedSteps, type DancedStep } from "@mirrup/core/combos";

/** The hand whose arm is on top where a cross leaves it open: the student's own; the right where nobody says. */
export function handOf(student: Pick<StudentView, "dominantHand"> | undefined): Hand {
  return student?.dominantHand === "left" ? "l" : "r";
}

/** The steps that a combo can be danced in. */
export const STEPS: readonly DancedStep[] = dancedSteps(CATALOGUE);
