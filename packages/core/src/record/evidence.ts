/**
 * What a set is evidence for (record.md): a drill that holds the whole bears on the skill; a part drill
 * bears on the part, as a set of that skill, and on its rung; and what cannot be read bears on nothing.
 */
import type { LoggedSet } from "../log/line.js";
import { parseScore } from "../rope/parse.js";
import { printScore } from "../rope/print.js";
import { DRILL_ROWS, drillKey, parseDrill, type Drill } from "../syllabus/drill.js";
import { isHeld, isNothingElse, jumpsOf, timesHeld, type Jumps } from "../syllabus/holds.js";
import type { Side } from "../syllabus/side.js";
import { candidatesIn, type Syllabus } from "../syllabus/syllabus.js";

/** One side that a set bears on. */
export interface Bearing {
  readonly of: Side;
  readonly drill: Drill;
  /** The rung of that side's ladder that it was, or would be. */
  readonly rung: string;
  /** Whether it is evidence for the chance, the gate and the status; else for its rung alone. */
  readonly holds: boolean;
  /** How often the side stands in one try. */
  readonly repetitions: number;
}

function jumpsOfDrill(drill: Drill): Jumps | null {
  const parsed = drill.score === undefined ? null : parseScore(drill.score);
  return parsed?.ok === true ? jumpsOf(parsed.score) : null;
}

/** The drill as one of a side's ladder writes it: what is the side itself is not written. */
function asOf(drill: Drill, side: Side): Drill {
  if (drill.score === undefined) return drill;
  const parsed = parseScore(drill.score);
  if (!parsed.ok) return drill;
  const text = printScore(parsed.score);
  if (side.score === null || printScore(side.score) !== text) return { ...drill, score: text };
  const { score: _own, ...rest } = drill;
  return rest;
}

/** How often a side stands in one try of a drill; at least once where it is held at all. */
export function repetitionsOf(drill: Drill, side: Side): number {
  const once = jumpsOfDrill(drill);
  // A swing's try is one swing, and a step alone is one step, however often the score writes it.
  if (once === null || drill.kind === "free-swing" || drill.kind === "apart") return 1;
  const feet = drill.kind === "new-step" ? "any" : "same";
  return Math.max(1, ...side.jumps.map((form) => timesHeld(once, form, feet)));
}

function isHeldBy(drill: Drill, side: Side): boolean {
  if (drill.score === undefined) return true;
  const parsed = parseScore(drill.score);
  if (!parsed.ok) return false;
  const jumps = jumpsOf(parsed.score, DRILL_ROWS[drill.kind].loops);
  return side.jumps.some((form) => isHeld(jumps, form, drill.kind === "new-step" ? "any" : "same"));
}

function bearing(of: Side, drill: Drill, holds: boolean): Bearing {
  const own = asOf(drill, of);
  return { of, drill: own, rung: drillKey(own), holds, repetitions: holds ? repetitionsOf(own, of) : 1 };
}

/** The sides that a drill is about beside its own: those that its rung names, else the one skill that it is. */
function partsOf(drill: Drill, of: Side, syllabus: Syllabus): readonly Side[] {
  const key = drillKey(asOf(drill, of));
  const rung = of.ladder.find((one) => one.isPart && drillKey(one.drill) === key);
  if (rung !== undefined) return rung.about.filter((one) => isHeldBy(drill, one));
  const jumps = jumpsOfDrill(drill);
  if (jumps === null) return [];
  const alone = candidatesIn(syllabus, jumps).filter(
    (one) => one.subject !== of.subject && one.jumps.some((form) => isNothingElse(jumps, form)),
  );
  const length = (one: Side) => Math.max(...one.jumps.map((form) => form.beats.length));
  const [longest] = [...alone].sort((one, other) => length(other) - length(one));
  return longest === undefined ? [] : [longest];
}

const readings = new WeakMap<Syllabus, Map<string, readonly Bearing[]>>();
const MOST_KEPT = 5000;

/**
 * The sides that a drill bears on when it was logged about one side; its own first. The same for the same
 * question, so that a log of many sets reads each drill once.
 */
export function bearingsOf(drill: Drill, of: Side, syllabus: Syllabus): readonly Bearing[] {
  const kept = readings.get(syllabus) ?? new Map<string, readonly Bearing[]>();
  readings.set(syllabus, kept);
  const key = `${of.index} ${JSON.stringify(drill)}`;
  const found = kept.get(key);
  if (found !== undefined) return found;
  if (kept.size >= MOST_KEPT) kept.clear();
  const made = read(drill, of, syllabus);
  kept.set(key, made);
  return made;
}

function read(drill: Drill, of: Side, syllabus: Syllabus): readonly Bearing[] {
  // A shape is of its own rung alone, whatever its score.
  if (!DRILL_ROWS[drill.kind].isEvidence) return [bearing(of, drill, false)];
  if (of.jumps.length === 0) return [bearing(of, drill, true)];
  const key = drillKey(asOf(drill, of));
  const rung = of.ladder.find((one) => drillKey(one.drill) === key);
  if (rung !== undefined && !rung.isPart && rung.holds === "piece") return [bearing(of, drill, false)];
  const sides = of.other === null ? [of] : [of, of.other];
  const held = sides.filter((one) => (drill.score === undefined ? one === of : isHeldBy(drill, one)));
  if (held.length > 0) {
    const own = held.includes(of) ? [] : [bearing(of, drill, false)];
    return [...own, ...held.map((one) => bearing(one, drill, true))];
  }
  return [bearing(of, drill, false), ...partsOf(drill, of, syllabus).map((one) => bearing(one, drill, true))];
}

/** What a set bears on; nothing for a drill that cannot be read, or a subject that the syllabus has not. */
export function evidenceOf(
  set: Pick<LoggedSet, "drill" | "subject" | "side">,
  syllabus: Syllabus,
): readonly Bearing[] {
  const of = syllabus.find(set.subject, set.side);
  const drill = parseDrill(set.drill);
  return of === null || drill === null ? [] : bearingsOf(drill, of, syllabus);
}
