/** How the chance of a side has moved: after each of its last lessons, from the marks that are kept between them. */
import type { Instant } from "../instant.js";
import { compareLines } from "../log/line.js";
import type { SkillClass } from "../syllabus/skill.js";
import { beliefOf } from "./belief.js";
import { cleanOf } from "./chance.js";
import { NO_FACTS, type SideFacts } from "./facts.js";
import { FIRST_ID, type Mark } from "./mark.js";
import type { LearnerModel } from "./model.js";

export interface ChanceAt {
  readonly at: Instant;
  /** Of one clean try, 0 to 1, as it was believed then. */
  readonly chance: number;
}

/** What was known of a side at a time: by the last mark before it, by the first where all came later. */
function factsAt(marks: readonly Mark[], at: Instant): SideFacts {
  const before = marks.filter((mark) => mark.at <= at).at(-1);
  return (before ?? marks[0])?.facts ?? NO_FACTS;
}

/**
 * The chance after each mark of a side, in the order of time; `other` are the marks of the other side, null for a
 * skill that has none. A mark before which nothing was done says nothing. O(marks²), of which eight are kept.
 */
export function chanceCourse(
  skillClass: SkillClass,
  marks: readonly Mark[],
  other: readonly Mark[] | null,
  model: LearnerModel,
): readonly ChanceAt[] {
  const others = other === null ? null : [...other].sort(compareLines);
  return marks
    .filter(({ id }) => id !== FIRST_ID)
    .sort(compareLines)
    .map(({ at, facts }) => {
      const otherFacts = others === null ? null : factsAt(others, at);
      return { at, chance: cleanOf(beliefOf(skillClass, facts, otherFacts, at, model)) };
    });
}
