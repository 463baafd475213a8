/** What one student can do at a station of a class, and what a minute of it is worth to them. */
import { DAY_MS, localDate, type Instant, type LocalDate } from "../instant.js";
import type { Drill } from "../syllabus/drill.js";
import type { NextDrill, NextReason } from "../next/next.js";
import { skillOf, type Catalogue } from "../syllabus/catalogue.js";
import { sideKey, type SubjectSide } from "../syllabus/side-table.js";
import { isMet, type Standing } from "../record/standing.js";
import { BLOCK_TRIES, doseOf, effortOf, isHard, reviewDrill, type Effort } from "./block.js";
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
  readonly aim: number | null;
  readonly chance: number | null;
  /** Why it is open work; null for the other uses. */
  readonly reason: NextReason | null;
  /** What a minute of it counts, from 0 to 1. */
  readonly worth: number;
  readonly effort: Effort;
  readonly watch: Watch;
  /** A new, hard skill has its half of the lesson. */
  readonly isNewAndHard: boolean;
  readonly landingsAMinute: number;
  readonly multiplesAMinute: number;
}

export interface ClassOptionContext {
  readonly catalogue: Catalogue;
  readonly standings: readonly Standing[];
  readonly next: readonly NextDrill[];
  readonly underGoals: ReadonlySet<string>;
  readonly missing: ReadonlySet<Precaution>;
  readonly now: Instant;
  readonly today: LocalDate;
}

const RISKY = new Set(["face", "neck", "wrist"]);

function watchOf(catalogue: Catalogue, subject: string, reason: NextReason): Watch {
  const { cautions, skillClass } = skillOf(catalogue, subject);
  if (isHard(skillClass) || cautions.some((one) => RISKY.has(one))) return "coach";
  return reason.code === "new" || reason.code === "second-side" ? "helper" : "nobody";
}

/** Where a side that is known stands: a review under a goal or another, something to show, or going on. */
function knownUse(
  { facts, status, subject, side }: Standing,
  { now, today, underGoals }: ClassOptionContext,
): Pick<ClassOption, "use" | "worth"> {
  if (status === "rusty") {
    const weight = underGoals.has(sideKey(subject, side)) ? PLAN_WEIGHTS.goalReview : PLAN_WEIGHTS.review;
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

function loadsOf(catalogue: Catalogue, side: SubjectSide, drill: Drill, chance: number) {
  const { minutes, landings, multiples } = doseOf(catalogue, side, drill, BLOCK_TRIES.main, chance);
  return { landingsAMinute: landings / minutes, multiplesAMinute: multiples / minutes };
}

/**
 * The best option of each skill, by skill; what is locked, or ruled out by what is missing today, is
 * not among them. O(sides).
 */
export function classOptions(context: ClassOptionContext): readonly ClassOption[] {
  const { catalogue, standings, next, missing } = context;
  const chances = new Map(standings.map((one) => [sideKey(one.subject, one.side), one.cleanChance]));
  const open = next.map((one): ClassOption => {
    const { subject, side, drill, aim, chance, reason } = one;
    const isNew = reason.code === "new" || reason.code === "second-side" || reason.code === "toward-goal";
    return {
      subject,
      side,
      use: "frontier",
      drill,
      aim,
      chance,
      reason,
      worth: PLAN_WEIGHTS.reason[reason.code] / CLASS_WEIGHTS.whole,
      effort: effortOf(catalogue, subject),
      watch: watchOf(catalogue, subject, reason),
      isNewAndHard: isNew && isHard(skillOf(catalogue, subject).skillClass),
      ...loadsOf(catalogue, one, drill, chances.get(sideKey(subject, side)) ?? 0.5),
    };
  });
  const known = standings
    .filter((one) => isMet(one.status))
    .map((one): ClassOption => {
      const drill = reviewDrill(catalogue, one);
      return {
        subject: one.subject,
        side: one.side,
        ...knownUse(one, context),
        drill,
        aim: null,
        chance: one.cleanChance ** drill.count,
        reason: null,
        effort: effortOf(catalogue, one.subject),
        watch: "nobody",
        isNewAndHard: false,
        ...loadsOf(catalogue, one, drill, one.cleanChance),
      };
    });
  const best = new Map<string, ClassOption>();
  for (const one of [...open, ...known]) {
    if (ruledOutBy(catalogue, one.subject, missing) !== null) continue;
    if (one.worth > (best.get(one.subject)?.worth ?? 0)) best.set(one.subject, one);
  }
  return [...best.values()];
}
