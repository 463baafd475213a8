import type { Tap } from "@mirrup/core";
import classes from "./trail.module.css";

const SHOWN = 40;

/** The last tries in order: a short stroke for a clean one, a cross for a miss. */
export function Trail({ taps }: { readonly taps: readonly Tap[] }) {
  const first = Math.max(0, taps.length - SHOWN);
  return (
    <div className={classes.trail} aria-hidden>
      {taps.slice(first).map((tap, index) => (
        <span key={first + index} className={classes.try} data-miss={tap.kind === "miss"} />
      ))}
    </div>
  );
}
