/**
 * What one student does in these minutes, and why (teaching.md, Sequencing): warm-up, reviews, main
 * drills at the frontier, a combo, the new hard skill at its place, cool-down. The blocks between are
 * chosen by `choose`; whatever was left out says why not.
 */
import { checkScore } from "../rope/check.js";
import { joinScores } from "../rope/join.js";
import { printScore } from "../rope/print.js";
import { measureScore } from "../rope/measure.js";
import { sidesOfCombo } from "../combos/ability.js";
import { comboKey, comboSubject } from "../combos/combo.js";
import { comboScore, comboText, type ComboPart } from "../combos/part.js";
import { otherSide, type SideName } from "../sides.js";
import { sideScore, skillOf, type Catalogue } from "../syllabus/catalogue.js";
import { sideKey, type SubjectSide } from "../syllabus/side-table.js";
import { isMet, type Standing, type Status } from "../record/standing.js";
import type { NextDrill } from "../next/next.js";
import {
  BLOCK_TRIES,
  SET_TRIES,
  doseOf,
  doseOfTried,
  effortOf,
  isFootwork,
  isHard,
  reviewDrill,
  type Phase,
  type PlanBlock,
} from "./block.js";
import { choose, orderOf, type Choosable, type Limits } from "./choose.js";
import { ruledOutBy, type Precaution } from "./precaution.js";
import { PLAN_LIMITS, PLAN_WEIGHTS } from "./weights.js";

export const ENERGIES = ["fresh", "normal", "tired"] as const;
export type Energy = (typeof ENERGIES)[number];

export interface StudentPlanContext {
  readonly catalogue: Catalogue;
  readonly standings: readonly Standing[];
  /** What comes next, the best first. */
  readonly next: readonly NextDrill[];
  /** Sides on the way to a goal, whose reviews come first. */
  readonly underGoals: ReadonlySet<string>;
  readonly minutes: number;
  readonly energy: Energy;
  /** Where the new, hard skill stands. */
  readonly hardSkill: "late" | "early";
  /** Landings and multiples that today may still come to; null where nothing is judged. */
  readonly landingsLeft: number | null;
  readonly multiplesLeft: number | null;
  /** Sides that are not to be in it, and those that are. */
  readonly bans: ReadonlySet<string>;
  readonly pins: ReadonlySet<string>;
  /** Sides that get so many sets more, or fewer, than they would. */
  readonly moreSets?: ReadonlyMap<string, number>;
  /** What is not at hand today. */
  readonly missing?: ReadonlySet<Precaution>;
  /** The studio's combos, as the student stands with them. */
  readonly combos?: readonly PlanCombo[];
}

/** A kept combo on one side, as a plan asks. */
export interface PlanCombo {
  readonly id: string;
  readonly name: string;
  readonly side: SideName;
  /** As it is done on that side. */
  readonly parts: readonly ComboPart[];
  readonly status: Status;
  readonly cleanChance: number;
}

export type LeftOutWhy =
  | { readonly code: "banned" }
  /** What its caution asks for is not at hand. */
  | { readonly code: "missing"; readonly precaution: Precaution }
  /** Tired today: nothing new and hard is learned. */
  | { readonly code: "tired" }
  /** With it, this limit would be passed even if nothing else were done. */
  | { readonly code: "minutes" | "landings" | "multiples" | "review-share" }
  /** It would cost the plan so much of its worth. */
  | { readonly code: "less-useful"; readonly costs: number };

export interface LeftOut extends SubjectSide {
  readonly why: LeftOutWhy;
}

export interface StudentPlan {
  readonly blocks: readonly PlanBlock[];
  readonly leftOut: readonly LeftOut[];
  readonly minutes: number;
  readonly landings: number;
  readonly multiples: number;
  /** What the chosen blocks are worth by `PLAN_WEIGHTS`, pins apart. */
  readonly objective: number;
  /** What it lost by what was kept in, left out or lengthened by hand: worth, by the same weights. */
  readonly cost: number;
}

interface Candidate extends Choosable, PlanBlock {}

/** How much of the usual dose somebody does, by how they come. */
const DOSE: Readonly<Record<Energy, number>> = { fresh: 1, normal: 1, tired: 0.6 };

function worthOf(block: PlanBlock, pins: ReadonlySet<string>): number {
  const { reason } = block;
  const pinned = pins.has(sideKey(block.subject, block.side)) ? PLAN_WEIGHTS.pin : 0;
  switch (reason.code) {
    case "review":
      return pinned + (reason.underGoal ? PLAN_WEIGHTS.goalReview : PLAN_WEIGHTS.review);
    case "combo":
      return pinned + PLAN_WEIGHTS.combo;
    case "warm-up":
    case "cool-down":
      return pinned;
    default:
      return pinned + PLAN_WEIGHTS.reason[reason.code];
  }
}

function phaseOfDrill({ catalogue, hardSkill }: StudentPlanContext, { subject, reason }: NextDrill): Phase {
  const isNew = reason.code === "new" || reason.code === "second-side" || reason.code === "toward-goal";
  if (!isNew || !isHard(skillOf(catalogue, subject).skillClass)) return "main";
  return hardSkill === "early" ? "early-hard" : "late-hard";
}

function mainBlocks(context: StudentPlanContext): readonly PlanBlock[] {
  const { catalogue, next, standings, energy } = context;
  const chances = new Map(standings.map((one) => [sideKey(one.subject, one.side), one.cleanChance]));
  return next.slice(0, PLAN_LIMITS.mains).map((one) => {
    const { subject, side, drill, aim, chance, reason } = one;
    const more = SET_TRIES * (context.moreSets?.get(sideKey(subject, side)) ?? 0);
    const tries = Math.max(SET_TRIES, Math.round(BLOCK_TRIES.main * DOSE[energy]) + more);
    const dose = doseOf(catalogue, one, drill, tries, chances.get(sideKey(subject, side)) ?? 0.5);
    const effort = effortOf(catalogue, subject);
    return { phase: phaseOfDrill(context, one), subject, side, drill, aim, chance, effort, reason, ...dose };
  });
}

function reviewBlocks({ catalogue, standings, underGoals }: StudentPlanContext): readonly PlanBlock[] {
  return standings
    .filter((one) => one.status === "rusty" && one.facts.review !== null)
    .map((one) => {
      const { subject, side, cleanChance, facts } = one;
      const drill = reviewDrill(catalogue, one);
      const tries = Math.max(BLOCK_TRIES.review, drill.count);
      const underGoal = underGoals.has(sideKey(subject, side));
      return {
        phase: "review" as const,
        subject,
        side,
        drill,
        aim: null,
        chance: cleanChance ** drill.count,
        effort: effortOf(catalogue, subject),
        reason: { code: "review" as const, due: facts.review?.due ?? "", underGoal },
        ...doseOf(catalogue, one, drill, tries, cleanChance),
      };
    })
    .sort(
      (one, other) =>
        Number(other.reason.underGoal) - Number(one.reason.underGoal) ||
        (one.reason.due < other.reason.due ? -1 : 1),
    )
    .slice(0, PLAN_LIMITS.reviews);
}

/** The combos that can be begun, those under way first; a cleared one only when its review is due. */
const COMBO_ORDER: readonly Status[] = ["working", "rusty", "ready"];

function keptComboBlocks(context: StudentPlanContext): readonly PlanBlock[] {
  const { combos = [] } = context;
  const rank = ({ status }: PlanCombo) => COMBO_ORDER.indexOf(status);
  const isAtHand = ({ parts }: PlanCombo) =>
    parts.every(({ subject }) => subject === null || missingFor(context, subject) === null);
  const [first] = combos
    .filter((combo) => rank(combo) >= 0 && isAtHand(combo))
    .sort((one, other) => rank(one) - rank(other) || other.cleanChance - one.cleanChance);
  const score = first === undefined ? null : comboScore(first.parts);
  if (first === undefined || score === null) return [];
  const { id, name, side, parts, cleanChance } = first;
  const { beats, highest } = measureScore(score);
  const drill = { kind: "one-out", count: 5, score: comboText(parts) } as const;
  const tried = { beats, isMultiple: highest > 1, score };
  const skills = sidesOfCombo(parts).map((one) => one.subject);
  return [
    {
      phase: "combo",
      subject: comboKey(id),
      side,
      drill,
      aim: null,
      chance: null,
      effort: "mixed",
      reason: { code: "combo", skills, combo: { id, name } },
      ...doseOfTried(tried, drill, BLOCK_TRIES.combo, cleanChance),
    },
  ];
}

/** A kept combo where one is open; else a cleared skill, a bounce and another, where the rope model allows one. */
function comboBlocks(context: StudentPlanContext): readonly PlanBlock[] {
  const kept = keptComboBlocks(context);
  return kept.length > 0 ? kept : pairBlocks(context);
}

function pairBlocks({ catalogue, standings }: StudentPlanContext): readonly PlanBlock[] {
  const known = standings.filter(
    (one) => isMet(one.status) && one.status !== "inferred" && !isFootwork(catalogue, one.subject),
  );
  const bounce = catalogue.skills.get("basic-bounce")?.score ?? null;
  if (bounce === null) return [];
  const furthest = [...known].sort(
    (one, other) => (catalogue.levels.get(other.subject) ?? 0) - (catalogue.levels.get(one.subject) ?? 0),
  );
  for (const [place, first] of furthest.entries()) {
    for (const second of furthest.slice(place + 1)) {
      if (second.subject === first.subject) continue;
      const parts = [first, second].map((one) => sideScore(skillOf(catalogue, one.subject), one.side));
      const [one, two] = parts;
      if (one === null || one === undefined || two === null || two === undefined) continue;
      const { score, faults } = joinScores([bounce, one, bounce, two, bounce]);
      if (faults.length > 0 || checkScore(score).length > 0) continue;
      const drill = { kind: "link", count: 4, spacing: 1, score: printScore(score) } as const;
      const { subject, side } = first;
      return [
        {
          phase: "combo",
          subject,
          side,
          drill,
          aim: null,
          chance: null,
          effort: "mixed",
          reason: { code: "combo", skills: [first.subject, second.subject], combo: null },
          ...doseOf(catalogue, first, drill, BLOCK_TRIES.review, first.cleanChance * second.cleanChance),
        },
      ];
    }
  }
  return [];
}

function fixedBlock(
  context: StudentPlanContext,
  phase: "warm-up" | "cool-down",
  minutes: number,
): PlanBlock | null {
  const { catalogue, standings } = context;
  const easy = standings
    .filter((one) => isMet(one.status) && isFootwork(catalogue, one.subject))
    .sort((one, other) => other.cleanChance - one.cleanChance)[0];
  const subject = easy?.subject ?? "basic-bounce";
  const side = easy?.side ?? "whole";
  if (!catalogue.skills.has(subject)) return null;
  const drill = { kind: "hold", seconds: Math.round(60 * minutes) } as const;
  const tries = BLOCK_TRIES.warmUp * minutes;
  const { landings } = doseOf(catalogue, { subject, side }, drill, tries, 1);
  const reason = { code: phase } as const;
  return {
    phase,
    subject,
    side,
    drill,
    aim: null,
    chance: null,
    sets: 1,
    minutes,
    rest: 0,
    landings,
    multiples: 0,
    effort: "mixed",
    reason,
  };
}

/** The phases between warm-up and cool-down, in order. */
const CHOSEN_PHASES: readonly Phase[] = ["early-hard", "review", "main", "combo", "late-hard"];

function missingFor({ catalogue, missing }: StudentPlanContext, subject: string): Precaution | null {
  // A combo was asked for part by part.
  if (missing === undefined || comboSubject(subject) !== null) return null;
  return ruledOutBy(catalogue, subject, missing);
}

function candidatesOf(context: StudentPlanContext): readonly Candidate[] {
  const blocks = [...mainBlocks(context), ...reviewBlocks(context), ...comboBlocks(context)]
    .map((block) => ({ block, worth: worthOf(block, context.pins) }))
    .sort((one, other) => other.worth - one.worth);
  const isAsked = ({ block }: (typeof blocks)[number]) =>
    !context.bans.has(sideKey(block.subject, block.side)) &&
    missingFor(context, block.subject) === null &&
    (context.energy !== "tired" || (block.phase !== "early-hard" && block.phase !== "late-hard"));
  const asked = blocks.filter(isAsked);
  return asked.map(({ block, worth }) => {
    const mate = asked.findIndex(
      ({ block: other }) =>
        block.side !== "whole" &&
        other.phase === block.phase &&
        other.subject === block.subject &&
        other.side === otherSide(block.side),
    );
    return { ...block, worth, isReview: block.phase === "review", mate: mate < 0 ? null : mate };
  });
}

/** Why a candidate is not in the best plan: what stands against it alone, else what it would cost. */
function whyNot(
  candidates: readonly Candidate[],
  place: number,
  limits: Limits,
  objective: number,
): LeftOutWhy {
  const one = candidates[place];
  if (one === undefined) return { code: "minutes" };
  if (one.minutes > limits.minutes) return { code: "minutes" };
  if (one.landings > limits.landings) return { code: "landings" };
  if (one.multiples > limits.multiples) return { code: "multiples" };
  if (one.isReview && one.minutes > limits.reviewMinutes) return { code: "review-share" };
  const forced = candidates.map((other, at) =>
    at === place ? { ...other, worth: other.worth + PLAN_WEIGHTS.pin } : other,
  );
  const withIt = choose(forced, limits, CHOSEN_PHASES);
  return { code: "less-useful", costs: Math.max(0, objective - (withIt.objective - PLAN_WEIGHTS.pin)) };
}

function refused(context: StudentPlanContext, planned: readonly Candidate[]): readonly LeftOut[] {
  const known = new Set(planned.map((one) => sideKey(one.subject, one.side)));
  return context.next.flatMap(({ subject, side }): LeftOut[] => {
    const key = sideKey(subject, side);
    if (context.bans.has(key)) return [{ subject, side, why: { code: "banned" } }];
    const precaution = missingFor(context, subject);
    if (precaution !== null) return [{ subject, side, why: { code: "missing", precaution } }];
    if (known.has(key) || context.energy !== "tired") return [];
    return isHard(skillOf(context.catalogue, subject).skillClass)
      ? [{ subject, side, why: { code: "tired" } }]
      : [];
  });
}

const BY_HAND = { bans: new Set<string>(), pins: new Set<string>(), moreSets: new Map<string, number>() };

/**
 * The plan of greatest objective around what was settled by hand, and what that cost against the plan
 * that nobody touched. No minutes, or nothing to do, give a plan without blocks.
 */
export function planStudent(context: StudentPlanContext): StudentPlan {
  const made = bestPlan(context);
  const isUntouched = context.bans.size + context.pins.size + (context.moreSets?.size ?? 0) === 0;
  if (isUntouched) return { ...made, cost: 0 };
  return { ...made, cost: Math.max(0, bestPlan({ ...context, ...BY_HAND }).objective - made.objective) };
}

function bestPlan(context: StudentPlanContext): Omit<StudentPlan, "cost"> {
  const { minutes } = context;
  const warmUpMinutes = Math.min(PLAN_LIMITS.warmUp, Math.floor(minutes * PLAN_LIMITS.warmUpShare));
  const coolMinutes = minutes >= 2 * PLAN_LIMITS.warmUp ? PLAN_LIMITS.coolDown : 0;
  const warmUp = warmUpMinutes > 0 ? fixedBlock(context, "warm-up", warmUpMinutes) : null;
  const coolDown = coolMinutes > 0 ? fixedBlock(context, "cool-down", coolMinutes) : null;
  const fixed = [warmUp, coolDown].filter((block) => block !== null);
  const fixedLandings = fixed.reduce((sum, block) => sum + block.landings, 0);
  const limits: Limits = {
    minutes: minutes - warmUpMinutes - coolMinutes,
    reviewMinutes: minutes * PLAN_LIMITS.reviewShare,
    landings: context.landingsLeft === null ? Infinity : context.landingsLeft - fixedLandings,
    multiples: context.multiplesLeft ?? Infinity,
  };
  const candidates = candidatesOf(context);
  const { places, objective } = choose(candidates, limits, CHOSEN_PHASES);
  const taken = new Set(places);
  const leftOut = candidates.flatMap(({ subject, side }, place) =>
    taken.has(place) ? [] : [{ subject, side, why: whyNot(candidates, place, limits, objective) }],
  );
  const ordered = orderOf(candidates, places, CHOSEN_PHASES) ?? places;
  const chosen = ordered.flatMap((place) => candidates[place] ?? []).map(asBlock);
  const pinned = chosen.filter((block) => context.pins.has(sideKey(block.subject, block.side))).length;
  const between = lengthened(context, chosen, limits);
  const blocks = [warmUp, ...between, coolDown].filter((block) => block !== null);
  const sum = (of: (block: PlanBlock) => number) => blocks.reduce((total, block) => total + of(block), 0);
  return {
    blocks,
    leftOut: [...leftOut, ...refused(context, candidates)],
    minutes: sum((block) => block.minutes),
    landings: sum((block) => block.landings),
    multiples: sum((block) => block.multiples),
    objective: objective - PLAN_WEIGHTS.pin * pinned,
  };
}

/** Main work takes the minutes that are left, a set at a time in turn, as far as the limits allow. */
function lengthened(
  { catalogue, standings, moreSets }: StudentPlanContext,
  chosen: readonly PlanBlock[],
  limits: Limits,
): readonly PlanBlock[] {
  const chances = new Map(standings.map((one) => [sideKey(one.subject, one.side), one.cleanChance]));
  const sum = (list: readonly PlanBlock[], of: (block: PlanBlock) => number) =>
    list.reduce((total, block) => total + of(block), 0);
  let blocks = chosen;
  for (let round = 0; round < PLAN_LIMITS.moreSets; round += 1) {
    for (const [place, block] of blocks.entries()) {
      if (block.phase === "review" || block.phase === "combo") continue;
      // What was lengthened or shortened by hand stays as it was asked.
      if (moreSets?.has(sideKey(block.subject, block.side)) === true) continue;
      const chance = chances.get(sideKey(block.subject, block.side)) ?? 0.5;
      const dose = doseOf(catalogue, block, block.drill, (block.sets + 1) * SET_TRIES, chance);
      const longer = blocks.with(place, { ...block, ...dose });
      const fits =
        sum(longer, (one) => one.minutes) <= limits.minutes &&
        sum(longer, (one) => one.landings) <= limits.landings &&
        sum(longer, (one) => one.multiples) <= limits.multiples;
      if (fits) blocks = longer;
    }
  }
  return blocks;
}

function asBlock({ worth: _worth, isReview: _review, mate: _mate, ...block }: Candidate): PlanBlock {
  return block;
}
