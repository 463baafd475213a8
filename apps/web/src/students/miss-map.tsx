import { missCount, sideScore, skillOf, timeScore, type SideName } from "@mirrup/core";
import { missMap } from "@mirrup/core/teaching";
import { useQuery } from "@tanstack/react-query";
import { catalogue } from "../app/catalogue.js";
import { missMapWords, subjectName } from "../app/words.js";
import { Braid } from "../braid/index.js";
import { lastSetsQuery } from "./queries.js";

interface MissMapProps {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
}

/** Where in the repetition the last sets missed, on the skill's braid; nothing where nobody noted it. */
export function MissMap({ studentId, subject, side }: MissMapProps) {
  const sets = useQuery(lastSetsQuery(studentId, subject, side));
  const score = sideScore(skillOf(catalogue(), subject), side);
  const misses = (sets.data ?? [])
    .filter((set) => set.drill.score === undefined)
    .flatMap((set) => set.misses);
  if (score === null || misses.length === 0) return null;
  const map = missMap(score, misses);
  if (map.turns.every((turn) => turn.misses === 0)) return null;
  return (
    <details>
      <summary>Where it missed</summary>
      <p>{missMapWords(map, missCount(misses))}</p>
      <Braid
        score={score}
        timing={timeScore(score)}
        label={`Misses on the braid of ${subjectName(subject, side)}`}
        misses={map.turns.map((turn) => turn.misses)}
      />
    </details>
  );
}
