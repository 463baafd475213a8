/**
 * Combos by the clock: one so often with rests between, or several as a freestyle round. Each is called part by part
 * and clicked at every bottom of the rope, as the timing model has it: a double takes longer than a bounce.
 */
import { withCountIn, type ClockCall, type Stretch } from "../floor/interval.js";
import { cellOf } from "../grid.js";
import { comboTiming, type Jumping } from "./measures.js";
import { comboScore, countsOf, type ComboPart } from "./part.js";

/** A combo within a round. */
export interface ClockPiece {
  readonly parts: readonly ComboPart[];
  /** What is called at each part. */
  readonly names: readonly string[];
  /** Seconds until the next one; nothing follows the last. */
  readonly rest: number;
  /** What rests a jumper without stopping the rope; null for a rest that stands still. */
  readonly restName: string | null;
}

/** One combo: its parts as calls, and a click at each bottom of the rope. */
function worked({ parts, names }: ClockPiece, jumping: Jumping, place: Stretch["place"]): Stretch | null {
  const score = comboScore(parts);
  if (score === null) return null;
  const { beats, duration } = comboTiming(score, jumping);
  const [first] = beats;
  if (first === undefined) return null;
  let count = 0;
  const starts = parts.map((part) => {
    const at = cellOf(beats, count).start;
    count += countsOf(part);
    return at;
  });
  const calls = names.map((name, index): ClockCall => {
    const from = cellOf(starts, index);
    return { name, seconds: (starts[index + 1] ?? duration) - from };
  });
  return {
    ...{ kind: "work", seconds: duration, tempo: null, calls, place },
    clicks: beats.flatMap((beat) => beat.bottoms.filter((at) => at < duration)),
  };
}

/** Combos one after the other, with a count-in; none for none. O(beats). */
export function piecesClock(pieces: readonly ClockPiece[], asked: Jumping): readonly Stretch[] {
  const stretches = pieces.flatMap((piece, index): readonly Stretch[] => {
    const place = { round: index + 1, rounds: pieces.length, set: 1, sets: 1 };
    const work = worked(piece, asked, place);
    if (work === null) return [];
    if (index === pieces.length - 1 || piece.rest <= 0) return [work];
    const { rest: seconds, restName } = piece;
    const calls = restName === null ? [] : [{ name: restName, seconds }];
    return [work, { kind: "rest", seconds, tempo: restName === null ? null : asked.tempo, calls, place }];
  });
  return withCountIn(stretches);
}
