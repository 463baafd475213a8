/**
 * What one student does in these minutes, and why (teaching.md, Sequencing): warm-up, reviews, main
 * drills at the frontier, a combo, the new hard skill at its place, cool-down. The blocks between are
 * chosen by `choose`; whatever was left out says why not.
 */
import { checkScore } from "../rope/check.js";
import { joinScores } from "../rope/join.js";
import { parseScore } from "../rope/parse.js";
import { printScore } from "../rope/print.js";
import { measureScore } from "../rope/measure.js";
import { sidesOfCombo } from "../combos/ability.js";
import { comboKey, comboSubject } from "../log/combo-subject.js";
import { comboScore, comboText, type ComboPart } from "../combos/part.js";
import type { NextDrill } from "../next/next.js";
import {
  cleanChance,
  findStanding,
  isMet,
  type Reading,
  type Standing,
  type Status,
} from "../record/standing.js";
import { otherSideName, type SideName } from "../sides.js";
import { cautionsOf, type CautionCode } from "../syllabus/caution.js";
import type { Drill } from "../syllabus/drill.js";
import type { Effort } from "../syllabus/effort.js";
import type { SubjectSide } from "../syllabus/roles.js";
import { isSameSide, SideMap, SideSet } from "../syllabus/side-map.js";
import type { Side } from "../syllabus/side.js";
import { isHard } from "../syllabus/skill.js";
import { BLOCK_TRIES, SET_TRIES, doseOfSide, doseOfTried, type Phase, type PlanBlock } from "./block.js";
import { choose, orderOf, type Choosable, type Limits } from "./choose.js";
import { ruledOutBy, type Precaution } from "./precaution.js";
import { PLAN_LIMITS, PLAN_WEIGHTS } from "./weights.js";

export const ENERGIES = ["fresh", "normal", "tired"] as const;
export type Energy = (typeof ENERGIES)[number];

export interface StudentPlanContext {
  readonly reading: Reading;
  /** What comes next, the best first. */
  readonly next: readonly NextDrill[];
  readonly minutes: number;
  readonly energy: Energy;
  /** Where the new, hard skill stands. */
  readonly hardSkill: "late" | "early";
  /** Landings and multiples that today may still come to; null where nothing is judged. */
  readonly landingsLeft: number | null;
  readonly multiplesLeft: number | null;
  /** Sides that are not to be in it, and those that are. */
  readonly bans: SideSet;
  readonly pins: SideSet;
  /** Sides that get so many sets more, or fewer, than they would. */
  readonly moreSets?: SideMap<number>;
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
  | { readonly code: "minutes" | "landings" | "day-landings" | "multiples" | "review-share" }
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
/** Most landings, of those of the usual plan (record.md, What now). */
const MOST_LANDINGS: Readonly<Record<Energy, number>> = { fresh: 1.2, normal: 1, tired: 0.6 };

function worthOf(block: PlanBlock, pins: SideSet): number {
  const { reason } = block;
  const pinned = pins.has(block) ? PLAN_WEIGHTS.pin : 0;
  switch (reason.code) {
    case "review":
      return pinned + (reason.underGoal ? PLAN_WEIGHTS.goalReview : PLAN_WEIGHTS.reason.review);
    case "combo":
      return pinned + PLAN_WEIGHTS.combo;
    case "warm-up":
    case "cool-down":
      return pinned;
    default:
      return pinned + PLAN_WEIGHTS.reason[reason.code];
  }
}

function phaseOfDrill({ hardSkill }: StudentPlanContext, { of, isNew, reason }: NextDrill): Phase {
  if (reason.code === "review") return "review";
  if (!isNew || !isHard(of.skill.skillClass)) return "main";
  return hardSkill === "early" ? "early-hard" : "late-hard";
}

/** What to mind in a drill: what its own score asks, else the skill's. */
function cautionsIn({ skill }: Side, drill: Drill): readonly CautionCode[] {
  const parsed = drill.score === undefined ? null : parseScore(drill.score);
  const own = parsed?.ok === true ? cautionsOf(parsed.score) : [];
  return [...new Set([...skill.cautions, ...own])];
}

function cleanChanceOf(reading: Reading, { subject, side }: SubjectSide): number {
  const found = findStanding(reading, subject, side);
  return found === null ? 0.5 : cleanChance(found);
}

/** Of the proposals, the best for the main work and the first reviews; no more new skills than a lesson takes. */
function proposed({ next }: StudentPlanContext): readonly NextDrill[] {
  const reviews = next.filter((one) => one.reason.code === "review").slice(0, PLAN_LIMITS.reviews);
  const hasBegun = next.some((one) => !one.isNew && one.reason.code !== "review");
  const taken = new Set<string>();
  const mains = next.filter(({ of, isNew, reason }) => {
    if (reason.code === "review") return false;
    if (!isNew || !hasBegun || reason.code === "toward-goal" || taken.has(of.subject)) return true;
    if (taken.size >= PLAN_LIMITS.newSkills) return false;
    taken.add(of.subject);
    return true;
  });
  return [...mains.slice(0, PLAN_LIMITS.mains), ...reviews];
}

function openBlocks(context: StudentPlanContext): readonly PlanBlock[] {
  const { reading, energy } = context;
  return proposed(context).map((one) => {
    const { of, drill, chance, after, reason } = one;
    const { subject, side, effort } = of;
    const phase = phaseOfDrill(context, one);
    const isReview = phase === "review";
    const more = SET_TRIES * (context.moreSets?.get(of) ?? 0);
    const usual = isReview
      ? Math.max(BLOCK_TRIES.review, drill.kind === "streak" ? drill.count : 0)
      : Math.round(BLOCK_TRIES.main * DOSE[energy]) + more;
    const tries = isReview ? usual : Math.max(SET_TRIES, usual);
    const dose = doseOfSide(of, drill, tries, cleanChanceOf(reading, of));
    return {
      phase,
      subject,
      side,
      drill,
      chance,
      after,
      effort,
      cautions: cautionsIn(of, drill),
      reason,
      ...dose,
    };
  });
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
      chance: null,
      after: null,
      cautions: cautionsOf(score),
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

function isFootwork({ reading }: StudentPlanContext, { of }: Standing): boolean {
  return reading.syllabus.catalogue.familyOf.get(of.subject) === "footwork";
}

function pairBlocks(context: StudentPlanContext): readonly PlanBlock[] {
  const { standings, syllabus } = context.reading;
  const { catalogue } = syllabus;
  const known = standings.filter(
    (one) => isMet(one.status) && one.status !== "inferred" && !isFootwork(context, one),
  );
  const bounce = catalogue.skills.get(catalogue.roles.bounce ?? "")?.score ?? null;
  if (bounce === null) return [];
  const furthest = [...known].sort((one, other) => other.of.skill.level - one.of.skill.level);
  for (const [place, first] of furthest.entries()) {
    for (const second of furthest.slice(place + 1)) {
      const [one, two] = [first.of.score, second.of.score];
      if (second.of.subject === first.of.subject || one === null || two === null) continue;
      const { score, faults } = joinScores([bounce, one, bounce, two, bounce]);
      if (faults.length > 0 || checkScore(score).length > 0) continue;
      const drill = { kind: "link", count: 4, spacing: 1, score: printScore(score) } as const;
      const { subject, side } = first.of;
      const chance = cleanChance(first) * cleanChance(second);
      return [
        {
          phase: "combo",
          subject,
          side,
          drill,
          chance: null,
          after: null,
          cautions: cautionsOf(score),
          effort: "mixed",
          reason: { code: "combo", skills: [subject, second.of.subject], combo: null },
          ...doseOfSide(first.of, drill, BLOCK_TRIES.review, chance),
        },
      ];
    }
  }
  return [];
}

/** Nobody warms up on one leg, nor with what takes springs. */
const EASY_EFFORTS: ReadonlySet<Effort> = new Set(["two-feet", "foot-to-foot"]);

/** What everybody can do for minutes: the plain bounce, where the catalogue names one, else the surest known step. */
function easiest(context: StudentPlanContext): Side | undefined {
  const { standings, syllabus } = context.reading;
  const { bounce } = syllabus.catalogue.roles;
  const [known] = standings
    .filter((one) => isMet(one.status) && isFootwork(context, one) && EASY_EFFORTS.has(one.of.effort))
    .sort((one, other) => cleanChance(other) - cleanChance(one));
  return (bounce === null ? undefined : syllabus.sidesOf(bounce)[0]) ?? known?.of ?? syllabus.sides[0];
}

function fixedBlock(
  context: StudentPlanContext,
  phase: "warm-up" | "cool-down",
  minutes: number,
): PlanBlock | null {
  const easy = easiest(context);
  if (easy === undefined) return null;
  const drill = { kind: "hold", seconds: Math.round(60 * minutes) } as const;
  const { landings } = doseOfSide(easy, drill, BLOCK_TRIES.warmUp * minutes, 1);
  return {
    phase,
    subject: easy.subject,
    side: easy.side,
    drill,
    chance: null,
    after: null,
    cautions: phase === "warm-up" ? ["warm-up", "surface"] : [],
    sets: 1,
    minutes,
    rest: 0,
    landings,
    multiples: 0,
    effort: "mixed",
    reason: { code: phase },
  };
}

/** The phases between warm-up and cool-down, in order. */
const CHOSEN_PHASES: readonly Phase[] = ["early-hard", "review", "main", "combo", "late-hard"];

function missingFor({ reading, missing }: StudentPlanContext, subject: string): Precaution | null {
  // A combo was asked for part by part.
  const skill = comboSubject(subject) === null ? reading.syllabus.catalogue.skills.get(subject) : undefined;
  return missing === undefined || skill === undefined ? null : ruledOutBy(skill, missing);
}

function candidatesOf(context: StudentPlanContext): readonly Candidate[] {
  const blocks = [...openBlocks(context), ...comboBlocks(context)]
    .map((block) => ({ block, worth: worthOf(block, context.pins) }))
    .sort((one, other) => other.worth - one.worth);
  const isAsked = ({ block }: (typeof blocks)[number]) =>
    !context.bans.has(block) &&
    missingFor(context, block.subject) === null &&
    (context.energy !== "tired" || (block.phase !== "early-hard" && block.phase !== "late-hard"));
  const asked = blocks.filter(isAsked);
  return asked.map(({ block, worth }) => {
    const mate = asked.findIndex(
      ({ block: other }) =>
        block.side !== "whole" &&
        other.phase === block.phase &&
        isSameSide(other, { subject: block.subject, side: otherSideName(block.side) }),
    );
    return { ...block, worth, isReview: block.phase === "review", mate: mate < 0 ? null : mate };
  });
}

/** The limits of a day: by how somebody comes it can have fewer landings than the week still allows. */
interface DayLimits extends Limits {
  readonly weekLandings: number;
}

/** Why a candidate is not in the best plan: what stands against it alone, else what it would cost. */
function whyNot(
  candidates: readonly Candidate[],
  place: number,
  limits: DayLimits,
  objective: number,
): LeftOutWhy {
  const one = candidates[place];
  if (one === undefined) return { code: "minutes" };
  if (one.minutes > limits.minutes) return { code: "minutes" };
  if (one.landings > limits.weekLandings) return { code: "landings" };
  if (one.landings > limits.landings) return { code: "day-landings" };
  if (one.multiples > limits.multiples) return { code: "multiples" };
  if (one.isReview && one.minutes > limits.reviewMinutes) return { code: "review-share" };
  const forced = candidates.map((other, at) =>
    at === place ? { ...other, worth: other.worth + PLAN_WEIGHTS.pin } : other,
  );
  const withIt = choose(forced, limits, CHOSEN_PHASES);
  return { code: "less-useful", costs: Math.max(0, objective - (withIt.objective - PLAN_WEIGHTS.pin)) };
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
 * that nobody touched. No minutes, or nothing to do, give a plan without blocks.
 */
export function planStudent(context: StudentPlanContext): StudentPlan {
  const { energy, bans, pins, moreSets } = context;
  const usual = energy === "normal" ? null : bestPlan({ ...context, energy: "normal" });
  const mostLandings = usual === null ? Infinity : MOST_LANDINGS[energy] * usual.landings;
  const made = bestPlan(context, mostLandings);
  const isUntouched = bans.size + pins.size + (moreSets?.size ?? 0) === 0;
  if (isUntouched) return { ...made, cost: 0 };
  const untouched = bestPlan({ ...context, ...BY_HAND }, mostLandings);
  return { ...made, cost: Math.max(0, untouched.objective - made.objective) };
}

function bestPlan(context: StudentPlanContext, mostLandings = Infinity): Omit<StudentPlan, "cost"> {
  const { minutes } = context;
  const warmUpMinutes = Math.min(PLAN_LIMITS.warmUp, Math.floor(minutes * PLAN_LIMITS.warmUpShare));
  const coolMinutes = minutes >= 2 * PLAN_LIMITS.warmUp ? PLAN_LIMITS.coolDown : 0;
  const warmUp = warmUpMinutes > 0 ? fixedBlock(context, "warm-up", warmUpMinutes) : null;
  const coolDown = coolMinutes > 0 ? fixedBlock(context, "cool-down", coolMinutes) : null;
  const fixed = [warmUp, coolDown].filter((block) => block !== null);
  const fixedLandings = fixed.reduce((sum, block) => sum + block.landings, 0);
  const weekLandings = (context.landingsLeft ?? Infinity) - fixedLandings;
  const limits: DayLimits = {
    minutes: minutes - warmUpMinutes - coolMinutes,
    reviewMinutes: minutes * PLAN_LIMITS.reviewShare,
    landings: Math.min(weekLandings, mostLandings - fixedLandings),
    weekLandings,
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
  const pinned = chosen.filter((block) => context.pins.has(block)).length;
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
  { reading, moreSets }: StudentPlanContext,
  chosen: readonly PlanBlock[],
  limits: Limits,
): readonly PlanBlock[] {
  const sum = (list: readonly PlanBlock[], of: (block: PlanBlock) => number) =>
    list.reduce((total, block) => total + of(block), 0);
  let blocks = chosen;
  for (let round = 0; round < PLAN_LIMITS.moreSets; round += 1) {
    for (const [place, block] of blocks.entries()) {
      if (block.phase === "review" || block.phase === "combo") continue;
      // What was lengthened or shortened by hand stays as it was asked.
      const of = reading.syllabus.find(block.subject, block.side);
      if (of === null || moreSets?.get(block) !== undefined) continue;
      const dose = doseOfSide(of, block.drill, (block.sets + 1) * SET_TRIES, cleanChanceOf(reading, of));
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
