import { DRILL_ROWS, type Drill } from "@mirrup/core";
import { secondsOf } from "@mirrup/core/teaching";
import type { Counting } from "./counting.js";
import classes from "./floor.module.css";
import type { FloorRun } from "./use-run.js";

/** Drills in which a look decides: right, or not yet. */
function isLookedAt({ kind }: Drill): boolean {
  return !DRILL_ROWS[kind].isEvidence;
}

interface PadsProps {
  readonly floor: FloorRun;
  readonly counting: Counting;
  /** What the clean pad and Space do. */
  readonly onPress: () => void;
  readonly onMiss: () => void;
  readonly onFinish: () => void;
}

/** The large buttons under the thumbs: what they do depends on how the set is counted. */
export function Pads({ floor, counting, onPress, onMiss, onFinish }: PadsProps) {
  const { drill, run, begun, ready, pacing, sensing } = floor;
  if (floor.elsewhere) return null;
  if (run.end !== "running") {
    return (
      <button type="button" className={classes.clean} onClick={onFinish}>
        {run.end === "passed" ? "Reached: finish the set" : "Stopped: finish the set"}
        <kbd>Enter</kbd>
      </button>
    );
  }
  if (secondsOf(drill) !== null && !begun) {
    return (
      <button type="button" className={classes.clean} disabled={!ready} onClick={onPress}>
        Start the clock <kbd>Space</kbd>
      </button>
    );
  }
  if (sensing) return null;
  const isHold = drill.kind === "hold";
  const isLooked = isLookedAt(drill);
  const clean = isLooked ? "Right" : "Clean";
  const paced = pacing ? "Stop the count" : "Count from here";
  return (
    <div className={classes.pair} data-alone={isHold} data-partner={counting === "partner"}>
      {!isHold && (
        <button type="button" className={classes.clean} disabled={!ready} onClick={onPress}>
          {counting === "tempo" ? paced : clean} <kbd>Space</kbd>
        </button>
      )}
      <button type="button" className={classes.miss} disabled={!ready} onClick={onMiss}>
        {isLooked ? "Not yet" : "Miss"} <kbd>M</kbd>
      </button>
    </div>
  );
}
