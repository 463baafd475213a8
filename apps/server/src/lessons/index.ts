export { LessonsModule } from "./lessons.module.js";
