/**
 * Landings and the week's allowance of them (safety.md, load). A landing on two feet counts 1, on one
 * leg 1.5; after a double 1.5, after a triple or more 2. Where both hold, the factors multiply.
 */
import { DAY_MS, dayAfter, type LocalDate } from "../instant.js";
import { parseScore } from "../rope/parse.js";
import { expandBeats, landingOf, type Score } from "../rope/score.js";
import { missCount, type PracticeSet } from "../log/set.js";
import { DRILL_ROWS, isDrillKind, type LoggedDrill } from "../syllabus/drill.js";

const ONE_LEG = 1.5;
const DOUBLE = 1.5;
const TRIPLE = 2;

/** Weighted landings of once through a score; 1 for a skill outside the rope model. */
export function landingsOf(score: Score | null): number {
  if (score === null) return 1;
  return expandBeats(score).reduce((sum, beat) => {
    const turns = beat.turns.length;
    const air = turns > 2 ? TRIPLE : turns === 2 ? DOUBLE : 1;
    return sum + air * (landingOf(beat) === "b" ? 1 : ONE_LEG);
  }, 0);
}

/** Jumps with two turns or more in once through a score. */
export function multiplesOf(score: Score | null): number {
  return score === null ? 0 : expandBeats(score).filter((beat) => beat.turns.length > 1).length;
}

/** What a set, or a lesson, asks of the legs. */
export interface Load {
  /** Weighted landings. */
  readonly landings: number;
  /** Jumps with two turns or more. */
  readonly multiples: number;
}

/** A drill's own score where it has one that can be read, else the skill's. */
function practisedScore(skillScore: Score | null, written: string | undefined): Score | null {
  const parsed = written === undefined ? null : parseScore(written);
  return parsed?.ok === true ? parsed.score : skillScore;
}

/** What one try of a drill asks of the legs; the bounces that space a link come with it. */
export function tryLoad(skillScore: Score | null, drill: LoggedDrill): Load {
  const { kind, score: written, spacing = 0 } = drill;
  if (isDrillKind(kind) && !DRILL_ROWS[kind].lands) return { landings: 0, multiples: 0 };
  // A change of arms in a jump has no rope and no turns.
  if (kind === "air-change") return { landings: 1, multiples: 0 };
  const score = practisedScore(skillScore, written);
  const between = kind === "link" || (kind === "spaced" && written === undefined) ? spacing : 0;
  return { landings: landingsOf(score) + between, multiples: multiplesOf(score) };
}

/**
 * What a set asked of the legs: each try once through the drill's score. A try that missed landed too;
 * what is done without jumping is not jumped.
 */
export function setLoad(
  skillScore: Score | null,
  { drill, clean, misses }: Pick<PracticeSet, "drill" | "clean" | "misses">,
): Load {
  const tries = clean + missCount(misses);
  const { landings, multiples } = tryLoad(skillScore, drill);
  return { landings: tries * landings, multiples: tries * multiples };
}

const MONDAY = 1;

/** The day on which the week of `day` starts; `startsOn` from 1 for Monday to 7 for Sunday. */
export function weekStart(day: LocalDate, startsOn: number = MONDAY): LocalDate {
  const noon = Date.parse(`${day}T12:00:00Z`);
  const weekday = new Date(noon).getUTCDay() || 7;
  const back = (weekday - startsOn + 7) % 7;
  return new Date(noon - back * DAY_MS).toISOString().slice(0, 10);
}

export interface LessonLoad extends Load {
  readonly day: LocalDate;
  /** Landings of sets that nobody counted try by try. */
  readonly estimated: number;
}

export interface WeekLoad {
  readonly weekStart: LocalDate;
  readonly landings: number;
  readonly estimated: number;
  /** Null before two weeks are recorded. */
  readonly allowance: number | null;
}

/** This week's landings and what they may come to, from a student's lessons in any order. */
export function weekLoad(lessons: readonly LessonLoad[], today: LocalDate, startsOn = MONDAY): WeekLoad {
  const thisWeek = weekStart(today, startsOn);
  const weeks = new Map<LocalDate, { landings: number; estimated: number }>();
  for (const { day, landings, estimated } of lessons) {
    const start = weekStart(day, startsOn);
    const sum = weeks.get(start) ?? { landings: 0, estimated: 0 };
    weeks.set(start, { landings: sum.landings + landings, estimated: sum.estimated + estimated });
  }
  const now = weeks.get(thisWeek) ?? { landings: 0, estimated: 0 };
  const recorded = [...weeks].filter(([start, { landings }]) => start < thisWeek && landings > 0).length;
  const before = Array.from({ length: WEEKS_LOOKED_BACK }, (_, back) => {
    const start = dayAfter(thisWeek, -7 * (back + 1));
    const { landings = 0 } = weeks.get(start) ?? {};
    return landings;
  });
  return { weekStart: thisWeek, ...now, allowance: recorded < WEEKS_NEEDED ? null : weekAllowance(before) };
}

/** The weeks from that of `from` to that of `to`, each with the allowance that it had, from lessons in any order. */
export function loadWeeks(
  lessons: readonly LessonLoad[],
  { from, to }: { readonly from: LocalDate; readonly to: LocalDate },
  startsOn = MONDAY,
): readonly WeekLoad[] {
  const weeks: WeekLoad[] = [];
  for (let day = weekStart(from, startsOn); day <= to; day = dayAfter(day, 7))
    weeks.push(weekLoad(lessons, day, startsOn));
  return weeks;
}

export const LEAST_ALLOWANCE = 3000;
const GROWTH = 1.1;
const WEEKS_LOOKED_BACK = 4;
/** Before so many weeks are recorded nothing is judged. */
const WEEKS_NEEDED = 2;

/** The larger of 3,000 and 1.1 × the mean of the last four calendar weeks, empty ones counting 0. */
export function weekAllowance(lastWeeks: readonly number[]): number {
  const mean = lastWeeks.reduce((sum, one) => sum + one, 0) / WEEKS_LOOKED_BACK;
  return Math.max(LEAST_ALLOWANCE, GROWTH * mean);
}
