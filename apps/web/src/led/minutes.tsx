import { blockNow, type Led, type LedBlock } from "./led.js";
import classes from "./led-bar.module.css";

interface MinutesProps {
  readonly led: Led;
  readonly now: number;
}

const SECONDS = 60;

/** A session as a strip of minutes: what is over as long as it was, what is ahead as long as it is planned. */
export function Minutes({ led, now }: MinutesProps) {
  const here = blockNow(led);
  const lengthOf = (block: LedBlock) =>
    block === here
      ? Math.max(block.minutes + led.now.added, (now - led.since) / 1000 / SECONDS)
      : block.minutes;
  const past = led.past.map(({ block, end, seconds }) => ({ block, state: end, minutes: seconds / SECONDS }));
  const ahead = led.ahead.map((block) => ({
    block,
    state: block === here ? "here" : "ahead",
    minutes: lengthOf(block),
  }));
  return (
    <ol className={classes.minutes} aria-hidden>
      {[...past, ...ahead].map(({ block, state, minutes }) => (
        <li
          key={block.key}
          data-state={state}
          data-phase={block.phase}
          style={{ flexGrow: Math.max(0.4, minutes) }}
        />
      ))}
    </ol>
  );
}
