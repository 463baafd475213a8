import type { ReactNode } from "react";
import { Elsewhere } from "./elsewhere.js";
import classes from "./floor.module.css";
import type { FloorRun } from "./use-run.js";

interface SetControlsProps {
  readonly floor: FloorRun;
  readonly onFinish: () => void;
  /** What is asked after a miss, or the corrections. */
  readonly children: ReactNode;
}

/** Above the pads: what is asked, undo and finish. */
export function SetControls({ floor, onFinish, children }: SetControlsProps) {
  const { begun, sensing, run } = floor;
  if (floor.elsewhere) return <Elsewhere onTakeOver={floor.takeOver} />;
  return (
    <div className={classes.side}>
      <div className={classes.why}>{children}</div>
      <button type="button" className={classes.small} disabled={!begun || sensing} onClick={floor.undo}>
        Undo <kbd>Z</kbd>
      </button>
      <button
        type="button"
        className={classes.small}
        disabled={!begun}
        onClick={onFinish}
        data-over={run.end !== "running"}
      >
        Finish <kbd>Enter</kbd>
      </button>
    </div>
  );
}
