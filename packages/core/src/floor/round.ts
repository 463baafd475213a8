/**
 * A round for a whole class: one drill and one clock, and one tap or a number for each (teaching.md, A
 * class on the floor). One adult cannot count ten children, so an answer stands for a set.
 */
import { DEFAULT_TEMPO } from "../syllabus/gates.js";
import type { Drill } from "../syllabus/drill.js";
import { heldRepetitions } from "./run.js";
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

/** What a drill asks in a row where nobody counts each try: its aim, else its own number; a hold by its tempo. */
export function askedInARow(
  { drill, aim }: { readonly drill: Drill; readonly aim: number | null },
  beats: number,
): number {
  const { kind, count, top, rounds, seconds = 0, tempo = DEFAULT_TEMPO } = drill;
  const own = kind === "hold" ? heldRepetitions(seconds, tempo, beats) : (count ?? top ?? rounds ?? 1);
  return Math.max(1, aim ?? own);
}
