import { DRILL_ROWS, doseOf, gateTarget, type Gate, type Drill } from "@mirrup/core";
import { secondsOf, type Run } from "@mirrup/core/teaching";
import { spacingWords } from "../app/drill-words.js";
import type { ReactNode } from "react";
import { gateWords } from "../app/words.js";
import classes from "./floor.module.css";
import { Rungs } from "./rungs.js";
import { Trail } from "./trail.js";
import type { FloorRun } from "./use-run.js";

/** The largest numeral, the smaller one beside it, and both in words. */
function counted(drill: Drill, run: Run, elapsed: number) {
  const seconds = secondsOf(drill);
  const left = seconds === null ? 0 : Math.max(0, Math.ceil(seconds - elapsed));
  switch (DRILL_ROWS[drill.kind].measure) {
    case "rungs":
      return {
        large: run.done,
        small: `of ${run.asked}`,
        words: `Rung ${run.asked} of ${doseOf(drill)}, ${run.done} done`,
      };
    case "clock":
      return drill.kind === "hold"
        ? { large: left, small: "s left", words: `${left} seconds left` }
        : {
            large: run.clean,
            small: `of ${doseOf(drill)}, ${left} s left`,
            words: `${run.clean} of ${doseOf(drill)}, ${left} seconds left`,
          };
    case "in-a-row":
      return run.done >= run.asked
        ? {
            large: run.done,
            small: `reached ${run.asked}; on until a miss`,
            words: `${run.done} in a row, ${run.asked} reached; on until a miss`,
          }
        : { large: run.done, small: `of ${run.asked}`, words: `${run.done} of ${run.asked} in a row` };
    case "rounds":
      return {
        large: run.done,
        small: `of ${run.asked} rounds`,
        words: `${run.done} of ${run.asked} rounds`,
      };
    case "in-time":
      return {
        large: run.clean,
        small: `of ${run.asked} in time`,
        words: `${run.clean} of ${run.asked} in time`,
      };
    case "tries": {
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
  children,
}: {
  readonly floor: FloorRun;
  /** The best streak before this set. */
  readonly best: number;
  /** What the set is on the way to; null where nothing is told. */
  readonly gate: Gate | null;
  /** What stands beside the numerals. */
  readonly children?: ReactNode;
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
        {"top" in drill && (
          <div className={classes.climb}>
            <p className={classes.rung}>
              rung <strong>{run.asked}</strong>
            </p>
            <Rungs run={run} top={drill.top} />
          </div>
        )}
        {children}
      </div>
      <div className={classes.told}>
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
      </div>
    </>
  );
}
