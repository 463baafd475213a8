export { CombosModule } from "./combos.module.js";
export { CombosService } from "./combos.service.js";
export { comboSubjectFault, combosNamed } from "./combo-sides.js";
