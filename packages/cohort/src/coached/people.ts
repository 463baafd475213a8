/** Who is coached: simulated students with a goal a few steps ahead of what they know. */
import { sideKey, type Side, type Syllabus } from "@mirrup/core";
import { Pupil } from "../pupil.js";
import { between, randomFrom, type Random } from "../random.js";
import { knows, simulateStudent, type Course } from "../student.js";
import { Trainee, type Learner } from "../trainee.js";
import type { Coaching } from "./coached.js";
import { ownNeeds } from "./policies.js";

/** The rules that students learn by: the first population's, or the second's, which shares none of them. */
export const POPULATIONS = ["trainees", "pupils"] as const;
export type Population = (typeof POPULATIONS)[number];

export interface Person {
  readonly seed: number;
  readonly strongerSide: "left" | "right";
  readonly goal: Side;
  /** What placement finds of them. */
  readonly placed: Coaching["placed"];
  /** The same student as before the first lesson, each time; their tries fall as this luck has it. */
  readonly begin: (luck?: number) => Learner;
}

export interface PeopleOptions {
  readonly syllabus: Syllabus;
  readonly course: Course;
  readonly population: Population;
  readonly count: number;
  readonly seed: number;
}

/** Seeds of another luck lie so far from each other. */
const LUCK = 1_000_003;

/** From beginners to those who know nearly half. */
const LEVELS = { least: 0.05, most: 0.5 } as const;

/** So many students, less those who have no goal left. The same for the same seed. */
export function peopleOf({ syllabus, course, population, count, seed }: PeopleOptions): readonly Person[] {
  return Array.from({ length: count }, (_, place) => place).flatMap((place): readonly Person[] => {
    const own = seed + place;
    const level = LEVELS.least + (LEVELS.most - LEVELS.least) * ((place + 0.5) / count);
    const student = simulateStudent(course, own, level);
    const isKnown = (side: Side) => knows(student, sideKey(side.subject, side.side));
    const known = syllabus.sides.filter(isKnown);
    const { strongerSide } = student;
    const goal = goalFor(syllabus, isKnown, strongerSide, randomFrom(own + 3));
    if (goal === undefined) return [];
    const keys = new Set(known.map(({ subject, side }) => sideKey(subject, side)));
    const begin = (luck = 0) =>
      population === "pupils"
        ? new Pupil(course, keys, own, luck)
        : new Trainee(course, student, own + LUCK * luck);
    return [{ seed: own, strongerSide, goal, placed: placedOf(known), begin }];
  });
}

function placedOf(known: readonly Side[]): Coaching["placed"] {
  return known.map((of) => ({ of, answer: "clean" }));
}

/** A goal a few steps ahead: what the student cannot do yet, with two to six needs that they cannot either. */
function goalFor(
  syllabus: Syllabus,
  knows: (side: Side) => boolean,
  stronger: "left" | "right",
  random: Random,
): Side | undefined {
  const goals = syllabus.sides.filter((side) => {
    if (knows(side) || (side.side !== "whole" && side.side !== stronger)) return false;
    const missing = ownNeeds(side).filter((one) => one !== syllabus.baseTest && !knows(one)).length - 1;
    return missing >= 2 && missing <= 6;
  });
  return goals[between(random, 0, Math.max(0, goals.length - 1))];
}
