/**
 * A rung as a drill, and the rung after one that was passed. The learner model proposes the rung;
 * what is passed goes on upward until it is not, so that a student who is better than the record
 * says is not held back by it.
 */
import type { Gate } from "../syllabus/gates.js";
import type { Drill, DrillKind } from "../syllabus/drill.js";
import { DRILL_PASSES } from "../syllabus/ladder.js";
import type { Rung } from "../record/learner.js";
import { gateDrill } from "../floor/run.js";
import { missCount, type PracticeSet } from "../log/set.js";

/** Single repetitions, one and out, in place of a rung that is no set. */
const SINGLES = { kind: "one-out", count: 5 } as const satisfies Drill;
const LEAST_CLIMB = 3;
/** From here on the rungs below would be most of the work (teaching.md: a climb to 5 or 10, then a streak). */
const LEAST_STREAK = 8;
/** A gate this short is tried whole from the start, unless hardly a try comes clean. */
const SHORT_GATE = 16;
const HARDLY = 0.3;
/** How much further the next rung is. */
const STEP = 1.5;

export interface RungDrill {
  readonly drill: Drill;
  /** In a row, what `chance` is the chance of; null where the drill itself says it. */
  readonly aim: number | null;
  readonly chance: number;
}

/**
 * The drill of a rung under a gate, which is `gateStreak` in a row. Where the gate is a streak that
 * is short, or the rung is a long one, it is the gate's own streak with the rung as its aim: a set
 * that ends at the rung could never meet the gate. Else it is a climb to the rung; and for a rung
 * of one or two, single repetitions. The chance is always that of the rung.
 */
export function rungDrill(rung: Rung, gate: Gate, gateStreak: number, cleanChance: number): RungDrill {
  const { count, chance } = rung;
  if (count >= gateStreak) return { drill: gateDrill(gate), aim: null, chance };
  const isShort = gateStreak <= SHORT_GATE && cleanChance >= HARDLY;
  if (gate.kind === "streak" && (isShort || count >= LEAST_STREAK)) {
    return { drill: gateDrill(gate), aim: count, chance };
  }
  if (count < LEAST_CLIMB) return { drill: SINGLES, aim: count, chance };
  const drill: Drill =
    count < LEAST_STREAK ? { kind: "climb", top: count, onMiss: "repeat" } : { kind: "streak", count };
  return { drill, aim: null, chance };
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
