import { CATALOGUE, SCHOOLS } from "@mirrup/catalogue";
import { syllabusOf } from "@mirrup/core";
import { HANDBOOK_MODEL, refit, type LearnerModel } from "@mirrup/core/teaching";
import { describe, expect, it } from "@jest/globals";
import {
  bandError,
  bandsOf,
  byProposal,
  coached,
  courseOf,
  heldShare,
  peopleOf,
  POPULATIONS,
  type Coached,
  type Population,
} from "./index.js";

const SYLLABUS = syllabusOf({ catalogue: CATALOGUE, school: SCHOOLS["quick-frontier"] });
const COURSE = courseOf(CATALOGUE);
const MOST_LESSONS = 16;
/** Who learns slowly makes the longer log. */
const STUDENTS: Readonly<Record<Population, number>> = { trainees: 6, pupils: 12 };
/** A band of chances with fewer drills says nothing. */
const FEWEST = 60;

/** A studio's students coached toward their goals by what is proposed. */
function coach(population: Population, count: number, seed: number, model: LearnerModel): readonly Coached[] {
  const people = peopleOf({ syllabus: SYLLABUS, course: COURSE, population, count, seed });
  return people.map(({ goal, placed, strongerSide, begin }) =>
    coached({
      ...{ syllabus: SYLLABUS, model, goal, placed, mostLessons: MOST_LESSONS },
      learner: begin(),
      policy: byProposal(strongerSide),
    }),
  );
}

describe.each(POPULATIONS)("what is said to %s", (population) => {
  const log = coach(population, STUDENTS[population], 4000, HANDBOOK_MODEL);
  const model = refit(
    log.map((one) => ({ ...one.log, syllabus: SYLLABUS })),
    HANDBOOK_MODEL,
  );
  const others = coach(population, STUDENTS[population], 7000, model);

  it("of a drill comes so often, within one in twenty, for students whom nothing was fitted to", () => {
    const bands = bandsOf(
      others.flatMap((one) => one.said),
      FEWEST,
    );
    expect(bands.length).toBeGreaterThan(5);
    expect(bandError(bands)).toBeLessThan(0.05);
  });

  it("of the tries left holds what comes more often than not, and not nearly always", () => {
    const held = heldShare(others.flatMap((one) => one.left));
    expect(held).toBeGreaterThan(0.5);
    expect(held).toBeLessThan(1);
  });
});
