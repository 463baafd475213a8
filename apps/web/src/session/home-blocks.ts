/** What of a session can be practised at home without anybody standing by. */
import { isHard, skillOf, type CautionCode, type Catalogue } from "@mirrup/core";
import type { PlanBlock } from "@mirrup/core/planning";

/** What asks for somebody's eye, or for a floor that a home rarely has. */
const FOR_THE_HALL: ReadonlySet<CautionCode> = new Set(["face", "neck", "wrist", "surface"]);

export function homeBlocks(catalogue: Catalogue, blocks: readonly PlanBlock[]): readonly PlanBlock[] {
  return blocks.filter(({ phase, subject }) => {
    // Nobody at home sees where a combo breaks.
    if (phase === "combo") return false;
    const { cautions, skillClass } = skillOf(catalogue, subject);
    const isNewAndHard = phase === "early-hard" || phase === "late-hard";
    return !isNewAndHard && !isHard(skillClass) && !cautions.some((one) => FOR_THE_HALL.has(one));
  });
}
