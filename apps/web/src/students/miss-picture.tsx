import { sideScore, skillOf, timeScore, type Score, type SideName } from "@mirrup/core";
import type { MissMap } from "@mirrup/core/teaching";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { catalogue } from "../app/catalogue.js";
import { subjectName } from "../app/words.js";
import { FigureBraid } from "../figure/index.js";
import { useJumper } from "./measured-jumps.js";
import { detailQuery } from "./queries.js";

interface MissPictureProps {
  readonly studentId: string;
  readonly subject: string;
  readonly side: SideName;
  readonly map: MissMap;
}

/** Where misses fell on the skill's braid, and the student in the pass at which most of them did. */
export function MissPicture(props: MissPictureProps) {
  const score = sideScore(skillOf(catalogue(), props.subject), props.side);
  return score === null ? null : <Picture {...props} score={score} />;
}

function Picture({ studentId, subject, side, map, score }: MissPictureProps & { readonly score: Score }) {
  const { data } = useQuery(detailQuery(studentId));
  const { dominant, heights } = useJumper({ id: studentId, dominantHand: data?.dominantHand ?? null });
  const timing = useMemo(() => timeScore(score, { height: heights, dominant }), [score, heights, dominant]);
  const misses = map.turns.map((turn) => turn.misses);
  const worst = misses.indexOf(Math.max(...misses));
  const name = subjectName(subject, side);
  return (
    <FigureBraid
      score={score}
      timing={timing}
      dominant={dominant}
      label={`Misses on the braid of ${name}`}
      misses={misses}
      name={name}
      whose={data}
      still={timing.beats.flatMap(({ bottoms }) => bottoms)[worst]}
    />
  );
}
