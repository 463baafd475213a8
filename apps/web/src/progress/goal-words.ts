/** How the way to a student's goals has moved. */
import { LATELY_DAYS, type ClearedSide, type PathView } from "@mirrup/contract";
import { dayAfter, SideSet, type LocalDate } from "@mirrup/core";
import { underGoals } from "@mirrup/core/planning";
import type { Goal } from "@mirrup/core/teaching";
import { counted } from "../app/plural.js";
import { syllabus } from "../app/syllabus.js";
import { goalWords, listWords, subjectName } from "../app/words.js";

/** What is left of the way, and what of it was cleared in the last month; null without a goal. */
export function movedWords(
  goals: readonly Goal[],
  { steps }: Pick<PathView, "steps">,
  cleared: readonly ClearedSide[],
  today: LocalDate,
): string | null {
  if (goals.length === 0) return null;
  const under = new SideSet(underGoals(syllabus(), goals));
  const since = dayAfter(today, -LATELY_DAYS);
  const lately = cleared.filter((side) => side.day >= since && under.has(side));
  const way = `The way to the ${listWords(goals.map(goalWords))}`;
  const left = steps.length === 0 ? "is done" : `has ${counted(steps.length, "side")} left`;
  const moved =
    lately.length === 0
      ? "Nothing of it was cleared in the last month."
      : `Cleared toward it in the last month: ${listWords(lately.map(({ subject, side }) => subjectName(subject, side)))}.`;
  return `${way} ${left}. ${moved}`;
}
