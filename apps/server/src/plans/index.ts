export { PlansModule } from "./plans.module.js";
