/**
 * A simulated student on the way to a goal under a policy: what it costs in tries and lessons, what was
 * said of each drill and what came. The record is read as the server reads it, by the core; the student
 * knows nothing of it.
 */
import {
  DAY_MS,
  DEFAULT_TEMPO,
  compareLines,
  doseOf,
  localDate,
  passOf,
  sideKey,
  SideMap,
  DRILL_ROWS,
  type Drill,
  type Lines,
  type LoggedDecision,
  type LoggedSet,
  type PlacementAnswer,
  type Side,
  type SubjectSide,
  type Syllabus,
} from "@mirrup/core";
import {
  addEntry,
  bearingsOf,
  entriesOfDecision,
  entriesOfSet,
  neededDose,
  readingOf,
  runOf,
  secondsOf,
  standingOf,
  triesTo,
  NO_FACTS,
  type LearnerModel,
  type Owner,
  type Reading,
  type SideFacts,
  type Tap,
} from "@mirrup/core/teaching";
import type { Learner } from "../trainee.js";

/** What a policy chooses to do now; null where it knows of nothing. */
export interface Choice {
  readonly of: Side;
  readonly drill: Drill;
  /** What is said of it; null for a policy that says nothing. */
  readonly chance: number | null;
}

/** Called before every set; answers the next drill, or ends the lesson. */
export type Policy = (reading: Reading, goal: Side, lessonTries: number) => Choice | "lesson-over" | null;

/** A chance that was said, and whether it came. */
export interface Said {
  readonly chance: number;
  readonly came: boolean;
  readonly kind: Drill["kind"];
  readonly lesson: number;
}

export interface Coached {
  readonly reached: boolean;
  readonly tries: number;
  readonly lessons: number;
  readonly said: readonly Said[];
  /** For each side that was cleared on the way: what was said to be left after its first set, and what came. */
  readonly left: readonly {
    readonly low: number;
    readonly high: number;
    readonly expected: number;
    readonly came: number;
  }[];
  readonly log: Lines;
}

export interface Coaching {
  readonly syllabus: Syllabus;
  readonly model: LearnerModel;
  readonly learner: Learner;
  readonly goal: Side;
  /** What placement has found, as decisions. */
  readonly placed: readonly { readonly of: Side; readonly answer: PlacementAnswer }[];
  readonly mostLessons?: number;
  /** Whether a lesson ends when whoever holds it says so, and not by tries or fatigue. */
  readonly isEndless?: boolean;
}

const LESSON_TRIES = 160;
const SET_TRIES = 30;
const MOST_LESSONS = 150;
const DAYS_BETWEEN = 3.5;
const START = Date.UTC(2026, 0, 5, 17);
const SECONDS_A_MISS = 3;
/** At this fatigue a longer rest, and at the second time the lesson is over. */
const TIRED = 0.55;
const LONG_REST = 8;

/** Nobody goes on for ever: thirty tries, or twice what is asked. */
function mostTries(drill: Drill): number {
  if (secondsOf(drill) !== null) return 400;
  const most = drill.kind === "streak" ? (drill.upTo ?? drill.count) : doseOf(drill);
  const asked = "top" in drill ? (drill.top * (drill.top + 1)) / 2 : most;
  return Math.max(SET_TRIES, 2 * asked);
}

/** Whether a set came to what was said of it: the tries that pass, or the first go at what is asked in a row. */
function cameTrue(drill: Drill, taps: readonly Tap[], end: string): boolean {
  const { measure } = DRILL_ROWS[drill.kind];
  if (measure === "tries") return end === "passed";
  if (measure === "in-time") {
    const misses = taps.filter((tap) => tap.kind === "miss").length;
    return misses <= doseOf(drill) - (passOf(drill)?.clean ?? doseOf(drill));
  }
  if (measure === "clock") return end === "passed";
  if (measure === "rungs") return firstGoAtTop(drill, taps);
  const first = taps.findIndex((tap) => tap.kind === "miss");
  return first < 0 || first >= neededRow(drill);
}

function neededRow(drill: Drill): number {
  return DRILL_ROWS[drill.kind].measure === "rounds" ? neededDose(drill) : doseOf(drill);
}

/** Of a climb, the top rung in one go, once it is come to. */
function firstGoAtTop(drill: Drill, taps: readonly Tap[]): boolean {
  const top = doseOf(drill);
  for (let made = 1; made <= taps.length; made += 1) {
    const run = runOf(drill, taps.slice(0, made), 0);
    if (run.asked < top && run.end === "running") continue;
    const from = run.end === "passed" ? made - top : made;
    return taps.slice(from, from + top).filter((tap) => tap.kind === "clean").length === top;
  }
  return false;
}

/** One student who is coached: the record so far, and what it has cost. */
export class CoachedStudent {
  readonly facts = new SideMap<SideFacts>();
  private readonly sets: LoggedSet[] = [];
  private readonly decisions: LoggedDecision[] = [];
  readonly said: Said[] = [];
  readonly left: { of: Side; low: number; high: number; expected: number; at: number }[] = [];
  readonly came: Coached["left"][number][] = [];
  readonly triesOn = new Map<Side, number>();
  tries = 0;
  lessons = 0;
  lessonTries = 0;
  private lines = 0;
  private hasRested = false;

  constructor(private readonly coaching: Coaching) {
    this.beginLesson();
    for (const { of, answer } of coaching.placed) {
      const { subject, side } = of;
      const decision = { kind: "place", answer, seen: true } as const;
      const line = { ...this.line(), subject, side, decision };
      this.decisions.push(line);
      this.add(entriesOfDecision(line, coaching));
    }
  }

  get log(): Lines {
    return { sets: this.sets, decisions: this.decisions };
  }

  get now(): number {
    return START + this.lessons * DAYS_BETWEEN * DAY_MS + this.lessonTries * 3000;
  }

  get reading(): Reading {
    const { syllabus, model } = this.coaching;
    const { now } = this;
    const factsOf = (side: SubjectSide) => this.facts.get(side);
    return readingOf({ syllabus, model, now, today: localDate(now, "UTC"), factsOf });
  }

  beginLesson(): void {
    this.lessons += 1;
    this.lessonTries = 0;
    this.hasRested = false;
    this.coaching.learner.beginLesson();
  }

  private line() {
    this.lines += 1;
    return { id: String(this.lines).padStart(6, "0"), at: this.now, lesson: localDate(this.now, "UTC") };
  }

  private add(entries: ReturnType<typeof entriesOfSet>): void {
    const isSide = (owner: Owner): owner is Side => "ladder" in owner;
    for (const { owner, entry } of [...entries].sort((one, other) => compareLines(one.entry, other.entry))) {
      if (!isSide(owner)) continue;
      const before = this.facts.get(owner);
      if (before === undefined && entry.type === "kin") continue;
      this.facts.set(owner, addEntry(before ?? NO_FACTS, entry, owner, this.coaching.model));
    }
  }

  /** Runs a drill as the floor does, and writes it down; answers how many seconds it took. */
  run({ of, drill, chance }: Choice): number {
    const { learner, syllabus, model } = this.coaching;
    const bearings = bearingsOf(drill, of, syllabus);
    const [target] = bearings.filter((one) => one.holds);
    const tried = target?.of ?? of;
    const repetitions = target?.repetitions ?? 1;
    const seconds = secondsOf(drill);
    const taps: Tap[] = [];
    let clock = 0;
    let run = runOf(drill, taps, 0);
    while (run.end === "running" && taps.length < mostTries(drill)) {
      const { isClean, fault } = learner.attempt(sideKey(tried.subject, tried.side), drill.kind, repetitions);
      clock += isClean ? (60 * tried.skill.beats) / DEFAULT_TEMPO : SECONDS_A_MISS;
      taps.push(isClean ? { kind: "clean" } : { kind: "miss", ...(fault === null ? {} : { fault }) });
      run = runOf(drill, taps, clock);
    }
    this.tries += taps.length;
    this.lessonTries += taps.length;
    for (const { of: side, holds } of bearings) {
      if (holds) this.triesOn.set(side, (this.triesOn.get(side) ?? 0) + taps.length);
    }
    if (chance !== null) {
      const came = cameTrue(drill, taps, run.end);
      this.said.push({ chance, came, kind: drill.kind, lesson: this.lessons });
    }
    const wasCleared = new Set(
      bearings.filter((one) => this.facts.get(one.of)?.cleared != null).map((one) => one.of),
    );
    const { clean, misses, bestStreak } = run;
    const { subject, side } = of;
    const timed = seconds === null ? {} : { seconds: Math.min(clock, seconds) };
    const set: LoggedSet = { ...this.line(), subject, side, drill, clean, misses, bestStreak, ...timed };
    this.sets.push(set);
    this.add(entriesOfSet(set, { syllabus, model }));
    this.followTries(
      bearings.filter((one) => one.holds).map((one) => one.of),
      wasCleared,
    );
    learner.rest();
    if (this.coaching.isEndless !== true) {
      if (learner.fatigue >= TIRED) this.restOrEnd();
      if (this.lessonTries >= LESSON_TRIES) this.beginLesson();
    }
    return clock;
  }

  /** After the first set of a side: what is left of it; once it is cleared: what came. */
  private followTries(sides: readonly Side[], wasCleared: ReadonlySet<Side>): void {
    for (const side of sides) {
      const facts = this.facts.get(side);
      const isCleared = facts?.cleared != null;
      const made = this.triesOn.get(side) ?? 0;
      const said = this.left.find((one) => one.of === side);
      if (!isCleared && said === undefined) {
        const { belief } = standingOf(this.reading, side);
        const { skillClass } = side.skill;
        const tries = triesTo(
          belief,
          side.gate,
          { skillClass, gateStreak: side.gateStreak },
          this.coaching.model,
        );
        this.left.push({ of: side, ...tries, at: made });
      } else if (isCleared && said !== undefined && !wasCleared.has(side)) {
        const { low, high, expected, at } = said;
        this.came.push({ low, high, expected, came: made - at });
      }
    }
  }

  private restOrEnd(): void {
    if (this.hasRested) {
      this.beginLesson();
      return;
    }
    this.hasRested = true;
    for (let time = 0; time < LONG_REST; time += 1) this.coaching.learner.rest();
  }
}

/** From where the student stands to the goal, or as long as it may take. */
export function coached({ policy, ...coaching }: Coaching & { readonly policy: Policy }): Coached {
  const course = new CoachedStudent(coaching);
  const { goal, mostLessons = MOST_LESSONS } = coaching;
  let reached = false;
  for (let sets = 0; course.lessons <= mostLessons && sets < 20_000; sets += 1) {
    reached = course.facts.get(goal)?.cleared != null;
    if (reached) break;
    const choice = policy(course.reading, goal, course.lessonTries);
    if (choice === null) break;
    if (choice === "lesson-over") course.beginLesson();
    else course.run(choice);
  }
  const { tries, lessons, said, came, log } = course;
  return { reached, tries, lessons, said, left: came, log };
}
