import { useEffect, useEffectEvent, useRef } from "react";
import { useNow } from "../app/use-now.js";
import { leftWords } from "../app/left-words.js";
import classes from "./floor.module.css";
import { restOf } from "./rest-left.js";

const TICK_MS = 250;

interface RestProps {
  readonly studentId: string;
  /** Hears that the rest is over while this is looked at. */
  readonly onOver?: () => void;
}

/** How long a student still rests after the last set; nothing where they have rested. The clock stops nobody. */
export function Rest({ studentId, onOver }: RestProps) {
  const now = useNow(TICK_MS);
  const left = restOf(studentId, now);
  const isResting = left > 0;
  const wasResting = useRef(isResting);
  const over = useEffectEvent(() => onOver?.());
  useEffect(() => {
    if (wasResting.current && !isResting) over();
    wasResting.current = isResting;
  }, [isResting]);
  if (left === 0) return null;
  return (
    <p className={classes.rest}>
      Rest{" "}
      <span role="timer" aria-label="Rest that is left">
        {leftWords(left)}
      </span>
    </p>
  );
}
