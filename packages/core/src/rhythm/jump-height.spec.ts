import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { airtimeOf } from "../rope/physics.js";
import { CONTACTS, jumpOf, leastHeightByEar } from "./jump-height.js";

const landings = (seconds: number, count = 11) =>
  Array.from({ length: count }, (_, place) => 3 + (seconds * place) / (count - 1));

test.each([
  [4.5, 5],
  [5.5, 11],
  [6.3, 18],
  [7.0, 25],
  [7.5, 31],
])("ten rebounds in %d s are %d cm", (seconds, height) => {
  const read = jumpOf(landings(seconds));
  if (!read.ok) throw new Error(read.why);
  expect(Math.round(100 * read.jump.height)).toBe(height);
  // 0.05 s of the floor are about 5 cm.
  expect(100 * (read.jump.most - read.jump.least)).toBeGreaterThan(4);
});

test("of whoever lands evenly it is their own height, whatever the floor's time, though a tap be missed", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.03, max: 0.6, noNaN: true }),
      fc.constantFrom(...Object.values(CONTACTS)),
      fc.integer({ min: 1, max: 9 }),
      (height, contact, missed) => {
        const times = landings(10 * (airtimeOf(height) + contact)).filter((_, place) => place !== missed);
        const read = jumpOf(times, contact);
        if (!read.ok) throw new Error(read.why);
        expect(read.jump.height).toBeCloseTo(height, 6);
        expect(read.jump.least).toBeLessThan(height);
        expect(read.jump.most).toBeGreaterThan(height);
      },
    ),
  );
});

test("what cannot be told is not: too few, quicker than the floor, higher than anybody, all at once", () => {
  expect(jumpOf(landings(2, 4))).toEqual({ ok: false, why: "few" });
  expect(jumpOf(landings(2))).toEqual({ ok: false, why: "short" });
  expect(jumpOf(landings(20))).toEqual({ ok: false, why: "high" });
  expect(jumpOf(Array.from({ length: 9 }, () => 1))).toEqual({ ok: false, why: "short" });
});

test("a double by ear was at least so high", () => {
  expect(leastHeightByEar(60 / 190, 0.015)).toBeCloseTo(0.137, 2);
});
