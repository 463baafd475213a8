/** The figure of every skill that ships, from both sides: what `pose.spec.ts` holds of any score, of these. */
import { expect, test } from "@jest/globals";
import { sideScore, sidesOf } from "@mirrup/core";
import { motionOf, passesOf, poseAt, type Point } from "@mirrup/core/figure";
import { CATALOGUE } from "./index.js";

const SIDES = [...CATALOGUE.skills.values()].flatMap((skill) =>
  sidesOf(skill).flatMap((side) => {
    const score = sideScore(skill, side);
    return score === null ? [] : [{ name: `${skill.id}, ${side}`, score }];
  }),
);

const far = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);
const lengthOf = (cord: readonly Point[]) =>
  cord.slice(1).reduce((sum, at, place) => sum + far(cord[place] ?? at, at), 0);

test.each(SIDES)(
  "$name is jumped: the rope keeps its length, jumps nowhere, passes under the feet and past the head",
  ({ score }) => {
    const motion = motionOf(score, { height: 1.45 });
    expect(passesOf(motion).filter(({ under }) => under < 0.014)).toEqual([]);
    const through: number[] = [];
    let [before, off, fastest] = [poseAt(motion, 0), 0, 0];
    for (let at = 0; at < motion.to; at += 1 / 120) {
      const pose = poseAt(motion, at);
      const { cord, head } = pose;
      off = Math.max(off, Math.abs(lengthOf(cord) / motion.body.cord - 1));
      fastest = Math.max(fastest, ...cord.map((one, place) => 120 * far(one, before.cord[place] ?? one)));
      before = pose;
      const nearest = Math.min(...cord.map(({ x, y, z }) => Math.hypot(x - head.x, y - head.y, z - head.z)));
      if (nearest < 0.5 * motion.body.headRadius) through.push(at);
    }
    expect(off).toBeLessThan(0.05);
    expect(fastest).toBeLessThan(75);
    // Where a hand crosses under an overhead rope, the cord may brush past; it never stays in the way.
    expect(through.length).toBeLessThanOrEqual(4);
  },
);
