import { useEffect, useEffectEvent, useRef } from "react";
import type { Voice } from "../voice/index.js";
import { spokenTry, type Heard } from "./spoken-try.js";

/** Says each try aloud as it is counted. */
export function useSpokenCount(voice: Voice, run: Heard): void {
  const before = useRef(run);
  const heard = useEffectEvent(() => {
    const spoken = spokenTry(before.current, run);
    before.current = run;
    if (spoken?.kind === "count") voice.count(spoken.number);
    else if (spoken !== null) voice.say(spoken.text);
  });
  const { length } = run.tries;
  useEffect(() => heard(), [length]);
}
