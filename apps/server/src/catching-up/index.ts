export { CatchingUpModule } from "./catching-up.module.js";
