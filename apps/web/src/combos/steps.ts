import { CATALOGUE } from "@mirrup/catalogue";
import { dancedSteps, type DancedStep } from "@mirrup/core/combos";

/** The steps that a combo can be danced in. */
export const STEPS: readonly DancedStep[] = dancedSteps(CATALOGUE);
