import { describe, expect, it } from "@jest/globals";
import { CLASS_ASKED, ropesOf, studentOf } from "../testing/small-class.js";
import { classBound, sameForAll } from "./class-bound.js";
import { ClassTable } from "./class-table.js";
import type { ClassAsked, ClassStudent } from "./class.js";
import { CLASS_WEIGHTS } from "./weights.js";

function tableOf(
  students: readonly ClassStudent[],
  changes: Partial<ClassAsked>,
  minutes: readonly number[],
): ClassTable {
  const asked = { ...CLASS_ASKED, ...changes };
  const before = { rotations: [], students: [] };
  return new ClassTable({ asked, students, minutes, before, stations: asked.stations, room: null });
}

const classOf = (many: number, options: readonly string[], changes: Partial<ClassStudent> = {}) =>
  Array.from({ length: many }, (_, place) => studentOf(`${place}`, options, changes));

const AGAIN = CLASS_WEIGHTS.again;
/** A turn of eight minutes has seven at the drill. */
const TURNS = [8, 8];

describe("the most that any plan could have", () => {
  it.each([
    // One station: both turns' best for everybody.
    [classOf(4, ["step 0.9", "cross 0.8 swings"]), 1, 4 * 7 * (0.9 + 0.8)],
    // The second turn at the same counts less, and here still more than anything else.
    [classOf(4, ["step 0.9", "cross 0.4 swings"]), 1, 4 * 7 * 0.9 * (1 + AGAIN)],
    // Who comes for one turn has one.
    [classOf(3, ["step 0.9", "cross 0.5"], { from: 1 }), 1, 3 * 7 * 0.9],
    // Two stations: each half of the class has its own.
    [[...classOf(2, ["step 0.8"]), ...classOf(2, ["cross 0.6"])], 2, 2 * 7 * (1 + AGAIN) * (0.8 + 0.6)],
    // One station: the two halves share it.
    [[...classOf(2, ["step 0.8"]), ...classOf(2, ["cross 0.7"])], 1, 2 * 7 * (0.8 + 0.7)],
    [classOf(2, []), 3, 0],
  ])("is what each could have where nothing stands against it (%#)", (students, stations, most) => {
    const bound = classBound(tableOf(students, { stations }, TURNS));
    expect(bound).toBeGreaterThanOrEqual(most - 1e-9);
    expect(bound).toBeLessThanOrEqual(1.02 * most + 1e-9);
  });

  it("grows with stations, and not with ropes or coaches", () => {
    const skills = ["step", "cross", "swing", "double"];
    const students = skills.flatMap((skill) => classOf(2, [`${skill} 0.9`, "bounce 0.1"]));
    const of = (changes: Partial<ClassAsked>) => classBound(tableOf(students, changes, TURNS));
    const [one, two, four] = [1, 2, 4].map((stations) => of({ stations }));
    expect(two).toBeGreaterThan(one ?? 0);
    expect(four).toBeGreaterThan(two ?? 0);
    expect(of({ stations: 2, ropes: ropesOf(0), coaches: 0 })).toBe(two);
  });
});

describe("one drill for everybody at a time", () => {
  const same = (students: readonly ClassStudent[], changes: Partial<ClassAsked> = {}) =>
    sameForAll(tableOf(students, { stations: 3, ...changes }, TURNS));

  it("is the best skill of each turn, in groups that can be seen", () => {
    expect(same(classOf(6, ["step 0.9", "cross 0.8 swings"]))).toBeCloseTo(6 * 7 * (0.9 + 0.8), 9);
    // Seven are five and two, and not six and one alone.
    expect(same(classOf(7, ["step 0.9", "cross 0.8 swings"]))).toBeCloseTo(7 * 7 * (0.9 + 0.8), 9);
    // Eight at one station have six eights of the eyes.
    const crowd = same(classOf(8, ["step 0.9", "cross 0.8 swings"]), { stations: 1 });
    expect(crowd).toBeCloseTo((8 * 7 * (0.9 + 0.8) * 6) / 8, 9);
  });

  it("leaves out who may not do it, and changes nothing of the table", () => {
    const students = [...classOf(4, ["step 0.9"]), studentOf("odd", ["cross 0.9"])];
    const table = tableOf(students, {}, TURNS);
    table.skillAt.put(0, 0, 1);
    expect(sameForAll(table)).toBeCloseTo(4 * 7 * 0.9 * (1 + AGAIN * CLASS_WEIGHTS.sameEffort), 9);
    expect(table.skillAt.row(0)).toEqual([1, null, null]);
    expect(table.stationOf.row(0)).toEqual([null, null, null, null, null]);
  });
});
