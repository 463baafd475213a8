/** The figure of every skill that ships, from both sides: what `pose.spec.ts` holds of any score, of these. */
import { expect, test } from "@jest/globals";
import { sideScore, sidesOf } from "@mirrup/core";
import { motionOf, passesOf, poseAt } from "@mirrup/core/figure";
import { CATALOGUE } from "./index.js";

const SIDES = [...CATALOGUE.skills.values()].flatMap((skill) =>
  sidesOf(skill).flatMap((side) => {
    const score = sideScore(skill, side);
    return score === null ? [] : [{ name: `${skill.id}, ${side}`, score }];
  }),
);

test.each(SIDES)("$name is jumped: the rope passes under the feet, and past the head", ({ score }) => {
  const motion = motionOf(score, { height: 1.45 });
  expect(passesOf(motion).filter(({ under }) => under < 0.014)).toEqual([]);
  const through: number[] = [];
  for (let at = 0; at < motion.to; at += 1 / 60) {
    const { cord, head } = poseAt(motion, at);
    const nearest = Math.min(...cord.map(({ x, y, z }) => Math.hypot(x - head.x, y - head.y, z - head.z)));
    if (nearest < 0.5 * motion.body.headRadius) through.push(at);
  }
  // Where a hand crosses under an overhead rope, the cord may brush past; it never stays in the way.
  expect(through.length).toBeLessThanOrEqual(2);
});
