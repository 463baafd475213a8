import type { Score } from "@mirrup/core";
import { motionOf, poseAt, tellingMoments, VIEWS, type Jumper, type ViewName } from "@mirrup/core/figure";
import { useMemo } from "react";
import { momentWords } from "./moment-words.js";
import { Still } from "./still.js";
import classes from "./strip.module.css";

export interface StripProps {
  readonly score: Score;
  readonly jumper?: Jumper;
  readonly view?: ViewName;
  readonly count?: number;
  /** Small, and without its words beside it: where others stand there. */
  readonly bare?: boolean;
}

/** The moments that tell most of a trick, each a picture with its words: to be printed, and where nothing is to move. */
export function Strip({ score, jumper, view = "front", count = 6, bare = false }: StripProps) {
  const frames = useMemo(() => {
    const motion = motionOf(score, jumper);
    return tellingMoments(motion, count).map((moment) => ({
      ...{ moment, body: motion.body, pose: poseAt(motion, moment.at) },
    }));
  }, [score, jumper, count]);
  return (
    <ol className={classes.strip} data-bare={bare}>
      {frames.map(({ moment, pose, body }) => (
        <li key={`${String(moment.at)} ${moment.kind}`}>
          <Still
            pose={pose}
            body={body}
            view={VIEWS[view]}
            close={bare}
            {...(bare ? { label: momentWords(moment) } : {})}
          />
          {!bare && <span>{momentWords(moment)}</span>}
        </li>
      ))}
    </ol>
  );
}
