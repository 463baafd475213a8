/** The record of a student, what comes next, and the drill on the floor. */
export { rungChance } from "./next/odds.js";
export { type BaseTestProgress, baseTestProgress, isOfBaseTest } from "./record/base-test.js";
export { bearingsOf, evidenceOf } from "./record/evidence.js";
export {
  HONEST_TRIES,
  STUCK_LESSONS,
  type Clearing,
  MILESTONE_KINDS,
  type Milestone,
  type LessonFacts,
  NO_FACTS,
  type RungFacts,
  type SideEntry,
  type SideFacts,
  addEntry,
  isNothing,
} from "./record/facts.js";
export {
  COMBO_GATE,
  type Owner,
  type Reader,
  byOwner,
  entriesOfDecision,
  entriesOfSet,
  entriesOf,
  foldLines,
  ownerOf,
  ownersOf,
} from "./record/fold.js";
export { FIRST_ID, firstMark, foldOn, type LogPlace, type Mark, nothingBefore } from "./record/mark.js";
export {
  type LessonLoad,
  type Load,
  type WeekLoad,
  landingsOf,
  loadWeeks,
  multiplesOf,
  setLoad,
  weekLoad,
} from "./record/load.js";
export { type MissMap, missMap } from "./record/miss-map.js";
export { HANDBOOK_MODEL, type LearnerModel, type StoredModel, readModel } from "./record/model.js";
export { type ChanceAt, chanceCourse } from "./record/chance-course.js";
export { type FaultGone, faultsGone } from "./record/fault-course.js";
export { neededDose } from "./record/passing.js";
export {
  type Counts,
  NO_PRACTICE,
  type Odds,
  type PracticeDay,
  type PracticeSums,
  type SaidSet,
  addPractice,
  mergeDays,
  oddsOf,
  practiceDays,
} from "./record/practice-day.js";
export { type StudentLog } from "./record/practice.js";
export { drillsFor, reaches } from "./record/reaching.js";
export { refit } from "./record/refit.js";
export { type Review } from "./record/review.js";
export {
  type Reading,
  STATUSES,
  type Standing,
  type Status,
  type Unmet,
  cleanChance,
  findStanding,
  isClearedStatus,
  isMet,
  openedBetween,
  readingOf,
  standingOf,
} from "./record/standing.js";
export { isDifferent, type StandingDifference, standingDifference } from "./record/standing-difference.js";
export { type CodedStatus, decodeStatuses, statusCodes } from "./record/status-code.js";
export { type EditionDifference, editionDifference, touchedSides } from "./record/touched-sides.js";
export { type TriesLeft, triesTo } from "./record/tries.js";
export {
  AWAY_DAYS,
  type BehindSide,
  STILL_DAYS,
  furthestBehind,
  heldUpBy,
  isAway,
  standsStill,
} from "./next/class-progress.js";
export { homeDrills } from "./next/at-home.js";
export { type FusedFirst } from "./next/fused.js";
export { type Goal, type PathOptions, goalPath, goalSides } from "./next/goal-path.js";
export { type NextDrill, type NextReason, type OnPath, type SideOrder, nextDrills } from "./next/next.js";
export {
  type ItemProgress,
  type ItemSideProgress,
  type Progress,
  type ProgressContext,
  goalsInForce,
  progressOf,
} from "./next/programme-progress.js";
export { stageOf } from "./next/stage.js";
export { type Together, usefulTogether } from "./next/together.js";
export {
  type Cord,
  type Frontier,
  type FrontierAsked,
  type FrontierBead,
  type FrontierStatus,
  type StatusOfSides,
  frontierOf,
  kinOfBead,
} from "./next/frontier.js";
export { walkedOf } from "./next/walk.js";
export { ROUND_ANSWERS, type RoundAnswer, askedOf, roundCounts } from "./floor/round.js";
export { type Holding, type HoldAsked, heldAfter, leftAfter } from "./floor/holding.js";
export {
  type CircuitPart,
  type ClockMoment,
  type RunningClock,
  type Stretch,
  callsClock,
  circuitClock,
  clicksBetween,
  clockFrom,
  clockSeconds,
  elapsedAt,
  momentAt,
  onceMore,
  paused,
  resumed,
  roundsClock,
  skipped,
  wholeFours,
} from "./floor/interval.js";
export { type MixMove, mixOf } from "./floor/mix.js";
export { LINK_SPACINGS, type Run, runAfter, runOf, secondsOf } from "./floor/run.js";
export { type Suggestion, suggestionOf } from "./floor/suggestion.js";
export { type Tap, type Try, cleanSinceMiss, correctionTo, isPacing, secondsATry } from "./floor/tap.js";
