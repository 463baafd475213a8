/** A block of a plan: one drill of one side, with what it takes. */
import type { Side } from "../sides.js";
import { skillOf, sideScore, type Catalogue } from "../skills/catalogue.js";
import type { Family, SkillClass } from "../skills/skill.js";
import type { Drill } from "../practice/drill.js";
import { setLoad } from "../practice/load.js";
import type { NextReason } from "../practice/next.js";

/** In the order in which a lesson has them; the hard skill stands before or after the main work. */
export const PHASES = ["warm-up", "early-hard", "review", "main", "combo", "late-hard", "cool-down"] as const;
export type Phase = (typeof PHASES)[number];

/** What a block tires: the same kind is not done twice running. */
export type Effort = "footwork" | "swings" | "crosses" | "multiples" | "mixed";

export type PlanReason =
  | NextReason
  | { readonly code: "warm-up" }
  | { readonly code: "cool-down" }
  | { readonly code: "review"; readonly due: string; readonly underGoal: boolean }
  | { readonly code: "combo"; readonly skills: readonly string[] };

export interface PlanBlock {
  readonly phase: Phase;
  readonly subject: string;
  readonly side: Side;
  readonly drill: Drill;
  readonly aim: number | null;
  /** Null where nothing is to be reached. */
  readonly chance: number | null;
  readonly minutes: number;
  /** Of these, the rest after it. */
  readonly rest: number;
  readonly landings: number;
  readonly multiples: number;
  readonly effort: Effort;
  readonly reason: PlanReason;
}

const FAMILY_EFFORTS: Readonly<Record<Family, Effort>> = {
  footwork: "footwork",
  "side-swings": "swings",
  crosses: "crosses",
  multiples: "multiples",
};

export function effortOf(catalogue: Catalogue, subject: string): Effort {
  const strand = catalogue.strands.find((one) => one.skills.includes(subject));
  return strand === undefined ? "mixed" : FAMILY_EFFORTS[strand.family];
}

const HARD: ReadonlySet<SkillClass> = new Set(["triple", "quad", "fused-double", "release", "power"]);

/** A hard skill has its own place in the lesson as long as it is new. */
export function isHard(skillClass: SkillClass): boolean {
  return HARD.has(skillClass);
}

/** Tries of a block, by what it is for. */
export const BLOCK_TRIES = { main: 30, review: 12, warmUp: 40 } as const;
const SECONDS_A_BEAT = 0.5;
/** Taking the rope up again after a miss, seconds. */
const SECONDS_A_MISS = 4;
/** Rest after a block, minutes: longer after multiples (teaching.md, Sequencing). */
const REST_MINUTES: Readonly<Record<Effort, number>> = {
  footwork: 0.5,
  swings: 0.5,
  crosses: 0.5,
  mixed: 0.5,
  multiples: 1.5,
};
const HALF = 0.5;

export interface Dose {
  readonly minutes: number;
  readonly rest: number;
  readonly landings: number;
  readonly multiples: number;
}

/** What so many tries take, at a chance of a clean one; minutes in halves, the rest among them. */
export function doseOf(
  catalogue: Catalogue,
  { subject, side }: { readonly subject: string; readonly side: Side },
  drill: Drill,
  tries: number,
  cleanChance: number,
): Dose {
  const skill = skillOf(catalogue, subject);
  const misses = Math.round(tries * (1 - cleanChance));
  const seconds = tries * skill.beats * SECONDS_A_BEAT + misses * SECONDS_A_MISS;
  const rest = REST_MINUTES[effortOf(catalogue, subject)];
  const load = setLoad(sideScore(skill, side), { drill, clean: tries, misses: [] });
  return { minutes: Math.max(1, Math.ceil(seconds / 60 / HALF) * HALF) + rest, rest, ...load };
}
