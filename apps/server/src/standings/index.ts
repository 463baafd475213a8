export { changesBetween, openedOf, type Readings, type Touched } from "./changes.js";
export type { Lines } from "./entries.js";
export { contextOf, type Learner } from "./learner.js";
export { keepCleared, schoolDifference } from "./school-change.js";
export { rebuildStudios, studiosToRebuild } from "./rebuild.js";
export { StandingEntity } from "./standing.entity.js";
export { StandingsModule } from "./standings.module.js";
export { StandingsService } from "./standings.service.js";
export { countStatuses, levelOf, nextOf, standingItem, type NextOptions } from "./views.js";
