/**
 * The learner model refitted to a studio's own log (record.md, Chances): where classes start and how fast
 * they go, what a kind of drill leaves of the misses, how fast the past fades, what a try weighs that nobody saw. Everything is drawn toward
 * the model that one begins with, the more the less there is to go by; an empty log changes nothing.
 */
import { grouped } from "../grouped.js";
import type { SkillClass } from "../syllabus/skill.js";
import { belowShare, missOf, passChance, triesChance } from "./chance.js";
import { mapped, type Calibration, type LearnerModel } from "./model.js";
import { practiceOf, type Begun, type StudentLog, type Tried } from "./practice.js";
import { belowOf, missSlices } from "./tries.js";

/** What the numbers that one begins with weigh: misses expected, and sides that were begun. */
const MISSES_BEGUN_WITH = 60;
const SIDES_BEGUN_WITH = 12;
/** The same of what one class says beside all of them, and of the spread: seven in ten of other sides are then held. */
const CLASS_SIDES_BEGUN_WITH = 40;
/** What leaving chances as they are weighs, in drills. */
const DRILLS_BEGUN_WITH = 20;
/** How unlikely a half-life twice, or half, as long is before anything is known, as log likelihood. */
const DOUBLED = 4;
const HALF_LIVES_OF_TRIES = [0.25, 0.35, 0.5, 0.7, 1, 1.4, 2] as const;
const HALF_LIVES_OF_DAYS = [0.5, 1, 2] as const;
/** Times what a try that nobody saw weighed before; none weighs more than one that was seen. */
const ALONE_WEIGHTS = [0.125, 0.25, 0.5, 0.7, 1, 1.4, 2] as const;
/** A chance of a miss at the start, and a share of the misses, lie within these. */
const BOUNDS = { least: 0.02, most: 0.98 } as const;
/** No class is taken to be so many times faster or slower than it was. */
const MOST_TIMES = 8;
const SPREADS = [1.15, 1.3, 1.5, 1.75, 2, 2.4, 3, 4, 5] as const;
/** What a range of tries is to hold of the log that it was fitted on: of what comes after it holds less. */
const HELD = 0.92;

const within = (value: number) => Math.min(BOUNDS.most, Math.max(BOUNDS.least, value));

/** So many misses as came for each that was expected, drawn toward one. */
function missRatio(tried: readonly Tried[], expectedOf: (one: Tried) => number): number {
  const came = tried.reduce((sum, one) => sum + one.missed, 0);
  const expected = tried.reduce((sum, one) => sum + expectedOf(one) * (one.clean + one.missed), 0);
  return (MISSES_BEGUN_WITH + came) / (MISSES_BEGUN_WITH + expected);
}

function refitStarts(
  tried: readonly Tried[],
  { startMiss, shares }: LearnerModel,
): LearnerModel["startMiss"] {
  const byClass = grouped(
    tried.filter((one) => one.isFirst),
    ({ of }) => of.skill.skillClass,
  );
  const ratioOf = (skillClass: SkillClass) =>
    missRatio(byClass.get(skillClass) ?? [], ({ drill }) => shares[drill.kind] * startMiss[skillClass]);
  return mapped(startMiss, (miss, skillClass) => within(miss * ratioOf(skillClass)));
}

function refitShares(tried: readonly Tried[], { shares }: LearnerModel): LearnerModel["shares"] {
  const byKind = grouped(tried, ({ drill }) => drill.kind);
  const expectedOf = ({ drill, before }: Tried) => shares[drill.kind] * missOf(before);
  return mapped(shares, (share, kind) => Math.min(1, share * missRatio(byKind.get(kind) ?? [], expectedOf)));
}

function likelihood(tried: readonly Tried[], { shares }: LearnerModel): number {
  return tried.reduce(
    (sum, { before, drill, clean, missed }) =>
      sum + triesChance(belowShare(before, shares[drill.kind]), clean, missed),
    0,
  );
}

/** The half-lives under which what came was likeliest, of a few. O(lines) for each. */
function refitHalfLives(logs: readonly StudentLog[], model: LearnerModel): LearnerModel {
  let [best, most] = [model, -Infinity];
  for (const tries of HALF_LIVES_OF_TRIES) {
    for (const days of HALF_LIVES_OF_DAYS) {
      const tried: LearnerModel = {
        ...model,
        halfLifeTries: model.halfLifeTries * tries,
        halfLifeDays: model.halfLifeDays * days,
      };
      const unlikely = DOUBLED * (Math.log2(tries) ** 2 + Math.log2(days) ** 2);
      const likely = likelihood(practiceOf(logs, tried).tried, tried) - unlikely;
      if (likely > most) [best, most] = [tried, likely];
    }
  }
  return best;
}

/** What a try that a student counted alone weighs, of a few, under which what was seen was likeliest. O(lines) for each. */
function refitAlone(logs: readonly StudentLog[], model: LearnerModel): LearnerModel["aloneWeight"] {
  if (logs.every(({ sets }) => sets.every((set) => set.isAlone === undefined))) return model.aloneWeight;
  let [best, most] = [model.aloneWeight, -Infinity];
  for (const times of ALONE_WEIGHTS) {
    const aloneWeight = Math.min(1, model.aloneWeight * times);
    const tried = { ...model, aloneWeight };
    const likely = likelihood(practiceOf(logs, tried).tried, tried) - DOUBLED * Math.log2(times) ** 2;
    if (likely > most) [best, most] = [aloneWeight, likely];
  }
  return best;
}

/** A side that was begun, with the chances of a miss that were thought possible then. */
interface Followed extends Begun {
  readonly misses: readonly number[];
}

/** How much of what was thought possible is less than what was made so far. */
function belowSoFar({ of, misses, tries }: Followed, model: LearnerModel): number {
  const { gate, gateStreak, skill } = of;
  return belowOf(tries, misses, gate, { skillClass: skill.skillClass, gateStreak }, model);
}

/** Where what came lies among what was thought possible: 0 for the least, 1 for the most. */
function placeOf(one: Followed, model: LearnerModel): number {
  const below = belowSoFar(one, model);
  // Of one who has not come there yet nothing is known but that it takes more.
  return one.isCleared ? below : (1 + below) / 2;
}

/** How much a side tells of the pace: all once it is cleared, before that as far as it has come. */
function toldBy(one: Followed, model: LearnerModel): number {
  return one.isCleared ? 1 : belowSoFar(one, model);
}

const mean = (numbers: readonly number[]) => numbers.reduce((sum, one) => sum + one, 0) / numbers.length;

/** How many times the pace has to be for what came to lie in the middle of what was thought, on average. */
function paceTimes(begun: readonly Followed[], model: LearnerModel): number {
  let [low, high] = [1 / MOST_TIMES, MOST_TIMES];
  for (let step = 0; step < 8; step += 1) {
    const times = Math.sqrt(low * high);
    const slower = { ...model, pace: mapped(model.pace, (pace) => times * pace) };
    if (mean(begun.map((one) => placeOf(one, slower))) > 0.5) low = times;
    else high = times;
  }
  return Math.sqrt(low * high);
}

function drawn(begun: readonly Followed[], model: LearnerModel, begunWith: number): number {
  const told = begun.reduce((sum, one) => sum + toldBy(one, model), 0);
  return told === 0 ? 1 : paceTimes(begun, model) ** (told / (told + begunWith));
}

/** What all sides say of the pace first, then what each class says beside that: of most classes there is little. */
function refitPaces(begun: readonly Followed[], model: LearnerModel): LearnerModel["pace"] {
  const times = drawn(begun, model, SIDES_BEGUN_WITH);
  const common = { ...model, pace: mapped(model.pace, (pace) => times * pace) };
  const byClass = grouped(begun, ({ of }) => of.skill.skillClass);
  return mapped(
    common.pace,
    (pace, skillClass) => pace * drawn(byClass.get(skillClass) ?? [], common, CLASS_SIDES_BEGUN_WITH),
  );
}

/** The spread with which the range would have held as much as it is to. */
function refitSpread(begun: readonly Followed[], model: LearnerModel): number {
  const cleared = begun.filter((one) => one.isCleared);
  const misfit = (paceSpread: number) => {
    const places = cleared.map((one) => placeOf(one, { ...model, paceSpread }));
    const held = places.filter((place) => place >= (1 - HELD) / 2 && place <= (1 + HELD) / 2).length;
    return Math.abs(held / places.length - HELD);
  };
  if (cleared.length === 0) return model.paceSpread;
  const [best = model.paceSpread] = [...SPREADS].sort((one, other) => misfit(one) - misfit(other));
  const weight = cleared.length / (cleared.length + CLASS_SIDES_BEGUN_WITH);
  return model.paceSpread * (best / model.paceSpread) ** weight;
}

const NEWTON_STEPS = 12;
const CALIBRATION_BOUNDS = { shift: 1, slope: [0.5, 2] } as const;
/** Chances beyond these are nearly sure, and would weigh too much. */
const nearlySure = (chance: number) => Math.min(0.995, Math.max(0.005, chance));

/**
 * How what was said has to be said for what came to be likeliest: a logistic regression of what came on the
 * log odds of what was said, by Newton's steps, drawn toward leaving it as it is.
 */
function refitCalibration(tried: readonly Tried[], model: LearnerModel): Calibration {
  const said = tried.flatMap(({ of, drill, repetitions, before, came }) => {
    if (came === null) return [];
    const chance = nearlySure(passChance(drill, before, model, { beats: of.skill.beats, repetitions }));
    return [{ odds: Math.log(chance / (1 - chance)), came: Number(came) }];
  });
  let [shift, slope] = [0, 1];
  for (let step = 0; step < NEWTON_STEPS; step += 1) {
    let [g0, g1] = [-DRILLS_BEGUN_WITH * shift, -DRILLS_BEGUN_WITH * (slope - 1)];
    let [h00, h01, h11] = [DRILLS_BEGUN_WITH as number, 0, DRILLS_BEGUN_WITH as number];
    for (const { odds, came } of said) {
      const chance = 1 / (1 + Math.exp(-shift - slope * odds));
      const weight = chance * (1 - chance);
      g0 += came - chance;
      g1 += (came - chance) * odds;
      h00 += weight;
      h01 += weight * odds;
      h11 += weight * odds * odds;
    }
    const determinant = h00 * h11 - h01 * h01;
    shift += (h11 * g0 - h01 * g1) / determinant;
    slope += (h00 * g1 - h01 * g0) / determinant;
  }
  const {
    shift: most,
    slope: [least, steepest],
  } = CALIBRATION_BOUNDS;
  return {
    shift: Math.min(most, Math.max(-most, shift)),
    slope: Math.min(steepest, Math.max(least, slope)),
  };
}

/**
 * A model refitted to the logs of a studio's students; its version is the next after `version`. The same for
 * the same logs. O(sets), some twenty times.
 */
export function refit(
  logs: readonly StudentLog[],
  model: LearnerModel,
  version = model.version,
): LearnerModel {
  const half = refitHalfLives(logs, model);
  const faded = { ...half, aloneWeight: refitAlone(logs, half) };
  const { tried } = practiceOf(logs, faded);
  const started = {
    ...faded,
    startMiss: refitStarts(tried, faded),
    shares: refitShares(tried, faded),
  };
  const practice = practiceOf(logs, started);
  const begun = practice.begun.map((one): Followed => ({
    ...one,
    misses: missSlices(one.belief),
  }));
  const paced = { ...started, pace: refitPaces(begun, started) };
  const calibration = refitCalibration(practice.tried, started);
  return { ...paced, paceSpread: refitSpread(begun, paced), calibration, version: version + 1 };
}
