import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { FEET, GESTURES, mirrorFoot, mirrorGesture } from "../rope/feet.js";
import { stanceOf } from "./stance.js";

test("the mirror of a landing is its stance with the feet exchanged", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...FEET),
      fc.array(fc.constantFrom(...GESTURES), { maxLength: 3 }),
      (landing, gestures) => {
        const stance = stanceOf(landing, gestures);
        const mirrored = stanceOf(mirrorFoot(landing), gestures.map(mirrorGesture));
        expect(mirrored.feet.l).toEqual(stance.feet.r);
        expect(mirrored.feet.r).toEqual(stance.feet.l);
        expect(mirrored.aside).toBeCloseTo(-stance.aside);
        expect(mirrored.twist).toBeCloseTo(-stance.twist);
        expect([mirrored.sink, mirrored.lean, mirrored.ahead]).toEqual([
          stance.sink,
          stance.lean,
          stance.ahead,
        ]);
      },
    ),
  );
});

test("whoever lands on one foot bears nothing on the other, whatever it does", () => {
  for (const gesture of ["tapl", "heell", "kneel", "kickl", "outl", "swingl"] as const) {
    const { l, r } = stanceOf("r", [gesture]).feet;
    expect([gesture, l.weight, r.weight]).toEqual([gesture, 0, 1]);
  }
  const { lift } = stanceOf("r", []).feet.l;
  expect(lift).toBeGreaterThan(0.1);
  expect(stanceOf("r", ["tapl"]).feet.l.lift).toBe(0);
});

test("what is done at once is all of it done, and a turn of the body moves no foot", () => {
  const stance = stanceOf("r", ["tapl", "fore"]);
  expect(stance.ahead).toBeGreaterThan(0);
  expect(stance.feet.l.ahead).toBeGreaterThan(0);
  expect(stanceOf("b", ["turnr"])).toEqual(stanceOf("b", []));
  expect(stanceOf("b", ["together"])).toEqual(stanceOf("b", []));
});

test("a crossing foot is in front between both feet, and behind as a step of its own", () => {
  const { l, r } = stanceOf("b", ["crossl"]).feet;
  expect([l.out < 0, l.ahead > r.ahead]).toEqual([true, true]);
  expect(stanceOf("l", ["crossl"]).feet.l.ahead).toBeLessThan(0);
});
