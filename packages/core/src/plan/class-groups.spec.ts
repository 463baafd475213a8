import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { CLASS_ASKED, HELPER, studentOf } from "../testing/small-class.js";
import { ClassGroups } from "./class-groups.js";
import { ClassTable } from "./class-table.js";
import { CLASS_WEIGHTS } from "./weights.js";

const WAYS = ["", "show", "coach", "helper", "shadow", "keep", "multiples coach"];
const person = fc.record({
  ways: fc.array(fc.constantFrom(...WAYS), { minLength: 3, maxLength: 3 }),
  ropeMm: fc.constantFrom(null, 2000, 2600),
  hasOwnRope: fc.boolean(),
  apart: fc.array(fc.constantFrom("0", "1", "2", "3"), { maxLength: 2 }),
  together: fc.array(fc.constantFrom("0", "1", "2", "3"), { maxLength: 2 }),
});
const SKILLS = ["bounce", "cross", "double"];

function tableOf(people: readonly (typeof person extends fc.Arbitrary<infer T> ? T : never)[]) {
  const students = people.map(({ ways, ...rest }, place) =>
    studentOf(
      `${place}`,
      SKILLS.map((skill, number) => `${skill} 0.${3 * number + 2} ${ways[number] ?? ""}`.trim()),
      rest,
    ),
  );
  const ropes = [{ kind: null, lengthMm: 2300, many: 1 }];
  const asked = { ...CLASS_ASKED, coaches: 1, helpers: [HELPER, { mayLead: ["multiples" as const] }], ropes };
  const before = { rotations: [], students: [] };
  const table = new ClassTable({ asked, students, minutes: [8], before, stations: 3, room: 2 });
  SKILLS.forEach((_, station) => table.skillAt.put(0, station, station));
  for (const student of students.keys()) table.stationOf.put(0, student, student % 3);
  return table;
}

describe("who stands together in a turn", () => {
  it("counts the same after any moves as when it is counted anew", () => {
    const moves = fc.array(fc.tuple(fc.nat(), fc.option(fc.integer({ min: 0, max: 2 }))), { maxLength: 30 });
    fc.assert(
      fc.property(fc.array(person, { minLength: 1, maxLength: 6 }), moves, (people, list) => {
        const table = tableOf(people);
        const groups = new ClassGroups(table).gather(0);
        for (const [student, station] of list) groups.move(student % people.length, station);
        const anew = new ClassGroups(table).gather(0).score();
        const { worth, breach } = groups.score();
        expect(breach).toBe(anew.breach);
        expect(worth).toBeCloseTo(anew.worth, 9);
      }),
    );
  });

  it("counts a tenth less where nobody comes by: no helper, and every coach bound elsewhere", () => {
    const lossWith = (coaches: number, helpers: number) => {
      const students = [
        ...["a", "b"].map((id) => studentOf(id, ["cross 0.9 coach swings"])),
        ...["c", "d"].map((id) => studentOf(id, ["step 0.5"])),
      ];
      const asked = { ...CLASS_ASKED, coaches, helpers: Array.from({ length: helpers }, () => HELPER) };
      const before = { rotations: [], students: [] };
      const table = new ClassTable({ asked, students, minutes: [8], before, stations: 2, room: null });
      table.skills.forEach((_, station) => table.skillAt.put(0, station, station));
      for (const student of students.keys()) table.stationOf.put(0, student, student < 2 ? 0 : 1);
      return new ClassGroups(table).gather(0).score();
    };
    const tenth = 7 * 2 * 0.5 * (1 - CLASS_WEIGHTS.unlooked);
    expect(lossWith(1, 0).worth).toBeCloseTo(-tenth, 9);
    expect(lossWith(1, 1).worth).toBeCloseTo(0, 9);
    expect(lossWith(2, 0).worth).toBeCloseTo(0, 9);
    expect([lossWith(0, 0).breach, lossWith(1, 0).breach]).toEqual([1, 0]);
  });

  it("counts a pair once, whichever of the two says it, and leaves out who is not here", () => {
    const of = (changes: readonly object[]) => {
      const students = changes.map((one, place) => studentOf(`${place}`, ["bounce 0.5"], one));
      const before = { rotations: [], students: [] };
      const table = new ClassTable({
        ...{ asked: CLASS_ASKED, students, minutes: [8], before, stations: 2, room: null },
      });
      table.skillAt.put(0, 0, 0);
      table.skillAt.put(0, 1, 0);
      for (const student of students.keys()) if (table.isHere(student, 0)) table.stationOf.put(0, student, 0);
      const groups = new ClassGroups(table).gather(0);
      const same = groups.score();
      groups.move(1, table.isHere(1, 0) ? 1 : null);
      return [same, groups.score()] as const;
    };
    const [same, other] = of([{ apart: ["1"] }, { apart: ["0"] }]);
    expect([same.breach, other.breach]).toEqual([1, 0]);
    const [near, far] = of([{ together: ["1", "1"] }, {}]);
    const alone = 2 * CLASS_WEIGHTS.alone;
    expect(near.worth - far.worth).toBeCloseTo(7 * (CLASS_WEIGHTS.parted + alone), 9);
    const [first, second] = of([{ together: ["1"], apart: ["1"] }, { from: 1 }]);
    expect(first).toEqual(second);
    expect(first.breach).toBe(0);
  });
});
