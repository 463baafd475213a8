import type { ClassPlan } from "@mirrup/core/planning";
import { wholeWords } from "../app/words.js";
import classes from "./worth-bars.module.css";

type WorthBarsProps = Pick<ClassPlan, "useful" | "sameForAll" | "most">;

/** Useful minutes of the plan between one drill for everybody and the most that any plan could have. */
export function WorthBars({ useful, sameForAll, most }: WorthBarsProps) {
  const widest = Math.max(useful, sameForAll, most, 1);
  const bars = [
    ["This plan", useful, "plan"],
    ["One drill for everybody", sameForAll, "same"],
    ["The most there could be", most, "most"],
  ] as const;
  return (
    <figure className={classes.figure} aria-label="Useful minutes">
      <dl className={classes.bars}>
        {bars.map(([name, minutes, kind]) => (
          <div key={kind} className={classes.row}>
            <dt>{name}</dt>
            <dd>
              <span
                className={classes.bar}
                data-kind={kind}
                style={{ inlineSize: `${(100 * minutes) / widest}%` }}
                aria-hidden
              />
              {wholeWords(minutes)}
            </dd>
          </div>
        ))}
      </dl>
    </figure>
  );
}
