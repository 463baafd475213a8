import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, SCHOOLS } from "@mirrup/catalogue";
import { sideKey, syllabusOf } from "@mirrup/core";
import { place, placementModel, type Answer } from "@mirrup/core/planning";
import {
  courseOf,
  knows,
  randomFrom,
  shows,
  simulateCohort,
  simulateStudent,
  type SimulatedStudent,
} from "./index.js";

const STUDENTS = simulateCohort(CATALOGUE, 20, 40);

describe("simulated students", () => {
  it("come out the same for the same seed, from beginner to expert, a few breaking the tree's order", () => {
    const known = STUDENTS.map(
      (student) => [...student.chances.keys()].filter((key) => knows(student, key)).length,
    );
    expect(Math.max(...known.slice(0, 3))).toBeLessThan(20);
    expect(Math.min(...known.slice(-3))).toBeGreaterThan(100);
    expect(simulateCohort(CATALOGUE, 2, 40)).toEqual(simulateCohort(CATALOGUE, 2, 40));
    const course = courseOf(CATALOGUE);
    const beginners = Array.from({ length: 200 }, (_, seed) => simulateStudent(course, seed, 0));
    const breaking = beginners.filter((one) => one.breaksOrder).length;
    expect([breaking > 10, breaking < 30]).toEqual([true, true]);
  });

  it("are placed right on about nine sides of ten after fourteen questions (the bench says how many of a hundred)", () => {
    const place14 = (student: SimulatedStudent): number => {
      const { strongerSide, seed } = student;
      const model = placementModel(syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] }), {
        strongerSide,
      });
      const random = randomFrom(seed);
      let answers: readonly Answer[] = [];
      for (let asked = 0; asked < 14; asked += 1) {
        const { next } = place(model, answers);
        if (next === null) break;
        const { subject } = next;
        const seen = next.sides.map((side) => {
          return { subject, side, answer: shows(student, sideKey(subject, side), random) };
        });
        answers = [...answers, ...seen];
      }
      const { conclusions } = place(model, answers);
      const right = conclusions.filter(
        ({ subject, side, isKnown }) => isKnown === knows(student, sideKey(subject, side)),
      );
      return right.length / conclusions.length;
    };
    const mean = STUDENTS.reduce((sum, student) => sum + place14(student), 0) / STUDENTS.length;
    expect(mean).toBeGreaterThan(0.87);
  });
});
