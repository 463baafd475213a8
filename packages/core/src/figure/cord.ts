/**
 * The rope's shape between both handles: a loop that reaches toward where the rope is in its circle,
 * as wide and as deep as its length allows, laid along the floor where it would go through it. Its
 * length is solved, not drawn: whatever the hands do, the cord stays as long as it is.
 */
import { cellOf } from "../grid.js";
import { between, point, type Point } from "./point.js";

export interface CordAsked {
  readonly left: Point;
  readonly right: Point;
  readonly length: number;
  /** Where the loop reaches: a direction across the jumper's left and right. */
  readonly toward: (lead: number) => Point;
  /** To the jumper's left. */
  readonly across: Point;
  /** Along the floor, against the rope's way: what lies on the floor trails there. */
  readonly trail: Point;
  /** 1 where the loop swings past beside the body, and is not spread. */
  readonly beside: number;
  /** Radians that the cord at the handles is ahead of its middle, by its speed. */
  readonly lead: number;
}

/** Points of the drawn cord, its ends included. */
export const CORD_POINTS = 65;
const STEPS = 40;
/** Squarer than an ellipse: the loop's foot is flat. */
const SQUARE = 2 / 2.6;
/** Its middle line: nothing is thinner than the floor. */
const ON_FLOOR = 0;
/** Shares of the cord's length. */
const SLACK = 0.02;
const APART = 0.13;
const WIDE = 0.35;
const THROWN = 0.3;
const ROUNDS = 24;
const NEAR = 1e-4;

/** Along the loop from handle to handle: how far across (−1 to 1), how deep (0 to 1), how far it spreads. */
const LOOP = Array.from({ length: STEPS + 1 }, (_, step) => {
  const angle = Math.PI * (step / STEPS - 0.5);
  const [sin, cos] = [Math.sin(angle), Math.max(0, Math.cos(angle))];
  const across = Math.sign(sin) * Math.abs(sin) ** SQUARE;
  return { across, deep: cos ** SQUARE, spread: 2 * sin * cos };
});

interface Loop {
  readonly reach: number;
  readonly spread: number;
}

function drawn(asked: CordAsked, { reach, spread }: Loop, onFloor: boolean, points: Point[]): number {
  const { left, right, across, trail, toward, lead } = asked;
  let length = 0;
  for (let step = 0; step <= STEPS; step += 1) {
    const place = LOOP[step];
    if (place === undefined) continue;
    const { x, y, z } = toward(lead * (1 - place.deep));
    // From the left handle to the right one.
    const share = (1 + place.across) / 2;
    const aside = -spread * place.spread;
    const deep = reach * place.deep;
    let py = left.y + (right.y - left.y) * share + y * deep;
    let px = left.x + (right.x - left.x) * share + x * deep + across.x * aside;
    let pz = left.z + (right.z - left.z) * share + z * deep + across.z * aside;
    if (onFloor && py < ON_FLOOR) {
      const under = ON_FLOOR - py;
      px += trail.x * under;
      pz += trail.z * under;
      py = ON_FLOOR;
    }
    const before = points[step - 1];
    points[step] = point(px, py, pz);
    if (before !== undefined) length += Math.hypot(px - before.x, py - before.y, pz - before.z);
  }
  return length;
}

/** The number at which a growing length comes to what is asked; the ends where it never does. */
function solved(length: number, most: number, lengthAt: (value: number) => number): number {
  let [low, high] = [0, most];
  let [short, long] = [lengthAt(low) - length, lengthAt(high) - length];
  if (short >= 0) return low;
  if (long <= 0) return high;
  let value = low;
  for (let round = 0; round < ROUNDS; round += 1) {
    // The false position, halved now and then, so that one end does not stay.
    value = round % 3 === 2 ? (low + high) / 2 : low - (short * (high - low)) / (long - short);
    const off = lengthAt(value) - length;
    if (Math.abs(off) < NEAR) return value;
    if (off < 0) [low, short] = [value, off];
    else [high, long] = [value, off];
  }
  return value;
}

/** How far a loop between two handles reaches that nothing is in the way of, metres. */
function freeReach(asked: CordAsked, points: Point[]): number {
  const { length } = asked;
  return solved(length, length, (reach) => drawn(asked, { reach, spread: 0 }, false, points));
}

/** How far there is to the floor from between the handles; more than any rope where it is not below. */
function roomBelow({ left, right, toward, length }: CordAsked): number {
  const down = -toward(0).y;
  const middle = (left.y + right.y) / 2;
  return down <= 0.02 ? Infinity : Math.max(0, middle) / down + SLACK * length;
}

/** `count` points as far from each other along a line of points. */
export function evenly(points: readonly Point[], count: number): readonly Point[] {
  let whole = 0;
  const along = points.map((at, place) => {
    const before = points[place - 1];
    if (before !== undefined) whole += Math.hypot(at.x - before.x, at.y - before.y, at.z - before.z);
    return whole;
  });
  let place = 0;
  return Array.from({ length: count }, (_, index) => {
    const at = (whole * index) / (count - 1);
    while (place < points.length - 2 && cellOf(along, place + 1) < at) place += 1;
    const [from, to] = [cellOf(along, place), cellOf(along, place + 1)];
    const share = to > from ? Math.min(1, (at - from) / (to - from)) : 0;
    return between(cellOf(points, place), cellOf(points, place + 1), share);
  });
}

/** The cord from the left handle to the right one, as it is drawn. */
export function cordBetween(asked: CordAsked): readonly Point[] {
  const points: Point[] = [];
  const { length, left, right, across, beside } = asked;
  const free = freeReach(asked, points);
  const room = Math.min(free, roomBelow(asked));
  const capped = room + (free - room) * beside;
  // Outward from wherever each handle is; while they pass each other there is no outward.
  const apart = (left.x - right.x) * across.x + (left.z - right.z) * across.z;
  const out = (1 - beside) * Math.max(-1, Math.min(1, apart / (APART * length)));
  // Hands close to each other throw a loop wider than they are apart.
  const thrown = Math.max(0, WIDE * length - Math.abs(apart)) * THROWN;
  const over = solved(length, length, (value) =>
    drawn(asked, { reach: capped, spread: out * value }, true, points),
  );
  const spread = out * Math.max(thrown, over);
  // What is over lies along the floor.
  solved(length, 2 * length, (reach) => drawn(asked, { reach, spread }, true, points));
  return points;
}

/** How deep a loop between handles `apart` metres from each other hangs at `aside` from its middle. */
export function depthOf(length: number, apart: number, aside: number): number {
  const [left, right] = [point(apart / 2, 0, 0), point(-apart / 2, 0, 0)];
  const asked: CordAsked = {
    ...{ left, right, length, across: point(1, 0, 0), trail: point(0, 0, 1), beside: 0, lead: 0 },
    toward: () => point(0, -1, 0),
  };
  const reach = freeReach(asked, []);
  const share = Math.min(1, (2 * aside) / apart);
  // On the loop |x|^n + |y|^n = 1.
  const power = 2 / SQUARE;
  return reach * (1 - share ** power) ** (1 / power);
}
