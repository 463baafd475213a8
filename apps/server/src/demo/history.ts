import { CATALOGUE } from "@mirrup/catalogue";
import type { SetRequest } from "@mirrup/contract";
import type { Drill, Miss, School, SideName } from "@mirrup/core";
import { between, courseOf, lessonsOf, randomFrom, simulateStudent, type Random } from "@mirrup/cohort";
import type { DemoStudent, SimulatedDemoStudent } from "./club.js";
import { demoId } from "./demo-id.js";
import { practiceAt } from "./practice.js";

interface Milestone {
  readonly subject: string;
  readonly side: SideName;
  readonly best: number;
}

const SIDE_LETTERS: Readonly<Record<string, SideName>> = { l: "left", r: "right" };

function milestonesOf(record: string): Milestone[] {
  const lines = record.split(";").map((line) => line.trim());
  return lines.filter(Boolean).flatMap((line) => {
    const [subject = "", ...bests] = line.split(" ");
    return bests.map((best) => {
      const side = SIDE_LETTERS[best.charAt(0)];
      return { subject, side: side ?? "whole", best: Number(side === undefined ? best : best.slice(1)) };
    });
  });
}

/** A set whose longest run is `best`, with a few misses before and after it. */
function triesAround(random: Random, best: number, misses: number): Pick<SetRequest, "clean" | "misses"> {
  const longest = between(random, 0, misses);
  const places: Miss[] = [];
  let clean = 0;
  for (let run = 0; run <= misses; run += 1) {
    clean += run === longest ? best : between(random, 0, Math.max(0, best - 1));
    if (run < misses) places.push({ position: clean + places.length + 1 });
  }
  return { clean, misses: places };
}

/** How far along its way to the best each practice of a skill was, and what had been said of the best, and of that far. */
const PROGRESS = [
  { part: 0.35, ofBest: 0.1, ofReached: 0.8 },
  { part: 0.6, ofBest: 0.2, ofReached: 0.8 },
  { part: 0.8, ofBest: 0.4, ofReached: 0.9 },
  { part: 1, ofBest: 0.8, ofReached: 0.9 },
] as const;
/** By the third practice the fault that a skill is known for has gone. */
const FAULTY_STEPS = 2;

/** Two misses of three have the fault noted that the skill is known for. */
function noting(subject: string, misses: readonly Miss[]): readonly Miss[] {
  const fault = CATALOGUE.skills.get(subject)?.faults[0];
  return fault === undefined
    ? misses
    : misses.map((miss, place) => (place % 3 === 2 ? miss : { ...miss, fault }));
}

/** The lessons of somebody whom the demo tells no story about, ending on the day they were last seen. */
export function simulatedHistoryOf(
  { seed, level, weeks, lessonsAWeek, lastSeenDays }: SimulatedDemoStudent,
  studentId: string,
  school: School,
  now: Date,
  timeZone: string,
): SetRequest[] {
  const lessons = weeks * lessonsAWeek;
  const student = simulateStudent(courseOf(CATALOGUE), seed, level);
  const spacing = 7 / lessonsAWeek;
  return lessonsOf(student, { catalogue: CATALOGUE, school, lessons, seed }).map((set, place) => {
    const { lesson, minute, subject, side, count, clean, misses, bestStreak, seconds } = set;
    const startedAt = practiceAt(now, lastSeenDays + (lessons - 1 - lesson) * spacing, timeZone);
    return {
      id: demoId(`${studentId} lesson ${lesson} ${place}`),
      studentId,
      subject,
      side,
      drill: { kind: "streak", count },
      clean,
      misses,
      bestStreak,
      seconds,
      countedBy: "tapped",
      at: new Date(startedAt + minute * 60_000).toISOString(),
    };
  });
}

/**
 * The sets that brought a student to the bests of their record: each skill in its turn over a
 * stretch of the lessons, ending at its best. The same for the same `now`.
 */
export function historyOf(
  student: DemoStudent,
  studentId: string,
  seed: number,
  now: Date,
  timeZone: string,
): SetRequest[] {
  const random = randomFrom(seed);
  const milestones = milestonesOf(student.record);
  const lessons = Math.max(1, student.weeks * student.lessonsAWeek);
  const spacing = 7 / student.lessonsAWeek;
  const startOf = (lesson: number) =>
    practiceAt(now, student.lastSeenDays + (lessons - 1 - lesson) * spacing, timeZone);
  const counted = new Map<number, number>();
  const climbed = milestones.flatMap(({ subject, side, best }, place) => {
    const from = (place / Math.max(1, milestones.length - 1)) * lessons * 0.85;
    return PROGRESS.map(({ part, ofBest, ofReached }, step): SetRequest => {
      const lesson = Math.min(
        lessons - 1,
        Math.floor(from + (step * lessons * 0.15) / (PROGRESS.length - 1)),
      );
      const minute = counted.get(lesson) ?? 0;
      counted.set(lesson, minute + 2);
      const reached = Math.max(1, Math.round(best * part));
      const drill: Drill =
        best > 12 ? { kind: "streak", count: best } : { kind: "climb", top: reached, onMiss: "repeat" };
      const tries = triesAround(random, reached, between(random, 0, part === 1 ? 1 : 3));
      return {
        id: demoId(`${studentId} ${subject} ${side} ${step}`),
        studentId,
        subject,
        side,
        drill,
        ...tries,
        misses: step < FAULTY_STEPS ? noting(subject, tries.misses) : tries.misses,
        said: drill.kind === "streak" ? ofBest : ofReached,
        bestStreak: reached,
        countedBy: "tapped",
        at: new Date(startOf(lesson) + minute * 60_000).toISOString(),
      };
    });
  });
  return [...climbed, ...plateauOf(student, studentId, milestones, now, timeZone)];
}

/** Honest tries that led nowhere, every other day after the history: each a little worse than its best. */
function plateauOf(
  { plateau, lastSeenDays }: DemoStudent,
  studentId: string,
  milestones: readonly Milestone[],
  now: Date,
  timeZone: string,
): SetRequest[] {
  const milestone = milestones.find((one) => one.subject === plateau?.subject);
  if (plateau === undefined || milestone === undefined) return [];
  const { subject, side, best } = milestone;
  return Array.from({ length: plateau.lessons }, (_, lesson): SetRequest => {
    const bestStreak = Math.max(1, best - 3);
    const misses = Array.from({ length: 7 }, (_miss, place) => ({ position: bestStreak + 1 + place }));
    return {
      id: demoId(`${studentId} ${subject} ${side} plateau ${lesson}`),
      studentId,
      subject,
      side,
      drill: { kind: "streak", count: best },
      clean: bestStreak,
      misses,
      bestStreak,
      countedBy: "tapped",
      at: new Date(practiceAt(now, lastSeenDays - 1 - 2 * lesson, timeZone)).toISOString(),
    };
  });
}
