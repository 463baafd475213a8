/**
 * A rung as a drill, and the rung after one that was passed. The learner model proposes the rung;
 * what is passed goes on upward until it is not, so that a student who is better than the record
 * says is not held back by it.
 */
import type { Gate } from "../skills/gates.js";
import type { Drill, DrillKind } from "./drill.js";
import { DRILL_PASSES } from "./ladder.js";
import { gateChance, type Rung } from "./learner.js";
import { gateDrill } from "./run.js";
import { missCount, type PracticeSet } from "./set.js";

/** A rung below this is no set: single repetitions are tried instead, one and out. */
const LEAST_CLIMB = 3;
/** From here on the rungs below would be most of the work: a streak (teaching.md, the ladders' climb to 5 and 10). */
const LEAST_STREAK = 8;
const SINGLES = { kind: "one-out", count: 5 } as const satisfies Drill;
/** How much further the next rung is. */
const STEP = 1.5;

export interface RungDrill {
  readonly drill: Drill;
  readonly chance: number;
}

/**
 * The drill of a rung under a gate, which is `gateStreak` in a row: the gate itself at its top, a
 * streak or a climb below it. One or two in a row are tried as single repetitions, with the chance
 * to pass them.
 */
export function rungDrill(rung: Rung, gate: Gate, gateStreak: number, cleanChance: number): RungDrill {
  const { count, chance } = rung;
  if (count >= gateStreak) return { drill: gateDrill(gate), chance };
  const pass = DRILL_PASSES[SINGLES.kind];
  if (count < LEAST_CLIMB && pass !== null) {
    return { drill: SINGLES, chance: gateChance(cleanChance, { kind: "clean", ...pass }, 1) };
  }
  const drill: Drill =
    count < LEAST_STREAK ? { kind: "climb", top: count, onMiss: "repeat" } : { kind: "streak", count };
  return { drill, chance };
}

const SINGLE_KINDS: ReadonlySet<DrillKind> = new Set(["one-out", "one-stop", "from-rest"]);

/** The rung that a set passed; 0 where it passed none. */
export function passedRung({
  drill,
  clean,
  misses,
  bestStreak,
}: Pick<PracticeSet, "drill" | "clean" | "misses" | "bestStreak">): number {
  const asked = drill.kind === "climb" ? drill.top : drill.kind === "streak" ? drill.count : undefined;
  if (asked !== undefined) return bestStreak >= asked ? asked : 0;
  const pass = DRILL_PASSES[drill.kind];
  const tries = clean + missCount(misses);
  const isPassed = pass !== null && tries >= pass.of && clean * pass.of >= pass.clean * tries;
  return SINGLE_KINDS.has(drill.kind) && isPassed ? 1 : 0;
}

/** The rung after one that was passed, at most the gate. */
export function rungAfter(passed: number, gateStreak: number): number {
  return Math.min(gateStreak, Math.max(LEAST_CLIMB, Math.ceil(passed * STEP)));
}
