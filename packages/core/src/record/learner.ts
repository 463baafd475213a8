/** The learner model of teaching.md: what a student's record says about the next try. */
import type { Instant } from "../instant.js";
import type { Gate } from "../syllabus/gates.js";
import { gateAsStreak } from "../syllabus/gates.js";
import type { SkillClass } from "../syllabus/skill.js";
import { betaQuantile } from "./beta.js";
import { cleanChanceAt, weightedTries, type StandingFacts } from "./evidence.js";
import { weightScale } from "./weight.js";

/** The chance that a proposed rung should have: three in four. */
export const RUNG_CHANCE = 0.75;

/** The chance of a clean try, `a / (a + b)` with `a = 1 + Σ weight·clean`, `b = 1 + Σ weight·misses`. */
export function cleanChance(facts: StandingFacts, now: Instant): number {
  return cleanChanceAt(facts, weightScale(now));
}

/** The chance of `count` clean tries in a row, `p^n`. */
export function streakChance(chance: number, count: number): number {
  return chance ** count;
}

/**
 * The chance to meet a gate at the next try: so many in a row, or at least `clean` of `of` by the
 * binomial distribution. A hold is a streak by its tempo.
 */
export function gateChance(chance: number, gate: Gate, beatsPerRepetition: number): number {
  if (gate.kind !== "clean") return streakChance(chance, gateAsStreak(gate, beatsPerRepetition));
  let ways = 1;
  let sum = 0;
  for (let missed = 0; missed <= gate.of - gate.clean; missed += 1) {
    sum += ways * chance ** (gate.of - missed) * (1 - chance) ** missed;
    ways = (ways * (gate.of - missed)) / (missed + 1);
  }
  return Math.min(1, sum);
}

export interface Rung {
  readonly count: number;
  readonly chance: number;
}

/**
 * The next rung: the largest n with a three in four chance, but at least half the best streak of
 * the last two lessons (rounded up), at least 1, at most the gate (as a streak).
 */
export function nextRung(facts: StandingFacts, gateStreak: number, now: Instant): Rung {
  const chance = cleanChance(facts, now);
  // The logarithm can land a hair off a whole number either way; the power decides.
  let likely = Math.floor(Math.log(RUNG_CHANCE) / Math.log(chance)) + 1;
  while (likely > 0 && streakChance(chance, likely) < RUNG_CHANCE) likely -= 1;
  const recent = Math.max(0, ...facts.lessons.slice(0, 2).map((lesson) => lesson.bestStreak));
  const count = Math.min(gateStreak, Math.max(1, likely, Math.ceil(recent / 2)));
  return { count, chance: streakChance(chance, count) };
}

/** Whether "try the gate" is offered too: from a best streak of 0.8 of the gate on. */
export function nearGate(facts: StandingFacts, gateStreak: number): boolean {
  return facts.bestStreak >= 0.8 * gateStreak;
}

/** At today's form, the expected tries until n in a row: `(p^−n − 1) / (1 − p)`, n for p = 1. */
export function expectedTries(chance: number, count: number): number {
  return chance === 1 ? count : (chance ** -count - 1) / (1 - chance);
}

/** Chance of a miss at the first try (`startMiss`) and tries that halve it (`halvingTries`). */
export interface LearningPace {
  readonly startMiss: number;
  readonly halvingTries: number;
}

export const LEARNING_PACES: Readonly<Record<SkillClass, LearningPace>> = {
  base: { startMiss: 0.3, halvingTries: 5 },
  footwork: { startMiss: 0.4, halvingTries: 6 },
  taps: { startMiss: 0.4, halvingTries: 6 },
  ground: { startMiss: 0.4, halvingTries: 6 },
  swing: { startMiss: 0.4, halvingTries: 8 },
  cross: { startMiss: 0.5, halvingTries: 12 },
  speed: { startMiss: 0.5, halvingTries: 12 },
  power: { startMiss: 0.5, halvingTries: 12 },
  turn: { startMiss: 0.5, halvingTries: 12 },
  double: { startMiss: 0.6, halvingTries: 20 },
  fusion: { startMiss: 0.6, halvingTries: 20 },
  release: { startMiss: 0.6, halvingTries: 20 },
  "fused-double": { startMiss: 0.7, halvingTries: 30 },
  triple: { startMiss: 0.85, halvingTries: 45 },
  quad: { startMiss: 0.95, halvingTries: 60 },
};

export interface TriesLeft {
  readonly expected: number;
  readonly low: number;
  readonly high: number;
}

const LOWEST_MISS_TARGET = 0.02;

/** The chance of a miss now: the Beta's mean, and its 10th and 90th percentile. */
export interface MissChance {
  readonly expected: number;
  readonly low: number;
  readonly high: number;
}

/** The two parameters of the chance of a miss, `q0 = missed / (missed + clean)`. */
function missBeta(facts: StandingFacts, pace: LearningPace, now: Instant) {
  const { clean, misses } = weightedTries(facts, now);
  return { missed: 2 * pace.startMiss + misses, clean: 2 * (1 - pace.startMiss) + clean };
}

export function missChance(facts: StandingFacts, pace: LearningPace, now: Instant): MissChance {
  const { missed, clean } = missBeta(facts, pace, now);
  return {
    expected: missed / (missed + clean),
    low: betaQuantile(0.1, missed, clean),
    high: betaQuantile(0.9, missed, clean),
  };
}

/**
 * Tries from a chance of a miss of `miss` to the gate, with learning taken into account: after N
 * more tries it is `q0·K / (K + N)`, and the gate is in reach at `q*`.
 */
function triesFrom(miss: number, gate: Gate, pace: LearningPace, beatsPerRepetition: number): number {
  const count = gateAsStreak(gate, beatsPerRepetition);
  const wanted = gate.kind === "clean" ? 1 - gate.clean / gate.of : 1 - 0.5 ** (1 / count);
  const target = Math.max(LOWEST_MISS_TARGET, wanted);
  const tries = gate.kind === "clean" ? gate.of : count;
  return Math.max(0, pace.halvingTries * (miss / target - 1)) + tries;
}

/** Tries left to a gate from the chance of a miss now, with the range that its percentiles give. */
export function triesFromMiss(
  miss: MissChance,
  gate: Gate,
  pace: LearningPace,
  beatsPerRepetition: number,
): TriesLeft {
  const from = (chance: number) => triesFrom(chance, gate, pace, beatsPerRepetition);
  return { expected: from(miss.expected), low: from(miss.low), high: from(miss.high) };
}

/** Tries left to the gate and their range, from a side's record. */
export function triesLeft(
  facts: StandingFacts,
  gate: Gate,
  pace: LearningPace,
  beatsPerRepetition: number,
  now: Instant,
): TriesLeft {
  return triesFromMiss(missChance(facts, pace, now), gate, pace, beatsPerRepetition);
}

/** The expected tries left alone, for searches that weigh many gates: the range costs the most. */
export function expectedTriesLeft(
  facts: StandingFacts,
  gate: Gate,
  pace: LearningPace,
  beatsPerRepetition: number,
  now: Instant,
): number {
  const { missed, clean } = missBeta(facts, pace, now);
  return triesFrom(missed / (missed + clean), gate, pace, beatsPerRepetition);
}
