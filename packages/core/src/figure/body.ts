/**
 * A jumper's measures from the height alone: the usual shares of a standing body's segments, and a
 * rope by the rope fit where no other is told. Metres.
 */
import { ropeFit } from "../syllabus/rope-fit.js";

export interface Body {
  readonly height: number;
  /** Times the places that are written for a jumper of 1.70 m. */
  readonly scale: number;
  readonly hip: number;
  readonly hipHalf: number;
  readonly thigh: number;
  readonly shank: number;
  readonly ankle: number;
  readonly foot: number;
  readonly trunk: number;
  readonly shoulderHalf: number;
  readonly upperArm: number;
  /** From the elbow to the middle of the fist. */
  readonly forearm: number;
  /** From the shoulders' line to the middle of the head. */
  readonly neck: number;
  readonly headRadius: number;
  readonly handle: number;
  /** Of the cord alone, from handle to handle. */
  readonly cord: number;
}

/** The figure is drawn for heights from a toddler's to beyond the tallest, metres. */
export const HEIGHTS = { least: 0.8, most: 2.5 } as const;
/** A rope between these times the jumper's height can be held in both hands and drawn. */
export const ROPES = { least: 0.9, most: 3 } as const;
const WRITTEN_FOR = 1.7;
const HANDLE = 0.13;

function within(name: string, value: number, least: number, most: number): number {
  if (value >= least && value <= most) return value;
  throw new RangeError(`${name} is ${value}; it must be from ${least} to ${most} m.`);
}

/** The usual rope of a jumper, handle tip to handle tip: to the armpits. */
function usualRope(height: number): number {
  return ropeFit(Math.round(height * 1000), "armpit", "beginner") / 1000;
}

/**
 * The body of a jumper `height` metres tall with a rope `rope` metres long, handle tip to handle tip.
 * Throws a `RangeError` for a height or a rope that cannot be drawn.
 */
export function bodyOf(height: number = WRITTEN_FOR, rope?: number): Body {
  within("height", height, HEIGHTS.least, HEIGHTS.most);
  const length = rope ?? usualRope(height);
  within("rope", length, ROPES.least * height, ROPES.most * height);
  const scale = height / WRITTEN_FOR;
  const handle = HANDLE * scale;
  return {
    height,
    scale,
    hip: 0.53 * height,
    hipHalf: 0.055 * height,
    thigh: 0.245 * height,
    shank: 0.246 * height,
    ankle: 0.039 * height,
    foot: 0.145 * height,
    trunk: 0.288 * height,
    shoulderHalf: 0.112 * height,
    upperArm: 0.186 * height,
    forearm: 0.191 * height,
    neck: 0.112 * height,
    headRadius: 0.064 * height,
    handle,
    cord: length - 2 * handle,
  };
}
