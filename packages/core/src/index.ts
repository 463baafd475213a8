export { SIDE_NAMES, otherSide, sidesOf, type SideName } from "./sides.js";
export { between, randomFrom, type Random } from "./random.js";
export { DAY_MS, localDate, type Instant, type LocalDate } from "./instant.js";
export { parseNeeds, type Need, type NeedSides, type NeedTerm } from "./syllabus/needs.js";
export {
  FAMILIES,
  SKILL_CLASSES,
  type Family,
  type Skill,
  type SkillClass,
  type Strand,
} from "./syllabus/skill.js";
export {
  buildCatalogue,
  sideScore,
  siblingsOf,
  skillOf,
  skillsByScore,
  type Catalogue,
  type CatalogueFault,
  type CatalogueResult,
  type SkillEntry,
  type StrandEntry,
} from "./syllabus/catalogue.js";
export {
  DEFAULT_TEMPO,
  SCHOOL_IDS,
  gateAsStreak,
  gateKey,
  gateOf,
  gateTarget,
  type Gate,
  type GateOverrides,
  type School,
  type SchoolId,
} from "./syllabus/gates.js";
export {
  STATUSES,
  kinSides,
  isMet,
  openedBetween,
  standingsOf,
  type FactsBySide,
  type Standing,
  type StandingContext,
  type Status,
  type Unmet,
} from "./record/standing.js";
export {
  sideKey,
  sideTable,
  type SideNode,
  type SideTable,
  type SubjectSide,
} from "./syllabus/side-table.js";
export {
  goalPath,
  goalSides,
  type Goal,
  type GoalPath,
  type PathChoice,
  type PathContext,
  type PathStep,
} from "./next/goal-path.js";
export { decodeStatuses, statusCodes, type CodedStatus } from "./record/status-code.js";
export {
  DRILL_KINDS,
  MISS_RULES,
  RELEVANCE,
  type Drill,
  type DrillKind,
  type MissRule,
} from "./syllabus/drill.js";
export {
  COUNTED_BY,
  bestCleanWithin,
  checkSetCounts,
  missCount,
  type CountedBy,
  type Miss,
  type PracticeSet,
  type SetFault,
} from "./log/set.js";
export {
  NO_FACTS,
  addEntry,
  compareEntries,
  foldEntries,
  gateProgress,
  hasInARow,
  weightedTries,
  type Clearing,
  type LessonFacts,
  type SideEntry,
  type StandingFacts,
} from "./record/evidence.js";
export { passedRung, rungAfter, rungDrill, type RungDrill } from "./next/rung.js";
export { isHard, PHASES, type Effort, type Phase, type PlanBlock, type PlanReason } from "./plan/block.js";
export {
  ENERGIES,
  planStudent,
  type Energy,
  type LeftOut,
  type LeftOutWhy,
  type PlanCombo,
  type StudentPlan,
  type StudentPlanContext,
} from "./plan/student-plan.js";
export {
  CLASS_USES,
  classOptions,
  WATCHES,
  type ClassOption,
  type ClassUse,
  type Watch,
} from "./plan/class-option.js";
export { classTimes, lengthened, retimed } from "./plan/class-times.js";
export { planClass } from "./plan/class-plan.js";
export type {
  ClassAsked,
  ClassBefore,
  ClassFault,
  ClassPlan,
  ClassStudent,
  Place,
  PlacePin,
  PlannedStudent,
  Rotation,
  Station,
  StationPin,
} from "./plan/class.js";
export { pairsOf, type AtStation } from "./plan/pairs.js";
export { PRECAUTIONS, ruledOutBy, type Precaution } from "./plan/precaution.js";
export type { Floor } from "./plan/space.js";
export { mayGrow } from "./plan/growth.js";
export {
  lessonDays,
  planWeeks,
  spreadWeekdays,
  type Outlook,
  type WeekOfPlan,
  type WeeksContext,
  type WeeksPlan,
} from "./plan/weeks.js";
export { underGoals } from "./plan/under-goals.js";
export { CLASS_LIMITS, PLAN_LIMITS, PLAN_WEIGHTS } from "./plan/weights.js";
export { FAULT_CODES, type FaultCode } from "./syllabus/fault.js";
export { betaCdf, betaQuantile } from "./record/beta.js";
export {
  LEARNING_PACES,
  cleanChance,
  expectedTries,
  gateChance,
  nearGate,
  nextRung,
  streakChance,
  triesLeft,
  type LearningPace,
  type Rung,
  type TriesLeft,
} from "./record/learner.js";
export {
  nextDrills,
  type FusedFirst,
  type NextContext,
  type NextDrill,
  type NextReason,
  type OnPath,
  type SideOrder,
} from "./next/next.js";
export {
  gateDrill,
  heldRepetitions,
  runnable,
  runnableOf,
  runOf,
  secondsOf,
  spacingBelow,
  TRY_KINDS,
  type Run,
  type RunnableDrill,
  type TryKind,
} from "./floor/run.js";
export { cleanSinceMiss, correctionTo, isPacing, secondsATry, type Tap, type Try } from "./floor/tap.js";
export { ARMS, POSES, UNDER_FEET, type Arms, type Hand, type Pose, type WrittenArms } from "./rope/arms.js";
export { GESTURES, type Foot, type Gesture } from "./rope/feet.js";
export {
  expandBeats,
  LIMITS,
  withoutDefaults,
  type Beat,
  type Direction,
  type Score,
  type Span,
} from "./rope/score.js";
export { RULE_CODES, type RuleCode, type RuleFault } from "./rope/fault.js";
export { parseScore, scoreOf, type ParsedScore } from "./rope/parse.js";
export { printScore } from "./rope/print.js";
export { mirrorScore } from "./rope/mirror.js";
export { checkScore, type CheckOptions } from "./rope/check.js";
export { joinScores, type JoinedScores } from "./rope/join.js";
export { linkCost } from "./rope/cost.js";
export { measureScore, type Measures } from "./rope/measure.js";
export {
  lowestHeight,
  timeScore,
  type BeatTiming,
  type Heights,
  type LinkTiming,
  type Timing,
  type TimingOptions,
} from "./rope/timing.js";
export { CAUTION_CODES, cautionsOf, type CautionCode } from "./syllabus/caution.js";
export {
  DRILL_PASSES,
  ladderOf,
  partsOfMultiple,
  type DrillFocus,
  type DrillPass,
  type LadderDrill,
} from "./syllabus/ladder.js";
export {
  PLACEMENT_ANSWERS,
  type Decision,
  type DecisionEntry,
  type PlacementAnswer,
} from "./log/decision.js";
export {
  DROP_MM,
  LINE_SHARE,
  ROPE_LINES,
  ROPE_USES,
  ropeFit,
  type RopeLine,
  type RopeUse,
} from "./syllabus/rope-fit.js";
export {
  landingsOf,
  LEAST_ALLOWANCE,
  multiplesOf,
  setLoad,
  weekAllowance,
  weekLoad,
  weekStart,
  type LessonLoad,
  type Load,
  type WeekLoad,
} from "./record/load.js";
export {
  commonestFault,
  suggestionOf,
  type JudgedSet,
  type Suggestion,
  type SuggestionContext,
} from "./floor/suggestion.js";
export { usefulTogether, type StatusOfSide, type Together } from "./next/together.js";
export { WEIGHT_EPOCH } from "./record/weight.js";
export { REVIEW_INTERVALS_DAYS, type Review } from "./record/review.js";
export {
  BASE_TEST,
  BASE_TEST_COUNT,
  BASE_TEST_PARTS,
  baseTestPassedAt,
  baseTestProgress,
  type BaseTestProgress,
  type BaseTestSet,
} from "./record/base-test.js";
export { beatWords, multipleName, readScore } from "./rope/reading.js";
export { callOf, type CalledBeat, type CalledTurn } from "./rope/call.js";
export { missMap, type MissMap, type TurnMisses } from "./record/miss-map.js";
export { armsWords } from "./rope/arms-words.js";
export { defaultHeight, WINDOW_FROM, WINDOW_TO } from "./rope/timing.js";
export { traceBeats, type Trace, type TracedBeat, type TracedTurn } from "./rope/trace.js";
export { placementModel, type Background, type Model } from "./placement/model.js";
export { ANSWER_CHANCES } from "./placement/belief.js";
export { place, type Answer, type Conclusion, type Placement, type Question } from "./placement/placement.js";
export { readHandleMessage, sensedTaps, ticksOf, withMessage, type HandleMessage } from "./rhythm/handle.js";
export { rhythmOf, tappedTempo, type Rhythm } from "./rhythm/rhythm.js";
export {
  askedInARow,
  ROUND_ANSWERS,
  roundCounts,
  type RoundAnswer,
  type RoundCounts,
} from "./floor/round.js";
export {
  closedUp,
  COMBO_LIMITS,
  comboScore,
  comboText,
  countsOf,
  gathered,
  isBounce,
  mirrorPart,
  partKey,
  partOfSkill,
  scoreOfPart,
  type ComboPart,
} from "./combos/part.js";
export { partsOfScore } from "./combos/read-parts.js";
export {
  faultCount,
  judgeCombo,
  type JudgedCombo,
  type JudgedPart,
  type JudgeOptions,
} from "./combos/judge.js";
export { repairsOf, type Repair, type RepairKind } from "./combos/repair.js";
export {
  COMBO_COUNTS,
  DIFFICULTIES,
  DIFFICULTY_BANDS,
  MAKING_LIMITS,
  type CombosAsked,
  type CombosFault,
  type CombosMade,
  type Difficulty,
  type Loosening,
  type MadeCombo,
  type PoolPart,
} from "./combos/asked.js";
export { makeCombos } from "./combos/generate.js";
export { differenceOf } from "./combos/difference.js";
export { clearedFrontBacks, comboPool, type OwnCombo, type SideStatus } from "./combos/pool.js";
export {
  COMBO_TEMPO,
  comboTiming,
  demandOf,
  demandShown,
  measureCombo,
  type ComboMeasures,
  type RateJump,
} from "./combos/measures.js";
export { abilityOf, sidesOfCombo, takenApart, type Ability } from "./combos/ability.js";
export { neighboursOf, type Neighbour } from "./combos/neighbours.js";
export { clicksOf, type Click } from "./combos/clicks.js";
export {
  callSheet,
  COUNTS_A_GROUP,
  type CallLine,
  type CalledForm,
  type Forms,
} from "./combos/call-sheet.js";
export {
  COMBO_GATE,
  comboKey,
  comboStanding,
  comboSubject,
  linkKey,
  sidesOfScore,
  type ComboStanding,
  type ComboSubject,
} from "./combos/combo.js";
export { learningOf, type ComboSet, type Learning } from "./combos/learning.js";
export { learningSteps, type LearningStep } from "./combos/learning-steps.js";
export { linkAtTurn, linksOf, onSide, type ComboLink } from "./combos/links.js";
export {
  ACTIVE_RESTS,
  FREESTYLE_LIMITS,
  planFreestyle,
  type ActiveRest,
  type Freestyle,
  type FreestyleCombo,
  type FreestylePiece,
} from "./combos/freestyle.js";
export { comboFaults, type ComboFault } from "./combos/combo-faults.js";
