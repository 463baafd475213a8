import { DRILL_ROWS, doseOf, type Drill } from "@mirrup/core";
import { secondsOf, type Run } from "@mirrup/core/teaching";
import { useLayoutEffect, useRef } from "react";
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

/** Changes the text that stands there: putting another in its place takes twice as long. */
function write(element: HTMLElement | null, text: string): void {
  if (element === null) return;
  const { firstChild: there } = element;
  if (!(there instanceof Text)) element.textContent = text;
  else if (there.data !== text) there.data = text;
}

/**
 * What is counted, drawn at each tap before all else on the floor. It is written straight into the page: a tap would else
 * wait for whatever React has still to do before it draws anything.
 */
export function Numerals({ floor: { live, drill: proposed } }: { readonly floor: FloorRun }) {
  const [done, asked, told] = [
    useRef<HTMLElement>(null),
    useRef<HTMLElement>(null),
    useRef<HTMLElement>(null),
  ];
  useLayoutEffect(() => {
    const draw = () => {
      const { drill, run, elapsed } = countedAt(live.get(), proposed);
      const { large, small, words } = tallyOf(drill, run, elapsed);
      write(done.current, String(large));
      write(asked.current, small);
      write(told.current, words);
    };
    draw();
    return live.subscribe(draw);
  }, [live, proposed, done, asked, told]);
  return (
    <p className={classes.numerals}>
      <span ref={done} className={classes.done} aria-hidden />
      <span ref={asked} className={classes.asked} aria-hidden />
      <span ref={told} className={classes.words} role="status" />
    </p>
  );
}
