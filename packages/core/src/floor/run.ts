/**
 * A drill being run on the floor, as a value: the taps so far, and what they come to. Undo takes
 * the last tap back, as far as the set's beginning, so nothing but the taps and the clock is ever kept.
 */
import type { Gate } from "../syllabus/gates.js";
import type { Drill, DrillKind, MissRule } from "../syllabus/drill.js";
import { DRILL_PASSES, type LadderDrill } from "../syllabus/ladder.js";
import { missCount, type Miss } from "../log/set.js";
import { cleanSinceMiss, pacedTries, type Tap, type Try } from "./tap.js";

/** Kinds of which so many tries are made, each right or not yet. */
export const TRY_KINDS = [
  "shadow",
  "toe-catch",
  "one-stop",
  "one-out",
  "from-rest",
  "new-step",
  "merge",
  "other-side",
] as const satisfies readonly DrillKind[];
export type TryKind = (typeof TRY_KINDS)[number];

interface Scored {
  /** The score practised, where it is not the skill's own. */
  readonly score?: string;
}

export type RunnableDrill =
  | { readonly kind: "climb"; readonly top: number; readonly onMiss: MissRule; readonly growing?: true }
  /** At a tempo where one is asked, and then with what is jumped at it. */
  | ({ readonly kind: "streak"; readonly count: number; readonly tempo?: number } & Scored)
  | ({ readonly kind: TryKind; readonly count: number } & Scored)
  /** In time with a rope at the side: so many, a miss costs only itself. */
  | ({ readonly kind: "side-rope"; readonly count: number } & Scored)
  /** So many tries with so many bounces between, then with fewer. */
  | ({ readonly kind: "spaced" | "link"; readonly count: number; readonly spacing: number } & Scored)
  | ({ readonly kind: "rounds"; readonly rounds: number } & Scored)
  | { readonly kind: "hold"; readonly seconds: number }
  | { readonly kind: "count"; readonly seconds: number; readonly count: number };

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

function isTryKind(kind: DrillKind): kind is TryKind {
  return (TRY_KINDS as readonly DrillKind[]).includes(kind);
}

/** Whether the drill ends by the clock. */
export function secondsOf(drill: RunnableDrill): number | null {
  return drill.kind === "hold" || drill.kind === "count" ? drill.seconds : null;
}

/** The drill with what the floor can run, or null where something that it asks is missing. */
export function runnable(drill: Drill): RunnableDrill | null {
  const { kind, count, top, seconds, rounds, spacing, onMiss = "repeat", growing, score, tempo } = drill;
  const scored = score === undefined ? {} : { score };
  if (isTryKind(kind)) return count === undefined ? null : { kind, count, ...scored };
  switch (kind) {
    case "climb":
      return top === undefined ? null : { kind, top, onMiss, ...(growing === true ? { growing } : {}) };
    case "streak":
      if (count === undefined) return null;
      return tempo === undefined ? { kind, count } : { kind, count, tempo, ...scored };
    case "side-rope":
      return count === undefined ? null : { kind, count, ...scored };
    case "spaced":
    case "link":
      return count === undefined || spacing === undefined ? null : { kind, count, spacing, ...scored };
    case "rounds":
      return rounds === undefined ? null : { kind, rounds, ...scored };
    case "hold":
      return seconds === undefined ? null : { kind, seconds };
    case "count":
      return seconds === undefined || count === undefined ? null : { kind, seconds, count };
  }
}

/** A drill of the ladder as the floor runs it; `gate` is the gate as a streak, `holdSeconds` for a hold. */
export function runnableOf(
  drill: LadderDrill,
  { gate, seconds }: { readonly gate: number; readonly seconds: number },
): RunnableDrill | null {
  const dose = drill.dose === "gate" ? gate : drill.dose;
  const { kind, score, spacing } = drill;
  const common = { kind, ...(score === null ? {} : { score }) };
  if (kind === "climb") return { kind, top: dose, onMiss: "repeat" };
  if (kind === "rounds") return runnable({ ...common, rounds: dose });
  if (kind === "hold") return { kind, seconds };
  if (kind === "count") return { kind, seconds, count: dose };
  return runnable({ ...common, count: dose, ...(spacing === undefined ? {} : { spacing }) });
}

/** The drill that a gate itself is: what meets it when it is passed. */
export function gateDrill(gate: Gate): RunnableDrill {
  switch (gate.kind) {
    case "streak":
      return { kind: "streak", count: gate.count };
    case "hold":
      return { kind: "hold", seconds: gate.seconds };
    case "count":
      return { kind: "count", seconds: gate.seconds, count: gate.count };
    case "clean":
      return { kind: "one-out", count: gate.of };
  }
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

function askedAtFirst(drill: RunnableDrill): number {
  switch (drill.kind) {
    case "climb":
      return 1;
    case "rounds":
      return drill.rounds;
    case "hold":
      return drill.seconds;
    default:
      return drill.count;
  }
}

function start(drill: RunnableDrill): Run {
  const spacing = drill.kind === "spaced" || drill.kind === "link" ? drill.spacing : null;
  return {
    asked: askedAtFirst(drill),
    done: 0,
    reached: 0,
    clean: 0,
    misses: [],
    tries: [],
    bestStreak: 0,
    spacing,
    cleanHere: 0,
    end: "running",
  };
}

/** The next spacing down: 4, 3, 2, 1 for one skill, 4, 2, 1, 0 for two joined; null after the last. */
export function spacingBelow(kind: "spaced" | "link", spacing: number): number | null {
  const steps = kind === "spaced" ? [4, 3, 2, 1] : [4, 2, 1, 0];
  return steps.find((step) => step < spacing) ?? null;
}

/** After a try of a drill that counts tries: on to the next spacing, or to the end. */
function afterTry(drill: RunnableDrill, run: Run): Run {
  if (run.done < run.asked) return run;
  const pass = DRILL_PASSES[drill.kind];
  const passed = pass === null || run.cleanHere * pass.of >= pass.clean * run.asked;
  if (drill.kind !== "spaced" && drill.kind !== "link") return { ...run, end: passed ? "passed" : "stopped" };
  const below = run.spacing === null ? null : spacingBelow(drill.kind, run.spacing);
  if (!passed) return { ...run, done: 0, cleanHere: 0 };
  if (below === null) return { ...run, end: "passed" };
  return { ...run, spacing: below, done: 0, cleanHere: 0 };
}

function afterClean(drill: RunnableDrill, run: Run): Run {
  const next: Run = { ...run, clean: run.clean + 1, done: run.done + 1, cleanHere: run.cleanHere + 1 };
  switch (drill.kind) {
    case "streak":
    case "rounds": {
      const best = Math.max(run.bestStreak, next.done);
      return {
        ...next,
        bestStreak: best,
        reached: best,
        end: next.done >= next.asked ? "passed" : "running",
      };
    }
    case "climb": {
      const climbing = { ...next, bestStreak: Math.max(run.bestStreak, next.done) };
      if (next.done < run.asked) return climbing;
      const reached = Math.max(run.reached, run.asked);
      return run.asked >= drill.top
        ? { ...climbing, reached, end: "passed" }
        : { ...climbing, reached, asked: run.asked + 1, done: 0 };
    }
    case "side-rope":
      return { ...next, end: next.clean >= drill.count ? "passed" : "running" };
    case "hold":
    case "count": {
      // Misses carry their places: the streak is what came since the last.
      const since = next.clean + missCount(run.misses) - (run.misses.at(-1)?.position ?? 0);
      return { ...next, bestStreak: Math.max(run.bestStreak, since) };
    }
    default:
      // A stop, a bounce or another step stands between two tries.
      return afterTry(drill, { ...next, bestStreak: 1 });
  }
}

function afterMiss(drill: RunnableDrill, run: Run, { fault, turn }: Try): Run {
  const position = run.clean + missCount(run.misses) + 1;
  const miss: Miss = {
    position,
    ...(fault === undefined ? {} : { fault }),
    ...(turn === undefined ? {} : { turn }),
  };
  const misses = [...run.misses, miss];
  switch (drill.kind) {
    case "streak":
    case "rounds":
      return { ...run, misses, done: 0 };
    case "climb":
      return {
        ...run,
        misses,
        done: 0,
        asked: rungAfterMiss(run.asked, drill.onMiss),
        end: drill.onMiss === "stop" ? "stopped" : "running",
      };
    case "side-rope":
    case "count":
      return { ...run, misses };
    case "hold":
      return { ...run, misses, end: "stopped" };
    default:
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

/**
 * What a list of taps comes to, `elapsedSeconds` after the set began. Tries after the run's end count
 * for nothing, but taking one back can open it again. A hold ends by the clock, and a count when its
 * time is up. O(taps), and once more for each `less`.
 */
export function runOf(drill: RunnableDrill, taps: readonly Tap[], elapsedSeconds = 0): Run {
  let run = start(drill);
  let tries: Try[] = [];
  const add = (one: Try) => {
    if (run.end !== "running") return;
    run = one.kind === "clean" ? afterClean(drill, run) : afterMiss(drill, run, one);
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

/** Clean repetitions that a hold comes to where nobody counted them (teaching.md, What counts). */
export function heldRepetitions(seconds: number, tempo: number, beatsPerRepetition: number): number {
  return Math.floor((seconds * tempo) / 60 / beatsPerRepetition);
}
