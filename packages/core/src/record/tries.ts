/**
 * Tries left to a gate (record.md, Tries left): after N more tries the chance of a miss is
 * `q0 · K / (K + N)`, and the gate is in reach at `q*`. Both q0 and K are distributions, not numbers, and
 * so is the luck of the last tries; the range is the 10th and 90th percentile over all of them.
 */
import { cellOf } from "../grid.js";
import type { Gate } from "../syllabus/gates.js";
import type { SkillClass } from "../syllabus/skill.js";
import { betaQuantile } from "./beta.js";
import { missOf, type Belief } from "./chance.js";
import type { LearnerModel } from "./model.js";

export interface TriesLeft {
  readonly expected: number;
  readonly low: number;
  readonly high: number;
}

const LOWEST_MISS_TARGET = 0.02;

/** The chance of a miss at which a gate is in reach, and the tries that it then still takes. */
interface Target {
  readonly miss: number;
  readonly tries: number;
}

function targetOf(gate: Gate, gateStreak: number): Target {
  const wanted = gate.kind === "clean" ? 1 - gate.clean / gate.of : 1 - 0.5 ** (1 / gateStreak);
  const miss = Math.max(LOWEST_MISS_TARGET, wanted);
  if (gate.kind === "clean") return { miss, tries: gate.of };
  const clean = 1 - miss;
  // Expected tries until so many in a row; what the floor of the target leaves out is not waited for.
  return { miss, tries: Math.min((clean ** -gateStreak - 1) / miss, 2 * gateStreak) };
}

/** Tries until a chance of a miss of `miss` has come down to the target, at a pace of K. */
function learning(miss: number, pace: number, target: Target): number {
  return Math.max(0, pace * (miss / target.miss - 1));
}

/** The middles of ten equal slices of a standard normal distribution. */
const NORMAL = [-1.645, -1.036, -0.674, -0.385, -0.126, 0.126, 0.385, 0.674, 1.036, 1.645] as const;
const SLICES = NORMAL.map((_, place) => (place + 0.5) / NORMAL.length);
/** The middles of five equal slices of how long luck makes one wait, as a share of the mean. */
const LUCK = [0.105, 0.357, 0.693, 1.204, 2.303] as const;

export interface Learner {
  readonly skillClass: SkillClass;
  readonly gateStreak: number;
}

function percentile(sorted: Float64Array, share: number): number {
  return cellOf(sorted, Math.min(sorted.length - 1, Math.floor(share * sorted.length)));
}

/** The chances of a miss that a belief holds possible: the middles of ten equal slices. The dear part of a range. */
export function missSlices({ missed, clean }: Belief): readonly number[] {
  return SLICES.map((slice) => betaQuantile(slice, missed, clean));
}

/** How a side's tries spread, all equally likely, in no order. */
function spreadOf(
  misses: readonly number[],
  gate: Gate,
  { skillClass, gateStreak }: Learner,
  model: Pick<LearnerModel, "pace" | "paceSpread">,
): Float64Array {
  const target = targetOf(gate, gateStreak);
  const paces = NORMAL.map((z) => model.pace[skillClass] * model.paceSpread ** z);
  const waits = LUCK.map((luck) => Math.max(1, target.tries * luck));
  const all = new Float64Array(misses.length * paces.length * waits.length);
  let place = 0;
  for (const miss of misses) {
    for (const pace of paces) {
      const learned = learning(miss, pace, target);
      for (const wait of waits) {
        all[place] = learned + wait;
        place += 1;
      }
    }
  }
  return all;
}

/** How much of what is thought possible is less than so many tries; what is just as many counts half. */
export function belowOf(
  tries: number,
  misses: readonly number[],
  gate: Gate,
  learner: Learner,
  model: Pick<LearnerModel, "pace" | "paceSpread">,
): number {
  const spread = spreadOf(misses, gate, learner, model);
  const below = spread.reduce((sum, one) => sum + (one < tries ? 1 : one === tries ? 0.5 : 0), 0);
  return below / spread.length;
}

/** Φ of the standard normal distribution (Abramowitz and Stegun 26.2.17), to 1e-7. */
function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const series = [0.31938153, -0.356563782, 1.781477937, -1.821255978, 1.330274429];
  const tail =
    series.reduceRight((sum, one) => t * (one + sum), 0) * (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI));
  return z < 0 ? tail : 1 - tail;
}

/** The deviation of the 90th percentile of a normal distribution. */
const NINETIETH = 1.2816;
const LEAST_TRIES = 0.5;

/** The chance that so many tries are enough: lognormal between the ends of the range. */
export function chanceWithin({ expected, low, high }: TriesLeft, tries: number): number {
  if (expected <= 0) return 1;
  if (tries <= 0) return 0;
  const [least, most] = [Math.max(LEAST_TRIES, low), Math.max(LEAST_TRIES, high)].map(Math.log);
  if (least === undefined || most === undefined || most <= least) return tries >= expected ? 1 : 0;
  return normalBelow((2 * NINETIETH * (Math.log(tries) - (least + most) / 2)) / (most - least));
}

/** Tries left to a gate, with their range. */
export function triesTo(belief: Belief, gate: Gate, learner: Learner, model: LearnerModel): TriesLeft {
  const spread = spreadOf(missSlices(belief), gate, learner, model).sort();
  return {
    expected: expectedTriesTo(belief, gate, learner, model),
    low: percentile(spread, 0.1),
    high: percentile(spread, 0.9),
  };
}

/** The expected tries alone, for searches that weigh many gates: the range costs the most. */
export function expectedTriesTo(
  belief: Belief,
  gate: Gate,
  { skillClass, gateStreak }: Learner,
  model: LearnerModel,
): number {
  const target = targetOf(gate, gateStreak);
  return learning(missOf(belief), model.pace[skillClass], target) + target.tries;
}

/** How much of the spread of paces is the student's own, the same for every skill. */
const OWN_PACE = 0.5;

/**
 * Tries of several sides together: steps are independent given the student's own pace, so their
 * variances add, and the pace of all of them varies together.
 */
export function triesOfAll(
  steps: readonly TriesLeft[],
  { paceSpread }: Pick<LearnerModel, "paceSpread">,
): TriesLeft {
  const expected = steps.reduce((sum, step) => sum + step.expected, 0);
  if (steps.length < 2) return steps[0] ?? { expected: 0, low: 0, high: 0 };
  const independent = Math.sqrt(
    steps.reduce((sum, { low, high }) => sum + (1 - OWN_PACE) * ((high - low) / (2 * NINETIETH)) ** 2, 0),
  );
  const together = Math.log(paceSpread) * Math.sqrt(OWN_PACE);
  const all: number[] = [];
  for (const own of NORMAL) {
    const mean = expected * Math.exp(together * own);
    for (const rest of NORMAL) all.push(Math.max(0, mean + independent * rest));
  }
  const sorted = Float64Array.from(all).sort();
  return { expected, low: percentile(sorted, 0.1), high: percentile(sorted, 0.9) };
}
