/**
 * A combo as a WAV click track: a short tone a bottom of the rope, higher where a turn is fused; the
 * score in the file's comment, so that it can be read back.
 */
import { printScore } from "@mirrup/core";
import { clicksOf, comboTiming } from "@mirrup/core/combos";
import { WaveFile } from "wavefile";
import { SCORE_MARK, type ClickTrack } from "./combo-midi.js";

const RATE = 22_050;
const LOUDEST = 32_767;
const PLAIN_HZ = 880;
const BESIDE_HZ = 660;
const FUSED_HZ = 1760;
const CLICK_SECONDS = 0.045;
const DECAY = 80;

/** A longer track is hundreds of megabytes of silence; the MIDI file holds it. */
export const LONGEST_WAV_SECONDS = 600;

function addClick(samples: Int16Array, at: number, hertz: number): void {
  const first = Math.round(at * RATE);
  for (let step = 0; step < CLICK_SECONDS * RATE && first + step < samples.length; step += 1) {
    const seconds = step / RATE;
    samples[first + step] = Math.round(
      LOUDEST * 0.7 * Math.exp(-DECAY * seconds) * Math.sin(2 * Math.PI * hertz * seconds),
    );
  }
}

/** Throws a `RangeError` for a track of more than ten minutes. */
export function wavOf({ name, score, tempo }: ClickTrack): Uint8Array<ArrayBuffer> {
  const timing = comboTiming(score, { tempo, dominant: "r" });
  if (timing.duration > LONGEST_WAV_SECONDS) {
    const minutes = Math.ceil(timing.duration / 60);
    throw new RangeError(
      `The sound would last ${minutes} minutes; at most 10 are written. Take the MIDI file.`,
    );
  }
  const samples = new Int16Array(Math.ceil(timing.duration * RATE));
  for (const { at, isFused, isUnderFeet } of clicksOf(score, timing)) {
    addClick(samples, at, isFused ? FUSED_HZ : isUnderFeet ? PLAIN_HZ : BESIDE_HZ);
  }
  const wav = new WaveFile();
  wav.fromScratch(1, RATE, "16", samples);
  wav.setTag("INAM", name);
  wav.setTag("ICMT", SCORE_MARK + printScore(score));
  return new Uint8Array(wav.toBuffer());
}

export interface ReadWav {
  readonly name: string;
  readonly score: string | null;
  /** When it begins to sound after silence, seconds. */
  readonly clicks: readonly number[];
}

/** Throws what the parser throws for a damaged file. */
export function readWav(bytes: Uint8Array): ReadWav {
  const wav = new WaveFile(bytes);
  const comment = wav.getTag("ICMT");
  const score = comment?.startsWith(SCORE_MARK) === true ? comment.slice(SCORE_MARK.length) : null;
  const samples = wav.getSamples(true, Int16Array) as unknown as Int16Array;
  const clicks: number[] = [];
  const quiet = CLICK_SECONDS * RATE;
  let last = -Infinity;
  samples.forEach((sample, place) => {
    if (Math.abs(sample) < LOUDEST / 20) return;
    if (place - last > quiet / 4) clicks.push(place / RATE);
    last = place;
  });
  return { name: wav.getTag("INAM") ?? "", score, clicks };
}
