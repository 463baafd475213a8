import { useCallback, useEffect, useState } from "react";

export interface Playhead {
  /** Seconds from the first take-off; null before anything was played or scrubbed. */
  readonly at: number | null;
  readonly playing: boolean;
  /** Times real time. */
  readonly speed: number;
  readonly toggle: () => void;
  readonly scrub: (at: number) => void;
  readonly setSpeed: (speed: number) => void;
}

/** A playhead that runs round and round over `seconds`. */
export function usePlayhead(seconds: number): Playhead {
  const [at, setAt] = useState<number | null>(null);
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState(0.25);
  useEffect(() => {
    if (!playing || seconds <= 0) return;
    let before = performance.now();
    let frame = requestAnimationFrame(function step(now) {
      const passed = ((now - before) / 1000) * speed;
      before = now;
      setAt((value) => ((value ?? 0) + passed) % seconds);
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, speed, seconds]);
  const toggle = useCallback(() => setPlaying((before) => !before), []);
  return {
    at: at === null ? null : Math.min(at, seconds),
    playing,
    speed,
    toggle,
    scrub: (to) => {
      setPlaying(false);
      setAt(to);
    },
    setSpeed,
  };
}
