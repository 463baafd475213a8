/** A ladder that a studio writes by hand, for what lies outside of the rope model: floor moves, tricks with other things. */
import type { DrillKind } from "./drill-kind.js";

/** The kinds that ask for no score, from the gentlest to the hardest. */
export const HAND_KINDS = [
  ...(["watch", "shadow", "tempo-shadow", "apart", "one-stop", "from-rest"] as const),
  ...(["rounds", "tens", "climb", "streak", "hold"] as const),
] as const satisfies readonly DrillKind[];
export type HandKind = (typeof HAND_KINDS)[number];

export interface HandDrill {
  readonly kind: HandKind;
  /** Tries, in a row, rounds, or rungs; what the kind asks usually, where it is left out. */
  readonly count?: number;
  /** What it attends to: `hands only`. */
  readonly part?: string;
}

export const HAND_LADDER_LIMITS = { drills: 12, count: 200, part: 60 } as const;
/** What would end a part as a ladder's line is written. */
export const NO_PART = /[()`]/;

/** As the handbook writes a ladder's line: in a row without a number is the gate's own place. */
export function handLadderLine(drills: readonly HandDrill[]): string {
  return drills
    .map(({ kind, count, part }) =>
      [kind, part === undefined ? "" : `(${part})`, count === undefined ? "" : String(count)]
        .filter((word) => word !== "")
        .join(" "),
    )
    .join(", ");
}
