/** A score that is shown over and over: in the middle of a row of itself, so that its end runs into its beginning. */
import { checkScore } from "../rope/check.js";
import type { RuleFault } from "../rope/fault.js";
import { measureScore } from "../rope/measure.js";
import { expandBeats, type Score } from "../rope/score.js";
import type { Timing } from "../rope/timing.js";
import { traceBeats } from "../rope/trace.js";
import { motionOf, type Jumper, type Motion } from "./motion.js";

export interface Showing {
  readonly motion: Motion;
  /** Where in the motion the score begins, seconds. */
  readonly offset: number;
  /** How long the score takes once. */
  readonly seconds: number;
  /** What of the score cannot be jumped: the figure stops there. */
  readonly fault: { readonly at: number; readonly beat: number; readonly message: string } | null;
}

/** Longer ones are shown once and begin anew from standing. */
const MOST_IN_A_ROW = 128;

/** Whether the score ends as it begins, so that it can follow itself without a seam. */
function closes(score: Score, jumper: Jumper): boolean {
  const beats = expandBeats(score);
  if (beats.length > MOST_IN_A_ROW || beats.every(({ turns }) => turns.length === 0)) return false;
  if (checkScore(score, { dominant: jumper.dominant, loop: true }).length > 0) return false;
  const { endDirection, endFacing } = measureScore(score, { dominant: jumper.dominant });
  const isStopped = traceBeats(beats, score.direction, "r").beats.some(({ turns }) =>
    turns.some(({ turn }) => turn.caught),
  );
  return endDirection === score.direction && endFacing === "front" && !isStopped;
}

/** A score's timing, one after the other. Its links are not asked for. */
function rowOf({ beats, duration }: Timing, count: number): Timing {
  const row = Array.from({ length: count }, (_, copy) =>
    beats.map((beat) => ({
      ...beat,
      start: beat.start + copy * duration,
      bottoms: beat.bottoms.map((bottom) => bottom + copy * duration),
    })),
  );
  return { beats: row.flat(), duration: count * duration, links: [], tightest: null };
}

function faultOf(motion: Motion, fault: RuleFault | undefined): Showing["fault"] {
  if (fault?.beat === undefined || fault.beat === null) return null;
  const timing = motion.timing.beats[fault.beat];
  if (timing === undefined) return null;
  const bottom = fault.turn === null ? undefined : timing.bottoms[fault.turn];
  return { at: bottom ?? timing.start, beat: fault.beat, message: fault.message };
}

/** A score as it is shown. Throws a `RangeError` for measures out of range. O(beats). */
export function showingOf(score: Score, jumper: Jumper = {}): Showing {
  const once = motionOf(score, jumper);
  const seconds = once.to;
  if (closes(score, jumper)) {
    const unit = { kind: "group", items: score.items, from: 0, to: 0 } as const;
    const row: Score = { direction: score.direction, items: [{ unit, count: 3 }] };
    const timing = rowOf(once.timing, 3);
    return { motion: motionOf(row, { ...jumper, timing }), offset: seconds, seconds, fault: null };
  }
  const [first] = checkScore(score, { dominant: jumper.dominant });
  return { motion: once, offset: 0, seconds, fault: faultOf(once, first) };
}
