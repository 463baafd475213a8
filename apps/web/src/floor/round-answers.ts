/** The answers of a round: what was tapped, and of a hold what the clock says of those who were not tapped. */
import type { Drill } from "@mirrup/core";
import type { RoundAnswer } from "@mirrup/core/teaching";

export type RoundAnswers = Readonly<Record<string, RoundAnswer>>;

/** Seconds of a hold that were held by now, to a tenth; null for what is no hold, or is held to its end. */
export function heldFor(drill: Drill, elapsed: number): number | null {
  if (drill.kind !== "hold" || elapsed >= drill.seconds) return null;
  return Math.round(10 * Math.max(0, elapsed)) / 10;
}

/** Everybody's answer as the round ends, `elapsed` seconds after its clock was started (null where it never was). */
export function answersAt(
  tapped: RoundAnswers,
  here: readonly string[],
  drillOf: (studentId: string) => Drill,
  elapsed: number | null,
): RoundAnswers {
  const all = here.flatMap((id): readonly (readonly [string, RoundAnswer])[] => {
    const given = tapped[id];
    if (given !== undefined) return [[id, given]];
    const drill = drillOf(id);
    // Nobody taps who holds it.
    if (drill.kind !== "hold" || elapsed === null) return [];
    return [[id, heldFor(drill, elapsed) ?? "made-it"]];
  });
  return Object.fromEntries(all);
}
