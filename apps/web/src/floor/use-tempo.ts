import type { CalledBeat } from "@mirrup/core";
import { tappedTempo } from "@mirrup/core/combos";
import { useLocalStorage } from "@mantine/hooks";
import { useEffect, useRef, useState } from "react";
import type { Recorded } from "../voice/index.js";
import { held, type Held } from "../app/held.js";
import { startMetronome, type Metronome } from "../voice/index.js";

const SLOWEST = 40;
const FASTEST = 240;
const FIRST = 120;
/** A pause this long, seconds, begins the taps anew. */
const PAUSE = 2;

export interface FloorTempo {
  /** Beats a minute. */
  readonly tempo: number;
  /** The beat that sounds, from 1; 0 or less while counting in; null when it is off. */
  readonly beats: Held<number | null>;
  readonly change: (tempo: number) => void;
  readonly tap: () => void;
  readonly toggle: () => void;
  readonly stop: () => void;
  /** Calls a pattern out at the tempo, from a count-in on. */
  readonly call: (pattern: readonly CalledBeat[]) => void;
}

function within(tempo: number): number {
  return Math.min(FASTEST, Math.max(SLOWEST, Math.round(tempo)));
}

/** Whose tempo it is, and what it is usually. */
interface TempoOf {
  readonly subject: string;
  /** Beats a minute; null where nobody can say. */
  readonly usual: number | null;
}

/**
 * A tempo, as the device was last left with it, and its beat: of one skill, or of whatever is called out. With recorded
 * words it says what it calls.
 */
export function useTempo(of?: TempoOf, recorded: Recorded | null = null): FloorTempo {
  const first = within(of?.usual ?? FIRST);
  const key = of === undefined ? "mirrup-tempo" : `mirrup-tempo ${of.subject}`;
  const [kept, setTempo] = useLocalStorage({ key, defaultValue: first });
  const tempo = within(Number.isFinite(kept) ? kept : first);
  const [beats] = useState(() => held<number | null>(null));
  const metronome = useRef<Metronome>(undefined);
  const voice = useRef(recorded);
  useEffect(() => {
    voice.current = recorded;
  });
  const tapped = useRef<readonly number[]>([]);
  useEffect(() => () => metronome.current?.stop(), []);

  const change = (to: number) => {
    setTempo(within(to));
    metronome.current?.setTempo(within(to));
  };
  const start = (pattern: readonly CalledBeat[]) => {
    metronome.current?.stop();
    metronome.current = startMetronome(tempo, beats.set, pattern, () => voice.current);
    beats.set(0);
  };
  const stop = () => {
    metronome.current?.stop();
    metronome.current = undefined;
    beats.set(null);
  };
  return {
    tempo,
    beats,
    change,
    tap: () => {
      const now = performance.now() / 1000;
      const last = tapped.current.at(-1);
      tapped.current = last !== undefined && now - last > PAUSE ? [now] : [...tapped.current, now];
      const found = tappedTempo(tapped.current);
      if (found !== null) change(found);
    },
    toggle: () => {
      if (metronome.current === undefined) {
        start([]);
        return;
      }
      stop();
    },
    stop,
    call: start,
  };
}
