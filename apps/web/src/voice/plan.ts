/** How recorded words are put together: which part of the recording is heard when, and how fast. Pure. */
import { spokenWords } from "@mirrup/catalogue";

/** Where a word lies in the recording, how long it is, and how long until it is loud, seconds. */
export type Span = readonly [from: number, seconds: number, lead: number];
export type Spans = Readonly<Record<string, Span>>;

export interface Piece {
  /** Seconds after the beginning at which it starts; the first starts before, since it is soft at first. */
  readonly at: number;
  readonly from: number;
  /** Of the recording. */
  readonly seconds: number;
  readonly rate: number;
}

/** Faster nobody understands it. */
const FASTEST = 1.7;

/**
 * The pieces of a text that is to be said within `longest` seconds, its first word loud at the beginning: faster where it must be, and cut where that is not
 * enough, since a word that goes on into the next beat is heard as that one's. Words that are not recorded are left out.
 */
export function piecesOf(text: string, spans: Spans, longest = Infinity): readonly Piece[] {
  const known = spokenWords(text).flatMap((word) => {
    const span = Object.hasOwn(spans, word) ? spans[word] : undefined;
    return span === undefined ? [] : [span];
  });
  const whole = known.reduce((sum, [, seconds]) => sum + seconds, 0);
  const rate = Math.min(FASTEST, Math.max(1, whole / longest));
  const pieces: Piece[] = [];
  const [first] = known;
  let at = first === undefined ? 0 : -first[2] / rate;
  for (const [from, seconds] of known) {
    const left = (longest - at) * rate;
    if (left <= 0) break;
    pieces.push({ at, from, seconds: Math.min(seconds, left), rate });
    at += seconds / rate;
  }
  return pieces;
}
