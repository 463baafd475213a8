/** Sets that were begun on this device and never finished, as values: which they are, and what they come to. */
import { comboSubject, SIDE_NAMES } from "@mirrup/core";
import type { KeptRun } from "./kept-run.js";
import { isForgotten } from "./forgotten.js";
import { readRun, type RunSubject } from "./floor-run.js";

export interface LeftRun {
  /** Under what the device keeps it. */
  readonly key: string;
  readonly about: RunSubject;
  readonly run: KeptRun;
  /** Whether its drill was begun anew since: it can be finished or discarded, and not be gone on with. */
  readonly isAside: boolean;
}

/** Whose run it is and of what, as its key says; null for a key that is none. */
function subjectOfKey(key: string): (RunSubject & { readonly isAside: boolean }) | null {
  const [, studentId, subject, named, aside] = key.split(" ");
  const side = SIDE_NAMES.find((one) => one === named);
  if (studentId === undefined || subject === undefined || side === undefined) return null;
  return { studentId, subject, side, isAside: aside !== undefined };
}

/** Whether anybody counted anything: a clock that was merely started says nothing of who jumped. */
export function hasCounted({ drill, taps }: KeptRun): boolean {
  if (drill.kind === "hold") return taps.some((tap) => tap.kind === "miss");
  return taps.some((tap) => tap.kind === "clean" || tap.kind === "miss" || tap.kind === "pace");
}

/** Whether a run is of another lesson than what is counted at `now`. */
export function isOfAnother({ seenAt, lastTapAt }: KeptRun, now: number): boolean {
  return isForgotten(Math.max(lastTapAt, seenAt ?? lastTapAt), now);
}

/** What was counted in a studio and left, the oldest first; `shown` are the keys of those that a page has before it. */
export function leftRuns(
  kept: ReadonlyMap<string, KeptRun>,
  studioId: string,
  shown: ReadonlySet<string>,
): readonly LeftRun[] {
  return [...kept]
    .flatMap(([key, stored]): readonly LeftRun[] => {
      const parts = subjectOfKey(key);
      const run = readRun(stored);
      if (parts === null || run === null || shown.has(key) || !hasCounted(run)) return [];
      // One of before this version does not say which studio it is of.
      if ((run.studioId ?? studioId) !== studioId) return [];
      const { isAside, ...about } = parts;
      return [{ key, about, run, isAside }];
    })
    .toSorted((one, other) => one.run.startedAt - other.run.startedAt);
}

/** The combo that a run is a try of, or of a step of; null for a skill's. */
export function comboOfRun({ about }: LeftRun): string | null {
  return comboSubject(about.subject)?.id ?? null;
}
