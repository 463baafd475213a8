import type { Family } from "@mirrup/core";
import { memo } from "react";
import { beadParts } from "./bead-parts.js";
import type { BeadState } from "./bead-state.js";
import classes from "./bead.module.css";

interface BeadProps {
  readonly state: BeadState;
  readonly family: Family;
  /** Width and height in px. */
  readonly size?: number;
}

/** A skill's state at a glance, by shape first. It says nothing to a screen reader; whoever shows one names it. */
export const Bead = memo(function Bead({ state, family, size = 32 }: BeadProps) {
  return (
    <svg
      className={classes.bead}
      width={size}
      height={size}
      viewBox="-16 -16 32 32"
      aria-hidden
      style={{ color: `var(--family-${family})` }}
    >
      {beadParts(state).map(({ offset, opacity, parts }) => (
        <g key={offset} transform={`translate(${offset} 0)`} opacity={opacity}>
          {parts.map(({ path, paint }) => (
            <path key={paint} d={path} className={classes[paint]} />
          ))}
        </g>
      ))}
    </svg>
  );
});
