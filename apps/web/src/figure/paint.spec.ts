import { expect, test } from "@jest/globals";
import { scoreOf } from "@mirrup/core";
import { motionOf, poseAt, VIEWS } from "@mirrup/core/figure";
import { CLIP } from "./clip-size.js";
import { framesOf } from "./clip.js";
import type { Colours } from "./colours.js";
import { paint } from "./paint.js";

const COLOURS: Colours = {
  ...{ left: "blue", right: "red", trunk: "grey", head: "tan", face: "grey", shoe: "black", handle: "black" },
  ...{ cord: "gold", floor: "silver", ground: "silver", paper: "white" },
};

/** A context that writes down what is stroked in which colour, and where. */
function written() {
  const strokes: { colour: string; width: number; points: number[][]; alpha: number }[] = [];
  let points: number[][] = [];
  const context = {
    ...{ strokeStyle: "", fillStyle: "", lineWidth: 0, globalAlpha: 1, lineCap: "", lineJoin: "" },
    beginPath: () => (points = []),
    moveTo: (x: number, y: number) => points.push([x, y]),
    lineTo: (x: number, y: number) => points.push([x, y]),
    closePath: () => undefined,
    fill: () => undefined,
    fillRect: () => undefined,
    stroke: () =>
      strokes.push({
        ...{ colour: context.strokeStyle, width: context.lineWidth, points: [...points] },
        alpha: context.globalAlpha,
      }),
  };
  return { context: context as unknown as CanvasRenderingContext2D, strokes };
}

const drawnOf = (text: string, at: number, aside = 0, strength = 1) => {
  const motion = motionOf(scoreOf(text));
  return { pose: poseAt(motion, at), body: motion.body, aside, strength };
};

test("a figure stands in its picture from every view, the left arm and leg in the left's colour", () => {
  for (const view of Object.values(VIEWS))
    for (const at of [0, 0.1, 0.3, 0.5]) {
      const { context, strokes } = written();
      paint(context, [drawnOf("sr ur o", at)], view, COLOURS, CLIP.width, CLIP.height);
      const outside = strokes.flatMap(({ points }) =>
        points.filter(([x = 0, y = 0]) => x < 0 || x > CLIP.width || y < 0 || y > CLIP.height),
      );
      expect(outside).toEqual([]);
      const count = (colour: string) => strokes.filter((one) => one.colour === colour).length;
      expect(count("blue")).toBe(count("red"));
      expect(count("gold")).toBe(64);
      expect(strokes.every(({ width }) => Number.isFinite(width) && width > 0)).toBe(true);
    }
});

test("from the front the left hand is on the right of the picture, from behind on the left", () => {
  const middleOf = (view: (typeof VIEWS)[keyof typeof VIEWS]) => {
    const { context, strokes } = written();
    paint(context, [drawnOf("o", 0.1)], view, COLOURS, 360, 420);
    const xs = strokes
      .filter(({ colour }) => colour === "blue")
      .flatMap(({ points }) => points.map(([x = 0]) => x));
    return xs.reduce((sum, x) => sum + x, 0) / xs.length;
  };
  expect(middleOf(VIEWS.front)).toBeGreaterThan(185);
  expect(middleOf(VIEWS.behind)).toBeLessThan(175);
});

test("two stand beside each other, and what is only compared with is faint", () => {
  const { context, strokes } = written();
  paint(context, [drawnOf("o", 0, 0.95), drawnOf("o", 0, -0.95, 0.3)], VIEWS.front, COLOURS, 640, 420);
  const xs = (alpha: number) =>
    strokes
      .filter((one) => one.alpha === alpha && one.colour === "tan")
      .flatMap(({ points }) => points.map(([x = 0]) => x));
  expect(Math.min(...xs(1))).toBeGreaterThan(320);
  expect(Math.max(...xs(0.3))).toBeLessThan(320);
});

test("a clip's frames are in time, once through; a long one is cut, and never played faster than asked", () => {
  const { times, isCut } = framesOf(0.9, 0.25);
  expect(times).toHaveLength(72);
  expect([times[0], isCut]).toEqual([0, false]);
  expect(Math.max(...times)).toBeLessThan(0.9);
  const long = framesOf(600, 0.1);
  expect([long.times.length, long.isCut]).toEqual([CLIP.mostFrames, true]);
  expect((long.times[1] ?? 0) * CLIP.framesASecond).toBeCloseTo(0.1);
  expect(framesOf(0, 1)).toEqual({ times: [0, 0], isCut: false });
});
