import type { Moment } from "../app/floor-run.js";

/**
 * The newest moment of a run. Taps can come faster than a page is drawn: what counts reads it here, and the numerals
 * are told of it at once, before the rest of the floor is drawn anew.
 */
export interface LiveRun {
  readonly get: () => Moment;
  readonly set: (moment: Moment) => void;
  /** Answers what ends it. */
  readonly subscribe: (hear: () => void) => () => void;
}

/** A run that has not begun, `now`. */
export function liveRun(now: number): LiveRun {
  let moment: Moment = { kept: null, now };
  const hearers = new Set<() => void>();
  return {
    get: () => moment,
    set: (next) => {
      moment = next;
      for (const hear of hearers) hear();
    },
    subscribe: (hear) => {
      hearers.add(hear);
      return () => hearers.delete(hear);
    },
  };
}
