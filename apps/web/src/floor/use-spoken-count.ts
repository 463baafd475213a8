import type { Run } from "@mirrup/core/teaching";
import { useEffect, useEffectEvent, useRef } from "react";
import type { Voice } from "../voice/index.js";

/** Says each clean try's number as it comes, and that one missed; what is taken back or typed is not said. */
export function useSpokenCount(voice: Voice, { tries, done }: Pick<Run, "tries" | "done">): void {
  const before = useRef(tries.length);
  const heard = useEffectEvent((made: number) => {
    const last = tries.at(-1);
    if (made !== 1 || last === undefined) return;
    if (last.kind === "clean") voice.count(done);
    else voice.say("miss");
  });
  const { length } = tries;
  useEffect(() => {
    heard(length - before.current);
    before.current = length;
  }, [length]);
}
