/** A foot on its lowest point. */
import type { Hand } from "../rope/arms.js";
import type { Body } from "./body.js";
import { outward, plus, point, turned, type Point } from "./point.js";
import type { FootPlace } from "./stance.js";

/** Where the ankle stands on the foot, from the toes. */
const ANKLE = 0.78;
/** How far ahead of where one stands the toes are. */
const TOES = 0.62;

/** Where a foot's lowest point is to be, in the body's frame. */
export function soleOf(hand: Hand, foot: FootPlace, { scale }: Body, rise: number, apart: number): Point {
  return point(outward(hand) * (foot.out + apart) * scale, foot.lift * scale + rise, foot.ahead * scale);
}

export interface Foot {
  readonly ankle: Point;
  readonly heel: Point;
  readonly toe: Point;
}

/** A foot on its lowest point: on the toes with the heel raised, on the heel with the toes raised. */
export function footAt(sole: Point, pitch: number, yaw: number, body: Body): Foot {
  const [cos, sin] = [Math.cos(pitch), Math.sin(pitch)];
  const along = turned(point(0, 0, 1), yaw);
  const toe = plus(point(sole.x, sole.y + Math.max(0, -sin) * body.foot, sole.z), along, TOES * body.foot);
  const from = (back: number, over: number) =>
    plus(point(toe.x, toe.y + back * sin + over * cos, toe.z), along, -back * cos + over * sin);
  return { toe, heel: from(body.foot, 0), ankle: from(ANKLE * body.foot, body.ankle) };
}
