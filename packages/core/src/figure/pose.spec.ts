import { describe, expect, it, test } from "@jest/globals";
import fc from "fast-check";
import { mirrorScore } from "../rope/mirror.js";
import { scoreOf } from "../rope/parse.js";
import { DEFAULT_CLEARANCE } from "../rope/timing.js";
import { legalMultiples, legalText, scoreText } from "../testing/arbitrary-score.js";
import type { Body } from "./body.js";
import { motionOf, type Jumper, type Motion } from "./motion.js";
import { passesOf } from "./passes.js";
import { distance, type Point } from "./point.js";
import { poseAt, type BodyPose } from "./pose.js";

/** Turns of the body and what the feet do, which the walks do not write. */
const WRITTEN = [
  ...["(o o)", "(o xr) o", "(sr xr bl o) o", "(ur o) o", "(sr ur o) (o o)", "< (o xr) o", "(o o o o)"],
  ...["o sr+turnr o+turnr o", "o sr+turnr o o", "o! .+plank o", "xr k o", "sr wr*2 sr o", "o hr o", "o ."],
  ...["o/r+tapl o/l+tapr", "o+apart o+crossr", "o/l+outr*2 o", "o+squat o+lungel", "sr+squat o"],
  ...["o/r+kneel o/l+kickr", "o+twistl o+twistr", "o+left o+right o+fore o+aft", "o+tuck (o o)+tuck"],
];
const legal = fc.oneof(legalText, legalMultiples, fc.constantFrom(...WRITTEN));
const heights = fc.constantFrom(0.9, 1.2, 1.5, 1.7, 1.95, 2.2);

function bonesOf({ arms, legs }: BodyPose): readonly (readonly [number, keyof Body])[] {
  return (["l", "r"] as const).flatMap((hand) => {
    const [{ shoulder, elbow, hand: fist, handle }, { hip, knee, ankle }] = [arms[hand], legs[hand]];
    return [
      [distance(shoulder, elbow), "upperArm"],
      [distance(elbow, fist), "forearm"],
      [distance(hip, knee), "thigh"],
      [distance(knee, ankle), "shank"],
      [distance(...handle), "handle"],
    ] as const;
  });
}

function jointsOf({ pelvis, chest, head, arms, legs }: BodyPose): readonly Point[] {
  return [
    ...[pelvis, chest, head, arms.l.shoulder, arms.l.elbow, arms.l.hand, legs.l.hip, legs.l.knee],
    ...[legs.l.ankle, legs.l.toe, legs.l.heel, arms.r.shoulder, arms.r.elbow, arms.r.hand, legs.r.hip],
    ...[legs.r.knee, legs.r.ankle, legs.r.toe, legs.r.heel],
  ];
}

function lengthOf(cord: readonly Point[]): number {
  return cord.slice(1).reduce((sum, at, place) => sum + distance(cord[place] ?? at, at), 0);
}

function across(motion: Motion, every: number): readonly number[] {
  const count = Math.ceil((motion.to + 0.3 - motion.from) / every);
  return Array.from({ length: count }, (_, place) => motion.from + place * every);
}

function farthest(a: readonly Point[], b: readonly Point[]): number {
  return Math.max(...a.map((at, place) => distance(at, b[place] ?? at)));
}

describe("a pose, of any legal score", () => {
  it("keeps every bone as long as it is, the hands in reach and the cord within 5 % of its length", () => {
    fc.assert(
      fc.property(legal, heights, (text, height) => {
        const motion = motionOf(scoreOf(text), { height });
        const poses = across(motion, 0.03).map((at) => poseAt(motion, at));
        const stretched = poses.flatMap((pose) =>
          bonesOf(pose).map(([length, bone]) => Math.abs(length - motion.body[bone])),
        );
        expect(Math.max(...stretched)).toBeLessThan(1e-6);
        const off = poses.map(({ cord }) => Math.abs(lengthOf(cord) / motion.body.cord - 1));
        expect(Math.max(...off)).toBeLessThan(0.05);
      }),
      { numRuns: 30 },
    );
  });

  it("goes through no floor, and nothing of it jumps from one instant to the next", () => {
    fc.assert(
      fc.property(legal, (text) => {
        const motion = motionOf(scoreOf(text));
        const every = 1 / 1000;
        const worst = { cord: 0, foot: 0, joint: 0, point: 0 };
        for (const start of across(motion, 0.017)) {
          const [before, pose] = [poseAt(motion, start), poseAt(motion, start + every)];
          const { l, r } = pose.legs;
          worst.cord = Math.min(worst.cord, ...pose.cord.map(({ y }) => y));
          worst.foot = Math.min(worst.foot, l.toe.y, l.heel.y, r.toe.y, r.heel.y);
          worst.joint = Math.max(worst.joint, farthest(jointsOf(before), jointsOf(pose)));
          worst.point = Math.max(worst.point, farthest(before.cord, pose.cord));
        }
        expect(worst.cord).toBeGreaterThanOrEqual(0);
        expect(worst.foot).toBeGreaterThan(-0.012);
        // A limb is at most as fast as it is thrown; the middle of a quadruple's cord runs at 45 m/s.
        expect(worst.joint).toBeLessThan(32 * every);
        expect(worst.point).toBeLessThan(90 * every);
      }),
      { numRuns: 25 },
    );
  });

  it("has the rope under the soles by the model's clearance at every pass, and over the head between two", () => {
    fc.assert(
      fc.property(legal, heights, (text, height) => {
        const motion = motionOf(scoreOf(text), { height });
        const passes = passesOf(motion);
        for (const { under } of passes) expect(under).toBeGreaterThan(DEFAULT_CLEARANCE - 0.001);
        passes.slice(1).forEach(({ at }, place) => {
          const before = passes[place];
          if (before === undefined || !isNext(motion, before.at, at)) return;
          const over = poseAt(motion, overhead(motion, before.at, at));
          const top = over.head.y + motion.body.headRadius;
          expect(Math.max(...over.cord.map(({ y }) => y))).toBeGreaterThan(top + DEFAULT_CLEARANCE);
        });
      }),
      { numRuns: 40 },
    );
  });

  it("is the mirror of its mirror's", () => {
    fc.assert(
      fc.property(scoreText, fc.double({ min: -0.5, max: 4, noNaN: true }), (text, at) => {
        const score = scoreOf(text);
        const pose = poseAt(motionOf(score, { dominant: "r" }), at);
        const other = poseAt(motionOf(mirrorScore(score), { dominant: "l" }), at);
        const mirrored = ({ x, y, z }: Point): Point => ({ x: -x, y, z });
        expect(distance(pose.head, mirrored(other.head))).toBeLessThan(1e-6);
        expect(distance(pose.arms.l.elbow, mirrored(other.arms.r.elbow))).toBeLessThan(1e-6);
        expect(distance(pose.arms.r.handle[1], mirrored(other.arms.l.handle[1]))).toBeLessThan(1e-6);
        expect(distance(pose.legs.l.knee, mirrored(other.legs.r.knee))).toBeLessThan(1e-6);
        const cord = [...other.cord].reverse().map(mirrored);
        expect(farthest(pose.cord, cord)).toBeLessThan(0.01);
      }),
      { numRuns: 200 },
    );
  });
});

/** Whether the rope runs on from one pass to the other: with no other turn between, and not back on its own way. */
function isNext({ keys }: Motion, from: number, to: number): boolean {
  const place = keys.findIndex((key) => Math.abs(key.at - from) < 1e-9);
  const next = keys[place + 1];
  return next !== undefined && Math.abs(next.at - to) < 1e-9 && next.sense === keys[place]?.sense;
}

/** When the rope is highest between two passes: its middle stands over the head. */
function overhead(motion: Motion, from: number, to: number): number {
  const times = Array.from({ length: 17 }, (_, step) => from + ((to - from) * (step + 4)) / 24);
  const heightAt = (at: number) => {
    const { cord } = poseAt(motion, at);
    return cord[cord.length >> 1]?.y ?? 0;
  };
  return times.reduce((best, at) => (heightAt(at) > heightAt(best) ? at : best));
}

const frame = (text: string, at: number, jumper?: Jumper) => poseAt(motionOf(scoreOf(text), jumper), at);

describe("what is where at the pass", () => {
  const first = (text: string) => motionOf(scoreOf(text)).timing.beats[0]?.bottoms[0] ?? 0;
  const atFirst = (text: string) => frame(text, first(text));

  test("open hands are on their own sides, crossed ones on each other's, the top arm ahead", () => {
    const open = atFirst("o");
    expect(open.arms.l.hand.x).toBeGreaterThan(0.2);
    expect(open.arms.r.hand.x).toBeLessThan(-0.2);
    const crossed = atFirst("xr o");
    expect(crossed.arms.l.handle[1].x).toBeLessThan(-0.2);
    expect(crossed.arms.r.handle[1].x).toBeGreaterThan(0.2);
    expect(crossed.arms.r.hand.z).toBeGreaterThan(crossed.arms.l.hand.z);
    const other = atFirst("xl o");
    expect(other.arms.l.hand.z).toBeGreaterThan(other.arms.r.hand.z);
  });

  test("a side swing passes beside both feet", () => {
    const { cord, legs } = atFirst("sr o");
    for (const { x, y } of cord)
      if (y < 0.4) expect(x).toBeLessThan(Math.min(legs.r.toe.x, legs.r.heel.x) - 0.1);
  });

  test("the hidden hand of a front-back cross is behind the body and shows past the far hip", () => {
    const { arms, pelvis, legs } = atFirst("br o");
    expect(arms.r.hand.z).toBeLessThan(pelvis.z);
    expect(arms.r.handle[1].x).toBeGreaterThan(legs.l.hip.x + 0.05);
    expect(arms.l.hand.z).toBeGreaterThan(pelvis.z);
  });

  test("the arm of a leg-over cross is under the lifted thigh, its handle outside of it", () => {
    const { arms, legs } = atFirst("ur o");
    expect(legs.r.toe.y).toBeGreaterThan(legs.l.toe.y + 0.25);
    expect(arms.l.hand.y).toBeLessThan(Math.min(legs.r.hip.y, legs.r.knee.y));
    expect(arms.l.handle[1].x).toBeLessThan(legs.r.knee.x - 0.05);
  });

  test("behind the knees the hips are low, and each fist is outside the other knee", () => {
    const { pelvis, arms, legs } = frame("xr k o", 0.553);
    expect(pelvis.y).toBeLessThan(0.7);
    expect(arms.l.hand.x).toBeLessThan(legs.r.knee.x);
    expect(arms.r.hand.x).toBeGreaterThan(legs.l.knee.x);
  });

  test("a half turn ends with the back to where the front was, and the rope runs on", () => {
    const motion = motionOf(scoreOf("o sr+turnr o o"));
    const end = poseAt(motion, motion.to);
    expect(Math.abs(end.yaw)).toBeCloseTo(Math.PI);
    expect(end.arms.l.hand.x).toBeLessThan(0);
    expect(new Set(motion.keys.map(({ sense }) => sense)).size).toBe(1);
  });

  test("a handle that is let go lies ahead, and is in the hand again", () => {
    const motion = motionOf(scoreOf("o hr o"));
    const [, away, back] = motion.timing.beats.map(({ bottoms }) => poseAt(motion, bottoms[0] ?? 0));
    expect(
      distance(away?.arms.r.handle[1] ?? { x: 0, y: 0, z: 0 }, away?.arms.r.hand ?? { x: 0, y: 0, z: 0 }),
    ).toBeGreaterThan(0.8);
    expect(
      distance(back?.arms.r.handle[1] ?? { x: 9, y: 0, z: 0 }, back?.arms.r.hand ?? { x: 0, y: 0, z: 0 }),
    ).toBeLessThan(0.15);
  });

  test("a handle that is let go twice stays away between", () => {
    const motion = motionOf(scoreOf("o hr*2 o"));
    const [, one = 0, two = 0] = motion.timing.beats.map(({ bottoms }) => bottoms[0] ?? 0);
    for (const share of [0.25, 0.5, 0.75]) {
      const { handle, hand } = poseAt(motion, one + share * (two - one)).arms.r;
      expect(distance(handle[1], hand)).toBeGreaterThan(0.8);
    }
  });

  test("a wrap winds the rope on the arm: less of it swings", () => {
    const reach = (text: string, at: number) => {
      const pose = frame(text, at);
      return Math.max(...pose.cord.map((one) => distance(one, pose.arms.r.hand)));
    };
    expect(reach("sr wr*2 sr o", 1.0)).toBeLessThan(reach("sr o sr o", 1.0) - 0.15);
  });
});

describe("whoever jumps it", () => {
  test("a rope that is far too short does not come under the feet, and one that fits does", () => {
    const under = (rope: number) =>
      passesOf(motionOf(scoreOf("o"), { height: 1.7, rope })).map((pass) => pass.under);
    expect(Math.max(...under(1.7))).toBeLessThan(0);
    expect(Math.min(...under(2.57))).toBeGreaterThan(DEFAULT_CLEARANCE - 0.001);
    expect(Math.min(...under(3.4))).toBeGreaterThan(DEFAULT_CLEARANCE - 0.001);
  });

  test("measures that nobody has are refused with the range", () => {
    expect(() => motionOf(scoreOf("o"), { height: 0.3 })).toThrow(
      /height is 0.3; it must be from 0.8 to 2.5 m/,
    );
    expect(() => motionOf(scoreOf("o"), { height: 1.7, rope: 9 })).toThrow(/rope is 9/);
  });

  test("the feet rise as high as the jump", () => {
    const motion = motionOf(scoreOf("(o o)"), { jump: 0.3 });
    const { airtime = 0 } = motion.timing.beats[0] ?? {};
    const { legs } = poseAt(motion, airtime / 2);
    expect(Math.min(legs.l.toe.y, legs.l.heel.y)).toBeCloseTo(0.3, 3);
  });
});
