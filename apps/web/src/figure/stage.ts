/** What draws figures: with depth, or flat where that cannot be. Both are asked in the same way. */
import type { Body, BodyPose, View } from "@mirrup/core/figure";

/** One figure as it is to be drawn. */
export interface Drawn {
  readonly pose: BodyPose;
  readonly body: Body;
  /** Metres to the left of the middle, so that two stand beside each other. */
  readonly aside: number;
  /** 1, or less for what is only to be compared with. */
  readonly strength: number;
}

export interface Stage {
  readonly kind: "deep" | "flat";
  readonly draw: (figures: readonly Drawn[], view: View) => void;
  /** CSS pixels. */
  readonly resize: (width: number, height: number) => void;
  readonly dispose: () => void;
}

/** How far away one looks from, metres, and how high the middle of the picture is, for a jumper of 1.70 m. */
export const CAMERA = { distance: 7, eyes: 0.95, fieldDegrees: 21 } as const;
