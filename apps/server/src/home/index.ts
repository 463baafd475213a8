export { HomeModule } from "./home.module.js";
