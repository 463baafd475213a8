export { LessonsModule } from "./lessons.module.js";
export { LessonsService } from "./lessons.service.js";
