/**
 * The numbers of the learner model (record.md, Chances and Tries left): where a class starts, how fast it
 * is learned, what a kind of drill leaves of the misses, how fast the past fades. The handbook's are the
 * ones to begin with; a studio's own log refits them.
 */
import { DRILL_KINDS, DRILL_ROWS, type DrillKind } from "../syllabus/drill.js";
import type { SkillClass } from "../syllabus/skill.js";

/** Said is logistic(shift + slope · logit(chance)): 0 and 1 leave it as it is. */
export interface Calibration {
  readonly shift: number;
  readonly slope: number;
}

export interface LearnerModel {
  /** Counts the fits; 0 is what the handbook says. */
  readonly version: number;
  /** Chance of a miss at the first try, by class. */
  readonly startMiss: Readonly<Record<SkillClass, number>>;
  /** Median of K, the tries that halve the chance of a miss, by class. */
  readonly pace: Readonly<Record<SkillClass, number>>;
  /** Spread of K between students and skills, as a factor. */
  readonly paceSpread: number;
  /** What a kind leaves of the whole skill's misses. */
  readonly shares: Readonly<Record<DrillKind, number>>;
  /** How what all this comes to is said, in log odds: what came of what was said before. */
  readonly calibration: Calibration;
  /** After so many days, and after so many tries of a set, what was there before counts half. */
  readonly halfLifeDays: number;
  readonly halfLifeTries: number;
  /** What a try weighs that a student counted alone. */
  readonly aloneWeight: number;
}

const START_MISS: Readonly<Record<SkillClass, number>> = {
  ground: 0.4,
  base: 0.3,
  footwork: 0.4,
  taps: 0.4,
  speed: 0.5,
  power: 0.5,
  swing: 0.4,
  turn: 0.5,
  release: 0.6,
  cross: 0.5,
  fusion: 0.6,
  double: 0.6,
  "fused-double": 0.7,
  triple: 0.85,
  quad: 0.95,
};

const PACE: Readonly<Record<SkillClass, number>> = {
  ground: 40,
  base: 25,
  footwork: 40,
  taps: 40,
  speed: 60,
  power: 60,
  swing: 60,
  turn: 60,
  release: 90,
  cross: 90,
  fusion: 90,
  double: 90,
  "fused-double": 150,
  triple: 250,
  quad: 400,
};

export const HANDBOOK_MODEL: LearnerModel = {
  version: 0,
  startMiss: START_MISS,
  pace: PACE,
  paceSpread: 2,
  shares: Object.fromEntries(DRILL_KINDS.map((kind) => [kind, DRILL_ROWS[kind].share])) as Record<
    DrillKind,
    number
  >,
  calibration: { shift: 0, slope: 1 },
  halfLifeDays: 21,
  halfLifeTries: 40,
  aloneWeight: 0.5,
};

/** A model that some build wrote down; kinds and classes that it did not know are left out. */
export type StoredModel = Omit<
  LearnerModel,
  "startMiss" | "pace" | "shares" | "calibration" | "aloneWeight"
> &
  Readonly<Record<"startMiss" | "pace" | "shares", Readonly<Record<string, number>>>> & {
    readonly calibration?: Calibration;
    readonly aloneWeight?: number;
  };

/** A stored model as this build takes it: what it does not say is as the handbook has it. */
export function readModel({ startMiss, pace, shares, ...rest }: StoredModel): LearnerModel {
  const known = <Key extends string>(
    stored: Readonly<Record<string, number>>,
    all: Readonly<Record<Key, number>>,
  ) => mapped(all, (number, key) => stored[key] ?? number);
  return {
    calibration: HANDBOOK_MODEL.calibration,
    aloneWeight: HANDBOOK_MODEL.aloneWeight,
    ...rest,
    startMiss: known(startMiss, START_MISS),
    pace: known(pace, PACE),
    shares: known(shares, HANDBOOK_MODEL.shares),
  };
}

/** A table of numbers with each of them changed. */
export function mapped<Key extends string>(
  numbers: Readonly<Record<Key, number>>,
  to: (number: number, key: Key) => number,
): Readonly<Record<Key, number>> {
  const keys = Object.keys(numbers) as Key[];
  return Object.fromEntries(keys.map((key) => [key, to(numbers[key], key)])) as Record<Key, number>;
}

/** What the prior weighs, in tries. */
export const PRIOR_WEIGHT = 2;
