/**
 * A round for a whole class: one drill and one clock, and one tap or a number for each (teaching.md, A
 * class on the floor). One adult cannot count ten children, so an answer stands for a set.
 */
import { DEFAULT_TEMPO, heldRepetitions } from "../syllabus/gates.js";
import { DRILL_ROWS, doseOf, passOf, type Drill } from "../syllabus/drill.js";
import type { Miss } from "../log/set.js";

export const ROUND_ANSWERS = ["made-it", "nearly", "not-yet"] as const;
/** One of three taps, or how many in a row were counted. */
export type RoundAnswer = (typeof ROUND_ANSWERS)[number] | number;

export interface RoundCounts {
  readonly clean: number;
  readonly misses: readonly Miss[];
  readonly bestStreak: number;
}

/** Nearly is taken as four fifths of what was asked. */
const NEARLY = 0.8;

/** What an answer to a round of `asked` in a row comes to as a set. */
export function roundCounts(answer: RoundAnswer, asked: number): RoundCounts {
  const inARow = (count: number): RoundCounts => ({
    clean: count,
    misses: count >= asked ? [] : [{ position: count + 1 }],
    bestStreak: count,
  });
  switch (answer) {
    case "made-it":
      return inARow(asked);
    case "nearly":
      return inARow(Math.min(asked - 1, Math.floor(NEARLY * asked)));
    case "not-yet":
      return inARow(0);
    default:
      return inARow(answer);
  }
}

/** What a drill asks where nobody counts each try: its own number, or the clean ones that pass it; a hold by its tempo. */
export function askedInARow(drill: Drill, beats: number): number {
  if (drill.kind === "hold")
    return Math.max(1, heldRepetitions(drill.seconds, drill.tempo ?? DEFAULT_TEMPO, beats));
  const isTries = DRILL_ROWS[drill.kind].measure === "tries";
  return Math.max(1, isTries ? (passOf(drill)?.clean ?? doseOf(drill)) : doseOf(drill));
}
