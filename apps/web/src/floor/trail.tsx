import type { Try } from "@mirrup/core/teaching";
import classes from "./trail.module.css";

const SHOWN = 40;

/** The last tries in order: a short stroke for a clean one, a cross for a miss. */
export function Trail({ tries }: { readonly tries: readonly Try[] }) {
  const first = Math.max(0, tries.length - SHOWN);
  return (
    <div className={classes.trail} aria-hidden>
      {tries.slice(first).map((one, index) => (
        <span key={first + index} className={classes.try} data-miss={one.kind === "miss"} />
      ))}
    </div>
  );
}
