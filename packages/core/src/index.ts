/** What is taught, how it is jumped, and what the log says of it. */
export { byName } from "./by-name.js";
export { SIDE_NAMES, type SideName, otherSideName, sidesOf } from "./sides.js";
export { grouped } from "./grouped.js";
export { DAY_MS, dayAfter, type Instant, type LocalDate, localDate } from "./instant.js";
export { type Random, between, randomFrom } from "./random.js";
export { ARMS, type Arms, type Hand, POSES, type Pose, UNDER_FEET, type WrittenArms } from "./rope/arms.js";
export { armsWords } from "./rope/arms-words.js";
export { type CalledBeat, calledPhrases, callOf } from "./rope/call.js";
export { checkScore } from "./rope/check.js";
export { linkCost } from "./rope/cost.js";
export { type RuleFault } from "./rope/fault.js";
export { type Measures, measureScore } from "./rope/measure.js";
export { mirrorScore } from "./rope/mirror.js";
export { PAD_BEATS, type PadPress, padFaults, padFeet, padScore, pressedText } from "./rope/pad.js";
export { parseScore, scoreOf } from "./rope/parse.js";
export { FEET, type Foot, GESTURES, type Gesture } from "./rope/feet.js";
export { heightOf } from "./rope/physics.js";
export { printScore } from "./rope/print.js";
export { gestureWords, multipleName, readScore } from "./rope/reading.js";
export { LIMITS, type Score, expandBeats } from "./rope/score.js";
export {
  type Timing,
  type TimingOptions,
  WINDOW_FROM,
  WINDOW_TO,
  defaultHeight,
  lowestHeight,
  timeScore,
  usualTempo,
} from "./rope/timing.js";
export { traceBeats } from "./rope/trace.js";
export { DEFAULT_CLEARANCE, DEFAULT_CONTACT } from "./rope/timing.js";
export {
  type Catalogue,
  type CatalogueFault,
  type CatalogueResult,
  type Craft,
  type SkillEntry,
  type StrandEntry,
  buildCatalogue,
  siblingsOf,
  sideScore,
  skillOf,
  skillsByScore,
} from "./syllabus/catalogue.js";
export { overlay, type UsableCatalogue, usable } from "./syllabus/overlay.js";
export {
  type ChangedSkill,
  isOwnSkill,
  NO_OVERLAY,
  type Overlay,
  type OverlayEntry,
  overlayGates,
  type OwnProgramme,
  type OwnSchool,
  type OwnSkill,
  programmesOf,
  schoolKey,
  schoolOfKey,
  type SkillOverlayEntry,
} from "./syllabus/overlay-entry.js";
export { type HiddenSkill, type WrittenCatalogue } from "./syllabus/overlay-laying.js";
export { placedAt, type SkillPlace } from "./syllabus/placing.js";
export { type ProgrammeFault, programmeFaults } from "./syllabus/programme-faults.js";
export {
  type Ask,
  askedOfSet,
  ITEM_SIDES,
  itemKey,
  itemsAsked,
  type ItemSide,
  itemSideNames,
  itemSubject,
  type Programme,
  PROGRAMME_LIMITS,
  type ProgrammeHeading,
  programmeItems,
  type ProgrammeItem,
  programmeSubject,
  skillOfItem,
} from "./syllabus/programme.js";
export { openSides } from "./syllabus/open-sides.js";
export { CAUTION_CODES, type CautionCode, cautionsOf } from "./syllabus/caution.js";
export {
  DRILL_KINDS,
  DRILL_ROWS,
  type Drill,
  type DrillKind,
  type LoggedDrill,
  MISS_RULES,
  type MissRule,
  doseOf,
  drillKey,
  isDrillKind,
  parseDrill,
  passOf,
  withDose,
  gateDrill,
} from "./syllabus/drill.js";
export { FAULT_CODES, type FaultCode } from "./syllabus/fault.js";
export {
  DEFAULT_TEMPO,
  type Gate,
  type GateOverrides,
  SCHOOL_IDS,
  type School,
  type SchoolId,
  gateAsStreak,
  gateKey,
  gateOf,
  gateTarget,
  heldRepetitions,
  LEAST_RUN,
} from "./syllabus/gates.js";
export { GATE_RUNG, gatePlace, holdsSide } from "./syllabus/ladder.js";
export { type LadderTexts } from "./syllabus/ladder-line.js";
export { type Manner } from "./syllabus/manner.js";
export { type Need, type NeedSides, type NeedTerm, parseNeeds, printNeeds } from "./syllabus/needs.js";
export { type BaseTestRole, type Roles, type SubjectSide } from "./syllabus/roles.js";
export {
  DROP_MM,
  LINE_SHARE,
  ROPE_LINES,
  ROPE_USES,
  type RopeLine,
  type RopeUse,
  ropeFit,
  ropeMisfit,
} from "./syllabus/rope-fit.js";
export { type Side, type Holds } from "./syllabus/side.js";
export { SideMap, SideSet, isSameSide } from "./syllabus/side-map.js";
export { sideKey, sideNamed } from "./syllabus/side-text.js";
export {
  FAMILIES,
  type Family,
  SKILL_CLASSES,
  type DrillWords,
  type Skill,
  type SkillClass,
  type Strand,
  isHard,
  skillArms,
} from "./syllabus/skill.js";
export { HAND_KINDS, HAND_LADDER_LIMITS, type HandDrill, NO_PART } from "./syllabus/hand-ladder.js";
export { type Syllabus, rulesText, sideOf, syllabusOf } from "./syllabus/syllabus.js";
export { comboKey, comboSubject, linkKey } from "./log/combo-subject.js";
export { type Decision, PLACEMENT_ANSWERS, type PlacementAnswer } from "./log/decision.js";
export { type Lines, type LoggedDecision, type LoggedSet, compareLines } from "./log/line.js";
export { COUNTED_BY, type CountedBy, type Miss, checkSetCounts, missCount } from "./log/set.js";
