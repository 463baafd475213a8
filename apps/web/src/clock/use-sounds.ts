import { clicksBetween, elapsedAt, momentAt, type RunningClock } from "@mirrup/core/teaching";
import { useEffect } from "react";
import { click } from "../floor/index.js";

const AHEAD_SECONDS = 0.2;
const LOOK_MS = 50;
const SOUND = { beat: 660, four: 990, turn: 1320 } as const;
const CLICK_SECONDS = 0.06;
const TURN_SECONDS = 0.3;

/** The beats of a clock and a tone at each turn, told ahead to the audio clock: a busy page makes none late. */
export function useSounds(clock: RunningClock | null): void {
  useEffect(() => {
    if (clock?.pausedAt !== null || typeof AudioContext === "undefined") return;
    const audio = new AudioContext();
    // Closed before it could begin: then nothing is to be heard.
    audio.resume().catch(() => undefined);
    let told = elapsedAt(clock, Date.now());
    let index = momentAt(clock.stretches, told)?.index;
    const look = () => {
      const now = elapsedAt(clock, Date.now());
      const at = (seconds: number) => audio.currentTime + Math.max(0, seconds - now);
      const until = now + AHEAD_SECONDS;
      for (const one of clicksBetween(clock.stretches, told, until))
        click(audio, at(one.at), one.isFirst ? SOUND.four : SOUND.beat, CLICK_SECONDS);
      told = Math.max(told, until);
      const here = momentAt(clock.stretches, now)?.index;
      if (here !== index) click(audio, audio.currentTime, SOUND.turn, TURN_SECONDS);
      index = here;
    };
    const timer = setInterval(look, LOOK_MS);
    return () => {
      clearInterval(timer);
      void audio.close();
    };
  }, [clock]);
}
