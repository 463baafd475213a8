import { IconMinus, IconPlus, IconVolume, IconVolumeOff } from "@tabler/icons-react";
import { useHeld } from "../app/held.js";
import type { Voice } from "../voice/index.js";
import { COUNT_IN } from "../voice/index.js";
import { rhythmWords } from "./rhythm-words.js";
import classes from "./tempo-bar.module.css";
import type { FloorTempo } from "./use-tempo.js";

const STEP = 4;

interface TempoBarProps {
  readonly tempo: FloorTempo;
  /** Ticks of the tries so far, seconds. */
  readonly ticks: readonly number[];
  /** Calls the drill's pattern out; null where it has none. */
  readonly onCall: (() => void) | null;
  readonly voice: Pick<Voice, "isAble" | "isOn" | "toggle">;
}

/** The metronome: a tempo, tapped or stepped, its beat in sight and in sound; and how even the set is. */
export function TempoBar({
  tempo: { tempo, beats, change, tap, toggle },
  ticks,
  onCall,
  voice,
}: TempoBarProps) {
  const beat = useHeld(beats);
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
      {onCall !== null && (
        <button type="button" className={classes.tool} onClick={onCall}>
          Call it out
        </button>
      )}
      {voice.isAble && (
        <button
          type="button"
          className={classes.step}
          aria-label="Voice (V)"
          aria-pressed={voice.isOn}
          title="Counts, moves and rests said aloud (V)"
          onClick={voice.toggle}
        >
          {voice.isOn ? <IconVolume size={20} aria-hidden /> : <IconVolumeOff size={20} aria-hidden />}
        </button>
      )}
      <span className={classes.rhythm}>
        {isOn && beat <= 0 ? `Counting in: ${COUNT_IN + beat}` : rhythmWords(ticks)}
      </span>
    </div>
  );
}
