export { ProgrammesModule } from "./programmes.module.js";
