import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { scoreOf } from "../rope/parse.js";
import { legalText, scoreText } from "../testing/arbitrary-score.js";
import { showingOf } from "./looped.js";
import { keyMoments, tellingMoment, tellingMoments } from "./moments.js";
import { motionOf } from "./motion.js";
import { distance } from "./point.js";
import { poseAt } from "./pose.js";

describe("the moments", () => {
  test("of a double with a cross: two passes, the hands between them, and both ends of the jump", () => {
    const moments = keyMoments(motionOf(scoreOf("(o xr)")));
    expect(moments.map(({ kind, arms }) => `${kind} ${arms}`)).toEqual([
      ...["take-off o", "under o", "hands xr", "under xr", "landing xr"],
    ]);
    const [, first, hands, second] = moments.map(({ at }) => at);
    expect(((hands ?? 0) - (first ?? 0)) / ((second ?? 0) - (first ?? 0))).toBeCloseTo(0.7);
  });

  test("are in time, and those that tell most are among them", () => {
    fc.assert(
      fc.property(scoreText, fc.integer({ min: 1, max: 8 }), (text, count) => {
        const motion = motionOf(scoreOf(text));
        const all = keyMoments(motion);
        const told = tellingMoments(motion, count);
        expect(all.map(({ at }) => at)).toEqual(all.map(({ at }) => at).sort((a, b) => a - b));
        expect(told).toHaveLength(Math.min(count, all.length));
        for (const moment of told) expect(all).toContainEqual(moment);
      }),
    );
  });

  test("a trick is shown where its arms have changed and the rope passes", () => {
    expect(tellingMoment(motionOf(scoreOf("o o ur o")))).toMatchObject({
      kind: "under",
      arms: "ur",
      beat: 2,
    });
    expect(tellingMoment(motionOf(scoreOf("sr o")))).toMatchObject({ kind: "beside", arms: "sr" });
    expect(tellingMoment(motionOf(scoreOf("o!")))).toMatchObject({ kind: "stopped" });
  });
});

describe("shown over and over", () => {
  test("the end of whatever can follow itself runs into its beginning", () => {
    fc.assert(
      fc.property(legalText, (text) => {
        const { motion, offset, seconds } = showingOf(scoreOf(text));
        if (offset === 0) return;
        const [begin, end] = [poseAt(motion, offset), poseAt(motion, offset + seconds)];
        // The rope's speed is led by its neighbours: nearer than the eye sees.
        expect(distance(begin.head, end.head)).toBeLessThan(0.005);
        expect(distance(begin.arms.l.hand, end.arms.l.hand)).toBeLessThan(0.005);
        expect(distance(begin.legs.r.toe, end.legs.r.toe)).toBeLessThan(0.005);
      }),
      { numRuns: 60 },
    );
    expect(showingOf(scoreOf("sr xr o")).offset).toBeGreaterThan(0);
    expect(showingOf(scoreOf("o sr+turnr o")).offset).toBe(0);
    expect(showingOf(scoreOf("o!")).offset).toBe(0);
    expect(showingOf(scoreOf(". .")).offset).toBe(0);
  });

  test("what cannot be jumped stops at its first fault, with the sentence", () => {
    const { fault, seconds } = showingOf(scoreOf("o ul/l o"));
    expect(fault).toMatchObject({ beat: 1, message: expect.stringMatching(/right/) });
    expect(fault?.at).toBeGreaterThan(0.4);
    expect(fault?.at).toBeLessThan(seconds);
  });

  test("a score of 4,096 beats is made ready, once", () => {
    const { offset, seconds, motion } = showingOf(scoreOf("[o*64]*64"));
    expect(offset).toBe(0);
    expect(motion.keys).toHaveLength(4098);
    expect(poseAt(motion, seconds - 0.1).head.y).toBeGreaterThan(1.4);
  });
});
