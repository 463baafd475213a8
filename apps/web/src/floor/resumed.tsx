import classes from "./floor.module.css";
import type { FloorRun } from "./use-run.js";

const clock = new Intl.DateTimeFormat("en-GB", { timeStyle: "short" });

/** Says that a set goes on from where it was left, with the way to begin anew, and the way back from that. */
export function Resumed({ floor }: { readonly floor: FloorRun }) {
  const { resumedFrom, startedOver } = floor;
  if (resumedFrom !== null)
    return (
      <p className={classes.note}>
        Goes on from {clock.format(resumedFrom)}, where it was left.{" "}
        <button type="button" className={classes.inline} onClick={floor.discard}>
          Start over
        </button>
      </p>
    );
  if (!startedOver) return null;
  return (
    <p className={classes.note} role="status">
      Started over.{" "}
      <button type="button" className={classes.inline} onClick={floor.bringBack}>
        Bring it back
      </button>
    </p>
  );
}
