/** A block of a plan: one drill of one side, with what it takes. */
import { expandBeats, landingOf, type Score } from "../rope/score.js";
import type { SideName } from "../sides.js";
import { skillOf, sideScore, type Catalogue } from "../syllabus/catalogue.js";
import { gateAsStreak } from "../syllabus/gates.js";
import type { Family, SkillClass } from "../syllabus/skill.js";
import type { Standing } from "../record/standing.js";
import type { Drill } from "../syllabus/drill.js";
import { setLoad } from "../record/load.js";
import type { NextReason } from "../next/next.js";

/** In the order in which a lesson has them; the hard skill stands before or after the main work. */
export const PHASES = ["warm-up", "early-hard", "review", "main", "combo", "late-hard", "cool-down"] as const;
export type Phase = (typeof PHASES)[number];

/**
 * What a block tires: the same kind is not done twice running. Footwork is told apart by the feet that
 * it lands on, the rest by its family.
 */
export type Effort =
  "off-the-rope" | "two-feet" | "one-foot" | "foot-to-foot" | "swings" | "crosses" | "multiples" | "mixed";

export type PlanReason =
  | NextReason
  | { readonly code: "warm-up" }
  | { readonly code: "cool-down" }
  | { readonly code: "review"; readonly due: string; readonly underGoal: boolean }
  /** A kept combo, or two cleared skills where none is open. */
  | {
      readonly code: "combo";
      readonly skills: readonly string[];
      readonly combo: { readonly id: string; readonly name: string } | null;
    };

export interface PlanBlock {
  readonly phase: Phase;
  readonly subject: string;
  readonly side: SideName;
  readonly drill: Drill;
  readonly aim: number | null;
  /** Null where nothing is to be reached. */
  readonly chance: number | null;
  /** Sets of at most twenty tries, a rest after each. */
  readonly sets: number;
  readonly minutes: number;
  /** Of these, the rests between its sets and after it. */
  readonly rest: number;
  readonly landings: number;
  readonly multiples: number;
  readonly effort: Effort;
  readonly reason: PlanReason;
}

const FAMILY_EFFORTS: Readonly<Record<Exclude<Family, "footwork">, Effort>> = {
  "side-swings": "swings",
  crosses: "crosses",
  multiples: "multiples",
};

function familyOf(catalogue: Catalogue, subject: string): Family | undefined {
  return catalogue.strands.find((one) => one.skills.includes(subject))?.family;
}

export function isFootwork(catalogue: Catalogue, subject: string): boolean {
  return familyOf(catalogue, subject) === "footwork";
}

function footworkEffort(score: Score | null): Effort {
  if (score === null) return "off-the-rope";
  const feet = new Set(expandBeats(score).map(landingOf));
  if (feet.has("b")) return "two-feet";
  return feet.size > 1 ? "foot-to-foot" : "one-foot";
}

export function effortOf(catalogue: Catalogue, subject: string): Effort {
  const family = familyOf(catalogue, subject);
  if (family === undefined) return "mixed";
  return family === "footwork" ? footworkEffort(skillOf(catalogue, subject).score) : FAMILY_EFFORTS[family];
}

const HARD: ReadonlySet<SkillClass> = new Set(["triple", "quad", "fused-double", "release", "power"]);

/** A hard skill has its own place in the lesson as long as it is new. */
export function isHard(skillClass: SkillClass): boolean {
  return HARD.has(skillClass);
}

/** What a review asks: half the gate, which opens its next interval (teaching.md, Reviews). */
export function reviewDrill(catalogue: Catalogue, { subject, gate }: Pick<Standing, "subject" | "gate">) {
  const count = Math.max(1, Math.ceil(gateAsStreak(gate, skillOf(catalogue, subject).beats) / 2));
  return { kind: "streak", count } as const;
}

/** Tries of a block, by what it is for; a minute's for the warm-up. */
export const BLOCK_TRIES = { main: 60, review: 12, combo: 10, warmUp: 40 } as const;
/** Nobody does more than so many tries without a rest. */
export const SET_TRIES = 20;
const SECONDS_A_BEAT = 0.5;
/** Taking the rope up again after a miss, seconds. */
const SECONDS_A_MISS = 4;
/** Rest after a set, minutes: longer after multiples (teaching.md, Sequencing). */
const REST_MINUTES = 0.5;
const REST_AFTER_MULTIPLES = 1.5;
const HALF = 0.5;

export interface Dose {
  readonly sets: number;
  readonly minutes: number;
  readonly rest: number;
  readonly landings: number;
  readonly multiples: number;
}

/** What is tried: how long it is, and whether its rests are those of multiples. */
export interface Tried {
  readonly beats: number;
  readonly isMultiple: boolean;
  readonly score: Score | null;
}

/** What so many tries take, at a chance of a clean one; minutes in halves, the rest among them. */
export function doseOfTried(
  { beats, isMultiple, score }: Tried,
  drill: Drill,
  tries: number,
  cleanChance: number,
): Dose {
  const misses = Math.round(tries * (1 - cleanChance));
  const seconds = tries * beats * SECONDS_A_BEAT + misses * SECONDS_A_MISS;
  const sets = Math.max(1, Math.ceil(tries / SET_TRIES));
  const rest = sets * (isMultiple ? REST_AFTER_MULTIPLES : REST_MINUTES);
  const load = setLoad(score, { drill, clean: tries, misses: [] });
  return { sets, minutes: Math.max(1, Math.ceil(seconds / 60 / HALF) * HALF) + rest, rest, ...load };
}

/** The same of a skill's side. */
export function doseOf(
  catalogue: Catalogue,
  { subject, side }: { readonly subject: string; readonly side: SideName },
  drill: Drill,
  tries: number,
  cleanChance: number,
): Dose {
  const skill = skillOf(catalogue, subject);
  const isMultiple = effortOf(catalogue, subject) === "multiples";
  const tried = { beats: skill.beats, isMultiple, score: sideScore(skill, side) };
  return doseOfTried(tried, drill, tries, cleanChance);
}
