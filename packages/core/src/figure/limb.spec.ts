import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { limb } from "./limb.js";
import { distance, dot, minus, point } from "./point.js";

const coordinate = fc.double({ min: -2, max: 2, noNaN: true });
const place = fc.tuple(coordinate, coordinate, coordinate).map(([x, y, z]) => point(x, y, z));

test("both bones keep their length wherever the end is asked for, and the end is there if it is in reach", () => {
  fc.assert(
    fc.property(place, place, place, (root, target, bend) => {
      const { joint, end } = limb(root, target, 0.4, 0.35, bend);
      expect(distance(root, joint)).toBeCloseTo(0.4, 9);
      expect(distance(joint, end)).toBeCloseTo(0.35, 9);
      const far = distance(root, target);
      if (far < 0.74 && far > 0.2) expect(distance(end, target)).toBeLessThan(1e-9);
      if (far > 0.75) expect(distance(root, end)).toBeCloseTo(0.995 * 0.75, 9);
    }),
  );
});

test("it bends the way it is asked to", () => {
  fc.assert(
    fc.property(place, place, (target, bend) => {
      const root = point(0, 0, 0);
      const { joint, end } = limb(root, target, 0.4, 0.4, bend);
      const middle = point(end.x / 2, end.y / 2, end.z / 2);
      expect(dot(minus(joint, middle), bend)).toBeGreaterThanOrEqual(-1e-9);
    }),
  );
});

test("a target at the root itself, or a bend along the limb, is no trouble", () => {
  for (const target of [point(0, 0, 0), point(0, 1, 0)])
    for (const bend of [point(0, 1, 0), point(0, 0, 0)]) {
      const { joint, end } = limb(point(0, 0, 0), target, 0.4, 0.3, bend);
      expect([joint, end].flatMap(({ x, y, z }) => [x, y, z]).every(Number.isFinite)).toBe(true);
    }
});
