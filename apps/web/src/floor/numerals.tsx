import { DRILL_ROWS, doseOf, type Drill } from "@mirrup/core";
import { secondsOf, type Run } from "@mirrup/core/teaching";
import { useSyncExternalStore } from "react";
import { counted } from "../app/plural.js";
import { spacingWords } from "../app/drill-words.js";
import classes from "./floor.module.css";
import { countedAt } from "../app/floor-run.js";
import type { FloorRun } from "./use-run.js";

/** The largest numeral, the smaller one beside it, and both in words. */
function tallyOf(drill: Drill, run: Run, elapsed: number) {
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
        ? { large: left, small: "s left", words: `${counted(left, "second")} left` }
        : {
            large: run.clean,
            small: `of ${doseOf(drill)}, ${left} s left`,
            words: `${run.clean} of ${doseOf(drill)}, ${counted(left, "second")} left`,
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

/** What is counted, drawn at each tap before all else on the floor. */
export function Numerals({ floor }: { readonly floor: FloorRun }) {
  const { drill, run, elapsed } = countedAt(
    useSyncExternalStore(floor.live.subscribe, floor.live.get),
    floor.drill,
  );
  const { large, small, words } = tallyOf(drill, run, elapsed);
  return (
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
  );
}
