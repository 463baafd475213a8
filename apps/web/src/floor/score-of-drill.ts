import { parseScore, sideScore, skillOf, type Drill, type Score } from "@mirrup/core";
import { useMemo } from "react";
import { catalogue } from "../app/catalogue.js";
import type { RunSubject } from "../app/floor-run.js";

function scoreOf(
  { subject, side }: Omit<RunSubject, "studentId">,
  written: string | undefined,
): Score | null {
  const parsed = written === undefined ? null : parseScore(written);
  return parsed?.ok === true ? parsed.score : sideScore(skillOf(catalogue(), subject), side);
}

/**
 * What the drill jumps: its own score, else the skill's; null outside the rope model. The same value while it is the
 * same score, so that a tap draws no picture anew.
 */
export function useScoreOfDrill({ subject, side }: RunSubject, drill: Drill): Score | null {
  return useMemo(() => scoreOf({ subject, side }, drill.score), [subject, side, drill.score]);
}
