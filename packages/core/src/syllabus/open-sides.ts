import { sidesOf, type SideName } from "../sides.js";
import { skillOf, type Catalogue } from "./catalogue.js";
import type { SubjectSide } from "./roles.js";
import type { Skill } from "./skill.js";
import { sidesAsked } from "./syllabus.js";

/**
 * The sides of a skill, of the catalogue or not, that somebody could begin who has met some others: every need by one of
 * its ways. How much in a row a need asks is not looked at.
 */
export function openSides(
  catalogue: Catalogue,
  skill: Pick<Skill, "twoSided" | "needs">,
  isMet: (side: SubjectSide) => boolean,
): readonly SideName[] {
  return sidesOf(skill).filter((side) =>
    skill.needs.every(({ anyOf }) =>
      anyOf.some((term) =>
        sidesAsked(term, skillOf(catalogue, term.skill), side).some((way) =>
          way.every((one) => isMet({ subject: term.skill, side: one })),
        ),
      ),
    ),
  );
}
