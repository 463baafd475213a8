import { CATALOGUE } from "@mirrup/catalogue";
import { parseScore, sideScore, skillOf, type Drill, type Score } from "@mirrup/core";
import type { RunSubject } from "./floor-run.js";

/** What the drill jumps: its own score, else the skill's; null outside the rope model. */
export function scoreOfDrill({ subject, side }: RunSubject, drill: Drill): Score | null {
  const written = "score" in drill ? drill.score : undefined;
  const parsed = written === undefined ? null : parseScore(written);
  return parsed?.ok === true ? parsed.score : sideScore(skillOf(CATALOGUE, subject), side);
}
