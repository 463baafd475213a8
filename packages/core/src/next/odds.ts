/** The chance of a drill for one student, from the side's record or that of the part that it is about. */
import { passChance, type Belief } from "../record/chance.js";
import { repetitionsOf } from "../record/evidence.js";
import { standingOf, type Reading, type Standing } from "../record/standing.js";
import { drillKey, type Drill } from "../syllabus/drill.js";
import type { Rung, Side } from "../syllabus/side.js";

/** The chance to pass a drill about a side, as it is shown; `own` for the tries of a gentler one. */
export function drillChance(reading: Reading, of: Side, drill: Drill, own?: Belief): number {
  const { belief } = standingOf(reading, of);
  const { beats } = of.skill;
  return passChance(drill, belief, reading.model, { beats, repetitions: timesIn(drill, of), own });
}

const repetitions = new WeakMap<Side, Map<string, number>>();

/** How often the side stands in one try; worked out once for a score. */
function timesIn(drill: Drill, of: Side): number {
  if (drill.score === undefined) return 1;
  const known = repetitions.get(of) ?? new Map<string, number>();
  repetitions.set(of, known);
  const key = `${drill.kind} ${drill.score}`;
  const found = known.get(key);
  if (found !== undefined) return found;
  const times = repetitionsOf(drill, of);
  known.set(key, times);
  return times;
}

/**
 * The chance of a rung with a drill of it: of the weakest side that it is about. Of a gentler
 * drill, its own tries are added to what the side's record lets one expect.
 */
export function rungChance(
  reading: Reading,
  { of, facts }: Pick<Standing, "of" | "facts">,
  rung: Rung,
  drill: Drill = rung.drill,
): number {
  const sides = rung.about.length === 0 ? [of] : rung.about;
  const isOfWhole = rung.holds === "whole" && !rung.isPart;
  const own = !isOfWhole ? facts.rungs[drillKey(drill)] : undefined;
  return Math.min(...sides.map((side) => drillChance(reading, side, drill, own)));
}
