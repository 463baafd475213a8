import type { CautionCode } from "./caution.js";
import type { DrillKind } from "./drill-kind.js";
import type { FaultCode } from "./fault.js";
import type { WrittenArms } from "../rope/arms.js";
import { expandBeats, type Score } from "../rope/score.js";
import type { Need } from "./needs.js";

/** The class of a skill: it chooses the default gate and the default ladder of drills. */
export const SKILL_CLASSES = [
  "ground",
  "base",
  "footwork",
  "taps",
  "speed",
  "power",
  "swing",
  "turn",
  "release",
  "cross",
  "fusion",
  "double",
  "fused-double",
  "triple",
  "quad",
] as const;
export type SkillClass = (typeof SKILL_CLASSES)[number];

const MULTIPLES: ReadonlySet<SkillClass> = new Set(["double", "fused-double", "triple", "quad"]);
const HARD: ReadonlySet<SkillClass> = new Set(["triple", "quad", "fused-double", "release", "power"]);

/** Whether the class jumps several turns at once. */
export function isMultipleClass(skillClass: SkillClass): boolean {
  return MULTIPLES.has(skillClass);
}

/** A hard skill has its own place in the lesson as long as it is new. */
export function isHard(skillClass: SkillClass): boolean {
  return HARD.has(skillClass);
}

/** The four families of the map. */
export const FAMILIES = ["footwork", "side-swings", "crosses", "multiples"] as const;
export type Family = (typeof FAMILIES)[number];

/** Another way in which a skill is jumped: the same arms, with other feet. */
export interface SkillForm {
  readonly id: string;
  readonly score: Score;
}

export interface Skill {
  /** Permanent text key, never renamed or reused. */
  readonly id: string;
  readonly name: string;
  readonly aliases: readonly string[];
  readonly twoSided: boolean;
  /** The score of the whole skill or of its right side; null for a skill outside the rope model. */
  readonly score: Score | null;
  readonly forms: readonly SkillForm[];
  /** Beats of one repetition, by which a hold or a count is turned into one; 1 outside the rope model. */
  readonly beats: number;
  readonly needs: readonly Need[];
  readonly helps: readonly string[];
  /** 1 + depth over hard needs, the least for an either. */
  readonly level: number;
  readonly skillClass: SkillClass;
  /** What to say, two to five short cues. */
  readonly cues: readonly string[];
  /** The faults it is prone to, the usual ones first. */
  readonly faults: readonly FaultCode[];
  readonly cautions: readonly CautionCode[];
  /** What to look at when judging a repetition. */
  readonly look: string;
  /** What is said of its drills otherwise than of others' of their kind. */
  readonly drills: readonly DrillWords[];
}

/** What a studio says of a kind of drill in its own words; what is left out is said as usual. */
export interface DrillWords {
  readonly kind: DrillKind;
  readonly say?: string;
  readonly look?: string;
}

/** One line of related skills, from its first to its furthest: a strand of the map. */
export interface Strand {
  readonly id: string;
  readonly name: string;
  readonly family: Family;
  readonly skills: readonly string[];
}

/** The arms of a score's turns as written, each once. */
export function skillArms(score: Score): readonly WrittenArms[] {
  return [...new Set(expandBeats(score).flatMap(({ turns }) => turns.map(({ arms }) => arms)))];
}
