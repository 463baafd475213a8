import { gateTarget, type Gate } from "@mirrup/core";
import type { ReactNode } from "react";
import { gateWords } from "../app/words.js";
import classes from "./floor.module.css";
import { Numerals } from "./numerals.js";
import { Rungs } from "./rungs.js";
import { Trail } from "./trail.js";
import type { FloorRun } from "./use-run.js";

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
  const { drill, run } = floor;
  const best = Math.max(run.bestStreak, before);
  return (
    <>
      <div className={classes.counter}>
        <Numerals floor={floor} />
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
