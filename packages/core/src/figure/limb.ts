/** Two bones between two ends: where the joint is, and how far the end can be reached. */
import { direction, dot, lengthOf, minus, plus, type Point } from "./point.js";

export interface Limb {
  readonly joint: Point;
  /** Where the end comes to: nearer than asked where the limb is too short. */
  readonly end: Point;
}

/** A limb is never quite straight, nor folded flat. */
const STRAIGHT = 0.995;
const FOLDED = 0.25;

/**
 * The joint of a limb from `root` to as near `target` as it reaches, its bones `upper` and `lower`
 * metres long, bent toward `bend`.
 */
export function limb(root: Point, target: Point, upper: number, lower: number, bend: Point): Limb {
  const away = minus(target, root);
  const asked = lengthOf(away);
  const whole = upper + lower;
  const reach = Math.min(STRAIGHT * whole, Math.max(FOLDED * whole, asked));
  const along = direction(away);
  const end = plus(root, along, reach);
  // The cosine rule: how far along the straight line the joint stands, and how far off it.
  const share = (upper * upper - lower * lower + reach * reach) / (2 * reach);
  const off = Math.sqrt(Math.max(0, upper * upper - share * share));
  const aside = direction(plus(bend, along, -dot(bend, along)), direction({ x: along.y, y: -along.x, z: 0 }));
  return { joint: plus(plus(root, along, share), aside, off), end };
}
