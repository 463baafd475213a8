import { describe, expect, it } from "@jest/globals";
import type { CoachWay } from "@mirrup/core/planning";
import fc from "fast-check";
import type { ShownPlan } from "./shown.js";
import { PICTURE, turnsPicture } from "./turns-picture.js";

const NO_COACH: CoachWay = { turns: [], unseen: [] };

/** A plan by who is where: one list of stations for each student, a turn each; null is away. */
function planOf(stations: number, where: readonly (readonly (number | null)[])[]): ShownPlan {
  const turns = Math.max(0, ...where.map((one) => one.length));
  const rotation = { minutes: 8, stations: Array.from({ length: stations }, () => ({ subject: "cross" })) };
  return {
    ...{ warmUpMinutes: 5, closeMinutes: 5, rotations: Array.from({ length: turns }, () => rotation) },
    students: where.map((one, place) => ({
      id: `s${place}`,
      places: Array.from({ length: turns }, (_, turn) => {
        const station = one[turn] ?? null;
        return station === null ? null : { station };
      }),
    })),
  } as unknown as ShownPlan;
}

const some = fc
  .tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 1, max: 7 }))
  .chain(([stations, turns]) =>
    fc.tuple(
      fc.constant(stations),
      fc.array(fc.array(fc.option(fc.nat(stations - 1)), { minLength: turns, maxLength: turns }), {
        minLength: 1,
        maxLength: 24,
      }),
    ),
  );

describe("the picture of a lesson's turns", () => {
  it("puts everybody on a line of their own at their station, away from its name and from the coach", () => {
    fc.assert(
      fc.property(some, ([stations, where]) => {
        const { lines, bands, height, width } = turnsPicture(planOf(stations, where), NO_COACH);
        const taken = new Set<string>();
        lines.forEach(({ spots }, place) => {
          const there = (where[place] ?? []).flatMap((station, turn) =>
            station === null ? [] : [{ turn, station }],
          );
          expect(spots.map(({ turn, station }) => ({ turn, station }))).toEqual(there);
          for (const { turn, station, y } of spots) {
            const band = bands[station];
            expect(band).toBeDefined();
            expect(y - PICTURE.line / 2).toBeGreaterThanOrEqual((band?.top ?? 0) + PICTURE.head);
            expect(y + PICTURE.line / 2).toBeLessThanOrEqual(
              (band?.top ?? 0) + (band?.height ?? 0) - PICTURE.coach,
            );
            expect(taken.has(`${turn} ${y}`)).toBe(false);
            taken.add(`${turn} ${y}`);
          }
        });
        expect(height).toBe(bands.reduce((sum, one) => sum + one.height, 0));
        expect(width).toBeGreaterThan(PICTURE.names);
      }),
    );
  });

  it("lets nobody cross who stays beside another", () => {
    const { lines } = turnsPicture(
      planOf(2, [
        [0, 1, 1],
        [0, 1, 1],
        [1, 1, 1],
      ]),
      NO_COACH,
    );
    const ys = (turn: number) => lines.map(({ spots }) => spots[turn]?.y ?? 0);
    expect(ys(0)).toEqual([...ys(0)].sort((one, other) => one - other));
    expect(ys(1)).toEqual([...ys(1)].sort((one, other) => one - other));
    expect(ys(2)).toEqual(ys(1));
  });

  it("leads each coach from look to look, in time within the turn", () => {
    const look = (coach: number, station: number, from: number) => ({
      ...{ coach, station, from, minutes: 4, students: [] },
    });
    const way: CoachWay = { turns: [[look(0, 0, 0), look(0, 1, 4)], [look(1, 1, 0)]], unseen: [] };
    const { coaches, bands } = turnsPicture(planOf(2, [[0, 1]]), way);
    expect(coaches).toHaveLength(2);
    const half = PICTURE.names + (PICTURE.turn * PICTURE.stays) / 2;
    const y = (bands[0]?.height ?? 0) - PICTURE.coach / 2;
    expect(coaches[0]?.startsWith(`M${PICTURE.names} ${y}H${half}C`)).toBe(true);
    expect(coaches[1]?.startsWith(`M${PICTURE.names + PICTURE.turn} `)).toBe(true);
  });

  it("is empty without turns", () => {
    expect(turnsPicture(planOf(0, []), NO_COACH)).toMatchObject({
      height: 0,
      bands: [],
      lines: [],
      coaches: [],
    });
  });
});
