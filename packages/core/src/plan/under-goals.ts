import type { Goal } from "../next/goal-path.js";
import { sidesOf } from "../sides.js";
import { skillOf, type Catalogue } from "../syllabus/catalogue.js";
import { sideKey } from "../syllabus/side-table.js";

/** Every side of every skill that the goals build on, directly or not, and the goals themselves. */
export function underGoals(catalogue: Catalogue, goals: readonly Goal[]): ReadonlySet<string> {
  const found = new Set<string>();
  const visit = (id: string) => {
    if (found.has(id)) return;
    found.add(id);
    for (const need of skillOf(catalogue, id).needs) need.anyOf.forEach((term) => visit(term.skill));
  };
  goals.forEach((goal) => visit(goal.subject));
  return new Set(
    [...found].flatMap((id) => sidesOf(skillOf(catalogue, id)).map((side) => sideKey(id, side))),
  );
}
