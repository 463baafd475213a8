import type { CalledBeat } from "@mirrup/core";
import { useEffect, useRef } from "react";
import { useHeld, type Held } from "../app/held.js";
import classes from "./call-out.module.css";
import { calledAt, COUNT_IN } from "../voice/index.js";

/** More lights than these are no picture of a pattern any more. */
const MOST_LIGHTS = 16;

interface CallOutProps {
  readonly pattern: readonly CalledBeat[];
  /** The beat that sounds, from 1; 0 or less while counting in; null before that. */
  readonly beats: Held<number | null>;
  readonly onStop: () => void;
}

/** A pattern's moves in time, in words that a class reads from ten metres, so that nobody has to count. */
export function CallOut({ pattern, beats, onStop }: CallOutProps) {
  const beat = useHeld(beats) ?? 0;
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  const isCounting = beat <= 0;
  const now = isCounting ? undefined : calledAt(pattern, beat);
  const next = calledAt(pattern, Math.max(1, beat + 1));
  const place = isCounting ? -1 : (beat - 1) % pattern.length;
  return (
    <dialog ref={dialog} className={classes.call} aria-label="The pattern, called out" onClose={onStop}>
      <p className={classes.now} data-fused={now?.turns.some((turn) => turn.isFused) ?? false}>
        {now?.words ?? COUNT_IN + beat}
      </p>
      <p className={classes.next}>
        <span>{isCounting ? "first" : "next"}</span> {next?.words}
      </p>
      {pattern.length > 1 && pattern.length <= MOST_LIGHTS && (
        <ol className={classes.lights} aria-hidden>
          {pattern.map((called, index) => (
            <li
              key={index}
              data-on={index === place}
              data-fused={called.turns.some((turn) => turn.isFused)}
              data-turns={called.turns.length}
            />
          ))}
        </ol>
      )}
      <button type="button" className={classes.stop} onClick={onStop}>
        Stop calling
      </button>
    </dialog>
  );
}
