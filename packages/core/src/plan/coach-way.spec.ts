import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { CLASS_ASKED, studentOf } from "../testing/small-class.js";
import { planClass } from "./class-plan.js";
import type { Place, PlannedStudent, Rotation } from "./class.js";
import { coachWay } from "./coach-way.js";
import { CLASS_LIMITS } from "./weights.js";

const placeAt = (station: number, code: "new" | "near-gate" | "toward-goal" | null = null): Place => ({
  ...{ station, side: "whole", use: code === null ? "keep" : "frontier", chance: null, cautions: [] },
  drill: { kind: "streak", count: 5 },
  reason: code === null ? null : ({ code } as Place["reason"]),
});
const turnOf = (watches: readonly ("coach" | "helper" | "nobody")[], minutes = 7): Rotation => ({
  minutes,
  stations: watches.map((watchedBy) => ({ subject: "bounce", watchedBy })),
});
const student = (id: string, ...places: readonly (Place | null)[]): PlannedStudent => ({ id, places });

describe("the coaches' way", () => {
  it("stays where a coach is asked for, and has the others go round what nobody looks at", () => {
    const plan = {
      rotations: [turnOf(["coach", "nobody", "helper", "nobody"])],
      students: ["a", "b", "c", "d"].map((id, station) => student(id, placeAt(station, "toward-goal"))),
    };
    expect(coachWay(plan, 1)).toEqual({
      turns: [[{ coach: 0, station: 0, from: 0, minutes: 6, students: ["a"] }]],
      unseen: ["b", "c", "d"],
    });
    const { turns, unseen } = coachWay(plan, 2);
    expect(turns[0]?.slice(1)).toEqual([
      { coach: 1, station: 1, from: 0, minutes: 3, students: ["b"] },
      { coach: 1, station: 3, from: 3, minutes: 3, students: ["d"] },
    ]);
    expect(unseen).toEqual(["c"]);
  });

  it("goes to what is new first and to a gate last, and to who was not looked at yet for longer", () => {
    const rotations = [turnOf(["nobody", "nobody"]), turnOf(["nobody", "nobody"])];
    const students = [
      student("gate", placeAt(0, "near-gate"), placeAt(0)),
      student("beginner", placeAt(1, "new"), null),
      student("late", null, placeAt(1)),
    ];
    const [first, second] = coachWay({ rotations, students }, 1).turns;
    expect(first?.map((one) => one.students[0])).toEqual(["beginner", "gate"]);
    expect(first?.[0]?.minutes).toBeGreaterThan(first?.[1]?.minutes ?? 0);
    const minutesAt = (station: number) => second?.find((one) => one.station === station)?.minutes ?? 0;
    expect(minutesAt(1)).toBeGreaterThan(minutesAt(0));
  });

  it("has no place in a lesson without a coach, and nobody unseen where nobody is", () => {
    const plan = { rotations: [turnOf(["nobody"])], students: [student("a", placeAt(0))] };
    expect(coachWay(plan, 0)).toEqual({ turns: [[]], unseen: ["a"] });
    expect(coachWay({ rotations: [], students: [] }, 2)).toEqual({ turns: [], unseen: [] });
  });

  it("has each coach at one place at a time, for all of the turn, wherever the plan has somebody", () => {
    const option = fc
      .tuple(
        fc.constantFrom("step", "cross", "double"),
        fc.constantFrom("0.3", "0.8"),
        fc.constantFrom("", "coach", "helper", "keep"),
      )
      .map((words) => words.join(" ").trim());
    const options = fc.uniqueArray(option, { maxLength: 3, selector: (one) => one.split(" ")[0] });
    fc.assert(
      fc.property(
        fc.array(options, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 0, max: 3 }),
        (people, coaches) => {
          const students = people.map((own, place) => studentOf(`${place}`, [...own, "bounce 0.1 keep"]));
          const plan = planClass({ ...CLASS_ASKED, minutes: 24, coaches }, students);
          coachWay(plan, coaches).turns.forEach((looks, turn) => {
            const working = (plan.rotations[turn]?.minutes ?? 0) - CLASS_LIMITS.change;
            for (let coach = 0; coach < coaches; coach += 1) {
              const own = looks.filter((one) => one.coach === coach);
              let at = 0;
              for (const { from, minutes } of own) {
                expect(from).toBeCloseTo(at, 9);
                expect(minutes).toBeGreaterThan(0);
                at = from + minutes;
              }
              if (own.length > 0) expect(at).toBeCloseTo(working, 9);
            }
            expect(new Set(looks.map((one) => one.station)).size).toBe(looks.length);
            for (const { station, students: here } of looks) {
              const there = plan.students.filter((one) => one.places[turn]?.station === station);
              expect([...here].sort()).toEqual(there.map((one) => one.id).sort());
            }
          });
        },
      ),
      { numRuns: 25 },
    );
  });
});
