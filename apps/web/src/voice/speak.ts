/** What is said on the audio clock. */
import { piecesOf } from "./plan.js";
import type { Recorded } from "./recorded.js";
import { SPANS } from "./spans.js";

const LOUDNESS = 0.9;
/** A word that comes later than this after its beat is heard as the next one's, or as a mistake, seconds. */
export const LATEST_SECONDS = 0.06;

/** Says a text from an instant of the audio clock on, within so many seconds; nothing where that is over. */
export function speak(
  audio: BaseAudioContext,
  { buffer, delay }: Recorded,
  text: string,
  at: number,
  longest?: number,
): void {
  if (audio.currentTime > at + LATEST_SECONDS) return;
  const loudness = audio.createGain();
  loudness.gain.value = LOUDNESS;
  loudness.connect(audio.destination);
  for (const piece of piecesOf(text, SPANS, longest)) {
    const source = audio.createBufferSource();
    source.buffer = buffer;
    source.playbackRate.value = piece.rate;
    source.connect(loudness);
    // What would have begun before now begins now, and is as loud at its beat.
    const missed = Math.max(0, audio.currentTime - (at + piece.at));
    const skipped = missed * piece.rate;
    if (skipped < piece.seconds)
      source.start(at + piece.at + missed, piece.from + delay + skipped, piece.seconds - skipped);
  }
}
