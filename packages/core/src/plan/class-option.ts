/** What one student can do at a station of a class, and what a minute of it is worth to them. */
import { DAY_MS, localDate } from "../instant.js";
import { reviewDrill, type NextDrill, type NextReason } from "../next/next.js";
import { drillChance } from "../next/odds.js";
import { cleanChance, findStanding, isMet, type Reading, type Standing } from "../record/standing.js";
import type { CautionCode } from "../syllabus/caution.js";
import { DRILL_ROWS, type Drill } from "../syllabus/drill.js";
import type { Effort } from "../syllabus/effort.js";
import type { SubjectSide } from "../syllabus/roles.js";
import type { Side } from "../syllabus/side.js";
import { isHard, type Family } from "../syllabus/skill.js";
import { BLOCK_TRIES, doseOfSide } from "./block.js";
import { ruledOutBy, type Precaution } from "./precaution.js";
import { CLASS_LIMITS, CLASS_WEIGHTS, PLAN_WEIGHTS } from "./weights.js";

/** Work at what is open, a review that is due, showing what one has just cleared, going on with what is known. */
export const CLASS_USES = ["frontier", "review", "show", "keep"] as const;
export type ClassUse = (typeof CLASS_USES)[number];

/** Who has to stand by: a coach where it can hurt or is hard and not cleared, a helper where it is new. */
export const WATCHES = ["nobody", "helper", "coach"] as const;
export type Watch = (typeof WATCHES)[number];

export interface ClassOption extends SubjectSide {
  readonly use: ClassUse;
  readonly drill: Drill;
  /** The chance to pass it as it is; null where nothing is to be reached. */
  readonly chance: number | null;
  /** What to mind in it. */
  readonly cautions: readonly CautionCode[];
  /** Why it is open work; null for the other uses. */
  readonly reason: NextReason | null;
  /** What a minute of it counts, from 0 to 1. */
  readonly worth: number;
  readonly effort: Effort;
  /** The family that a helper may be trusted with; null for a skill on no strand. */
  readonly family: Family | null;
  readonly watch: Watch;
  /** Open work that was begun: it has at least half of whoever's turns it is. */
  readonly isBegun: boolean;
  /** Whether it takes a rope. */
  readonly hasRope: boolean;
  /** A new, hard skill has its half of the lesson. */
  readonly isNewAndHard: boolean;
  readonly landingsAMinute: number;
  readonly multiplesAMinute: number;
}

export interface ClassOptionContext {
  readonly reading: Reading;
  readonly next: readonly NextDrill[];
  readonly underGoals: ReadonlySet<Side>;
  readonly missing: ReadonlySet<Precaution>;
}

const RISKY = new Set(["face", "neck", "wrist"]);

function watchOf({ skill }: Side, isNew: boolean): Watch {
  const { cautions, skillClass } = skill;
  if (isHard(skillClass) || cautions.some((one) => RISKY.has(one))) return "coach";
  return isNew ? "helper" : "nobody";
}

/** Where a side that is known stands: a review under a goal or another, something to show, or going on. */
function knownUse(
  { facts, status, of }: Standing,
  { reading: { now, today }, underGoals }: ClassOptionContext,
): Pick<ClassOption, "use" | "worth"> {
  if (status === "rusty") {
    const weight = underGoals.has(of) ? PLAN_WEIGHTS.goalReview : PLAN_WEIGHTS.reason.review;
    return { use: "review", worth: weight / CLASS_WEIGHTS.whole };
  }
  const soon = localDate(Date.parse(`${today}T12:00:00Z`) + CLASS_LIMITS.reviewWithinDays * DAY_MS, "UTC");
  const isFresh =
    facts.cleared?.by === "gate" && now - facts.cleared.at <= CLASS_LIMITS.showsForDays * DAY_MS;
  const isDueSoon = facts.review !== null && facts.review.due <= soon;
  return isFresh || isDueSoon
    ? { use: "show", worth: CLASS_WEIGHTS.show }
    : { use: "keep", worth: CLASS_WEIGHTS.keep };
}

function loadsOf(side: Side, drill: Drill, chance: number) {
  const { minutes, landings, multiples } = doseOfSide(side, drill, BLOCK_TRIES.main, chance);
  return { landingsAMinute: landings / minutes, multiplesAMinute: multiples / minutes };
}

const familyOf = ({ syllabus }: Reading, subject: string) => syllabus.catalogue.familyOf.get(subject) ?? null;

function openOption(
  { reading }: ClassOptionContext,
  { of, drill, chance, reason, isNew }: NextDrill,
): ClassOption {
  const { subject, side, effort, skill } = of;
  const standing = findStanding(reading, subject, side);
  return {
    family: familyOf(reading, subject),
    ...{ subject, side, use: "frontier", drill, chance, reason, effort },
    cautions: skill.cautions,
    worth: PLAN_WEIGHTS.reason[reason.code] / CLASS_WEIGHTS.whole,
    watch: watchOf(of, isNew),
    isBegun: !isNew,
    hasRope: DRILL_ROWS[drill.kind].hasRope,
    isNewAndHard: isNew && isHard(skill.skillClass),
    ...loadsOf(of, drill, standing === null ? 0.5 : cleanChance(standing)),
  };
}

function knownOption(context: ClassOptionContext, standing: Standing): ClassOption {
  const { of } = standing;
  const drill = reviewDrill(of);
  return {
    ...{ subject: of.subject, side: of.side, drill, effort: of.effort },
    family: familyOf(context.reading, of.subject),
    ...knownUse(standing, context),
    chance: drillChance(context.reading, of, drill),
    reason: null,
    cautions: of.skill.cautions,
    watch: "nobody",
    isBegun: false,
    hasRope: true,
    isNewAndHard: false,
    ...loadsOf(of, drill, cleanChance(standing)),
  };
}

/**
 * The best option of each skill, by skill; what is locked, or ruled out by what is missing today, is
 * not among them. O(sides).
 */
export function classOptions(context: ClassOptionContext): readonly ClassOption[] {
  const { reading, next, missing } = context;
  const open = next.filter((one) => one.reason.code !== "review").map((one) => openOption(context, one));
  const known = reading.standings.filter((one) => isMet(one.status)).map((one) => knownOption(context, one));
  const best = new Map<string, ClassOption>();
  for (const one of [...open, ...known]) {
    const skill = reading.syllabus.catalogue.skills.get(one.subject);
    if (skill === undefined || ruledOutBy(skill, missing) !== null) continue;
    const { worth = 0 } = best.get(one.subject) ?? {};
    if (one.worth > worth) best.set(one.subject, one);
  }
  return [...best.values()];
}
