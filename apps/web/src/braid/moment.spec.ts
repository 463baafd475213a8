import { expect, test } from "@jest/globals";
import { momentOf } from "./moment.js";

const beats = [
  { start: 0, cycle: 0.4 },
  { start: 0.4, cycle: 0.8 },
];

test("a beat begins where it begins, over and over", () => {
  expect(momentOf(beats, 1, 0, 120)).toBe(0);
  expect(momentOf(beats, 2, 0, 120)).toBe(0.4);
  expect(momentOf(beats, 5, 0, 120)).toBe(0);
});

test("between two clicks it goes on in step with them, and waits for one that is late", () => {
  expect(momentOf(beats, 2, 0.25, 120)).toBeCloseTo(0.8);
  expect(momentOf(beats, 2, 0.25, 60)).toBeCloseTo(0.6);
  expect(momentOf(beats, 2, 9, 60)).toBeCloseTo(1.2);
});

test("nothing is nowhere", () => {
  expect(momentOf([], 3, 1, 120)).toBe(0);
});
