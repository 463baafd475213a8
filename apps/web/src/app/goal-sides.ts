import { programmeItems, type Side } from "@mirrup/core";
import { goalSides, type Goal } from "@mirrup/core/teaching";
import { programmes } from "./catalogue.js";
import { syllabus } from "./syllabus.js";

/** The sides that a goal is about: a skill's, or all that a programme asks. */
export function sidesOfGoal(goal: Goal): readonly Side[] {
  const programme = programmes().get(goal.subject);
  if (programme === undefined) return goalSides(syllabus(), goal);
  return programmeItems(programme).flatMap(({ skill: subject, side }) =>
    goalSides(syllabus(), { subject, side: side === "either" ? "both" : side }),
  );
}
