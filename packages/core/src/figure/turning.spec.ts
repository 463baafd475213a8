import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { scoreOf } from "../rope/parse.js";
import { legalText } from "../testing/arbitrary-score.js";
import { motionOf } from "./motion.js";
import { turningAt } from "./turning.js";

const CIRCLE = 2 * Math.PI;
const motionFor = (text: string) => motionOf(scoreOf(text));
const angleAt = (text: string) => {
  const { keys, times } = motionFor(text);
  return (at: number) => turningAt(keys, times, at).angle;
};

describe("where the rope is in its circle", () => {
  test("it is at the bottom whenever the timing has it there, but where it is stopped or let go", () => {
    fc.assert(
      fc.property(legalText, (text) => {
        const motion = motionFor(text);
        motion.beats.forEach(({ turns }, place) =>
          turns.forEach(({ arms, turn }, index) => {
            if (turn.caught || arms === "hl" || arms === "hr") return;
            const at = motion.timing.beats[place]?.bottoms[index] ?? 0;
            const { angle } = turningAt(motion.keys, motion.times, at);
            const off = angle - CIRCLE * Math.round(angle / CIRCLE);
            expect(Math.abs(off)).toBeLessThan(1e-6);
          }),
        );
      }),
    );
  });

  test("between two bottoms it never runs back, but out of a crouch or a wrap", () => {
    fc.assert(
      fc.property(legalText, (text) => {
        const { keys, times } = motionFor(text);
        keys.slice(1).forEach((to, place) => {
          const from = keys[place];
          if (from?.sense !== to.sense) return;
          const angles = Array.from({ length: 13 }, (_, step) => {
            const at = from.at + ((to.at - from.at) * step) / 12;
            return from.sense * turningAt(keys, times, at).angle;
          });
          expect(angles.slice(1).every((angle, step) => angle >= (angles[step] ?? angle) - 1e-9)).toBe(true);
        });
      }),
    );
  });

  test("a bounce is one circle, a backward one the other way, a slow one takes two jumps", () => {
    const forward = motionFor("o o").keys.map(({ angle }) => angle / CIRCLE);
    expect(forward.slice(1, 3)).toEqual([1, 2]);
    expect(
      motionFor("< o o")
        .keys.map(({ angle }) => angle / CIRCLE)
        .slice(1, 3),
    ).toEqual([-1, -2]);
    const [, one, two] = motionFor("o . o").keys;
    expect((two?.angle ?? 0) - (one?.angle ?? 0)).toBeCloseTo(CIRCLE);
    expect((two?.at ?? 0) - (one?.at ?? 0)).toBeCloseTo(0.904, 2);
  });

  test("out of a crouch it comes back on its own way, and its sense is turned", () => {
    const { keys, times } = motionFor("xr k o");
    const [, , crouch, out] = keys;
    if (crouch === undefined || out === undefined) throw new Error("three turns");
    expect(out.angle).toBeCloseTo(crouch.angle);
    expect([crouch.sense, out.sense]).toEqual([1, -1]);
    const middle = turningAt(keys, times, (crouch.at + out.at) / 2).angle;
    expect(middle).toBeGreaterThan(crouch.angle + 1);
  });

  test("stopped under the toes it stands still until its next turn comes", () => {
    const at = angleAt("o! . . o");
    expect(at(0.3)).toBeCloseTo(at(0.11), 3);
    expect(at(0.8)).toBeCloseTo(at(0.11), 3);
    expect(at(0.11)).toBeLessThan(CIRCLE);
    expect(at(1.4)).toBeGreaterThan(CIRCLE + 3);
  });

  test("let go, it lies ahead, and goes on from there", () => {
    const { keys } = motionFor("o hr o");
    const [, one, away, back] = keys;
    expect((away?.angle ?? 0) - (one?.angle ?? 0)).toBeLessThan(CIRCLE - 0.9);
    expect(back?.angle).toBe(away?.angle);
  });
});
