import type { ProblemError, StudentProfile } from "@mirrup/contract";
import type { Programme } from "@mirrup/core";
import { goalSides, isMet, standingOf, type Reading } from "@mirrup/core/teaching";

/** What a profile may not say, though each field by itself fits. `today` is the studio's day. */
export function profileErrors(
  profile: Partial<StudentProfile>,
  today: string,
  reading: Reading,
  programmes: ReadonlyMap<string, Programme>,
): ProblemError[] {
  const errors: ProblemError[] = [];
  const year = Number(today.slice(0, 4));
  if (profile.birthYear != null && profile.birthYear > year) {
    const message = `Nobody was born in ${profile.birthYear} yet. Give a year up to ${year}.`;
    errors.push({ field: "birthYear", code: "future-year", message });
  }
  profile.goals?.forEach((goal, place) => {
    const field = `goals[${place}]`;
    const programme = programmes.get(goal.subject);
    if (programme !== undefined) {
      if (reading.factsOf({ subject: goal.subject, side: "whole" })?.cleared == null) return;
      const message = `${programme.name} is finished already. Choose a goal further on.`;
      errors.push({ field, code: "goal-cleared", message });
      return;
    }
    const skill = reading.syllabus.catalogue.skills.get(goal.subject);
    if (skill === undefined) {
      const message = `"${goal.subject}" is not a skill of the catalogue. Choose one from the skill book.`;
      errors.push({ field, code: "unknown-subject", message });
      return;
    }
    const isWhole = goal.side === "whole";
    if (isWhole === skill.twoSided) {
      const sides = skill.twoSided ? "left, right or both sides" : "no sides";
      const message = `The ${skill.name} has ${sides}. Choose the goal's side to fit.`;
      errors.push({ field, code: "side-not-of-skill", message });
      return;
    }
    const sides = goalSides(reading.syllabus, goal);
    const isThere = sides.every((side) => isMet(standingOf(reading, side).status));
    if (isThere) {
      const message = `The ${skill.name} is cleared already. Choose a goal further on.`;
      errors.push({ field, code: "goal-cleared", message });
    }
  });
  return errors;
}
