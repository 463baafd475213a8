/** What is asked of a group's weeks, as the page's address says it. */
import { catalogue, programmes } from "../app/catalogue.js";
import { addressOfWeeks, weeksAskedFrom, type WeeksAsked } from "../app/weeks-asked.js";

export interface ClassWeeksAsked extends WeeksAsked {
  /** Skills that everybody is to have by then, on both sides where they have two; and programmes by their key. */
  readonly skills: readonly string[];
}

const MOST_SKILLS = 20;

export function classWeeksAskedFrom(params: URLSearchParams, now: number): ClassWeeksAsked {
  const named = new Set(
    params.getAll("goal").map((goal) => goal.slice(0, Math.max(0, goal.lastIndexOf(":")))),
  );
  const isTaught = (id: string) => catalogue().skills.has(id) || programmes().has(id);
  const skills = [...named].filter(isTaught).slice(0, MOST_SKILLS);
  return { ...weeksAskedFrom(params, now), skills };
}

export function addressOfClassWeeks({ skills, ...asked }: ClassWeeksAsked): URLSearchParams {
  const params = addressOfWeeks(asked);
  for (const id of skills)
    params.append("goal", `${id}:${catalogue().skills.get(id)?.twoSided === true ? "both" : "whole"}`);
  return params;
}
