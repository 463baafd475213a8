/** Where in a pattern one is while its beats are clicked. */

interface BeatTimes {
  /** Seconds from the first take-off. */
  readonly start: number;
  readonly cycle: number;
}

/**
 * Seconds into a pattern, some seconds after its `beat` (from 1, over and over) has sounded at a tempo in beats a
 * minute: a click is a beat whatever its cycle, and the next one is waited for.
 */
export function momentOf(beats: readonly BeatTimes[], beat: number, since: number, tempo: number): number {
  const at = beats[(beat - 1) % beats.length];
  if (at === undefined) return 0;
  const share = Math.min(1, Math.max(0, (since * tempo) / 60));
  return at.start + share * at.cycle;
}
