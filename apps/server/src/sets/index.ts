export { SetsModule } from "./sets.module.js";
export { SetsService } from "./sets.service.js";
