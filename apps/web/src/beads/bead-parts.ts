/**
 * What a bead is drawn of, in a square of 32 around its middle: dashed = locked, hollow = ready, part-filled =
 * working, solid = cleared, solid with a nick = rusty, a core within a ring = taken as known, a bar across = stuck.
 */
import type { BeadHalf, BeadState } from "./bead-state.js";

export type Paint = "outline" | "locked" | "filled" | "nick" | "bar";

export interface BeadPart {
  /** As an SVG path has it. */
  readonly path: string;
  readonly paint: Paint;
}

export interface BeadGroup {
  /** How far it is moved to the right. */
  readonly offset: number;
  readonly opacity: number;
  readonly parts: readonly BeadPart[];
}

type Shape = "left" | "right" | "whole";

const RADIUS = 13;
const GAP = 2;
const OFFSETS: Readonly<Record<Shape, number>> = { left: -GAP, right: GAP, whole: 0 };
const FAINT = 0.25;

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

function groupOf(shape: Shape, { status, progress, isStuck, isFaint }: BeadHalf): BeadGroup {
  const outline = filledPath(shape, 1, RADIUS);
  // A hair of filling says that a side has been begun; short of full, that the gate is not met.
  const share = Math.min(0.92, Math.max(0.12, progress));
  const part = (isThere: boolean, paint: Paint, path: string): readonly BeadPart[] =>
    isThere ? [{ path, paint }] : [];
  return {
    offset: OFFSETS[shape],
    opacity: isFaint === true ? FAINT : 1,
    parts: [
      { path: outline, paint: status === "locked" ? "locked" : "outline" },
      ...part(status === "working", "filled", filledPath(shape, share, RADIUS)),
      ...part(status === "cleared" || status === "rusty", "filled", outline),
      ...part(status === "rusty", "nick", NICKS[shape]),
      ...part(isStuck === true, "bar", BARS[shape]),
      ...part(status === "inferred", "filled", filledPath(shape, 1, RADIUS - 5)),
    ],
  };
}

export function beadParts(state: BeadState): readonly BeadGroup[] {
  return state.kind === "whole"
    ? [groupOf("whole", state.whole)]
    : [groupOf("left", state.left), groupOf("right", state.right)];
}
