import { CATALOGUE, SCHOOLS } from "@mirrup/catalogue";
import { describe, expect, it } from "@jest/globals";
import { syllabusOf } from "@mirrup/core";
import type { ClassAsked } from "@mirrup/core/planning";
import { HANDBOOK_MODEL } from "@mirrup/core/teaching";
import { heldClass, type ClassCoaching } from "./coached/class.js";
import { peopleOf } from "./coached/people.js";
import { courseOf } from "./student.js";

const SYLLABUS = syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] });
const ASKED: ClassAsked = {
  ...{ minutes: 60, turns: null, stations: 2, coaches: 1, helpers: [{ mayLead: [] }], floor: null },
  ...{ hardSkill: "late", bans: [], stationPins: [], placePins: [], seed: 1 },
};
const coaching = (seed: number, count: number, lessons: number): ClassCoaching => ({
  ...{ syllabus: SYLLABUS, model: HANDBOOK_MODEL, asked: ASKED, lessons },
  people: peopleOf({ syllabus: SYLLABUS, course: courseOf(CATALOGUE), population: "pupils", count, seed }),
});
const sum = (numbers: readonly number[]) => numbers.reduce((total, one) => total + one, 0);

describe("a simulated class", () => {
  it("clears more by a class plan than by one drill for everybody", () => {
    const held = coaching(9000, 4, 6);
    expect(sum(heldClass(held, "plan"))).toBeGreaterThan(
      1.25 * sum(heldClass(held, "one drill for everybody")),
    );
  });

  it("is the same for the same people, and clears nothing in no lesson", () => {
    const held = coaching(50, 3, 2);
    expect(heldClass(held, "own next alone")).toEqual(heldClass(held, "own next alone"));
    expect(heldClass({ ...held, lessons: 0 }, "plan")).toEqual([0, 0, 0]);
  });

  it("jumps less in threes than in pairs", () => {
    const held = coaching(9000, 4, 6);
    expect(sum(heldClass(held, "own next in threes"))).toBeLessThanOrEqual(
      1.2 * sum(heldClass(held, "own next alone")),
    );
  });
});
