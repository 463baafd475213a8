import type { Hand } from "../rope/arms.js";

/** Points and directions in metres: x to the jumper's left as the score begins, y up, z ahead. */
export interface Point {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export const UP: Point = { x: 0, y: 1, z: 0 };

export function point(x: number, y: number, z: number): Point {
  return { x, y, z };
}

export function plus(a: Point, b: Point, times = 1): Point {
  return { x: a.x + b.x * times, y: a.y + b.y * times, z: a.z + b.z * times };
}

export function minus(a: Point, b: Point): Point {
  return { x: a.x - b.x, y: a.y - b.y, z: a.z - b.z };
}

export function dot(a: Point, b: Point): number {
  return a.x * b.x + a.y * b.y + a.z * b.z;
}

export function lengthOf(a: Point): number {
  return Math.hypot(a.x, a.y, a.z);
}

export function distance(a: Point, b: Point): number {
  return Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);
}

/** The direction of a vector; `otherwise` where it has none. */
export function direction(a: Point, otherwise: Point = UP): Point {
  const length = lengthOf(a);
  return length < 1e-9 ? otherwise : { x: a.x / length, y: a.y / length, z: a.z / length };
}

export function mix(from: number, to: number, share: number): number {
  return from + (to - from) * share;
}

export function between(a: Point, b: Point, share: number): Point {
  return { x: mix(a.x, b.x, share), y: mix(a.y, b.y, share), z: mix(a.z, b.z, share) };
}

/** Turned to the left about the upright by `yaw` radians, seen from above. */
export function turned(a: Point, yaw: number): Point {
  const [cos, sin] = [Math.cos(yaw), Math.sin(yaw)];
  return { x: a.x * cos + a.z * sin, y: a.y, z: a.z * cos - a.x * sin };
}

/** 1 for what is on the left, −1 on the right: what is written outward, as x. */
export function outward(hand: Hand): number {
  return hand === "l" ? 1 : -1;
}

/** From 0 to 1 as `value` goes from `from` to `to`, at rest at both ends. */
export function eased(value: number, from: number, to: number): number {
  const share = Math.min(1, Math.max(0, (value - from) / (to - from)));
  return share * share * (3 - 2 * share);
}
