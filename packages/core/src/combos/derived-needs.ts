/**
 * What turns that are no skill ask of whoever does them, derived from the rope model: of each arms, each
 * direction, each number of turns in a jump and each foot the simplest skill that has it.
 */
import { expandBeats, type Score } from "../rope/score.js";
import { traceBeats, type TracedBeat } from "../rope/trace.js";
import type { Hand } from "../rope/arms.js";
import type { Side } from "../syllabus/side.js";
import type { Syllabus } from "../syllabus/syllabus.js";

/** Everything about a beat that a skill can be learned for, each as one text. */
function featuresOf({ beat, turns, landing, direction }: TracedBeat): readonly string[] {
  const [first] = turns;
  const isAllOpen = turns.every(({ arms }) => arms === "o");
  return [
    ...turns.filter(({ arms }) => arms !== "o").map(({ arms, direction: way }) => `${arms} ${way}`),
    ...(turns.length > 1 ? [`${turns.length} turns ${direction}`] : []),
    ...(first !== undefined && isAllOpen && direction === "backward" ? ["backward"] : []),
    ...(landing === "b" ? [] : [`on ${landing}`]),
    ...beat.gestures.map((gesture) => `with ${gesture}`),
  ];
}

function featuresOfScore(score: Score, dominant: Hand): ReadonlySet<string> {
  const { beats } = traceBeats(expandBeats(score), score.direction, dominant);
  return new Set(beats.flatMap(featuresOf));
}

const simplest = new WeakMap<Syllabus, Map<string | null, ReadonlyMap<string, Side>>>();

/** For each feature the side of the lowest level that has it, of all skills but one; O(skills), once. */
function simplestSides(syllabus: Syllabus, except: string | null): ReadonlyMap<string, Side> {
  const known = simplest.get(syllabus) ?? new Map<string | null, ReadonlyMap<string, Side>>();
  simplest.set(syllabus, known);
  const found = known.get(except);
  if (found !== undefined) return found;
  const byFeature = new Map<string, Side>();
  for (const side of syllabus.sides) {
    if (side.score === null || side.subject === except) continue;
    for (const feature of featuresOfScore(side.score, "r")) {
      const before = byFeature.get(feature);
      if (before === undefined || side.skill.level < before.skill.level) byFeature.set(feature, side);
    }
  }
  known.set(except, byFeature);
  return byFeature;
}

/** The sides that a score asks for; null where the catalogue has no skill for some of it. */
export function derivedNeeds(
  syllabus: Syllabus,
  score: Score,
  dominant: Hand = "r",
  except: string | null = null,
): readonly Side[] | null {
  const known = simplestSides(syllabus, except);
  const sides: Side[] = [];
  for (const feature of featuresOfScore(score, dominant)) {
    const side = known.get(feature);
    if (side === undefined) return null;
    if (!sides.includes(side)) sides.push(side);
  }
  const bounce = syllabus.sidesOf(syllabus.catalogue.roles.bounce ?? "");
  return sides.length > 0 ? sides : bounce;
}
