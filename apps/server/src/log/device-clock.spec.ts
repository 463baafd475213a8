import { expect, it } from "@jest/globals";
import fc from "fast-check";
import { clockAheadBy, happenedAt } from "./device-clock.js";

const NOW = new Date("2026-06-01T17:00:00.000Z");
const MINUTE = 60_000;
const YEAR = 365 * 24 * 60 * MINUTE;
const off = fc.integer({ min: -3 * YEAR, max: 3 * YEAR });
const ago = fc.integer({ min: 0, max: YEAR });

it("puts whatever a device says where it happened, however wrong its clock, to two minutes", () => {
  fc.assert(
    fc.property(off, ago, fc.integer({ min: 0, max: MINUTE }), (ahead, before, onItsWay) => {
      const sent = new Date(NOW.getTime() - onItsWay + ahead).toISOString();
      const deviceAt = new Date(NOW.getTime() - before + ahead);
      const at = happenedAt(deviceAt, clockAheadBy(sent, NOW), NOW).getTime();
      expect(at).toBeLessThanOrEqual(NOW.getTime());
      expect(Math.abs(at - (NOW.getTime() - before))).toBeLessThanOrEqual(3 * MINUTE);
    }),
  );
});

it("keeps what happened in order in order", () => {
  fc.assert(
    fc.property(off, ago, ago, (ahead, one, other) => {
      const by = clockAheadBy(new Date(NOW.getTime() + ahead).toISOString(), NOW);
      const at = (before: number) => happenedAt(new Date(NOW.getTime() - before + ahead), by, NOW).getTime();
      if (one >= other) expect(at(one)).toBeLessThanOrEqual(at(other));
    }),
  );
});

it("leaves a clock alone that is near enough, and one that nobody told", () => {
  expect(clockAheadBy(undefined, NOW)).toBe(0);
  expect(clockAheadBy("2026-06-01T17:02:00.000Z", NOW)).toBe(0);
  expect(clockAheadBy("2026-06-01T16:57:59.000Z", NOW)).toBe(-121_000);
  const before = new Date("2026-06-01T16:30:00.000Z");
  expect(happenedAt(before, 0, NOW)).toEqual(before);
});
