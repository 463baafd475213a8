import { goalSides, type Goal } from "../next/goal-path.js";
import type { Side } from "../syllabus/side.js";
import type { Syllabus } from "../syllabus/syllabus.js";

/** Every side of every skill that the goals build on, directly or not, and the goals themselves. */
export function underGoals(syllabus: Syllabus, goals: readonly Goal[]): ReadonlySet<Side> {
  const found = new Set<Side>();
  const visit = (side: Side) => {
    if (found.has(side)) return;
    for (const one of syllabus.sidesOf(side.subject)) found.add(one);
    for (const one of syllabus.sidesOf(side.subject)) one.kin.forEach(visit);
  };
  goals.flatMap((goal) => goalSides(syllabus, { ...goal, side: "both" })).forEach(visit);
  return found;
}
