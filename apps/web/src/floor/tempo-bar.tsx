import { rhythmOf, tappedTempo, type Tap } from "@mirrup/core";
import { IconMinus, IconPlus } from "@tabler/icons-react";
import { useEffect, useRef, useState } from "react";
import { startMetronome, type Metronome } from "./metronome.js";
import classes from "./tempo-bar.module.css";

const SLOWEST = 40;
const FASTEST = 240;
const STEP = 4;
/** A drift a minute says nothing about less of one than this. */
const LEAST_SECONDS = 10;

function within(tempo: number): number {
  return Math.min(FASTEST, Math.max(SLOWEST, Math.round(tempo)));
}

const signed = new Intl.NumberFormat("en", { maximumFractionDigits: 0, signDisplay: "exceptZero" });

/** How even the tapped tries are so far; nothing for fewer than three. */
function rhythmWords(taps: readonly Tap[]): string {
  const rhythm = rhythmOf(
    taps.flatMap((tap) => (tap.kind === "clean" && tap.at !== undefined ? [tap.at] : [])),
  );
  if (rhythm === null) return "";
  const times = taps.map((tap) => tap.at ?? 0);
  const isShort = Math.max(0, ...times) - Math.min(0, ...times) < LEAST_SECONDS;
  const drift =
    isShort || rhythm.drift === null || Math.abs(rhythm.drift) < 1
      ? ""
      : `, ${signed.format(rhythm.drift)}% a minute`;
  return `${Math.round(rhythm.tempo)} a minute, evenness ${Math.round(rhythm.evenness)}${drift}`;
}

export interface TempoTaps {
  /** Called at each press of T, or of the button. */
  readonly tap: () => void;
}

interface TempoBarProps {
  readonly taps: readonly Tap[];
  /** Filled with what a press of T does. */
  readonly onReady: (taps: TempoTaps) => void;
}

/** The metronome: a tempo, tapped or stepped, its beat in sight and in sound; and how even the set is. */
export function TempoBar({ taps, onReady }: TempoBarProps) {
  const [tempo, setTempo] = useState(120);
  const [beat, setBeat] = useState<number | null>(null);
  const metronome = useRef<Metronome>(undefined);
  const tapped = useRef<readonly number[]>([]);
  useEffect(() => () => metronome.current?.stop(), []);

  const change = (to: number) => {
    setTempo(within(to));
    metronome.current?.setTempo(within(to));
  };
  const tap = () => {
    const now = performance.now() / 1000;
    const last = tapped.current.at(-1);
    // After a pause the taps begin anew.
    tapped.current = last !== undefined && now - last > 2 ? [now] : [...tapped.current, now];
    const found = tappedTempo(tapped.current);
    if (found !== null) change(found);
  };
  useEffect(() => {
    onReady({ tap });
  });
  const toggle = () => {
    if (metronome.current === undefined) {
      metronome.current = startMetronome(tempo, setBeat);
      setBeat(0);
      return;
    }
    metronome.current.stop();
    metronome.current = undefined;
    setBeat(null);
  };
  const isOn = beat !== null;
  return (
    <div className={classes.bar} role="group" aria-label="Tempo">
      <button type="button" className={classes.tool} aria-pressed={isOn} onClick={toggle}>
        <span className={classes.light} data-on={isOn && beat % 2 === 0} aria-hidden />
        {isOn ? "Stop the beat" : "Beat"}
      </button>
      <button type="button" className={classes.step} aria-label="Slower" onClick={() => change(tempo - STEP)}>
        <IconMinus size={20} aria-hidden />
      </button>
      <output className={classes.tempo}>{tempo}</output>
      <button type="button" className={classes.step} aria-label="Faster" onClick={() => change(tempo + STEP)}>
        <IconPlus size={20} aria-hidden />
      </button>
      <button type="button" className={classes.tool} onClick={tap}>
        Tap the tempo <kbd>T</kbd>
      </button>
      <span className={classes.rhythm}>
        {isOn && beat <= 0 ? `Counting in: ${4 + beat}` : rhythmWords(taps)}
      </span>
    </div>
  );
}
