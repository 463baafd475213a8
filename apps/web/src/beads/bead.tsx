import type { Family } from "@mirrup/core";
import type { BeadHalf, BeadState } from "./bead-state.js";
import classes from "./bead.module.css";

type Shape = "left" | "right" | "whole";

const RADIUS = 13;
const GAP = 2;

/** The part of a disc of radius `r` below the height at which a share `filled` is filled. */
function filledPath(shape: Shape, filled: number, r: number): string {
  const y = r - 2 * r * Math.min(1, Math.max(0, filled));
  const half = Math.sqrt(Math.max(0, r * r - y * y));
  const large = filled > 0.5 ? 1 : 0;
  switch (shape) {
    case "left":
      return `M0 ${y} L${-half} ${y} A${r} ${r} 0 0 0 0 ${r} Z`;
    case "right":
      return `M0 ${y} L${half} ${y} A${r} ${r} 0 0 1 0 ${r} Z`;
    case "whole":
      return filled >= 1
        ? `M${-r} 0 A${r} ${r} 0 1 0 ${r} 0 A${r} ${r} 0 1 0 ${-r} 0 Z`
        : `M${half} ${y} A${r} ${r} 0 ${large} 1 ${-half} ${y} Z`;
  }
}

function Half({ shape, half }: { readonly shape: Shape; readonly half: BeadHalf }) {
  const offset = shape === "left" ? -GAP : shape === "right" ? GAP : 0;
  const outline = filledPath(shape, 1, RADIUS);
  // A hair of filling says that a side has been begun; short of full, that the gate is not met.
  const share = Math.min(0.92, Math.max(0.12, half.progress));
  return (
    <g transform={`translate(${offset} 0)`} opacity={half.isFaint === true ? 0.25 : 1}>
      <path d={outline} className={half.status === "locked" ? classes.locked : classes.outline} />
      {half.status === "working" && <path d={filledPath(shape, share, RADIUS)} className={classes.filled} />}
      {(half.status === "cleared" || half.status === "rusty") && (
        <path d={outline} className={classes.filled} />
      )}
      {half.status === "rusty" && <path d={NICKS[shape]} className={classes.nick} />}
      {half.isStuck === true && <path d={BARS[shape]} className={classes.bar} />}
      {half.status === "inferred" && <path d={filledPath(shape, 1, RADIUS - 5)} className={classes.filled} />}
    </g>
  );
}

/** Where a rusty half is nicked: at its top, away from the split. */
const NICKS: Readonly<Record<Shape, string>> = {
  left: "M-11 -12 L-4 -4 L-4 -15 Z",
  right: "M11 -12 L4 -4 L4 -15 Z",
  whole: "M-5 -15 L0 -3 L5 -15 Z",
};

/** Across a stuck half, from its edge to the split. */
const BARS: Readonly<Record<Shape, string>> = {
  left: "M-15 0 L1 0",
  right: "M-1 0 L15 0",
  whole: "M-15 0 L15 0",
};

interface BeadProps {
  readonly state: BeadState;
  readonly family: Family;
  /** Width and height in px. */
  readonly size?: number;
}

/**
 * A skill's state at a glance, by shape first: dashed = locked, hollow = ready, part-filled =
 * working, solid = cleared, solid with a nick = rusty, a core within a ring = taken as
 * known, a bar across = stuck. It says nothing to a screen reader; whoever shows one names it.
 */
export function Bead({ state, family, size = 32 }: BeadProps) {
  return (
    <svg
      className={classes.bead}
      width={size}
      height={size}
      viewBox="-16 -16 32 32"
      aria-hidden
      style={{ color: `var(--family-${family})` }}
    >
      {state.kind === "whole" ? (
        <Half shape="whole" half={state.whole} />
      ) : (
        <>
          <Half shape="left" half={state.left} />
          <Half shape="right" half={state.right} />
        </>
      )}
    </svg>
  );
}
