/**
 * The chance to pass a drill as it is shown (record.md, Chances): a student's chance of a miss is a Beta
 * distribution, a kind leaves a share of it, and passing so many in a row or so many of so many is
 * beta-binomial in what is left. Never a power of a mean: what is not known counts.
 */
import { passOf, type Drill } from "../syllabus/drill.js";
import { DEFAULT_TEMPO, heldRepetitions, type Gate } from "../syllabus/gates.js";
import type { LearnerModel } from "./model.js";

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

/** The parameters of the chance of a clean try once a share of the misses is left, by its two moments. */
function left(belief: Belief, share: number): { readonly alpha: number; readonly beta: number } | null {
  const total = belief.missed + belief.clean;
  const q = belief.missed / total;
  const variance = (q * (1 - q)) / (total + 1);
  const mean = 1 - share * q;
  if (share <= 0 || mean >= 1) return null;
  const kappa = Math.max(1e-6, (mean * (1 - mean)) / (share * share * variance) - 1);
  return { alpha: mean * kappa, beta: (1 - mean) * kappa };
}

/** The chance of `count` clean tries in a row. */
export function inARow(belief: Belief, count: number, share = 1): number {
  const parameters = left(belief, share);
  if (parameters === null) return 1;
  const { alpha, beta } = parameters;
  let chance = 1;
  for (let done = 0; done < count; done += 1) chance *= (alpha + done) / (alpha + beta + done);
  return chance;
}

/** The chance of at least `clean` clean tries of `of`; more than any number of them is never. */
export function cleanOfTries(belief: Belief, clean: number, of: number, share = 1): number {
  if (clean <= 0) return 1;
  if (clean > of) return 0;
  const parameters = left(belief, share);
  if (parameters === null) return 1;
  const { alpha, beta } = parameters;
  // P(no miss), and from one number of misses to the next.
  let one = inARow(belief, of, share);
  let sum = one;
  for (let missed = 1; missed <= of - clean; missed += 1) {
    const kept = of - missed;
    one *= ((kept + 1) / missed) * ((beta + missed - 1) / (alpha + kept));
    sum += one;
  }
  return Math.min(1, sum);
}

/** The chance that one of `goes` has `count` clean tries in a row. */
function inOneOf(belief: Belief, goes: number, count: number, share: number): number {
  let chance = 0;
  let ways = 1;
  for (let times = 1; times <= goes; times += 1) {
    ways = (ways * (goes - times + 1)) / times;
    chance += (times % 2 === 1 ? 1 : -1) * ways * inARow(belief, times * count, share);
  }
  return Math.min(1, Math.max(0, chance));
}

/** Of a count against a clock, a miss costs about so many repetitions. */
const REPETITIONS_A_MISS = 4;
/** Of a skill's misses, those that come from not beginning at all. */
const BAULKS = 0.05;

/**
 * The chance to pass a drill; `repetitions` is how often the skill (or part) stands in one try of it, and
 * `beats` how long it is. In a row and in rungs it is that of the first go.
 */
export function passChance(
  drill: Drill,
  belief: Belief,
  { shares }: Pick<LearnerModel, "shares">,
  { repetitions = 1, beats = 1 }: { readonly repetitions?: number; readonly beats?: number } = {},
): number {
  const share = shares[drill.kind];
  switch (drill.kind) {
    case "rounds":
    case "tens":
    case "side-to-side":
      return inARow(belief, drill.rounds * repetitions, share);
    case "climb":
    case "growing-climb":
      return inARow(belief, drill.top, share);
    case "streak":
      return inARow(belief, drill.count, share);
    case "hold":
      return inARow(
        belief,
        Math.max(1, heldRepetitions(drill.seconds, drill.tempo ?? DEFAULT_TEMPO, beats)),
        share,
      );
    case "count":
      return cleanOfTries(
        belief,
        drill.count,
        drill.count + Math.floor(drill.count / (REPETITIONS_A_MISS * 5)),
        share,
      );
    case "part-counts":
      return inOneOf(belief, drill.count, repetitions, share);
    case "whole": {
      const pass = passOf(drill);
      return pass === null ? 1 : cleanOfTries(belief, pass.clean, pass.of, BAULKS * share);
    }
    default: {
      const pass = passOf(drill);
      if (pass === null) return 1;
      return repetitions === 1
        ? cleanOfTries(belief, pass.clean, pass.of, share)
        : ofTriesInARow(belief, pass.clean, pass.of, repetitions, share);
    }
  }
}

/** The chance of at least `clean` tries of `of`, each of which is `count` in a row: inclusion and exclusion. */
function ofTriesInARow(belief: Belief, clean: number, of: number, count: number, share: number): number {
  let chance = 0;
  for (let good = clean; good <= of; good += 1) {
    const ways = choose(of, good);
    for (let more = 0; more <= of - good; more += 1) {
      const sign = more % 2 === 0 ? 1 : -1;
      chance += sign * ways * choose(of - good, more) * inARow(belief, (good + more) * count, share);
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
export function gateChance(belief: Belief, gate: Gate, gateStreak: number): number {
  return gate.kind === "clean" ? cleanOfTries(belief, gate.clean, gate.of) : inARow(belief, gateStreak);
}
