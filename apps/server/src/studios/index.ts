export { foundStudio } from "./found.js";
export { NEW_STUDIO, StudioEntity } from "./studio.entity.js";
export { StudiosModule } from "./studios.module.js";
export { isTimeZone } from "./teaching.service.js";
