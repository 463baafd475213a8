/** How high a student jumps, as it was measured: what their windows are reckoned with. */

/** Tapped landings, the ticks of a set, or a number that somebody knew. */
export const JUMP_WAYS = ["taps", "ticks", "typed"] as const;
export type JumpWay = (typeof JUMP_WAYS)[number];

export interface JumpMeasure {
  readonly id: string;
  /** As high as in a jump of so many turns. */
  readonly turns: number;
  readonly heightMm: number;
  /** The time on the floor that it was reckoned with. */
  readonly contactMs: number;
  /** How many landings it was told from; null where it was typed. */
  readonly landings: number | null;
  readonly way: JumpWay;
  readonly measuredAt: string;
}

export interface JumpRequest extends JumpMeasure {
  /** Taken back, or there after all. */
  readonly removed: boolean;
  /** When that was said; now, where nothing is given. */
  readonly at?: string;
}

export const JUMP_LIMITS = {
  turns: { least: 1, most: 8 },
  heightMm: { least: 5, most: 1000 },
  contactMs: { least: 80, most: 600 },
  landings: { least: 5, most: 1000 },
} as const;

/** The newest of a student are kept at hand; older ones are in their record. */
export const JUMPS_AT_HAND = 60;
