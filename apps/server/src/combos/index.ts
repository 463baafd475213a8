export { CombosModule } from "./combos.module.js";
export { CombosService } from "./combos.service.js";
export { comboSubjectFault, combosNamed, type SubjectFault } from "./combo-sides.js";
