import { describe, expect, it } from "@jest/globals";
import { lookAt } from "./look-now.js";

const START = Date.parse("2026-06-01T17:00:00.000Z");
const look = (coach: number, station: number, from: number, minutes: number) => ({
  ...{ coach, station, from, minutes },
  students: [],
});
const LOOKS = [look(0, 2, 0, 7), look(1, 0, 0, 3), look(1, 1, 3, 4)];

describe("where a coach is now", () => {
  const at = (coach: number, minutes: number) =>
    lookAt(LOOKS, coach, { startedAt: new Date(START).toISOString() }, START + minutes * 60_000);

  // The first minute of a turn is for changing the stations.
  it.each([
    [0, 0, 2, 8 * 60, null],
    [1, 0, 0, 4 * 60, 1],
    [1, 3.5, 0, 30, 1],
    [1, 4, 1, 4 * 60, null],
    [1, 20, 1, 0, null],
    [1, -5, 0, 9 * 60, 1],
  ])("coach %i after %d minutes", (coach, minutes, station, secondsLeft, next) => {
    const now = at(coach, minutes);
    expect(now?.look.station).toBe(station);
    expect(now?.secondsLeft).toBe(secondsLeft);
    expect(now?.next?.station ?? null).toBe(next);
  });

  it("is nowhere for a coach of whom nothing is asked", () => {
    expect(at(2, 1)).toBeNull();
  });
});
