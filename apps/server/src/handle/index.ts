export { HandleModule } from "./handle.module.js";
