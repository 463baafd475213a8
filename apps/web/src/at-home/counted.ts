/** What was counted at home, as the set that is sent: counted as on the floor, by nobody but the student. */
import type { HomeSet, SetRequest } from "@mirrup/contract";
import type { Drill, SideName } from "@mirrup/core";
import { handFault, setByHand, setOf } from "../app/floor-run.js";
import type { KeptRun } from "../device/parts/index.js";

/** A drill that was chosen, and its run once that has begun. */
export interface Counting {
  readonly id: string;
  readonly subject: string;
  readonly side: SideName;
  readonly drill: Drill;
  readonly kept: KeptRun | null;
}

/** Whose set it is the link says, and that nobody saw it the server. */
function homeSet({ studentId: _link, countedBy: _student, said: _nothing, ...set }: SetRequest): HomeSet {
  return set;
}

const NOBODY = "";

/** The set that was tapped. */
export function tappedSet({ subject, side }: Counting, kept: KeptRun, now: number): HomeSet {
  return homeSet(setOf({ studentId: NOBODY, subject, side }, kept, now));
}

/** What somebody counted in their head. */
export interface Typed {
  readonly clean: number;
  readonly missed: number;
  /** In a row; null where nobody counted that. */
  readonly best: number | null;
}

/** The counts, where nobody knows a run none is claimed; without a miss between all are in a row. */
function countsOf({ clean, missed, best }: Typed) {
  return { clean, missed, best: best ?? (missed === 0 ? clean : 0) };
}

/** What is wrong with what was typed, in a sentence; null for nothing. */
export function typedFault(typed: Typed): string | null {
  const counts = countsOf(typed);
  const isWhole = Object.values(counts).every((one) => Number.isInteger(one) && one >= 0);
  return isWhole ? handFault(counts) : "Give whole numbers, 0 or more.";
}

export function typedSet({ id, subject, side, drill }: Counting, typed: Typed, now: number): HomeSet {
  const about = { studentId: NOBODY, subject, side };
  const kept: KeptRun = { setId: id, drill, taps: [], startedAt: now, lastTapAt: now };
  return homeSet(setByHand(about, kept, countsOf(typed)));
}
