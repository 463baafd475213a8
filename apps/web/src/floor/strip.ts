/** Several students on one floor: whose sets are under way on this device, one drill each. */
import { runAt } from "../app/floor-run.js";
import type { RunSubject } from "../app/floor-run.js";
import type { KeptRun } from "../device/index.js";

export interface StripEntry extends RunSubject {
  readonly name: string;
}

/** The strip with this student at this drill; a student stands in it once. */
export function withEntryOf(entries: readonly StripEntry[], entry: StripEntry): readonly StripEntry[] {
  const place = entries.findIndex((one) => one.studentId === entry.studentId);
  return place < 0 ? [...entries, entry] : entries.with(place, entry);
}

export function withoutStudent(entries: readonly StripEntry[], studentId: string): readonly StripEntry[] {
  return entries.filter((one) => one.studentId !== studentId);
}

/** How far a student's set is, in a few words. */
export function stripWords(run: KeptRun | undefined, now: number): string {
  if (run === undefined) return "not begun";
  const { end, done, asked, clean } = runAt(run, now);
  if (end !== "running") return end === "passed" ? "reached" : "stopped";
  return run.drill.kind === "hold"
    ? "running"
    : run.drill.kind === "count"
      ? `${clean} clean`
      : `${done} of ${asked}`;
}
