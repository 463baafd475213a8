import { gateTarget, secondsOf, type Gate, type Run, type RunnableDrill } from "@mirrup/core";
import { gateWords, spacingWords } from "../app/words.js";
import classes from "./floor.module.css";
import { Rungs } from "./rungs.js";
import { Trail } from "./trail.js";
import type { FloorRun } from "./use-run.js";

/** The largest numeral, the smaller one beside it, and both in words. */
function counted(drill: RunnableDrill, run: Run, elapsed: number) {
  const seconds = secondsOf(drill);
  const left = seconds === null ? 0 : Math.max(0, Math.ceil(seconds - elapsed));
  switch (drill.kind) {
    case "climb":
      return {
        large: run.done,
        small: `of ${run.asked}`,
        words: `Rung ${run.asked} of ${drill.top}, ${run.done} done`,
      };
    case "hold":
      return { large: left, small: "s left", words: `${left} seconds left` };
    case "count":
      return {
        large: run.clean,
        small: `of ${drill.count}, ${left} s left`,
        words: `${run.clean} of ${drill.count}, ${left} seconds left`,
      };
    case "streak":
      return { large: run.done, small: `of ${run.asked}`, words: `${run.done} of ${run.asked} in a row` };
    case "rounds":
      return {
        large: run.done,
        small: `of ${run.asked} rounds`,
        words: `${run.done} of ${run.asked} rounds`,
      };
    case "side-rope":
      return {
        large: run.clean,
        small: `of ${run.asked} in time`,
        words: `${run.clean} of ${run.asked} in time`,
      };
    default: {
      const bounces = run.spacing === null ? "" : `, ${spacingWords(run.spacing)}`;
      return {
        large: run.cleanHere,
        small: `right, ${run.done} of ${run.asked} tries${bounces}`,
        words: `${run.cleanHere} right of ${run.done} tries, ${run.asked} asked${bounces}`,
      };
    }
  }
}

/** How far along, as large as the room allows, and in words for whoever cannot see it. */
export function Counter({
  floor,
  best: before,
  gate,
}: {
  readonly floor: FloorRun;
  /** The best streak before this set. */
  readonly best: number;
  /** What the set is on the way to; null where nothing is told. */
  readonly gate: Gate | null;
}) {
  const { drill, run, elapsed } = floor;
  const best = Math.max(run.bestStreak, before);
  const { large, small, words } = counted(drill, run, elapsed);
  return (
    <>
      <div className={classes.counter}>
        <p className={classes.numerals}>
          <span className={classes.done} aria-hidden>
            {large}
          </span>
          <span className={classes.asked} aria-hidden>
            {small}
          </span>
          <span className={classes.words} role="status">
            {words}
          </span>
        </p>
        {drill.kind === "climb" && (
          <div className={classes.climb}>
            <p className={classes.rung}>
              rung <strong>{run.asked}</strong>
            </p>
            <Rungs run={run} top={drill.top} />
          </div>
        )}
      </div>
      <p className={classes.figures}>
        {gate !== null && (
          <span>
            gate{" "}
            <strong>
              {gate.kind === "streak"
                ? `${Math.min(best, gateTarget(gate))} of ${gateTarget(gate)}`
                : gateWords(gate)}
            </strong>
          </span>
        )}
        <span>
          clean <strong>{run.clean}</strong>
        </span>
        <span>
          missed <strong>{run.misses.length}</strong>
        </span>
        <span>
          best here <strong>{run.bestStreak}</strong>
        </span>
      </p>
      <Trail tries={run.tries} />
    </>
  );
}
