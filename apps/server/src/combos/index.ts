export { CombosModule } from "./combos.module.js";
export { comboSubjectFault, combosNamed } from "./combo-sides.js";
