/** Combos: built, judged, made up, learned, and heard. */
export { type Ability, abilityOf, takenApart } from "./combos/ability.js";
export {
  COMBO_COUNTS,
  type CombosAsked,
  type CombosFault,
  type CombosMade,
  DIFFICULTIES,
  DIFFICULTY_BANDS,
  type Difficulty,
  type Loosening,
  MAKING_LIMITS,
  type MadeCombo,
  type PoolPart,
} from "./combos/asked.js";
export { COUNTS_A_GROUP, callSheet } from "./combos/call-sheet.js";
export { clicksOf } from "./combos/clicks.js";
export { type ComboStanding, comboStanding, sidesOfScore } from "./combos/combo.js";
export { comboFaults } from "./combos/combo-faults.js";
export { FREESTYLE_LIMITS, type Freestyle, planFreestyle } from "./combos/freestyle.js";
export { makeCombos } from "./combos/generate.js";
export { type JudgedCombo, judgeCombo } from "./combos/judge.js";
export { type ClockPiece, piecesClock } from "./combos/combo-clock.js";
export { type ChanceAsked, learningChances } from "./combos/learning-chance.js";
export { type Learning, learningOf } from "./combos/learning.js";
export { type LearningStep, dancedSteps, learningSteps, type DancedStep } from "./combos/learning-steps.js";
export { type ComboLink, linksOf, onSide } from "./combos/links.js";
export {
  COMBO_TEMPO,
  type ComboMeasures,
  comboTiming,
  demandOf,
  demandShown,
  type Jumping,
  measureCombo,
} from "./combos/measures.js";
export { neighboursOf } from "./combos/neighbours.js";
export {
  COMBO_LIMITS,
  type ComboPart,
  closedUp,
  comboText,
  countsOf,
  gathered,
  isBounce,
  mirrorPart,
  partOfSkill,
  scoreOfPart,
} from "./combos/part.js";
export { type OwnCombo, type SideStatus, clearedFrontBacks, comboPool } from "./combos/pool.js";
export {
  type ProposalReason,
  type ProposedNeed,
  classOfScore,
  hasSides,
  proposedNeeds,
} from "./combos/proposal.js";
export { partsOfScore } from "./combos/read-parts.js";
export { type Repair, repairsOf } from "./combos/repair.js";
export { type HandleMessage, readHandleMessage, sensedTaps, ticksOf, withMessage } from "./rhythm/handle.js";
export { rhythmOf, tappedTempo } from "./rhythm/rhythm.js";
export { VARIANT_KINDS, type Variant, type VariantKind, variantsOf } from "./combos/variants.js";
