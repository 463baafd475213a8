/**
 * A pose as flat strokes, seen from anywhere: what is printed, taken out as a clip, and shown where
 * nothing better can be. Screen metres, x to the right, y down, the middle of the picture at 0 0.
 */
import type { Hand } from "../rope/arms.js";
import type { Body } from "./body.js";
import type { BodyPose } from "./pose.js";
import { between, dot, minus, plus, point, type Point } from "./point.js";

/** From where one looks: radians around the jumper (0 from ahead, to their left) and up. */
export interface View {
  readonly around: number;
  readonly above: number;
}

/** The views that show what (drills.md, Teaching judgement). */
export const VIEWS = {
  front: { around: 0, above: 0.12 },
  side: { around: -Math.PI / 2, above: 0.08 },
  behind: { around: Math.PI, above: 0.12 },
  above: { around: 0, above: 1.35 },
} as const satisfies Readonly<Record<string, View>>;
export type ViewName = keyof typeof VIEWS;

export type Part = "floor" | "trunk" | "head" | "face" | "left" | "right" | "shoe" | "cord" | "handle";

/** A line with round ends, a dot where both ends are one, or a patch with round corners of three points and more. */
export interface Stroke {
  readonly part: Part;
  readonly points: readonly (readonly [number, number])[];
  /** Screen metres. */
  readonly width: number;
  /** Nearer is more. */
  readonly near: number;
}

const DISTANCE = 7;
const EYES = 0.95;
const LIMB = { upperArm: 0.075, forearm: 0.06, thigh: 0.125, shank: 0.09, foot: 0.075, hand: 0.075 } as const;
const TRUNK = 0.13;
const CORD = 0.022;
const HANDLE = 0.04;
/** What is drawn over what where both are as near. */
const OVER = 0.02;

interface Camera {
  readonly right: Point;
  readonly up: Point;
  readonly toward: Point;
  readonly at: Point;
}

function cameraOf({ around, above }: View, scale: number): Camera {
  const [ca, sa, ce, se] = [Math.cos(around), Math.sin(around), Math.cos(above), Math.sin(above)];
  return {
    right: point(ca, 0, -sa),
    up: point(-sa * se, ce, -ca * se),
    toward: point(sa * ce, se, ca * ce),
    at: point(0, EYES * scale, 0),
  };
}

interface Seen {
  readonly x: number;
  readonly y: number;
  readonly near: number;
  readonly size: number;
}

function seen({ right, up, toward, at }: Camera, p: Point): Seen {
  const from = minus(p, at);
  const near = dot(from, toward);
  const size = DISTANCE / (DISTANCE - near);
  return { x: dot(from, right) * size, y: -dot(from, up) * size, near, size };
}

function armParts(hand: Hand, pose: BodyPose): readonly (readonly [Part, Point, Point, number])[] {
  const { shoulder, elbow, hand: fist, handle } = pose.arms[hand];
  const part = hand === "l" ? "left" : "right";
  return [
    [part, shoulder, elbow, LIMB.upperArm],
    [part, elbow, fist, LIMB.forearm],
    [part, fist, fist, LIMB.hand],
    ["handle", handle[0], handle[1], HANDLE],
  ];
}

function legParts(hand: Hand, pose: BodyPose): readonly (readonly [Part, Point, Point, number])[] {
  const { hip, knee, ankle, heel, toe } = pose.legs[hand];
  const part = hand === "l" ? "left" : "right";
  return [
    [part, hip, knee, LIMB.thigh],
    [part, knee, ankle, LIMB.shank],
    ["shoe", plus(heel, point(0, 0.03, 0)), plus(toe, point(0, 0.03, 0)), LIMB.foot],
  ];
}

/** The strokes of a pose, the farthest first. */
export function strokesOf(pose: BodyPose, body: Body, view: View): readonly Stroke[] {
  const camera = cameraOf(view, body.scale);
  const line = ([part, from, to, width]: readonly [Part, Point, Point, number]): Stroke => {
    const [a, b] = [seen(camera, from), seen(camera, to)];
    return {
      part,
      points: [
        [a.x, a.y],
        [b.x, b.y],
      ],
      width: width * body.scale * ((a.size + b.size) / 2),
      near: (a.near + b.near) / 2 + (part === "handle" ? OVER : 0),
    };
  };
  const { arms, legs, pelvis, chest, head, cord, yaw } = pose;
  const nose = plus(head, point(Math.sin(yaw), -0.05, Math.cos(yaw)), body.headRadius * 0.95);
  const top: readonly (readonly [Part, Point, Point, number])[] = [
    ["trunk", chest, between(chest, head, 0.6), 0.09],
    ["head", head, head, (2 * body.headRadius) / body.scale],
    ["face", nose, nose, 0.045],
  ];
  const rope = cord.slice(1).map((to, place) => line(["cord", cord[place] ?? to, to, CORD]));
  const parts = [
    ...top,
    ...armParts("l", pose),
    ...armParts("r", pose),
    ...legParts("l", pose),
    ...legParts("r", pose),
  ];
  const corners = [arms.l.shoulder, arms.r.shoulder, legs.r.hip, legs.l.hip].map((at) => seen(camera, at));
  const torso: Stroke = {
    part: "trunk",
    points: corners.map(({ x, y }) => [x, y] as const),
    width: TRUNK * body.scale,
    near: seen(camera, between(chest, pelvis, 0.5)).near,
  };
  return [torso, ...parts.map(line), ...rope].sort((a, b) => a.near - b.near);
}

/** How far the picture of any pose of a body reaches from its middle, metres. */
export function pictureReach(body: Body): { readonly aside: number; readonly up: number } {
  return { aside: 1.35 * body.scale, up: 1.3 * body.scale };
}
