/**
 * The blocks that a plan of one student's minutes can have, by kind: what is open, reviews, a climb, a combo,
 * warm-up and cool-down, conditioning, and what brings a skill nearer without a landing.
 */
import { checkScore } from "../rope/check.js";
import { joinScores } from "../rope/join.js";
import { measureScore } from "../rope/measure.js";
import { parseScore } from "../rope/parse.js";
import { printScore } from "../rope/print.js";
import { sidesOfCombo } from "../combos/ability.js";
import { comboScore, comboText } from "../combos/part.js";
import { comboKey, comboSubject } from "../log/combo-subject.js";
import type { NextDrill } from "../next/next.js";
import { rungChance } from "../next/odds.js";
import { suited } from "../next/walk.js";
import {
  cleanChance,
  findStanding,
  isMet,
  standingOf,
  type Reading,
  type Standing,
  type Status,
} from "../record/standing.js";
import { cautionsOf, type CautionCode } from "../syllabus/caution.js";
import { DRILL_ROWS, type Drill, type DrillKind } from "../syllabus/drill.js";
import type { Effort } from "../syllabus/effort.js";
import type { SubjectSide } from "../syllabus/roles.js";
import type { Rung, Side } from "../syllabus/side.js";
import { isHard } from "../syllabus/skill.js";
import {
  BLOCK_TRIES,
  ROUND,
  SET_TRIES,
  doseOfSide,
  doseOfTried,
  type Phase,
  type PlanBlock,
  type PlanReason,
} from "./block.js";
import { ruledOutBy, type Precaution } from "./precaution.js";
import type { Energy, PlanCombo, StudentPlanContext } from "./student-asked.js";
import { PLAN_LIMITS } from "./weights.js";

/** How much of the usual dose somebody does, by how they come. */
const DOSE: Readonly<Record<Energy, number>> = { fresh: 1, normal: 1, tired: 0.6 };

/** What of a block is the same for all that nobody weighed or kept. */
const PLAIN = { chance: null, after: null, leaving: null, beyond: [] } as const satisfies Partial<PlanBlock>;

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

export function cleanChanceOf(reading: Reading, { subject, side }: SubjectSide): number {
  const found = findStanding(reading, subject, side);
  return found === null ? 0.5 : cleanChance(found);
}

/** A block that a plan weighs, with what it is to the main work. */
export interface WeighedBlock extends PlanBlock {
  readonly work: "begun" | "new" | null;
}

/**
 * Of the proposals, the best for the main work and the first reviews, and what is kept; no more new skills
 * than a lesson takes.
 */
function proposed({ next, pins }: StudentPlanContext): readonly NextDrill[] {
  const isKept = ({ of }: NextDrill) => pins.has(of);
  const reviews = next.filter((one) => one.reason.code === "review");
  const hasBegun = next.some((one) => !one.isNew && one.reason.code !== "review");
  const taken = new Set<string>();
  const mains = next.filter((one) => {
    const { of, isNew, reason } = one;
    if (reason.code === "review") return false;
    if (!isNew || !hasBegun || reason.code === "toward-goal" || taken.has(of.subject)) return true;
    if (taken.size >= PLAN_LIMITS.newSkills) return isKept(one);
    taken.add(of.subject);
    return true;
  });
  const first = (list: readonly NextDrill[], most: number) =>
    list.filter((one, place) => place < most || isKept(one));
  return [...first(mains, PLAN_LIMITS.mains), ...first(reviews, PLAN_LIMITS.reviews)];
}

/** The open work and the reviews. */
export function openBlocks(context: StudentPlanContext): readonly WeighedBlock[] {
  const { reading, energy, moreSets } = context;
  return proposed(context).map((one) => {
    const { of, drill, chance, after, reason, isNew } = one;
    const { subject, side, effort } = of;
    const phase = phaseOfDrill(context, one);
    const isReview = phase === "review";
    const sets = moreSets?.get(of);
    const more = sets === undefined ? 0 : SET_TRIES * sets;
    const usual = isReview
      ? Math.max(BLOCK_TRIES.review, drill.kind === "streak" ? drill.count : 0)
      : Math.round(BLOCK_TRIES.main * DOSE[energy]) + more;
    const tries = isReview ? usual : Math.max(SET_TRIES, usual);
    const dose = doseOfSide(of, drill, tries, cleanChanceOf(reading, of));
    return {
      ...PLAIN,
      ...{ phase, subject, side, drill, chance, after, effort, reason },
      ...{ cautions: cautionsIn(of, drill), work: isReview ? null : isNew ? "new" : "begun" },
      ...dose,
    };
  });
}

/** The combos that can be begun, those under way first; a cleared one only when its review is due. */
const COMBO_ORDER: readonly Status[] = ["working", "rusty", "ready"];

function keptComboBlocks(context: StudentPlanContext): readonly WeighedBlock[] {
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
  const { beats } = measureScore(score);
  const drill = { kind: "one-out", count: 5, score: comboText(parts) } as const;
  const tried = { beats, score };
  const skills = sidesOfCombo(parts).map((one) => one.subject);
  return [
    {
      ...PLAIN,
      work: null,
      phase: "combo",
      subject: comboKey(id),
      side,
      drill,
      cautions: cautionsOf(score),
      effort: "mixed",
      reason: { code: "combo", skills, combo: { id, name } },
      ...doseOfTried(tried, drill, BLOCK_TRIES.combo, cleanChance),
    },
  ];
}

/** A kept combo where one is open; else a cleared skill, a bounce and another, where the rope model allows one. */
export function comboBlocks(context: StudentPlanContext): readonly WeighedBlock[] {
  const kept = keptComboBlocks(context);
  return kept.length > 0 ? kept : pairBlocks(context);
}

function isFootwork({ reading }: StudentPlanContext, { of }: Standing): boolean {
  return reading.syllabus.catalogue.familyOf.get(of.subject) === "footwork";
}

function pairBlocks(context: StudentPlanContext): readonly WeighedBlock[] {
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
          ...PLAIN,
          work: null,
          phase: "combo",
          subject,
          side,
          drill,
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

export function fixedBlock(
  context: StudentPlanContext,
  phase: "warm-up" | "cool-down",
  minutes: number,
): PlanBlock | null {
  const easy = easiest(context);
  if (easy === undefined) return null;
  const drill = { kind: "hold", seconds: Math.round(60 * minutes) } as const;
  const { landings } = doseOfSide(easy, drill, BLOCK_TRIES.warmUp * minutes, 1);
  return {
    ...PLAIN,
    phase,
    subject: easy.subject,
    side: easy.side,
    drill,
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

/** Up and down what was cleared last: it grows by being done, and nothing hangs on it. */
export function climbBlocks(context: StudentPlanContext): readonly WeighedBlock[] {
  const { reading } = context;
  const climbOf = (standing: Standing) =>
    standing.of.ladder.find((rung) => rung.drill.kind === "climb" && !rung.isPart);
  const [last] = reading.standings
    .filter(({ status, of }) => status === "cleared" && of.skill.skillClass !== "base")
    .filter((one) => !isFootwork(context, one) && climbOf(one) !== undefined)
    .flatMap((standing) => {
      const { cleared } = standing.facts;
      return cleared === null ? [] : [{ standing, at: cleared.at }];
    })
    .sort((one, other) => other.at - one.at);
  const standing = last?.standing;
  const rung = standing === undefined ? undefined : climbOf(standing);
  if (standing === undefined || rung === undefined) return [];
  const { of } = standing;
  const { subject, side, effort } = of;
  return [
    {
      ...{ ...PLAIN, work: null, phase: "climb", subject, side, drill: rung.drill, effort },
      ...{ chance: rungChance(reading, standing, rung), cautions: cautionsIn(of, rung.drill) },
      reason: { code: "climb" },
      ...doseOfSide(of, rung.drill, BLOCK_TRIES.climb, cleanChance(standing)),
    },
  ];
}

/** So many rounds of easy jumping with short rests; the rest is longer after multiples. */
export function conditioning(
  context: StudentPlanContext,
  rounds: number,
  isAfterMultiples: boolean,
): PlanBlock | null {
  const easy = easiest(context);
  if (easy === undefined || context.bans.has(easy)) return null;
  const { subject, side } = easy;
  const drill = { kind: "hold", seconds: 60 * ROUND.minutes } as const;
  const { landings } = doseOfSide(easy, drill, BLOCK_TRIES.warmUp * ROUND.minutes * rounds, 1);
  const rest = rounds * (isAfterMultiples ? ROUND.restAfterMultiples : ROUND.rest);
  return {
    ...{ ...PLAIN, phase: "conditioning", subject, side, drill, cautions: [], effort: "mixed" },
    ...{ sets: rounds, minutes: rounds * ROUND.minutes + rest, rest, landings, multiples: 0 },
    reason: { code: "conditioning" },
  };
}

/** Kinds that bring a skill nearer without a landing, while somebody stands by and looks. */
const NO_LANDING: ReadonlySet<DrillKind> = new Set(
  (Object.keys(DRILL_ROWS) as DrillKind[]).filter((kind) => !DRILL_ROWS[kind].lands && kind !== "watch"),
);

/** The hardest rung of a ladder, up to its gate, that does not land; undefined where it has none. */
function noLandingRung({ ladder }: Side): Rung | undefined {
  return ladder.findLast((rung) => NO_LANDING.has(rung.drill.kind) && !rung.isAfterGate);
}

/** Of the first open sides what does not land, one side of each skill: from a stand the two are one shape. */
export function noLandingBlocks(
  context: StudentPlanContext,
  isEnough: boolean,
  tries: number,
): readonly PlanBlock[] {
  const { reading, next, bans } = context;
  const reason: PlanReason = { code: "no-landing", isEnough };
  const bySkill = new Map<string, Side>();
  for (const { of, reason: why } of next) {
    if (bySkill.size >= PLAN_LIMITS.noLanding) break;
    const isAsked = why.code !== "review" && !bans.has(of) && missingFor(context, of.subject) === null;
    if (isAsked && !bySkill.has(of.subject) && noLandingRung(of) !== undefined) bySkill.set(of.subject, of);
  }
  return [...bySkill.values()].flatMap((of): PlanBlock[] => {
    const rung = noLandingRung(of);
    if (rung === undefined) return [];
    const { drill, chance } = suited(reading, standingOf(reading, of), rung);
    const { subject, side } = of;
    return [
      {
        ...{ ...PLAIN, phase: "no-landing", subject, side, drill, chance, reason, effort: "mixed" },
        ...{ cautions: cautionsIn(of, drill), ...doseOfSide(of, drill, tries, chance) },
      },
    ];
  });
}

/** What a skill asks for that is not at hand; null where it can be done. */
export function missingFor({ reading, missing }: StudentPlanContext, subject: string): Precaution | null {
  // A combo was asked for part by part.
  const skill = comboSubject(subject) === null ? reading.syllabus.catalogue.skills.get(subject) : undefined;
  return missing === undefined || skill === undefined ? null : ruledOutBy(skill, missing);
}
