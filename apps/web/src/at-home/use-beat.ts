import { useCallback, useEffect, useRef, useState } from "react";
import { click } from "../app/click.js";

const AHEAD_SECONDS = 0.15;
const LOOK_MS = 40;
const HERTZ = 880;
const CLICK_SECONDS = 0.045;

/** Starts to click on the audio clock, ahead of time, so that a busy page never makes a beat late. */
function startBeat(tempo: number): () => void {
  const audio = new AudioContext();
  audio.resume().catch(() => undefined);
  let next = audio.currentTime + 0.1;
  const looking = setInterval(() => {
    for (; next < audio.currentTime + AHEAD_SECONDS; next += 60 / tempo)
      click(audio, next, HERTZ, CLICK_SECONDS);
  }, LOOK_MS);
  return () => {
    clearInterval(looking);
    void audio.close();
  };
}

/** A beat that can be turned on and off; off again with the page. */
export function useBeat(tempo: number): { readonly isOn: boolean; readonly toggle: () => void } {
  const [isOn, setOn] = useState(false);
  const stop = useRef<(() => void) | null>(null);
  const end = useCallback(() => {
    stop.current?.();
    stop.current = null;
  }, []);
  useEffect(() => {
    if (!isOn) return;
    stop.current = startBeat(tempo);
    return end;
  }, [isOn, tempo, end]);
  return { isOn, toggle: () => setOn(!isOn) };
}
