/**
 * A combo as a Standard MIDI File: one click a bottom of the rope, on the percussion channel, louder
 * and higher where a turn is fused; the score itself as a text event, so that it can be read back.
 */
import { parseScore, printScore, type Score } from "@mirrup/core";
import { clicksOf, comboTiming } from "@mirrup/core/combos";
import { Midi } from "@tonejs/midi";

export const SCORE_MARK = "mirrup-score: ";
const PERCUSSION = 9;
/** High and low wood block, and a claves for a fused turn. */
const UNDER_FEET = 76;
const BESIDE = 77;
const FUSED = 75;
const CLICK_SECONDS = 0.05;

export interface ClickTrack {
  readonly name: string;
  readonly score: Score;
  /** Bounces a minute. */
  readonly tempo: number;
}

export function midiOf({ name, score, tempo }: ClickTrack): Uint8Array<ArrayBuffer> {
  const midi = new Midi();
  midi.header.setTempo(tempo);
  midi.header.name = name;
  midi.header.meta.push({ ticks: 0, type: "text", text: SCORE_MARK + printScore(score) });
  const track = midi.addTrack();
  track.channel = PERCUSSION;
  track.name = name;
  for (const { at, isFused, isUnderFeet } of clicksOf(score, comboTiming(score, { tempo, dominant: "r" }))) {
    track.addNote({
      midi: isFused ? FUSED : isUnderFeet ? UNDER_FEET : BESIDE,
      time: at,
      duration: CLICK_SECONDS,
      velocity: isFused ? 1 : 0.7,
    });
  }
  return new Uint8Array(midi.toArray());
}

export interface ReadMidi {
  readonly name: string;
  /** Null for a file that holds no score. */
  readonly score: string | null;
  readonly tempo: number | null;
  /** When it clicks, seconds. */
  readonly clicks: readonly number[];
}

/** Throws what the parser throws for a damaged file. */
export function readMidi(bytes: Uint8Array): ReadMidi {
  const midi = new Midi(bytes);
  const texts = midi.header.meta.map((one) => one.text);
  const marked = texts.find((text) => text.startsWith(SCORE_MARK))?.slice(SCORE_MARK.length) ?? null;
  const score = marked !== null && parseScore(marked).ok ? marked : null;
  const clicks = midi.tracks.flatMap((track) => track.notes.map((note) => note.time));
  return {
    name: midi.header.name,
    score,
    tempo: midi.header.tempos[0]?.bpm ?? null,
    clicks: clicks.sort((one, other) => one - other),
  };
}
