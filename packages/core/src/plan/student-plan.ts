/**
 * What one student does in these minutes, and why (teaching.md, Sequencing): warm-up, reviews, main
 * drills at the frontier, a climb, a combo, the new hard skill at its place, conditioning, cool-down. The
 * blocks between are chosen by `choose`; whatever was left out says why not, and whatever is in what it
 * would cost to leave it.
 */
import { cellOf } from "../grid.js";
import { otherSideName } from "../sides.js";
import { isSameSide, SideMap, SideSet } from "../syllabus/side-map.js";
import type { SubjectSide } from "../syllabus/roles.js";
import { isHard } from "../syllabus/skill.js";
import type { Beyond, Phase, PlanBlock } from "./block.js";
import { orderOf, spreadOf } from "./order.js";
import { choose, usedBy, weigh, type Choosable, type Limits } from "./choose.js";
import { filled } from "./fill.js";
import type { Precaution } from "./precaution.js";
import type { Energy, StudentPlanContext } from "./student-asked.js";
import {
  climbBlocks,
  comboBlocks,
  fixedBlock,
  missingFor,
  openBlocks,
  type WeighedBlock,
} from "./student-blocks.js";
import { PLAN_LIMITS, PLAN_WEIGHTS } from "./weights.js";

export type LeftOutWhy =
  | { readonly code: "banned" }
  /** What its caution asks for is not at hand. */
  | { readonly code: "missing"; readonly precaution: Precaution }
  /** Tired today: nothing new and hard is learned. */
  | { readonly code: "tired" }
  /** With it, this limit would be passed even if nothing else were done. */
  | { readonly code: "minutes" | "landings" | "day-landings" | "multiples" | "rest-day" | "review-share" }
  /** What is begun has at least half of the main work. */
  | { readonly code: "new-share" }
  /** It would cost the plan so much of its worth. */
  | { readonly code: "less-useful"; readonly costs: number };

export interface LeftOut extends SubjectSide {
  readonly why: LeftOutWhy;
}

export type PlanNote =
  /** Minutes that nothing was found for: the legs have had enough, or nothing more is open. */
  | { readonly code: "empty"; readonly minutes: number; readonly why: "landings" | "nothing-open" }
  /** The week's landings are used up: what is planned beside the warm-up does not land. */
  | { readonly code: "allowance" }
  /** Many multiples yesterday, and still growing: none today. */
  | { readonly code: "rest-day" };

export interface StudentPlan {
  readonly blocks: readonly PlanBlock[];
  /** The next best first. */
  readonly leftOut: readonly LeftOut[];
  readonly notes: readonly PlanNote[];
  readonly minutes: number;
  readonly landings: number;
  readonly multiples: number;
  /** What the chosen blocks are worth by `PLAN_WEIGHTS`. */
  readonly objective: number;
  /** What it lost by what was kept in, left out or lengthened by hand: worth, by the same weights. */
  readonly cost: number;
}

export const NO_PLAN: StudentPlan = {
  blocks: [],
  leftOut: [],
  notes: [],
  minutes: 0,
  landings: 0,
  multiples: 0,
  objective: 0,
  cost: 0,
};

interface Candidate extends Choosable, WeighedBlock {
  /** Whether the plan had it before somebody changed it. */
  readonly stays: boolean;
}

/** Most landings, of those of the usual plan (record.md, What now). */
const MOST_LANDINGS: Readonly<Record<Energy, number>> = { fresh: 1.2, normal: 1, tired: 0.6 };

function worthOf({ reason }: PlanBlock): number {
  switch (reason.code) {
    case "review":
      return reason.underGoal ? PLAN_WEIGHTS.goalReview : PLAN_WEIGHTS.reason.review;
    case "combo":
    case "climb":
      return PLAN_WEIGHTS[reason.code];
    case "warm-up":
    case "cool-down":
    case "conditioning":
    case "no-landing":
      return 0;
    default:
      return PLAN_WEIGHTS.reason[reason.code];
  }
}

/** The phases that are chosen, in order. */
const CHOSEN_PHASES: readonly Phase[] = ["early-hard", "review", "main", "climb", "combo", "late-hard"];
const HARD_PHASES: ReadonlySet<Phase> = new Set(["early-hard", "late-hard"]);

/** A plan as it was before somebody changed it: what it had in it. */
type Before = Pick<StudentPlan, "blocks"> | null;

function candidatesOf(context: StudentPlanContext, before: Before): readonly Candidate[] {
  const { bans, pins, energy } = context;
  const blocks = [...openBlocks(context), ...comboBlocks(context), ...climbBlocks(context)];
  // A side that is kept is kept once, as it is proposed first.
  const isKept = (block: PlanBlock) =>
    pins.has(block) && blocks.find((one) => isSameSide(one, block)) === block;
  const stays = (block: PlanBlock) =>
    before?.blocks.some((one) => one.phase === block.phase && isSameSide(one, block)) === true;
  const isAsked = (block: PlanBlock) =>
    !bans.has(block) &&
    missingFor(context, block.subject) === null &&
    (energy !== "tired" || !HARD_PHASES.has(block.phase) || isKept(block));
  const asked = blocks
    .filter(isAsked)
    .map((block) => ({ block, worth: worthOf(block) + (stays(block) ? PLAN_WEIGHTS.stay : 0) }))
    .sort((one, other) => other.worth - one.worth);
  return asked.map(({ block, worth }) => {
    const mate = asked.findIndex(
      ({ block: other }) =>
        block.side !== "whole" &&
        other.phase === block.phase &&
        isSameSide(other, { subject: block.subject, side: otherSideName(block.side) }),
    );
    return {
      ...block,
      ...{ worth, isReview: block.phase === "review", isKept: isKept(block), stays: stays(block) },
      mate: mate < 0 ? null : mate,
    };
  });
}

/** The limits of a day: by how somebody comes it can have fewer landings than the week still allows. */
interface DayLimits extends Limits {
  readonly weekLandings: number;
  readonly isRestDay: boolean;
}

/** What of the limits so much would pass; the week's landings before the day's. */
function beyondOf(
  { minutes, reviewMinutes, landings, multiples }: ReturnType<typeof usedBy>,
  limits: DayLimits,
): readonly Exclude<Beyond, "tired">[] {
  const past = <Code extends Beyond>(isPast: boolean, code: Code): readonly Code[] => (isPast ? [code] : []);
  return [
    ...past(minutes > limits.minutes, "minutes"),
    ...past(landings > limits.landings, landings > limits.weekLandings ? "landings" : "day-landings"),
    ...past(multiples > limits.multiples, limits.isRestDay ? "rest-day" : "multiples"),
    ...past(reviewMinutes > limits.reviewMinutes, "review-share"),
  ];
}

/** Why a candidate is not in the best plan: what stands against it alone, else what it would cost. */
function whyNot(one: Candidate, limits: DayLimits, objective: number, withIt: number | null): LeftOutWhy {
  const [code] = beyondOf(usedBy(one), limits);
  if (code !== undefined) return { code };
  if (withIt === null) return { code: one.work === "new" ? "new-share" : "minutes" };
  return { code: "less-useful", costs: Math.max(0, objective - withIt) };
}

const costOf = ({ why }: LeftOut) => (why.code === "less-useful" ? why.costs : Infinity);

function byCost(one: LeftOut, other: LeftOut): number {
  const [less, more] = [costOf(one), costOf(other)];
  return less === more ? 0 : less - more;
}

function refused(context: StudentPlanContext, planned: readonly Candidate[]): readonly LeftOut[] {
  const known = new SideSet(planned);
  return context.next.flatMap(({ of }): LeftOut[] => {
    const { subject, side, skill } = of;
    if (context.bans.has(of)) return [{ subject, side, why: { code: "banned" } }];
    const precaution = missingFor(context, subject);
    if (precaution !== null) return [{ subject, side, why: { code: "missing", precaution } }];
    if (known.has(of) || context.energy !== "tired") return [];
    return isHard(skill.skillClass) ? [{ subject, side, why: { code: "tired" } }] : [];
  });
}

const BY_HAND = { bans: new SideSet(), pins: new SideSet(), moreSets: new SideMap<number>() };

/**
 * The plan of greatest objective around what was settled by hand, and what that cost against the plan
 * that nobody touched, which it leaves as little as it can. No minutes, or nothing to do, give a plan
 * without blocks.
 */
export function planStudent(context: StudentPlanContext): StudentPlan {
  const { energy, bans, pins, moreSets } = context;
  const untouched = { ...context, ...BY_HAND };
  const usual = energy === "normal" ? null : bestPlan({ ...untouched, energy: "normal" });
  const mostLandings = usual === null ? Infinity : MOST_LANDINGS[energy] * usual.landings;
  const before = bestPlan(untouched, mostLandings);
  if ([bans, pins, moreSets].every((one) => one === undefined || one.size === 0)) return before;
  const made = bestPlan(context, mostLandings, before);
  return { ...made, cost: Math.max(0, before.objective - made.objective) };
}

/** Warm-up and cool-down, as the minutes have room for them. */
function frameOf(context: StudentPlanContext) {
  const { minutes } = context;
  const warming = Math.min(PLAN_LIMITS.warmUp, Math.floor(minutes * PLAN_LIMITS.warmUpShare));
  const cooling = minutes >= 2 * PLAN_LIMITS.warmUp ? PLAN_LIMITS.coolDown : 0;
  return {
    warmUp: warming > 0 ? fixedBlock(context, "warm-up", warming) : null,
    coolDown: cooling > 0 ? fixedBlock(context, "cool-down", cooling) : null,
  };
}

function limitsOf(context: StudentPlanContext, fixed: readonly PlanBlock[], mostLandings: number): DayLimits {
  const { minutes, landingsLeft, multiplesLeft, isRestDay = false } = context;
  const sum = (of: (block: PlanBlock) => number) => fixed.reduce((total, block) => total + of(block), 0);
  const landed = sum((block) => block.landings);
  const weekLandings = Math.max(0, (landingsLeft ?? Infinity) - landed);
  return {
    minutes: Math.max(0, minutes - sum((block) => block.minutes)),
    reviewMinutes: minutes * PLAN_LIMITS.reviewShare,
    landings: Math.max(0, Math.min(weekLandings, mostLandings - landed)),
    weekLandings,
    multiples: isRestDay ? 0 : (multiplesLeft ?? Infinity),
    isRestDay,
  };
}

function bestPlan(context: StudentPlanContext, mostLandings = Infinity, before: Before = null): StudentPlan {
  const { warmUp, coolDown } = frameOf(context);
  const fixed = [warmUp, coolDown].filter((block) => block !== null);
  const limits = limitsOf(context, fixed, mostLandings);
  const candidates = candidatesOf(context, before);
  const { places, objective, otherwise } = weigh(candidates, limits, CHOSEN_PHASES);
  const taken = withRepeats(candidates, places, limits);
  const leftOut = candidates.flatMap((one, place): LeftOut[] => {
    if (taken.includes(place)) return [];
    const why = whyNot(one, limits, objective, otherwise[place] ?? null);
    return [{ subject: one.subject, side: one.side, why }];
  });
  const beyond = beyondOf(keptUse(candidates), limits);
  const ordered = orderOf(candidates, taken, CHOSEN_PHASES) ?? spreadOf(candidates, taken, CHOSEN_PHASES);
  const chosen = ordered.flatMap((place): WeighedBlock[] => {
    const one = candidates[place];
    if (one === undefined) return [];
    const without = otherwise[place] ?? null;
    const isWeighed = places.includes(place) && without !== null;
    const leaving = isWeighed ? Math.max(0, objective - without) : one.isKept ? null : 0;
    return [{ ...asBlock(one), leaving, beyond: one.isKept ? beyondOfKept(one, beyond, context) : [] }];
  });
  const { blocks: between, empty, isEnough } = filled(context, chosen, limits);
  const blocks = [warmUp, ...between, coolDown].filter((block) => block !== null);
  const sum = (of: (block: PlanBlock) => number) => blocks.reduce((total, block) => total + of(block), 0);
  const stayed = places.filter((place) => candidates[place]?.stays === true).length;
  return {
    blocks,
    leftOut: [...leftOut.sort(byCost), ...refused(context, candidates)],
    notes: notesOf(context, limits, { empty, isEnough }),
    minutes: sum((block) => block.minutes),
    landings: sum((block) => block.landings),
    multiples: sum((block) => block.multiples),
    objective: objective - PLAN_WEIGHTS.stay * stayed,
    cost: 0,
  };
}

/**
 * The chosen places with what else there is room for: two of one effort running are better than empty minutes,
 * and are said where they stand.
 */
function withRepeats(
  candidates: readonly Candidate[],
  places: readonly number[],
  limits: Limits,
): readonly number[] {
  const used = places.reduce((sum, place) => sum + cellOf(candidates, place).minutes, 0);
  if (limits.minutes - used < PLAN_LIMITS.emptyShare * limits.minutes) return places;
  const chosen = candidates.map((one, place) => (places.includes(place) ? { ...one, isKept: true } : one));
  return choose(chosen, limits, null).places;
}

/** What is kept takes together. */
function keptUse(candidates: readonly Candidate[]): ReturnType<typeof usedBy> {
  const kept = candidates.filter((one) => one.isKept).map(usedBy);
  const sum = (of: keyof ReturnType<typeof usedBy>) => kept.reduce((total, use) => total + use[of], 0);
  return {
    minutes: sum("minutes"),
    reviewMinutes: sum("reviewMinutes"),
    landings: sum("landings"),
    multiples: sum("multiples"),
  };
}

/** Of what all that is kept goes beyond, what this block has a part in. */
function beyondOfKept(
  block: Candidate,
  beyond: readonly Beyond[],
  { energy }: StudentPlanContext,
): readonly Beyond[] {
  const own = beyond.filter((one) => {
    if (one === "multiples" || one === "rest-day") return block.multiples > 0;
    if (one === "landings" || one === "day-landings") return block.landings > 0;
    return one !== "review-share" || block.isReview;
  });
  return energy === "tired" && HARD_PHASES.has(block.phase) ? [...own, "tired"] : own;
}

function notesOf(
  { minutes }: StudentPlanContext,
  { landings, weekLandings, isRestDay }: DayLimits,
  { empty, isEnough }: { readonly empty: number; readonly isEnough: boolean },
): readonly PlanNote[] {
  const isUsedUp = isEnough && weekLandings <= landings;
  const isEmpty = empty > PLAN_LIMITS.emptyShare * minutes;
  return [
    ...(isUsedUp ? [{ code: "allowance" } as const] : []),
    ...(isRestDay ? [{ code: "rest-day" } as const] : []),
    ...(isEmpty
      ? [{ code: "empty", minutes: empty, why: isEnough ? "landings" : "nothing-open" } as const]
      : []),
  ];
}

function asBlock(candidate: Candidate): WeighedBlock {
  const { worth: _worth, isReview: _review, isKept: _kept, mate: _mate, stays: _stays, ...block } = candidate;
  return block;
}
