import type { CalledBeat } from "@mirrup/core";
import { useCallback, useEffect, useRef, useState } from "react";
import {
  calledAt,
  COUNT_IN,
  recordedWords,
  startMetronome,
  type Metronome,
  type Recorded,
} from "../voice/parts/index.js";
import { keepFiles, keepWords } from "./keep-files.js";

/** What is heard: nothing, a beat, or the drill called beat by beat. */
export type Heard = "nothing" | "beat" | "call";

export interface Calling {
  readonly heard: Heard;
  /** What is called now, in words; null where nothing is. */
  readonly words: string | null;
  /** Whether the spoken words could not be had: then they are read. */
  readonly isMute: boolean;
  readonly hear: (heard: Heard) => void;
}

/** A beat, or a pattern that is called in time; off again with the page. */
export function useCalling(tempo: number, pattern: readonly CalledBeat[]): Calling {
  const [heard, setHeard] = useState<Heard>("nothing");
  const [beat, setBeat] = useState<number | null>(null);
  const [isMute, setMute] = useState(false);
  const recorded = useRef<Recorded | null>(null);
  const metronome = useRef<Metronome>(undefined);
  const now = useRef(tempo);
  // Another tempo is taken without a new count-in.
  useEffect(() => {
    now.current = tempo;
    metronome.current?.setTempo(tempo);
  }, [tempo]);
  useEffect(() => {
    if (heard === "nothing") return undefined;
    const called = heard === "call" ? pattern : [];
    metronome.current = startMetronome(now.current, setBeat, called, () => recorded.current);
    return () => {
      metronome.current?.stop();
      metronome.current = undefined;
      setBeat(null);
    };
  }, [heard, pattern]);
  const hear = useCallback((next: Heard) => {
    setHeard(next);
    if (next !== "call" || recorded.current !== null) return;
    recordedWords().then(
      (words) => {
        recorded.current = words;
        setMute(false);
        // They are there without a network from now on.
        keepWords();
        void keepFiles().catch(() => undefined);
      },
      () => setMute(true),
    );
  }, []);
  const words =
    heard !== "call" || beat === null
      ? null
      : beat <= 0
        ? String(COUNT_IN + beat)
        : (calledAt(pattern, beat)?.words ?? null);
  return { heard, words, isMute, hear };
}
