import { missCount, sideScore, skillOf, type SideName } from "@mirrup/core";
import { missMap } from "@mirrup/core/teaching";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { catalogue } from "../app/catalogue.js";
import { missMapWords } from "../app/words.js";
import { MissPicture } from "./miss-picture.js";
import { lastSetsQuery } from "./queries.js";

interface MissMapProps {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
}

/** Where in the repetition the last sets missed, on the skill's braid; nothing where nobody noted it. */
export function MissMap({ studentId, subject, side }: MissMapProps) {
  const [isOpen, setOpen] = useState(false);
  const sets = useQuery(lastSetsQuery(studentId, subject, side));
  const score = sideScore(skillOf(catalogue(), subject), side);
  const misses = (sets.data ?? [])
    .filter((set) => set.drill.score === undefined)
    .flatMap((set) => set.misses);
  if (score === null || misses.length === 0) return null;
  const map = missMap(score, misses);
  if (map.turns.every((turn) => turn.misses === 0)) return null;
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>Where it missed</summary>
      <p>{missMapWords(map, missCount(misses))}</p>
      {isOpen && <MissPicture studentId={studentId} subject={subject} side={side} map={map} />}
    </details>
  );
}
