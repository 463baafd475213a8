/**
 * The chance to pass a drill as it is shown (record.md, Chances): a student's chance of a miss is a Beta
 * distribution, a kind leaves a share of it, and passing so many in a row or so many of so many is
 * beta-binomial in what is left. Never a power of a mean: what is not known counts.
 */
import { passOf, type Drill } from "../syllabus/drill.js";
import { DEFAULT_TEMPO, heldRepetitions, type Gate } from "../syllabus/gates.js";
import { logBeta } from "./beta.js";
import type { Calibration, LearnerModel } from "./model.js";

/** The chance of a miss of one try: Beta(missed, clean), both above 0, the prior among them. */
export interface Belief {
  readonly missed: number;
  readonly clean: number;
}

/** The mean chance of a miss. */
export function missOf({ missed, clean }: Belief): number {
  return missed / (missed + clean);
}

/** The chance of a clean try of the whole skill. */
export function cleanOf(belief: Belief): number {
  return 1 - missOf(belief);
}

/**
 * What is believed of one try once a share of the misses is left: the Beta distribution with the mean and the
 * variance of 1 − share × miss.
 */
export function belowShare(belief: Belief, share: number): Belief {
  const total = belief.missed + belief.clean;
  const q = belief.missed / total;
  const variance = (q * (1 - q)) / (total + 1);
  const mean = 1 - share * q;
  if (share <= 0 || mean >= 1) return { missed: 0, clean: 1 };
  const weight = Math.max(1e-6, (mean * (1 - mean)) / (share * share * variance) - 1);
  return { missed: (1 - mean) * weight, clean: mean * weight };
}

/** The chance of `count` clean tries in a row. */
export function inARow({ missed, clean }: Belief, count: number): number {
  let chance = 1;
  for (let done = 0; done < count; done += 1) chance *= (clean + done) / (clean + missed + done);
  return chance;
}

/** The log of the chance that just these tries come, in their order. */
export function triesChance(belief: Belief, clean: number, missed: number): number {
  if (belief.missed <= 0) return missed > 0 ? -Infinity : 0;
  return logBeta(belief.clean + clean, belief.missed + missed) - logBeta(belief.clean, belief.missed);
}

/** The chance of at least `clean` clean tries of `of`; more than any number of them is never. */
export function cleanOfTries(belief: Belief, clean: number, of: number): number {
  if (clean <= 0) return 1;
  if (clean > of) return 0;
  // P(no miss), and from one number of misses to the next.
  let one = inARow(belief, of);
  let sum = one;
  for (let missed = 1; missed <= of - clean; missed += 1) {
    const kept = of - missed;
    one *= ((kept + 1) / missed) * ((belief.missed + missed - 1) / (belief.clean + kept));
    sum += one;
  }
  return Math.min(1, sum);
}

/** The chance that one of `goes` has `count` clean tries in a row. */
function inOneOf(belief: Belief, goes: number, count: number): number {
  let chance = 0;
  let ways = 1;
  for (let times = 1; times <= goes; times += 1) {
    ways = (ways * (goes - times + 1)) / times;
    chance += (times % 2 === 1 ? 1 : -1) * ways * inARow(belief, times * count);
  }
  return Math.min(1, Math.max(0, chance));
}

/** Of a count against a clock, a miss costs about so many repetitions. */
const REPETITIONS_A_MISS = 4;
/** Of a skill's misses, those that come from not beginning at all. */
const BAULKS = 0.05;

export interface PassOptions {
  /** How often the skill (or part) stands in one try, and how many beats a repetition has. */
  readonly repetitions?: number;
  readonly beats?: number;
  /** The drill's own clean and missed tries, where it leaves less than all of the misses. */
  readonly own?: Belief | undefined;
}

/** What a side lets one expect of a gentler drill is worth so many tries of that drill, once it has any. */
const EXPECTED_WEIGHT = 10;

/** A drill's own tries over what was expected of it: shares differ between skills and bodies. */
function withOwn(expected: Belief, own: Belief): Belief {
  const kept = Math.min(1, EXPECTED_WEIGHT / (expected.missed + expected.clean));
  return { missed: kept * expected.missed + own.missed, clean: kept * expected.clean + own.clean };
}

/** A chance as it is said, by what came of such before. */
export function calibrated(chance: number, { shift, slope }: Calibration): number {
  if (chance <= 0 || chance >= 1 || (shift === 0 && slope === 1)) return chance;
  return 1 / (1 + Math.exp(-shift) * ((1 - chance) / chance) ** slope);
}

type Said = Pick<LearnerModel, "shares" | "calibration">;

/** The chance to pass a drill; in a row and in rungs it is that of the first go. */
export function passChance(drill: Drill, belief: Belief, model: Said, options: PassOptions = {}): number {
  return calibrated(countedChance(drill, belief, model, options), model.calibration);
}

/** The same by the counts alone. */
function countedChance(
  drill: Drill,
  belief: Belief,
  { shares }: Pick<LearnerModel, "shares">,
  { repetitions = 1, beats = 1, own }: PassOptions,
): number {
  const share = drill.kind === "whole" ? BAULKS * shares.whole : shares[drill.kind];
  const left = belowShare(belief, share);
  const one = own === undefined ? left : withOwn(left, own);
  switch (drill.kind) {
    case "rounds":
    case "tens":
    case "side-to-side":
      return inARow(one, drill.rounds * repetitions);
    case "climb":
    case "growing-climb":
      return inARow(one, drill.top);
    case "streak":
      return inARow(one, drill.count);
    case "hold":
      return inARow(one, Math.max(1, heldRepetitions(drill.seconds, drill.tempo ?? DEFAULT_TEMPO, beats)));
    case "count":
      return cleanOfTries(one, drill.count, drill.count + Math.floor(drill.count / (REPETITIONS_A_MISS * 5)));
    case "part-counts":
      return inOneOf(one, drill.count, repetitions);
    default: {
      const pass = passOf(drill);
      if (pass === null) return 1;
      return repetitions === 1 || drill.kind === "whole"
        ? cleanOfTries(one, pass.clean, pass.of)
        : ofTriesInARow(one, pass.clean, pass.of, repetitions);
    }
  }
}

/** The chance of at least `clean` tries of `of`, each of which is `count` in a row: inclusion and exclusion. */
function ofTriesInARow(belief: Belief, clean: number, of: number, count: number): number {
  let chance = 0;
  for (let good = clean; good <= of; good += 1) {
    const ways = choose(of, good);
    for (let more = 0; more <= of - good; more += 1) {
      const sign = more % 2 === 0 ? 1 : -1;
      chance += sign * ways * choose(of - good, more) * inARow(belief, (good + more) * count);
    }
  }
  return Math.min(1, Math.max(0, chance));
}

function choose(of: number, taken: number): number {
  let ways = 1;
  for (let place = 1; place <= taken; place += 1) ways = (ways * (of - taken + place)) / place;
  return ways;
}

/** The chance to meet a gate at the next try. */
export function gateChance(
  belief: Belief,
  gate: Gate,
  gateStreak: number,
  { calibration }: Pick<LearnerModel, "calibration">,
): number {
  const counted =
    gate.kind === "clean" ? cleanOfTries(belief, gate.clean, gate.of) : inARow(belief, gateStreak);
  return calibrated(counted, calibration);
}
