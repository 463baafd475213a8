/** How long each clean try took, drawn as bars against the usual length. Pure. */
import { rhythmOf } from "@mirrup/core/combos";

export interface RhythmBar {
  /** From 1: which of the clean tries it led to. */
  readonly place: number;
  /** Of the picture's height, from 0 to 1; the usual length stands at the middle. */
  readonly height: number;
  readonly isStandout: boolean;
}

/** As many can be told apart; of a longer set the last ones are drawn. */
const MOST_BARS = 60;

/** A bar for each try but the first of each run; none where there are too few for a rhythm. `ticks` are seconds. */
export function rhythmBars(ticks: readonly number[]): readonly RhythmBar[] {
  const rhythm = rhythmOf(ticks);
  if (rhythm === null) return [];
  const usual = 60 / rhythm.tempo;
  const standouts = new Set(rhythm.standouts);
  // From one run to the next somebody stood: that is no try's length.
  const begins = new Set(
    rhythm.runs.map((_, run) => rhythm.runs.slice(0, run).reduce((sum, one) => sum + one, 0)),
  );
  return ticks
    .flatMap((tick, place): RhythmBar[] => {
      const before = ticks[place - 1];
      if (before === undefined || begins.has(place)) return [];
      const height = Math.min(1, Math.max(0, (tick - before) / usual / 2));
      return [{ place: place + 1, height, isStandout: standouts.has(place) }];
    })
    .slice(-MOST_BARS);
}
