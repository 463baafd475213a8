import { useLocation, useNavigate } from "react-router";
import { leftWords } from "../app/left-words.js";
import { isSamePage, usePaths } from "../app/paths.js";
import { useNow } from "../app/use-now.js";
import { isEasyPhase } from "@mirrup/core/planning";
import { blockPathOf } from "./block-path.js";
import { blockNow, isDue, secondsLeft, type LedBlock } from "./led.js";
import classes from "./led-bar.module.css";
import { Minutes } from "./minutes.js";
import type { LedSession } from "./use-led.js";

const TICK_MS = 500;
const LONGER_MINUTES = 2;

interface LedBarProps {
  readonly studentId: string;
  readonly session: LedSession;
  /** Begins the page at hand afresh, where the way on leads to it again. */
  readonly onAgain?: () => void;
}

/** The session over the floor: its blocks, how long this one still has, and the way on. Nothing where none is held. */
export function LedBar({ studentId, session, onAgain }: LedBarProps) {
  const paths = usePaths();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const now = useNow(TICK_MS);
  const { led } = session;
  const block = led === null ? null : blockNow(led);
  if (led === null || block === null) return null;
  const place = led.past.length + 1;
  const all = led.past.length + led.ahead.length;
  const next = led.ahead[1];
  // Warming up and easing off have their places.
  const others = led.ahead.slice(1).filter((one) => !isEasyPhase(one.phase));
  const goTo = (to: LedBlock | undefined) => {
    const address = blockPathOf(paths, studentId, to ?? null);
    if (isSamePage(address, pathname)) onAgain?.();
    void navigate(address);
  };
  return (
    <section className={classes.bar} aria-label="The session">
      <Minutes led={led} now={now} />
      <p className={classes.where}>
        Block {place} of {all}: {block.name}
        {block.sets > 1 && `, ${led.now.sets.length} of ${block.sets} sets`}
        <strong role="timer" aria-label="Left of this block" data-over={secondsLeft(led, now) < 0}>
          {leftWords(secondsLeft(led, now))}
        </strong>
      </p>
      <div className={classes.acts}>
        <button type="button" onClick={() => session.lengthen(block.key, LONGER_MINUTES)}>
          {LONGER_MINUTES} min more
        </button>
        {others.length > 0 && !isEasyPhase(block.phase) && led.now.sets.length === 0 && (
          <select
            aria-label="Do another block now, and this one in its place"
            value=""
            onChange={(event) => {
              const other = others.find((one) => one.key === event.currentTarget.value);
              if (other === undefined) return;
              session.swap(block.key, other.key);
              goTo(other);
            }}
          >
            <option value="">Swap with …</option>
            {others.map(({ key, name }) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        )}
        <button
          type="button"
          onClick={() => {
            session.leave(block.key, "skipped");
            goTo(next);
          }}
        >
          Skip
        </button>
        <button
          type="button"
          className={classes.on}
          data-due={isDue(led, now)}
          onClick={() => {
            session.leave(block.key, "done");
            goTo(next);
          }}
        >
          {next === undefined ? "End the session" : `Next block: ${next.name}`}
        </button>
      </div>
    </section>
  );
}
