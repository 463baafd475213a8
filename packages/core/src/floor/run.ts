/**
 * A drill being run on the floor, as a value: the taps so far, and what they come to. Undo takes
 * the last tap back, as far as the set's beginning, so nothing but the taps and the clock is ever kept.
 */
import { missCount, type Miss } from "../log/set.js";
import { DRILL_ROWS, doseOf, passOf, type Drill, type MissRule } from "../syllabus/drill.js";
import { cleanSinceMiss, pacedTries, type Tap, type Try } from "./tap.js";

/** What the taps of a run come to. */
export interface Run {
  /** The repetitions asked now: the rung of a climb, the count of a streak, the tries of the rest. */
  readonly asked: number;
  /** What counts towards `asked`: clean in a row, or tries made. */
  readonly done: number;
  /** The highest rung reached in full, or the best streak. */
  readonly reached: number;
  readonly clean: number;
  readonly misses: readonly Miss[];
  /** Every try that counted, in order. */
  readonly tries: readonly Try[];
  /** The longest run of clean tries with nothing else between; a bridge, a stop or a bounce breaks it. */
  readonly bestStreak: number;
  /** Bounces between tries now; null for drills without any. */
  readonly spacing: number | null;
  /** Clean tries among those made at this spacing. */
  readonly cleanHere: number;
  /** `passed` when the drill's aim was reached, `stopped` when it ended without. */
  readonly end: "running" | "passed" | "stopped";
}

/** Whether the drill ends by the clock. */
export function secondsOf(drill: Drill): number | null {
  return drill.kind === "hold" || drill.kind === "count" ? drill.seconds : null;
}

function rungAfterMiss(rung: number, rule: MissRule): number {
  switch (rule) {
    case "repeat":
    case "stop":
      return rung;
    case "drop":
      return Math.max(1, rung - 1);
    case "restart":
      return 1;
  }
}

function start(drill: Drill): Run {
  return {
    asked: "top" in drill ? 1 : doseOf(drill),
    done: 0,
    reached: 0,
    clean: 0,
    misses: [],
    tries: [],
    bestStreak: 0,
    spacing: "spacing" in drill ? drill.spacing : null,
    cleanHere: 0,
    end: "running",
  };
}

/** The spacings of two moves joined, from the widest. */
export const LINK_SPACINGS = [4, 2, 1, 0] as const;

/** The next spacing down of a link; null after the last. */
export function spacingBelow(spacing: number): number | null {
  return LINK_SPACINGS.find((step) => step < spacing) ?? null;
}

/** Whether the tries so far pass the drill; begun is enough where the whole is tried at once. */
function passesTries(drill: Drill, run: Run): boolean {
  const pass = passOf(drill);
  if (pass === null) return true;
  if (drill.kind !== "whole") return run.cleanHere >= pass.clean;
  return run.done - missCount(run.misses.filter((miss) => miss.fault === "baulk")) >= pass.clean;
}

/** After a try of a drill that counts tries: on to the next spacing of a link, or to the end. */
function afterTry(drill: Drill, run: Run): Run {
  // So many goes, and one that comes is enough.
  if (drill.kind === "part-counts" && run.clean > 0) return { ...run, end: "passed" };
  if (run.done < run.asked) return run;
  const passed = passesTries(drill, run);
  if (drill.kind !== "link") return { ...run, end: passed ? "passed" : "stopped" };
  if (!passed) return { ...run, done: 0, cleanHere: 0 };
  const below = run.spacing === null ? null : spacingBelow(run.spacing);
  return below === null ? { ...run, end: "passed" } : { ...run, spacing: below, done: 0, cleanHere: 0 };
}

/** Where a streak ends by itself: at its count, or where it may go on to. */
function lastOf(drill: Drill): number {
  if (drill.kind !== "streak") return doseOf(drill);
  return drill.upTo === undefined ? drill.count : Math.max(drill.count, drill.upTo);
}

function afterClean(drill: Drill, run: Run): Run {
  const next: Run = { ...run, clean: run.clean + 1, done: run.done + 1, cleanHere: run.cleanHere + 1 };
  switch (DRILL_ROWS[drill.kind].measure) {
    case "in-a-row":
    case "rounds": {
      const best = Math.max(run.bestStreak, next.done);
      return {
        ...next,
        bestStreak: best,
        reached: best,
        end: next.done >= lastOf(drill) ? "passed" : "running",
      };
    }
    case "rungs": {
      const climbing = { ...next, bestStreak: Math.max(run.bestStreak, next.done) };
      if (next.done < run.asked) return climbing;
      const reached = Math.max(run.reached, run.asked);
      return run.asked >= doseOf(drill)
        ? { ...climbing, reached, end: "passed" }
        : { ...climbing, reached, asked: run.asked + 1, done: 0 };
    }
    case "in-time":
      return { ...next, end: next.clean >= doseOf(drill) ? "passed" : "running" };
    case "clock": {
      // Misses carry their places: the streak is what came since the last.
      const { position: last = 0 } = run.misses.at(-1) ?? {};
      const since = next.clean + missCount(run.misses) - last;
      return { ...next, bestStreak: Math.max(run.bestStreak, since) };
    }
    case "tries":
      // A stop, a bounce or another step stands between two tries.
      return afterTry(drill, { ...next, bestStreak: 1 });
  }
}

function afterMiss(drill: Drill, run: Run, { fault, turn }: Try): Run {
  const position = run.clean + missCount(run.misses) + 1;
  const miss: Miss = {
    position,
    ...(fault === undefined ? {} : { fault }),
    ...(turn === undefined ? {} : { turn }),
  };
  const misses = [...run.misses, miss];
  switch (DRILL_ROWS[drill.kind].measure) {
    case "in-a-row":
    case "rounds":
      // What was reached stands; what went on from there is over.
      if (run.done >= run.asked) return { ...run, misses, end: "passed" };
      return { ...run, misses, done: 0 };
    case "rungs": {
      const rule = "onMiss" in drill ? drill.onMiss : "repeat";
      const end = rule === "stop" ? "stopped" : "running";
      return { ...run, misses, done: 0, asked: rungAfterMiss(run.asked, rule), end };
    }
    case "in-time":
      return { ...run, misses };
    case "clock":
      return { ...run, misses, end: drill.kind === "hold" ? "stopped" : run.end };
    case "tries":
      return afterTry(drill, { ...run, misses, done: run.done + 1 });
  }
}

/** The tries that an entry adds; `until` is when the next one came, or now. */
function triesOf(tap: Exclude<Tap, { readonly kind: "less" }>, until: number): readonly Try[] {
  switch (tap.kind) {
    case "clean": {
      const one: Try = tap.at === undefined ? { kind: "clean" } : { kind: "clean", at: tap.at };
      return new Array<Try>(tap.times ?? 1).fill(one);
    }
    case "miss":
      return [tap];
    case "pace":
      return pacedTries(tap.every, tap.at, until);
    case "stop":
      return [];
  }
}

/** What one try more makes of a run that has not ended, but for the list of its tries. */
const afterOne = (drill: Drill, run: Run, one: Try): Run =>
  one.kind === "clean" ? afterClean(drill, run) : afterMiss(drill, run, one);

/**
 * What a run comes to with one tap more: `runOf` of all its taps, at the cost of one. Null for a tap that what came before
 * has to be counted anew for, and where time counts.
 */
export function runAfter(drill: Drill, run: Run, tap: Tap): Run | null {
  if ((tap.kind !== "clean" && tap.kind !== "miss") || secondsOf(drill) !== null) return null;
  let next = run;
  const tries = [...run.tries];
  for (const one of triesOf(tap, 0)) {
    if (next.end !== "running") break;
    next = afterOne(drill, next, one);
    tries.push(one);
  }
  return { ...next, tries };
}

/**
 * What a list of taps comes to, `elapsedSeconds` after the set began. Tries after the run's end count
 * for nothing, but taking one back can open it again. A hold ends by the clock, and a count when its
 * time is up. O(taps), and once more for each `less`.
 */
export function runOf(drill: Drill, taps: readonly Tap[], elapsedSeconds = 0): Run {
  let run = start(drill);
  let tries: Try[] = [];
  const add = (one: Try) => {
    if (run.end !== "running") return;
    run = afterOne(drill, run, one);
    tries.push(one);
  };
  taps.forEach((tap, place) => {
    if (tap.kind === "less") {
      const kept = tries.slice(0, tries.length - Math.min(tap.times, cleanSinceMiss(tries)));
      run = start(drill);
      tries = [];
      kept.forEach(add);
    } else {
      triesOf(tap, taps[place + 1]?.at ?? elapsedSeconds).forEach(add);
    }
  });
  const seconds = secondsOf(drill);
  if (seconds === null || run.end !== "running" || elapsedSeconds < seconds) return { ...run, tries };
  const passed = drill.kind === "count" ? run.clean >= drill.count : true;
  return { ...run, tries, end: passed ? "passed" : "stopped" };
}
