import { useCallback, useState } from "react";

/** A finger that bounces is no landing: nobody rebounds so fast. */
const BOUNCE_SECONDS = 0.12;
/** A landing so long after the last one begins a new row. */
const PAUSE_SECONDS = 3;

/** The landings of one row with another tap, seconds. */
export function withLanding(landings: readonly number[], at: number): readonly number[] {
  const last = landings.at(-1);
  if (last === undefined || at - last > PAUSE_SECONDS) return [at];
  return at - last < BOUNCE_SECONDS ? landings : [...landings, at];
}

export interface Landings {
  readonly taps: readonly number[];
  /** When the tap came: its event's own time, milliseconds. */
  readonly tap: (milliseconds: number) => void;
  readonly clear: () => void;
}

/** Landings as they are tapped, one row at a time. */
export function useLandings(): Landings {
  const [taps, setTaps] = useState<readonly number[]>([]);
  const tap = useCallback((at: number) => setTaps((before) => withLanding(before, at / 1000)), []);
  return { taps, tap, clear: useCallback(() => setTaps([]), []) };
}
