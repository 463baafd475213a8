import type { Score } from "@mirrup/core";
import { motionOf, poseAt, tellingMoment, VIEWS } from "@mirrup/core/figure";
import { memo, useMemo } from "react";
import { bestView, momentWords } from "./moment-words.js";
import { Still } from "./still.js";

/** The one moment that tells most of a trick. It never moves, so that nothing waits for it. */
export const TellingStill = memo(function TellingStill({ score }: { readonly score: Score }) {
  const shown = useMemo(() => {
    const motion = motionOf(score);
    const moment = tellingMoment(motion);
    return { body: motion.body, moment, pose: poseAt(motion, moment?.at ?? 0), view: VIEWS[bestView(score)] };
  }, [score]);
  const { moment, pose, body, view } = shown;
  return (
    <Still
      pose={pose}
      body={body}
      view={view}
      close
      label={moment === undefined ? "Standing" : momentWords(moment)}
    />
  );
});
