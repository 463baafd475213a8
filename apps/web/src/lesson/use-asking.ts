import type { LessonView } from "@mirrup/contract";
import { useLocalStorage, useStateHistory } from "@mantine/hooks";
import { useEffect, useRef, useState } from "react";
import { tellNote } from "../app/undo.js";
import { useUnsaved } from "../device/index.js";
import type { Asked } from "./asked.js";
import { readAtHand, USUALLY_AT_HAND, type AtHand } from "./means.js";
import type { useLesson } from "./use-lesson.js";

/** What somebody asked for whose plan is not stored yet. */
interface Unplanned {
  readonly asked: Asked;
  /** Of the lesson that it is a change of. */
  readonly version: number;
}

/** What this device's classes usually have: people, ropes, floor. */
export function useAtHand() {
  return useLocalStorage<AtHand>({
    key: "mirrup-class-at-hand",
    defaultValue: USUALLY_AT_HAND,
    deserialize: readAtHand,
    getInitialValueInEffect: false,
  });
}

interface AskingProps {
  readonly lesson: LessonView;
  /** What the lesson as it is now was planned with. */
  readonly first: Asked;
  readonly mayEdit: boolean;
  readonly save: ReturnType<typeof useLesson>["save"];
}

/**
 * What is asked of a lesson's plan, change by change. Planning takes a while: what was asked for is kept until its plan
 * is stored, and asked again where the page is left before that. What somebody else stores meanwhile is followed, and
 * where something of one's own is on its way, never written over: that is a change of the version it was asked of.
 */
export function useAsking({ lesson, first, mayEdit, save }: AskingProps) {
  const { version } = lesson;
  const [asked, history, { current, history: all }] = useStateHistory(first);
  const [, setAtHand] = useAtHand();
  const { found, keep } = useUnsaved<Unplanned>(`plan ${lesson.id}`, { asked: first, version });
  const isOfNow = found?.version === version;
  const [left, setLeft] = useState(isOfNow ? null : found);
  const [again, setAgain] = useState(isOfNow ? found.asked : null);
  const base = useRef(version);
  /** Asked for last; null once its plan is stored. */
  const waiting = useRef(again);
  if (mayEdit && again !== null) {
    history.set(again);
    setAgain(null);
  }

  const go = (next: Asked, step: () => void) => {
    waiting.current = next;
    setLeft(null);
    keep({ asked: next, version: base.current });
    step();
  };
  const ask = (next: Asked) => {
    if (next === asked) return;
    setAtHand({ coaches: next.coaches, helpers: next.helpers, ropes: next.ropes ?? null, floor: next.floor });
    go(next, () => history.set(next));
  };
  const discard = () => {
    setLeft(null);
    keep(null);
  };
  /** A plan for this is stored, which may be heard of after the page was left. */
  const settle = (planned: Asked, stored = base.current) => {
    base.current = stored;
    if (waiting.current === planned) {
      waiting.current = null;
      keep(null);
    } else if (waiting.current !== null) keep({ asked: waiting.current, version: stored });
  };

  const own = save.data?.version;
  useEffect(() => {
    if (version === base.current || save.isPending) return;
    const isOwn = own === version && version === base.current + 1;
    if (isOwn) {
      base.current = version;
      if (waiting.current !== null) keep({ asked: waiting.current, version });
    } else if (waiting.current === null || !mayEdit) {
      base.current = version;
      history.reset();
      if (mayEdit) tellNote("Somebody else changed this lesson. It is shown as they left it.");
    }
  }, [version, own, save.isPending, mayEdit, history, keep]);

  const before = all[current - 1];
  const after = all[current + 1];
  return {
    asked,
    ask,
    settle,
    /** The version of the lesson that this is a change of. */
    base,
    /** What was asked before the last change. */
    before,
    undo: before === undefined ? null : () => go(before, () => history.back()),
    redo: after === undefined ? null : () => go(after, () => history.forward()),
    /** Once something was changed here, also the way back to the first is asked for and stored. */
    isChanged: all.length > 1,
    /** Asked for before the page was left, of a lesson that somebody has changed since; null for nothing. */
    left: left === null ? null : { askAgain: () => ask(left.asked), discard },
  };
}
