import type { Run } from "@mirrup/core/teaching";
import classes from "./rungs.module.css";

const SHOWN = 6;

/** The rungs of a climb, the present one marked; of a tall one, those around it. */
export function Rungs({ run, top }: { readonly run: Run; readonly top: number }) {
  const lowest = Math.max(1, Math.min(run.asked - 2, top - SHOWN + 1));
  const rungs = Array.from({ length: Math.min(SHOWN, top - lowest + 1) }, (_, index) => lowest + index);
  return (
    <ol className={classes.rungs} aria-hidden reversed>
      {rungs.reverse().map((rung) => {
        const now = rung === run.asked && run.end === "running";
        const done = now ? run.done : rung <= run.reached ? rung : 0;
        return (
          <li key={rung} data-now={now}>
            <span className={classes.number}>{rung}</span>
            <span className={classes.dots}>
              {Array.from({ length: rung }, (_, dot) => (
                <span key={dot} className={classes.dot} data-done={dot < done} />
              ))}
            </span>
          </li>
        );
      })}
    </ol>
  );
}
