import { useHotkeys } from "@mantine/hooks";
import { useEffect, useEffectEvent, useRef, type MouseEvent } from "react";
import { leftWords } from "../app/left-words.js";
import classes from "./clock.module.css";
import type { HeldClock } from "./use-clock.js";
import { useSounds } from "./use-sounds.js";
import { useVoice } from "../voice/index.js";
import { nextWords, nowWords, placeWords, type ClockUnit } from "./words.js";

/** Where a key is the element's own: a button that was come to by keyboard is pressed by it. */
const IGNORED = ["INPUT", "TEXTAREA", "SELECT", "BUTTON"];

/** What a button does; one that was pressed with a finger or a mouse gives the keys back. */
function pressing(act: () => void) {
  return (event: MouseEvent<HTMLButtonElement>) => {
    if (event.detail > 0) event.currentTarget.blur();
    act();
  };
}

interface RunningProps {
  readonly clock: HeldClock;
  readonly unit: ClockUnit;
  readonly name: string;
  /** Ends jumping for today for whom it runs; null for a class. */
  readonly onPain: (() => void) | null;
}

/** The clock as it runs: what is done now, how long still, and what comes, for the far end of a hall. */
export function Running({ clock: held, unit, name, onPain }: RunningProps) {
  const { clock, moment, toggle, skip, again, end } = held;
  useSounds(clock);
  const now = moment === null ? "Done" : nowWords(moment);
  const voice = useVoice();
  const say = useEffectEvent(voice.say);
  useEffect(() => {
    if (voice.isReady) say(now);
  }, [voice.isReady, now]);
  const keys: Parameters<typeof useHotkeys>[0] = [
    ["Space", toggle],
    ["P", toggle],
    ["Enter", moment === null ? end : skip],
    ["Z", again],
    ["V", voice.toggle],
  ];
  useHotkeys(keys, IGNORED);
  const button = useRef<HTMLButtonElement>(null);
  const isOver = moment === null;
  useEffect(() => {
    if (isOver) button.current?.focus();
  }, [isOver]);
  if (clock === null) return null;
  const { stretches, pausedAt } = clock;
  const isPaused = pausedAt !== null;
  const stop = () => {
    // Where that was a slip, it goes on from here.
    if (!isPaused) toggle();
    onPain?.();
  };
  const left = Math.ceil(moment?.call?.left ?? moment?.left ?? 0);
  return (
    <main className={classes.running} data-kind={isPaused ? "paused" : (moment?.stretch.kind ?? "over")}>
      <ol className={classes.stretches} aria-hidden>
        {stretches.map((stretch, index) => (
          <li
            key={index}
            data-kind={stretch.kind}
            data-state={
              moment === null || index < moment.index ? "past" : index === moment.index ? "here" : "ahead"
            }
            style={{
              flexGrow: stretch.seconds,
              ...(index === moment?.index && {
                backgroundSize: `${(100 * moment.into) / stretch.seconds}% 100%`,
              }),
            }}
          />
        ))}
      </ol>
      <p className={classes.who}>
        {name}
        {moment !== null &&
          placeWords(moment.stretch, unit) !== "" &&
          `, ${placeWords(moment.stretch, unit)}`}
      </p>
      <div role="status" className={classes.said}>
        <h1 className={classes.now}>{isPaused ? "Paused" : now}</h1>
      </div>
      {moment !== null && (
        <>
          <p className={classes.left} role="timer" aria-label="Left of it">
            {leftWords(left)}
          </p>
          <p className={classes.next}>
            next: <strong>{nextWords(moment, stretches)}</strong>
          </p>
        </>
      )}
      <div className={classes.acts}>
        {moment === null ? (
          <button ref={button} type="button" onClick={pressing(end)}>
            Change the clock <kbd>Enter</kbd>
          </button>
        ) : (
          <>
            <button type="button" onClick={pressing(toggle)}>
              {isPaused ? "Go on" : "Pause"} <kbd>Space</kbd>
            </button>
            <button type="button" onClick={pressing(again)}>
              Once more <kbd>Z</kbd>
            </button>
            <button type="button" onClick={pressing(skip)}>
              Skip to the next <kbd>Enter</kbd>
            </button>
            {voice.isAble && (
              <button type="button" aria-pressed={voice.isOn} onClick={pressing(voice.toggle)}>
                Voice {voice.isOn ? "on" : "off"} <kbd>V</kbd>
              </button>
            )}
            <button type="button" onClick={pressing(end)}>
              End
            </button>
            {onPain !== null && (
              <button type="button" onClick={pressing(stop)}>
                Pain: stop today
              </button>
            )}
          </>
        )}
      </div>
    </main>
  );
}
