/** A run under way on this device, as values: what each entry makes of it, and the set that it comes to. */
import { MOST_TAPS, type SetRequest } from "@mirrup/contract";
import {
  checkSetCounts,
  DEFAULT_TEMPO,
  heldRepetitions,
  parseDrill,
  skillOf,
  type Drill,
  type FaultCode,
  type SideName,
} from "@mirrup/core";
import { isPacing, runAfter, runOf, secondsOf, type Run, type Tap } from "@mirrup/core/teaching";
import { catalogue } from "./catalogue.js";
import type { KeptRun } from "./kept-run.js";
import { keptTicks, tappedTimes } from "./ticks.js";

/** A run as it stands at an instant. */
export interface Moment {
  readonly kept: KeptRun | null;
  /** When it was looked at, in ms since the epoch. */
  readonly now: number;
}

export interface RunSubject {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
}

export function runKey(personId: string, { studentId, subject, side }: RunSubject): string {
  return `${personId} ${studentId} ${subject} ${side}`;
}

/** What is known of a set before anything of it is counted. */
interface Begun {
  /** The chance that was said of the drill, where it was proposed. */
  readonly said?: number | null;
  readonly studioId?: string | undefined;
}

export function newRun(
  setId: string,
  drill: Drill,
  at: number,
  { said = null, studioId }: Begun = {},
): KeptRun {
  return {
    ...{ setId, drill, taps: [], startedAt: at, lastTapAt: at },
    ...(said !== null && { said }),
    ...(studioId !== undefined && { studioId }),
  };
}

/** Seconds since the run began, at most the drill's own where it has a clock. */
export function elapsedOf({ drill, startedAt }: KeptRun, now: number): number {
  const elapsed = Math.max(0, now - startedAt) / 1000;
  return Math.min(elapsed, secondsOf(drill) ?? elapsed);
}

/** A set as it stands. */
export interface Counted {
  readonly drill: Drill;
  readonly taps: readonly Tap[];
  readonly run: Run;
  /** Whether it has begun: by a tap, or by its clock. */
  readonly begun: boolean;
  /** Seconds since it began. */
  readonly elapsed: number;
  /** Whether a tempo counts by itself just now. */
  readonly pacing: boolean;
}

/** A run at a moment; before it begins, of the proposed drill. */
export function countedAt({ kept, now }: Moment, proposed: Drill): Counted {
  const taps = kept?.taps ?? [];
  const run = runAt(kept ?? newRun("", proposed, now), now);
  return {
    drill: kept?.drill ?? proposed,
    taps,
    run,
    begun: kept !== null,
    elapsed: kept === null ? 0 : elapsedOf(kept, now),
    pacing: isPacing(taps) && run.end === "running",
  };
}

/** Whether a run's last try missed and nobody has said why yet. */
export function asksWhy({ tries }: Run): boolean {
  const last = tries.at(-1);
  return last?.kind === "miss" && last.fault === undefined;
}

/** What a run came to when it was looked at last: a tap asks for it more than once, and goes on from it. */
const runs = new WeakMap<KeptRun, { readonly elapsed: number; readonly run: Run }>();

export function runAt(kept: KeptRun, now: number): Run {
  const elapsed = elapsedOf(kept, now);
  const known = runs.get(kept);
  // Where nothing goes by the clock, time changes nothing.
  const isTimed = secondsOf(kept.drill) !== null || isPacing(kept.taps);
  if (known !== undefined && (!isTimed || known.elapsed === elapsed)) return known.run;
  const run = runOf(kept.drill, kept.taps, elapsed);
  runs.set(kept, { elapsed, run });
  return run;
}

/** The entries that can be made without their time, which the run gives them. */
export type Entry =
  | { readonly kind: "clean"; readonly times?: number }
  | { readonly kind: "miss" }
  | { readonly kind: "less"; readonly times: number }
  | { readonly kind: "pace"; readonly every: number }
  | { readonly kind: "stop" };

/** The run with one more entry; the same run where it is over, full, or listens to a handle. */
export function withEntry(kept: KeptRun, entry: Entry, now: number): KeptRun {
  const before = runAt(kept, now);
  const over = before.end !== "running";
  const mayCorrect = entry.kind === "less" || entry.kind === "stop";
  if ((over && !mayCorrect) || kept.taps.length >= MOST_TAPS || kept.sensedFrom !== undefined) return kept;
  const tap: Tap = { ...entry, at: elapsedOf(kept, now) };
  const next: KeptRun = { ...kept, taps: [...kept.taps, tap], lastTapAt: now };
  const run = isPacing(kept.taps) ? null : runAfter(kept.drill, before, tap);
  if (run !== null) runs.set(next, { elapsed: elapsedOf(next, now), run });
  return next;
}

/** Says why the last try missed. */
export function withFault(kept: KeptRun, fault: FaultCode): KeptRun {
  const place = kept.taps.findLastIndex((tap) => tap.kind === "miss");
  const tap = kept.taps[place];
  const mayName = place === kept.taps.length - 1 || kept.sensedFrom !== undefined;
  if (tap?.kind !== "miss" || !mayName) return kept;
  return { ...kept, taps: kept.taps.with(place, { ...tap, fault }) };
}

/** Says at which bottom of the rope the last try missed. */
export function withTurn(kept: KeptRun, turn: number): KeptRun {
  const place = kept.taps.length - 1;
  const tap = kept.taps[place];
  return tap?.kind === "miss" ? { ...kept, taps: kept.taps.with(place, { ...tap, turn }) } : kept;
}

/** The run without its last entry; null once nothing of it is left. */
export function withoutLast(kept: KeptRun): KeptRun | null {
  const fewer = kept.taps.slice(0, -1);
  const isOver = fewer.length === 0 && (secondsOf(kept.drill) === null || kept.taps.length === 0);
  return isOver ? null : { ...kept, taps: fewer };
}

/** What a handle has heard so far, in place of what it had before; faults that were named stay with their misses. */
export function withSensed(kept: KeptRun, sensed: readonly Tap[], now: number): KeptRun {
  const from = kept.sensedFrom ?? kept.taps.length;
  const named = new Map(
    kept.taps
      .slice(from)
      .flatMap((tap) =>
        tap.kind === "miss" && tap.fault !== undefined ? [[tap.at, tap.fault] as const] : [],
      ),
  );
  const taps = sensed.map((tap): Tap => {
    const fault = tap.kind === "miss" ? named.get(tap.at) : undefined;
    return fault === undefined || tap.kind !== "miss" ? tap : { ...tap, fault };
  });
  return {
    ...kept,
    taps: [...kept.taps.slice(0, from), ...taps].slice(0, MOST_TAPS),
    sensedFrom: from,
    countedBy: "sensor",
    lastTapAt: now,
  };
}

export function withoutHandle({ sensedFrom: _, ...kept }: KeptRun): KeptRun {
  return kept;
}

/** A run as another version of the page may have kept it; null for a drill that this one cannot read. */
export function readRun(kept: KeptRun): KeptRun | null {
  const drill = parseDrill(kept.drill);
  return drill === null ? null : { ...kept, drill };
}

/** A run that another page left: a count that went on by itself ends when it was last seen. */
export function takenUp(kept: KeptRun): KeptRun {
  const run = withoutHandle(kept);
  if (!isPacing(run.taps)) return run;
  const at = elapsedOf(run, run.seenAt ?? run.lastTapAt);
  return { ...run, taps: [...run.taps, { kind: "stop", at }] };
}

/** What of the run is written down about the drill: at which spacing it ended. */
function loggedDrill(drill: Drill, run: Run): Drill {
  return drill.kind !== "link" || run.spacing === null ? drill : { ...drill, spacing: run.spacing };
}

/** Clean tries, misses and streak; nobody counts a hold, so its tempo does. */
function countsOf(subject: string, { drill }: KeptRun, run: Run, elapsed: number) {
  const { clean, misses, bestStreak } = run;
  if (drill.kind !== "hold") return { clean, misses, bestStreak };
  const held = heldRepetitions(elapsed, DEFAULT_TEMPO, skillOf(catalogue(), subject).beats);
  const at = misses.map((miss) => ({ ...miss, position: held + 1 }));
  return { clean: held, misses: at, bestStreak: held };
}

/** When the last try was, seconds after the run began: the clock's for a drill that has one. */
function endOf(kept: KeptRun, now: number): number {
  const { drill, taps, startedAt, lastTapAt } = kept;
  // A miss ends a hold where it fell; until then the clock runs to the moment it is finished.
  if (drill.kind === "hold") return elapsedOf(kept, taps.length > 0 ? lastTapAt : now);
  if (drill.kind === "count") return elapsedOf(kept, now);
  return runAt(kept, now).tries.at(-1)?.at ?? (lastTapAt - startedAt) / 1000;
}

/**
 * When each clean try was tapped. Nothing where some were typed, counted by themselves, or put right, and nothing of a
 * clock that was put back meanwhile.
 */
function ticksOf(taps: readonly Tap[], { clean }: Run): Pick<SetRequest, "ticks"> {
  const ticks = keptTicks(tappedTimes(taps));
  const isWhole = clean > 0 && ticks.length === clean;
  const runsOn = ticks.every((at, place) => at >= (ticks[place - 1] ?? 0));
  return isWhole && runsOn ? { ticks } : {};
}

/** The set that the run comes to now. */
export function setOf({ studentId, subject, side }: RunSubject, kept: KeptRun, now: number): SetRequest {
  const elapsed = endOf(kept, now);
  const run = runOf(kept.drill, kept.taps, elapsed);
  return {
    id: kept.setId,
    studentId,
    subject,
    side,
    drill: loggedDrill(kept.drill, run),
    ...(kept.said === undefined ? {} : { said: kept.said }),
    ...countsOf(subject, kept, run, elapsed),
    seconds: Math.round(elapsed * 10) / 10,
    ...ticksOf(kept.taps, run),
    countedBy: kept.countedBy ?? "tapped",
    at: new Date(kept.startedAt + elapsed * 1000).toISOString(),
  };
}

/** A set as somebody wrote it down: in all, and the most in a row. */
export interface HandCounts {
  readonly clean: number;
  readonly missed: number;
  readonly best: number;
}

/** What is wrong with typed numbers, in a sentence; null where they fit. */
export function handFault({ clean, missed, best }: HandCounts): string | null {
  if (clean + missed === 0) return "Type how many tries were clean, or missed.";
  if (clean + missed > MOST_TAPS) return `More than ${MOST_TAPS} tries are no set. Split it.`;
  const misses = missed === 0 ? [] : [{ count: missed }];
  return checkSetCounts({ clean, misses, bestStreak: best })[0]?.message ?? null;
}

/** The set that typed numbers come to; where the misses fell is not known. */
export function setByHand(
  about: RunSubject,
  { setId, drill, said, startedAt }: KeptRun,
  counts: HandCounts,
): SetRequest {
  return {
    id: setId,
    ...about,
    drill,
    ...(said === undefined ? {} : { said }),
    clean: counts.clean,
    misses: counts.missed === 0 ? [] : [{ count: counts.missed }],
    bestStreak: counts.best,
    countedBy: "hand",
    at: new Date(startedAt).toISOString(),
  };
}
