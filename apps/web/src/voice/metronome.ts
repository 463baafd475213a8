import type { CalledBeat } from "@mirrup/core";
import { click } from "../app/click.js";
import type { Recorded } from "./recorded.js";
import { LATEST_SECONDS, speak } from "./speak.js";

/**
 * A metronome on the audio clock: beats are scheduled so far ahead that a page which is busy for half a second makes
 * none late, and another tempo is still heard within a second. What is late all the same is left out, since a beat
 * beside its time is worse than none. The first four of a bar of count-in sound higher.
 */
const AHEAD_SECONDS = 0.6;
const LOOK_MS = 40;
const CLICK_SECONDS = 0.045;
export const COUNT_IN = 4;
const BEAT_HZ = 880;
const COUNT_IN_HZ = 1320;
const FUSED_HZ = 1760;
/** A jump's turns fall within its flight, which takes about this much of a beat. */
const FLIGHT_SHARE = 0.6;

export interface Metronome {
  readonly setTempo: (beatsAMinute: number) => void;
  readonly stop: () => void;
}

/** The beat of the pattern that is heard at a beat's number, from 1. */
export function calledAt(pattern: readonly CalledBeat[], beat: number): CalledBeat | undefined {
  return pattern[(beat - 1) % pattern.length];
}

/**
 * Starts to click, with a count-in; `onBeat` hears each beat's number from 1, and 0 or less while
 * counting in. With a pattern every turn of its beats is heard, a fused one higher, and with a voice its words, each
 * with its beat: both are told to the same clock.
 */
export function startMetronome(
  tempo: number,
  onBeat: (beat: number) => void,
  pattern: readonly CalledBeat[] = [],
  voice: () => Recorded | null = () => null,
): Metronome {
  const audio = new AudioContext();
  // Closed before it could begin: then nothing is to be heard.
  audio.resume().catch(() => undefined);
  let beatsAMinute = tempo;
  let beat = 1 - COUNT_IN;
  let next = audio.currentTime + 0.1;
  const timers = new Set<ReturnType<typeof setTimeout>>();
  const pass = () => {
    next += 60 / beatsAMinute;
    beat += 1;
  };
  const schedule = () => {
    while (next < audio.currentTime - LATEST_SECONDS) pass();
    while (next < audio.currentTime + AHEAD_SECONDS) {
      const called = beat <= 0 ? undefined : calledAt(pattern, beat);
      if (called === undefined || called.turns.length === 0) {
        click(audio, next, beat <= 0 ? COUNT_IN_HZ : BEAT_HZ, CLICK_SECONDS);
      } else {
        for (const { at, isFused } of called.turns) {
          click(
            audio,
            next + (at * FLIGHT_SHARE * 60) / beatsAMinute,
            isFused ? FUSED_HZ : BEAT_HZ,
            CLICK_SECONDS,
          );
        }
      }
      const recorded = voice();
      const words = beat <= 0 ? String(COUNT_IN + beat) : (called?.words ?? "");
      if (recorded !== null && pattern.length > 0) speak(audio, recorded, words, next, 60 / beatsAMinute);
      const number = beat;
      const timer = setTimeout(
        () => {
          timers.delete(timer);
          onBeat(number);
        },
        Math.max(0, (next - audio.currentTime) * 1000),
      );
      timers.add(timer);
      pass();
    }
  };
  const looking = setInterval(schedule, LOOK_MS);
  schedule();
  return {
    setTempo: (changed) => {
      beatsAMinute = changed;
    },
    stop: () => {
      clearInterval(looking);
      timers.forEach(clearTimeout);
      void audio.close();
    },
  };
}
