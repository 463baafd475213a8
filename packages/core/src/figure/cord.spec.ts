import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { CORD_POINTS, cordBetween, depthOf, evenly, type CordAsked } from "./cord.js";
import { distance, point, type Point } from "./point.js";

const lengthOf = (points: readonly Point[]) =>
  points.slice(1).reduce((sum, at, place) => sum + distance(points[place] ?? at, at), 0);

/** Two handles at a height, as far apart, and the rope at an angle of its circle. */
function asked(apart: number, high: number, angle: number, more: Partial<CordAsked> = {}): CordAsked {
  return {
    ...{ left: point(apart / 2, high, 0.1), right: point(-apart / 2, high, 0.1), length: 2.3 },
    ...{ across: point(1, 0, 0), trail: point(0, 0, 1), beside: 0, lead: 0.3 },
    toward: (ahead) => point(0, -Math.cos(angle + ahead), -Math.sin(angle + ahead)),
    ...more,
  };
}
const apart = fc.double({ min: -1, max: 1, noNaN: true });
const high = fc.double({ min: 0.3, max: 1.3, noNaN: true });
const angle = fc.double({ min: 0, max: 2 * Math.PI, noNaN: true });

describe("the cord", () => {
  test("goes from handle to handle, keeps its length and is never under the floor, wherever the hands are", () => {
    fc.assert(
      fc.property(apart, high, angle, (far, up, at) => {
        const wish = asked(far, up, at);
        const cord = cordBetween(wish);
        expect(distance(cord[0] ?? wish.right, wish.left)).toBeLessThan(1e-9);
        expect(distance(cord.at(-1) ?? wish.left, wish.right)).toBeLessThan(1e-9);
        expect(Math.min(...cord.map(({ y }) => y))).toBeGreaterThanOrEqual(0);
        expect(Math.abs(lengthOf(cord) / 2.3 - 1)).toBeLessThan(0.02);
      }),
    );
  });

  test("spreads where the floor is in its way, outward from each handle, and not beside the body", () => {
    const widest = (cord: readonly Point[]) => Math.max(...cord.map(({ x }) => Math.abs(x)));
    const [free, low] = [cordBetween(asked(0.8, 1.2, 0)), cordBetween(asked(0.8, 0.4, 0))];
    expect(widest(free)).toBeLessThan(0.45);
    expect(widest(low)).toBeGreaterThan(0.6);
    expect(widest(cordBetween(asked(-0.8, 0.4, 0)))).toBeGreaterThan(0.6);
    const swung = cordBetween(asked(0.1, 0.9, 0, { beside: 1 }));
    expect(widest(swung)).toBeLessThan(0.1);
    // What is over lies where it trails.
    expect(Math.max(...swung.map(({ z }) => z))).toBeGreaterThan(0.2);
  });

  test("reaches where the rope is in its circle", () => {
    const middle = (at: number) => {
      const cord = cordBetween(asked(0.9, 1, at));
      return cord[cord.length >> 1] ?? point(0, 0, 0);
    };
    expect(middle(Math.PI / 2).z).toBeLessThan(-0.6);
    expect(middle(Math.PI).y).toBeGreaterThan(1.7);
    expect(middle((3 * Math.PI) / 2).z).toBeGreaterThan(0.8);
  });
});

test("points along a line are as far from each other, its ends among them", () => {
  const line = [point(0, 0, 0), point(1, 0, 0), point(1, 3, 0)];
  const even = evenly(line, 9);
  expect(even[0]).toEqual(line[0]);
  expect(even.at(-1)).toEqual(line[2]);
  for (const [place, at] of even.slice(1).entries())
    expect(distance(even[place] ?? at, at)).toBeCloseTo(0.5, 9);
  expect(evenly([point(1, 1, 1), point(1, 1, 1)], CORD_POINTS)).toHaveLength(CORD_POINTS);
});

test("a longer cord hangs deeper, and less deep to the side", () => {
  expect(depthOf(2.6, 0.9, 0.1)).toBeGreaterThan(depthOf(2.3, 0.9, 0.1));
  expect(depthOf(2.3, 0.9, 0.3)).toBeLessThan(depthOf(2.3, 0.9, 0.1));
  expect(depthOf(2.3, 0.9, 0.45)).toBeCloseTo(0);
});
