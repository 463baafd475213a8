import { useNow } from "../app/use-now.js";
import { leftWords } from "../app/left-words.js";
import classes from "./floor.module.css";
import { restOf } from "./rest-left.js";

const TICK_MS = 250;

/** How long a student still rests after the last set; nothing where they have rested. The clock stops nobody. */
export function Rest({ studentId }: { readonly studentId: string }) {
  const now = useNow(TICK_MS);
  const left = restOf(studentId, now);
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
