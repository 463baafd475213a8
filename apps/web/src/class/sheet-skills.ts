import type { Catalogue } from "@mirrup/core";
import type { Grid } from "./grid.js";

/** As many as fit on a page held sideways. */
const SKILLS_ON_A_SHEET = 16;

/** The skills of a class's sheet: those open for most, in the map's order, so that they are found again. */
export function skillsOfSheet(grid: Grid, catalogue: Catalogue): readonly string[] {
  const order = new Map(catalogue.strands.flatMap((strand) => strand.skills).map((id, place) => [id, place]));
  const placeOf = (subject: string) => order.get(subject) ?? 0;
  return [...grid.columns]
    .filter((column) => column.open > 0)
    .sort((one, other) => other.open - one.open || placeOf(one.subject) - placeOf(other.subject))
    .slice(0, SKILLS_ON_A_SHEET)
    .map((column) => column.subject)
    .sort((one, other) => placeOf(one) - placeOf(other));
}
