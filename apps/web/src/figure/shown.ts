/** A score as it is shown at a time: over and over, as far as its first fault. */
import type { Score } from "@mirrup/core";
import { keyMoments, poseAt, showingOf, tellingMoment, type Jumper, type Showing } from "@mirrup/core/figure";
import type { Drawn } from "./stage.js";

const AROUND = 3;

export interface Shown {
  readonly showing: Showing;
  readonly still: number;
  /** Of the whole motion, in time. */
  readonly moments: readonly number[];
}

/** `still` is what is shown before anything is played, seconds; the moment that tells most where it is left out. */
export function shownOf(score: Score, jumper: Jumper, still?: number): Shown {
  const showing = showingOf(score, jumper);
  const moment = still ?? tellingMoment(showing.motion)?.at ?? 0;
  return {
    showing,
    still: moment % Math.max(1e-9, showing.seconds),
    moments: keyMoments(showing.motion)
      .filter(({ kind }) => kind !== "take-off")
      .map(({ at }) => at),
  };
}

/** Where in the motion a time of the score is; the moment that tells most before anything is played. */
export function timeIn({ showing, still }: Shown, at: number | null): number {
  const { seconds, fault } = showing;
  const here = at === null ? still : seconds > 0 ? at % seconds : 0;
  return showing.offset + (fault === null ? here : Math.min(here, fault.at));
}

export function drawnOf(shown: Shown, at: number, aside: number, strength: number): Drawn {
  const { motion } = shown.showing;
  return { pose: poseAt(motion, at), body: motion.body, aside, strength };
}

/** The moments around a time: the hands there, the pass and the landing of the jump that is shown. */
export function aroundOf({ moments }: Shown, at: number): readonly number[] {
  const next = moments.findIndex((moment) => moment >= at - 1e-6);
  const first = Math.max(0, (next === -1 ? moments.length : next) - 1);
  return moments.slice(first, first + AROUND);
}
