export { ChangesModule } from "./changes.module.js";
