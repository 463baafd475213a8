/**
 * When the hands may move, in a coach's terms: how long after take-off, before or after the top,
 * before landing (rope-model.md, Timing). A window closes toward a position, or opens out of one.
 */
import { cellOf } from "../grid.js";
import type { Arms } from "./arms.js";
import { expandBeats, type Score } from "./score.js";
import {
  timeScore,
  WINDOW_FROM,
  WINDOW_TO,
  type Timing,
  type TimingOptions,
  type TurnPlace,
} from "./timing.js";
import { traceBeats } from "./trace.js";

/** An instant by the jump in which it falls, seconds. */
export interface JumpInstant {
  /** The jump whose take-off came last, from 0. */
  readonly beat: number;
  readonly at: number;
  readonly afterTakeOff: number;
  /** Below 0 on the way up. */
  readonly afterTop: number;
  /** Below 0 once the feet are down. */
  readonly beforeLanding: number;
}

export interface ArmWindow {
  readonly from: TurnPlace;
  readonly to: TurnPlace;
  readonly arms: readonly [from: Arms, to: Arms];
  /** Out of a position to open hands, into one from open hands, or from one to another. */
  readonly kind: "opening" | "closing" | "changing";
  readonly begin: JumpInstant;
  readonly end: JumpInstant;
  /** Hand moves. */
  readonly cost: number;
  readonly seconds: number;
  /** Hand moves a second. */
  readonly demand: number;
  readonly isTightest: boolean;
}

function instantOf({ beats }: Timing, at: number, from: number): JumpInstant {
  let beat = from;
  // Beside the body a turn can come before its own take-off.
  while (beat > 0 && cellOf(beats, beat).start > at) beat -= 1;
  while (beat + 1 < beats.length && cellOf(beats, beat + 1).start <= at) beat += 1;
  const { start, airtime } = cellOf(beats, beat);
  return {
    ...{ beat, at, afterTakeOff: at - start },
    afterTop: at - (start + airtime / 2),
    beforeLanding: start + airtime - at,
  };
}

function kindOf(from: Arms, to: Arms): ArmWindow["kind"] {
  if (to === "o") return "opening";
  return from === "o" ? "closing" : "changing";
}

/** The window of every arm change of a score, in time. Throws as `timeScore` does. O(turns). */
export function armWindows(score: Score, options: TimingOptions = {}): readonly ArmWindow[] {
  const timing = timeScore(score, options);
  const { beats } = traceBeats(expandBeats(score), score.direction, options.dominant ?? "r");
  const armsAt = ({ beat, turn }: TurnPlace) => cellOf(cellOf(beats, beat).turns, turn).arms;
  const bottomAt = ({ beat, turn }: TurnPlace) => cellOf(cellOf(timing.beats, beat).bottoms, turn);
  return timing.links.flatMap(({ from, to, cost, window, demand }, place): ArmWindow[] => {
    if (cost === 0) return [];
    const arms = [armsAt(from), armsAt(to)] as const;
    const [start, end] = [bottomAt(from), bottomAt(to)];
    const when = (share: number) => instantOf(timing, start + share * (end - start), from.beat);
    return [
      {
        ...{ from, to, arms, kind: kindOf(...arms), cost, seconds: window, demand },
        begin: when(WINDOW_FROM),
        end: when(WINDOW_TO),
        isTightest: place === timing.tightest,
      },
    ];
  });
}
