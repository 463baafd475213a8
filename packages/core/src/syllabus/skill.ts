import type { CautionCode } from "./caution.js";
import type { FaultCode } from "./fault.js";
import type { Score } from "../rope/score.js";
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

/** The four families of the map. */
export const FAMILIES = ["footwork", "side-swings", "crosses", "multiples"] as const;
export type Family = (typeof FAMILIES)[number];

export interface Skill {
  /** Permanent text key, never renamed or reused. */
  readonly id: string;
  readonly name: string;
  readonly aliases: readonly string[];
  readonly twoSided: boolean;
  /** The score of the whole skill or of its right side; null for a skill outside the rope model. */
  readonly score: Score | null;
  /** Beats of one repetition, by which a hold or a count is turned into one; 1 outside the rope model. */
  readonly beats: number;
  readonly needs: readonly Need[];
  readonly helps: readonly string[];
  readonly skillClass: SkillClass;
  /** What to say, two to five short cues. */
  readonly cues: readonly string[];
  /** The faults it is prone to, the usual ones first. */
  readonly faults: readonly FaultCode[];
  readonly cautions: readonly CautionCode[];
  /** What to look at when judging a repetition. */
  readonly look: string;
}

/** One line of related skills, from its first to its furthest: a strand of the map. */
export interface Strand {
  readonly id: string;
  readonly name: string;
  readonly family: Family;
  readonly skills: readonly string[];
}
