/**
 * A round for a whole class: one clock, and one tap or a number for each (teaching.md, A class on the floor). One
 * adult cannot count ten children, so an answer stands for a set, and what nobody saw is taken at its least.
 */
import { DEFAULT_TEMPO, heldRepetitions } from "../syllabus/gates.js";
import { DRILL_ROWS, doseOf, passOf, type Drill } from "../syllabus/drill.js";
import type { Miss } from "../log/set.js";

export const ROUND_ANSWERS = ["made-it", "nearly", "not-yet"] as const;
/**
 * One of three taps, or a number: how many in a row, how many right of the tries, how many in the time, or how many
 * seconds it was held.
 */
export type RoundAnswer = (typeof ROUND_ANSWERS)[number] | number;

export interface RoundCounts {
  readonly clean: number;
  readonly misses: readonly Miss[];
  readonly bestStreak: number;
  /** How long it was held; only for a hold. */
  readonly seconds?: number;
}

/** Nearly is taken as four fifths of what was asked. */
const NEARLY = 0.8;

/** What passes the drill, in the unit of its answers. */
export function askedOf(drill: Drill): number {
  return DRILL_ROWS[drill.kind].measure === "tries" ? (passOf(drill)?.clean ?? doseOf(drill)) : doseOf(drill);
}

function numberOf(answer: RoundAnswer, asked: number): number {
  switch (answer) {
    case "made-it":
      return asked;
    case "nearly":
      return Math.max(0, Math.min(asked - 1, Math.floor(NEARLY * asked)));
    case "not-yet":
      return 0;
    default:
      return answer;
  }
}

/** So many in a row, and a miss where it was less than asked. */
function inARow(count: number, asked: number): RoundCounts {
  return { clean: count, misses: count >= asked ? [] : [{ position: count + 1 }], bestStreak: count };
}

/** So many right, in an order that nobody saw: the best in a row is the least that it can have been. */
function rightOf(right: number, tries: number): RoundCounts {
  const missed = tries - right;
  return {
    clean: right,
    misses: missed === 0 ? [] : [{ count: missed }],
    bestStreak: Math.ceil(right / (missed + 1)),
  };
}

/** What an answer to a round of a drill comes to as a set; `beats` are those of a repetition. */
export function roundCounts(answer: RoundAnswer, drill: Drill, beats: number): RoundCounts {
  const asked = askedOf(drill);
  const number = numberOf(answer, asked);
  switch (DRILL_ROWS[drill.kind].measure) {
    case "in-a-row":
    case "rungs":
      return inARow(number, asked);
    case "clock": {
      // In the time nobody tells of the misses between.
      if (drill.kind !== "hold") return { clean: number, misses: [], bestStreak: 0 };
      const seconds = Math.min(number, asked);
      const clean = heldRepetitions(seconds, drill.tempo ?? DEFAULT_TEMPO, beats);
      const misses = seconds < asked ? [{ position: clean + 1 }] : [];
      return { clean, misses, bestStreak: clean, seconds };
    }
    case "tries":
    case "rounds":
    case "in-time":
      return rightOf(Math.min(number, doseOf(drill)), doseOf(drill));
  }
}
