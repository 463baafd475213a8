/**
 * What is believed of a side's next try (record.md, Chances): its own record over one prior, which moves
 * half way, in log odds, toward the other side where that has tries, and toward what placement saw.
 */
import { DAY_MS, type Instant } from "../instant.js";
import type { PlacementAnswer } from "../log/decision.js";
import type { SkillClass } from "../syllabus/skill.js";
import type { Belief } from "./chance.js";
import type { SideFacts } from "./facts.js";
import { PRIOR_WEIGHT, type LearnerModel } from "./model.js";

/** The chance of a miss of somebody who was seen so at placement, or taken to know it unseen. */
const PLACED_MISS: Readonly<Record<PlacementAnswer, number>> = { clean: 0.15, nearly: 0.5, no: 0.8 };
const PRESUMED_MISS = 0.25;
const HALF_WAY = 0.5;

const logit = (chance: number) => Math.log(chance / (1 - chance));
const chanceAt = (odds: number) => 1 / (1 + Math.exp(-odds));

function toward(from: number, to: number): number {
  return chanceAt(logit(from) + HALF_WAY * (logit(to) - logit(from)));
}

/** Clean and missed tries as they count at `now`: who rests forgets slowly. */
export function countedAt(
  { clean, missed, countedAt: at }: Pick<SideFacts, "clean" | "missed" | "countedAt">,
  now: Instant,
  { halfLifeDays }: Pick<LearnerModel, "halfLifeDays">,
): { readonly clean: number; readonly missed: number } {
  const kept = at === null ? 1 : 2 ** -(Math.max(0, now - at) / DAY_MS / halfLifeDays);
  return { clean: clean * kept, missed: missed * kept };
}

function placedMiss({ placed, presumedAt }: SideFacts): number | null {
  if (placed === null) return null;
  return presumedAt !== null && placed === "clean" ? PRESUMED_MISS : PLACED_MISS[placed];
}

/** The belief about a side from its facts and the other side's; `other` is null where there is none. */
export function beliefOf(
  skillClass: SkillClass,
  own: SideFacts,
  other: SideFacts | null,
  now: Instant,
  model: LearnerModel,
): Belief {
  const start = model.startMiss[skillClass];
  let prior = start;
  if (other !== null) {
    const { clean, missed } = countedAt(other, now, model);
    prior = toward(prior, (missed + PRIOR_WEIGHT * start) / (missed + clean + PRIOR_WEIGHT));
  }
  const seen = placedMiss(own);
  if (seen !== null) prior = toward(prior, seen);
  const { clean, missed } = countedAt(own, now, model);
  return { missed: missed + PRIOR_WEIGHT * prior, clean: clean + PRIOR_WEIGHT * (1 - prior) };
}
