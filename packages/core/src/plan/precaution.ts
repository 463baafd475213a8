/**
 * What is not at hand today, and which skills that rules out (safety.md): a caution of a skill asks for
 * something, and without it the skill is not planned.
 */
import type { CautionCode } from "../syllabus/caution.js";
import type { Skill } from "../syllabus/skill.js";

/**
 * Shoes that cushion (multiples), a floor that gives (triples and more), eye protection (backward
 * multiples, releases, wraps), another rope than a beaded or wire one (arms behind the body).
 */
export const PRECAUTIONS = ["shoes", "surface", "face", "neck"] as const satisfies readonly CautionCode[];
export type Precaution = (typeof PRECAUTIONS)[number];

/** The first precaution that the skill asks for and that is missing; null where it can be done. */
export function ruledOutBy(
  { cautions }: Pick<Skill, "cautions">,
  missing: ReadonlySet<Precaution>,
): Precaution | null {
  return PRECAUTIONS.find((one) => missing.has(one) && cautions.includes(one)) ?? null;
}
