/**
 * Where in the repetition misses fell: at the turn that was noted or sensed, else where the fault
 * that was named has its place in the score (teaching.md, Faults). What neither tells stays without
 * a place, and is not guessed.
 */
import { Tally } from "../tally.js";
import { POSES, type WrittenArms } from "../rope/arms.js";
import { expandBeats, type Score } from "../rope/score.js";
import type { FaultCode } from "../syllabus/fault.js";
import type { Miss } from "../log/set.js";

export interface TurnMisses {
  /** The rope bottom within the repetition, from 1. */
  readonly turn: number;
  readonly beat: number;
  readonly misses: number;
}

export interface MissMap {
  /** Every turn of the repetition, in order. */
  readonly turns: readonly TurnMisses[];
  readonly unplaced: number;
}

interface Bottom {
  readonly beat: number;
  /** The place of the turn within its jump, from 0. */
  readonly within: number;
  readonly arms: WrittenArms;
  readonly isLastOfJump: boolean;
}

function bottomsOf(score: Score): readonly Bottom[] {
  return expandBeats(score).flatMap(({ turns }, beat) =>
    turns.map(({ arms }, within) => ({ beat, within, arms, isLastOfJump: within === turns.length - 1 })),
  );
}

function isCrossed(arms: WrittenArms): boolean {
  if (arms === "x") return true;
  const { l, r } = POSES[arms];
  return l.side === "r" && r.side === "l";
}

/** The turn at which a fault shows, as a place in `bottoms`; null where it can be anywhere. */
function placeOfFault(fault: FaultCode | undefined, bottoms: readonly Bottom[]): number | null {
  const isAfterCross = (place: number) => isCrossed(bottoms[place - 1]?.arms ?? "o");
  const first = (shows: (bottom: Bottom, place: number) => boolean) => {
    const place = bottoms.findIndex(shows);
    return place < 0 ? null : place;
  };
  switch (fault) {
    case "late-cross":
      return first((one) => one.within > 0 && isCrossed(one.arms));
    case "late-open":
      return first((one, place) => one.within > 0 && !isCrossed(one.arms) && isAfterCross(place));
    case "exit":
      return first((one) => one.isLastOfJump && (one.arms === "ul" || one.arms === "ur"));
    case "stall":
    case "narrow":
    case "tilt":
    case "short-back":
      return first((one) => isCrossed(one.arms));
    case "reopen":
      return first((one, place) => one.within === 0 && !isCrossed(one.arms) && isAfterCross(place));
    default:
      return null;
  }
}

/** The misses of some sets of one skill and side, by the turn of its score at which they fell. */
export function missMap(score: Score, misses: readonly Miss[]): MissMap {
  const bottoms = bottomsOf(score);
  const counts = new Tally<number>();
  let unplaced = 0;
  for (const { turn, fault, count = 1 } of misses) {
    const noted = turn !== undefined && turn >= 1 && turn <= bottoms.length ? turn - 1 : null;
    const place = noted ?? placeOfFault(fault, bottoms) ?? (bottoms.length === 1 ? 0 : null);
    if (place === null) unplaced += count;
    else counts.add(place, count);
  }
  const turns = bottoms.map(({ beat }, place) => ({ turn: place + 1, beat, misses: counts.of(place) }));
  return { turns, unplaced };
}
