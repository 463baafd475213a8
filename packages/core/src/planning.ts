/** Plans of a lesson, a class and weeks, and placement. */
export {
  BEYONDS,
  type Beyond,
  PHASES,
  type Phase,
  type PlanBlock,
  type PlanReason,
  goesUp,
  isEasyPhase,
  restAfterSet,
} from "./plan/block.js";
export {
  type ClassAsked,
  type ClassBefore,
  type ClassFault,
  type ClassPlan,
  type ClassStudent,
  type Place,
  type PlacePin,
  type PlannedStudent,
  type Rotation,
  type Station,
  type StationPin,
} from "./plan/class.js";
export {
  CLASS_USES,
  type ClassOption,
  type ClassUse,
  WATCHES,
  type Watch,
  classOptions,
} from "./plan/class-option.js";
export { type Helper } from "./plan/class-eyes.js";
export { planClass } from "./plan/class-plan.js";
export {
  type ClassGive,
  type ClassWeek,
  type ClassWeeksPlan,
  type ClassWeeksStudent,
  classWeeksSteps,
} from "./plan/class-weeks.js";
export { coachWay, type CoachWay, type Look } from "./plan/coach-way.js";
export { classTimes, lengthened, retimed } from "./plan/class-times.js";
export { grownFrom, mayGrow } from "./syllabus/growth.js";
export { pairsOf } from "./plan/pairs.js";
export { PRECAUTIONS, type Precaution, ruledOutBy } from "./plan/precaution.js";
export {
  ROPE_KINDS,
  type RopeKind,
  type RopePair,
  type RopeStock,
  type RopeWish,
  ropesGiven,
} from "./plan/rope-stock.js";
export { type Floor } from "./plan/space.js";
export { ENERGIES, type Energy, type PlanCombo, type StudentPlanContext } from "./plan/student-asked.js";
export {
  type LeftOut,
  type LeftOutWhy,
  NO_PLAN,
  type PlanNote,
  type StudentPlan,
  planStudent,
} from "./plan/student-plan.js";
export { underGoals } from "./plan/under-goals.js";
export { type Give, type GiveContext, whatGives } from "./plan/weeks-give.js";
export {
  type Outlook,
  type WeekOfPlan,
  type WeeksContext,
  type WeeksPlan,
  lessonDays,
  planWeeks,
  spreadWeekdays,
} from "./plan/weeks.js";
export { CLASS_LIMITS, CLASS_WEIGHTS, PLAN_LIMITS, PLAN_WEIGHTS } from "./plan/weights.js";
export { placementModel } from "./placement/model.js";
export { type Answer, type Conclusion, type Placement, type Question, place } from "./placement/placement.js";
