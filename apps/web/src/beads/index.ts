export { beadsOf, type BeadOf } from "./beads-of.js";
export { Bead } from "./bead.js";
export {
  beadOfCodes,
  beadState,
  bySkill,
  codedBead,
  withFaint,
  type BeadState,
  type SkillStanding,
} from "./bead-state.js";
export { BeadKey } from "./bead-key.js";
export { beadSheet, type BeadSheet } from "./bead-sheet.js";
