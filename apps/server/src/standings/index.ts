export { changesBetween, openedOf, type Readings, type Touched } from "./changes.js";
export type { KeptFacts } from "./facts.js";
export { gatesOf } from "./gates.js";
export type { TouchedSide } from "./folded-row.js";
export { readerFor, rulesHash, syllabusFor, todayIn, type Learner } from "./learner.js";
export { addLoads, loadsBetween, loadsOf } from "./lesson-loads.js";
export { loggedSet, type LogRows } from "./log-lines.js";
export { daysOf, remakeDays } from "./practice-days.js";
export { clearByHand, keepCleared, schoolDifference } from "./school-change.js";
export { courseOf } from "./marks.js";
export { rebuildAll, refreshAll } from "./rebuild.js";
export { refitAll } from "./refit.js";
export { RulesChangeEntity } from "./rules-change.entity.js";
export { StandingEntity } from "./standing.entity.js";
export { StandingsModule } from "./standings.module.js";
export { RememberedFacts } from "./remembered.js";
export { StandingsService } from "./standings.service.js";
export { skillsReading } from "./student-reading.js";
export {
  countStatuses,
  ladderItems,
  levelOf,
  nextItem,
  proposalsOf,
  standingItem,
  type NextOptions,
} from "./views.js";
