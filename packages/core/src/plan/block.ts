/** A block of a plan: one drill of one side, with what it takes. */
import { parseScore } from "../rope/parse.js";
import { expandBeats, type Score } from "../rope/score.js";
import type { SideName } from "../sides.js";
import type { CautionCode } from "../syllabus/caution.js";
import { DRILL_ROWS, type Drill } from "../syllabus/drill.js";
import type { Effort } from "../syllabus/effort.js";
import { setLoad } from "../record/load.js";
import type { NextReason } from "../next/next.js";
import type { Side } from "../syllabus/side.js";

/** In the order in which a lesson has them; the hard skill stands before or after the main work. */
export const PHASES = [
  "warm-up",
  "early-hard",
  "review",
  "main",
  "climb",
  "combo",
  "late-hard",
  "no-landing",
  "conditioning",
  "cool-down",
] as const;
export type Phase = (typeof PHASES)[number];

/** Whether it is easy jumping that nobody counts: it stands first or last, whatever else is moved. */
export function isEasyPhase(phase: Phase): phase is "warm-up" | "cool-down" {
  return phase === "warm-up" || phase === "cool-down";
}

const OPEN_WORK: ReadonlySet<Phase> = new Set(["early-hard", "main", "late-hard"]);

/**
 * Whether a block's sets go up the skill's ladder as it is passed: open work does. All others are about their own
 * drill: a review, a climb, rounds that last, a combo, and what must not land.
 */
export function goesUp(phase: Phase): boolean {
  return OPEN_WORK.has(phase);
}

export type PlanReason =
  | NextReason
  | { readonly code: "warm-up" }
  | { readonly code: "cool-down" }
  /** Up and down what is cleared. */
  | { readonly code: "climb" }
  /** Rounds with short rests. */
  | { readonly code: "conditioning" }
  /** Towards a skill, without a landing: the legs have had enough, or there are minutes left. */
  | { readonly code: "no-landing"; readonly isEnough: boolean }
  /** A kept combo, or two cleared skills where none is open. */
  | {
      readonly code: "combo";
      readonly skills: readonly string[];
      readonly combo: { readonly id: string; readonly name: string } | null;
    };

/** What a block goes beyond that somebody kept in all the same. */
export const BEYONDS = [
  "minutes",
  "review-share",
  "landings",
  "day-landings",
  "multiples",
  "rest-day",
  "tired",
] as const;
export type Beyond = (typeof BEYONDS)[number];

export interface PlanBlock {
  readonly phase: Phase;
  readonly subject: string;
  readonly side: SideName;
  readonly drill: Drill;
  /** The chance to pass it as it is; null where nothing is to be reached. */
  readonly chance: number | null;
  /** What comes on its ladder once it is passed; null where nothing does. */
  readonly after: Drill | null;
  /** What to mind in it. */
  readonly cautions: readonly CautionCode[];
  /** Sets of at most twenty tries, a rest after each. */
  readonly sets: number;
  readonly minutes: number;
  /** Of these, the rests between its sets and after it. */
  readonly rest: number;
  readonly landings: number;
  readonly multiples: number;
  readonly effort: Effort;
  readonly reason: PlanReason;
  /** What the plan would be worth less without it; null where nothing was weighed. */
  readonly leaving: number | null;
  readonly beyond: readonly Beyond[];
}

/** Tries of a block, by what it is for; a minute's for the warm-up. */
export const BLOCK_TRIES = { main: 60, review: 12, climb: 30, combo: 10, warmUp: 40 } as const;
/** Nobody does more than so many tries without a rest. */
export const SET_TRIES = 20;
const SECONDS_A_BEAT = 0.5;
/** Taking the rope up again after a miss, seconds. */
const SECONDS_A_MISS = 4;
/** Rest after a set, minutes: longer after multiples (teaching.md, Sequencing). */
const REST_MINUTES = 0.5;
const REST_AFTER_MULTIPLES = 1.5;
/** Conditioning by default: rounds of three minutes (teaching.md, Sequencing). */
export const ROUND = { most: 3, minutes: 3, rest: 0.5, restAfterMultiples: 1 } as const;
const HALF = 0.5;

/** Minutes of rest after a set that loads so. */
function restAfterLoad({ multiples }: Pick<Dose, "multiples">): number {
  return multiples > 0 ? REST_AFTER_MULTIPLES : REST_MINUTES;
}

/** Seconds of rest after a set of a drill: none after what is done without a rope. `score` is null outside the rope model. */
export function restAfterSet(score: Score | null, drill: Drill): number {
  if (!DRILL_ROWS[drill.kind].hasRope) return 0;
  return 60 * restAfterLoad(setLoad(score, { drill, clean: 1, misses: [] }));
}

export interface Dose {
  readonly sets: number;
  readonly minutes: number;
  readonly rest: number;
  readonly landings: number;
  readonly multiples: number;
}

/** What is tried, and how long it is. */
export interface Tried {
  readonly beats: number;
  readonly score: Score | null;
}

/** Beats of one try: of the drill's own score where it writes one. */
function beatsOfDrill({ score }: Drill, beats: number): number {
  const parsed = score === undefined ? null : parseScore(score);
  return parsed?.ok === true ? expandBeats(parsed.score).length : beats;
}

/** What so many tries take, at a chance of a clean one; minutes in halves, the rest among them. */
export function doseOfTried({ beats, score }: Tried, drill: Drill, tries: number, cleanChance: number): Dose {
  const misses = Math.round(tries * (1 - cleanChance));
  const again = DRILL_ROWS[drill.kind].again;
  const seconds = tries * (beatsOfDrill(drill, beats) * SECONDS_A_BEAT + again) + misses * SECONDS_A_MISS;
  const sets = Math.max(1, Math.ceil(tries / SET_TRIES));
  const load = setLoad(score, { drill, clean: tries, misses: [] });
  const rest = sets * restAfterLoad(load);
  return { sets, minutes: Math.max(1, Math.ceil(seconds / 60 / HALF) * HALF) + rest, rest, ...load };
}

/** The same of a skill's side. */
export function doseOfSide({ skill, score }: Side, drill: Drill, tries: number, cleanChance: number): Dose {
  return doseOfTried({ beats: skill.beats, score }, drill, tries, cleanChance);
}
