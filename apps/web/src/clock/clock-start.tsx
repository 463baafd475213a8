import { CAUTIONS } from "@mirrup/catalogue";
import type { ReactNode } from "react";
import { floorClasses, FloorHeader, Stopped } from "../floor/index.js";
import classes from "./clock.module.css";

interface ClockStartProps {
  /** Where leaving the floor leads. */
  readonly back: string;
  readonly title: string;
  readonly sub: string;
  /** Who stopped for pain today, and how that is taken back; null for nobody. */
  readonly stopped: {
    readonly name: string;
    readonly isSent: boolean;
    readonly onTakeBack: () => void;
  } | null;
  /** What the button that starts it says. */
  readonly start: string;
  readonly canStart: boolean;
  readonly onStart: () => void;
  /** What is to be run. */
  readonly children: ReactNode;
}

/** Before a clock runs: what it is to be, what can hurt, and the button that starts it. */
export function ClockStart(props: ClockStartProps) {
  const { back, title, sub, stopped, start, canStart, onStart, children } = props;
  return (
    <main className={floorClasses.floor}>
      <FloorHeader to={back} title={title} sub={sub} />
      {stopped !== null ? (
        <Stopped {...stopped} />
      ) : (
        <>
          {children}
          <p className={floorClasses.caution}>
            <strong>Take care</strong> {CAUTIONS["warm-up"]} {CAUTIONS.surface}
          </p>
          <div className={floorClasses.spacer} />
          <div className={classes.start}>
            <button type="button" className={floorClasses.clean} disabled={!canStart} onClick={onStart}>
              {start}
            </button>
          </div>
        </>
      )}
    </main>
  );
}
