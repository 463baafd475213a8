/** A plan's block as it is held. */
import { isEasyPhase, type PlanBlock } from "@mirrup/core/planning";
import { comboOf, type LedBlock } from "../led/index.js";
import { blockKey } from "./plan-asked.js";
import { blockName, PHASE_NAMES } from "./plan-words.js";

export function ledBlock(block: PlanBlock): LedBlock {
  const { phase, subject, side, drill, sets, minutes } = block;
  return {
    ...{ key: blockKey(block), phase, subject, side, drill, sets, minutes },
    name: isEasyPhase(block.phase) ? PHASE_NAMES[phase].toLowerCase() : blockName(block),
    comboId: comboOf(block),
  };
}
