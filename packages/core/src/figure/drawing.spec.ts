import { describe, expect, test } from "@jest/globals";
import { scoreOf } from "../rope/parse.js";
import { pictureReach, strokesOf, VIEWS, type View } from "./drawing.js";
import { motionOf } from "./motion.js";
import { poseAt } from "./pose.js";

const motion = motionOf(scoreOf("xr o"));
const pose = poseAt(motion, 0.1);
const strokes = (view: View) => strokesOf(pose, motion.body, view);
const middle = (part: string, view: View) => {
  const xs = strokes(view)
    .filter((stroke) => stroke.part === part)
    .flatMap(({ points }) => points.map(([x]) => x));
  return xs.reduce((sum, x) => sum + x, 0) / xs.length;
};

describe("a pose as flat strokes", () => {
  test("the farthest first, so that what is nearer is drawn over it", () => {
    for (const view of Object.values(VIEWS)) {
      const depths = strokes(view).map(({ near }) => near);
      expect(depths).toEqual([...depths].sort((one, other) => one - other));
    }
  });

  test("from the front their left is on the right, from behind it is on the left", () => {
    expect(middle("left", VIEWS.front)).toBeGreaterThan(middle("right", VIEWS.front));
    expect(middle("left", VIEWS.behind)).toBeLessThan(middle("right", VIEWS.behind));
  });

  test("the face looks at whoever stands ahead, and to the side for whoever stands there", () => {
    const face = (view: View) => strokes(view).find(({ part }) => part === "face");
    const head = (view: View) => strokes(view).find(({ part }) => part === "head");
    expect(face(VIEWS.front)?.near ?? 0).toBeGreaterThan(head(VIEWS.front)?.near ?? 0);
    expect(face(VIEWS.behind)?.near ?? 0).toBeLessThan(head(VIEWS.behind)?.near ?? 0);
    expect(middle("face", VIEWS.side)).toBeGreaterThan(middle("head", VIEWS.side));
  });

  test("every stroke has a width and a place, and is within the picture", () => {
    const { aside, up } = pictureReach(motion.body);
    for (const view of Object.values(VIEWS))
      for (const { points, width } of strokes(view)) {
        expect(width).toBeGreaterThan(0);
        for (const [x, y] of points) {
          expect(Math.abs(x)).toBeLessThan(aside);
          expect(Math.abs(y)).toBeLessThan(up);
        }
      }
  });
});
