export { DecisionsModule } from "./decisions.module.js";
export { DecisionsService } from "./decisions.service.js";
