/**
 * Weeks of lessons of a simulated student under an instructor who keeps no model: something known to
 * warm up, then a few sides that the student is ready for, each tried as a streak until it is cleared
 * or the set is long enough. For made-up clubs.
 */
import {
  gateAsStreak,
  gateOf,
  sideNamed,
  skillOf,
  type Catalogue,
  type FaultCode,
  type School,
  type SideName,
} from "@mirrup/core";
import { between, randomFrom, type Random } from "./random.js";
import type { Practised, SimulatedStudent } from "./student.js";
import { courseOf } from "./student.js";
import { Trainee } from "./trainee.js";

export interface LessonSet {
  /** From 0. */
  readonly lesson: number;
  /** Into the lesson, when the set ended. */
  readonly minute: number;
  readonly subject: string;
  readonly side: SideName;
  /** In a row, as asked. */
  readonly count: number;
  readonly clean: number;
  readonly misses: readonly { readonly position: number; readonly fault?: FaultCode }[];
  readonly bestStreak: number;
  readonly seconds: number;
}

export interface Teaching {
  readonly catalogue: Catalogue;
  readonly school: School;
  readonly lessons: number;
  readonly seed: number;
}

const NEW_SIDES = 3;
const WARM_UPS = 1;
const SET_TRIES = 24;
const SECONDS_A_TRY = 0.9;
const SECONDS_A_MISS = 4;
/** How many misses somebody names. */
const NAMED_SHARE = 0.6;
const REST_MINUTES = 2;

interface Streak {
  readonly clean: number;
  readonly misses: LessonSet["misses"];
  readonly bestStreak: number;
  readonly seconds: number;
}

function tryStreak(trainee: Trainee, key: string, count: number, random: Random): Streak {
  const misses: { position: number; fault?: FaultCode }[] = [];
  const most = Math.max(SET_TRIES, 2 * count);
  let [clean, inRow, bestStreak, seconds] = [0, 0, 0, 0];
  while (clean + misses.length < most && bestStreak < count) {
    const { isClean, fault } = trainee.attempt(key);
    seconds += isClean ? SECONDS_A_TRY : SECONDS_A_MISS;
    if (isClean) {
      clean += 1;
      inRow += 1;
      bestStreak = Math.max(bestStreak, inRow);
    } else {
      inRow = 0;
      const named = fault !== null && random() < NAMED_SHARE ? { fault } : {};
      misses.push({ position: clean + misses.length + 1, ...named });
    }
  }
  return { clean, misses, bestStreak, seconds };
}

/** The sets of so many lessons, in order; the same for the same seed. O(lessons × tries). */
export function lessonsOf(student: SimulatedStudent, teaching: Teaching): readonly LessonSet[] {
  const { catalogue, school, lessons, seed } = teaching;
  const course = courseOf(catalogue);
  const trainee = new Trainee(course, student, seed);
  const random = randomFrom(seed);
  const cleared = new Set<string>();
  const sets: LessonSet[] = [];
  const countOf = (subject: string) => {
    const skill = skillOf(catalogue, subject);
    return gateAsStreak(gateOf(school, skill), skill.beats);
  };
  const work = (lesson: number, started: number, { key, side }: Practised): number => {
    const subject = sideNamed(key)?.subject ?? key;
    const count = countOf(subject);
    const streak = tryStreak(trainee, key, count, random);
    trainee.rest();
    if (streak.bestStreak >= count) cleared.add(key);
    const minute = started + streak.seconds / 60;
    sets.push({ lesson, minute, subject, side, count, ...streak, seconds: Math.round(streak.seconds) });
    return minute + REST_MINUTES;
  };
  for (let lesson = 0; lesson < lessons; lesson += 1) {
    trainee.beginLesson();
    let minute = 0;
    const known = course.sides.filter(({ key }) => cleared.has(key));
    for (let turn = 0; turn < WARM_UPS && known.length > 0; turn += 1) {
      const warm = known[between(random, 0, known.length - 1)];
      if (warm !== undefined) minute = work(lesson, minute, warm);
    }
    const begun = new Set<string>();
    for (let turn = 0; turn < NEW_SIDES; turn += 1) {
      // What was known before the first lesson has to be shown once too.
      const unseen = course.sides.find(
        ({ key }) => trainee.chance(key) > 0.8 && !cleared.has(key) && !begun.has(key),
      );
      const side = turn === 0 ? (unseen ?? trainee.takeUp(random, begun)) : trainee.takeUp(random, begun);
      if (side === undefined) break;
      begun.add(side.key);
      minute = work(lesson, minute, side);
    }
  }
  return sets;
}
