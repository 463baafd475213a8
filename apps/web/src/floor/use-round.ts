import type { SetRequest } from "@mirrup/contract";
import type { Drill, SideName } from "@mirrup/core";
import type { RoundAnswer } from "@mirrup/core/teaching";
import { useLocalStorage } from "@mantine/hooks";
import { useState } from "react";
import { isForgotten } from "../app/forgotten.js";
import { roundSet, type RoundTask } from "../app/round-set.js";
import { saySets, usePersonId } from "../device/index.js";
import { answersAt, heldFor, type RoundAnswers } from "./round-answers.js";

/** A round in progress: what is asked, since when, everybody's answer so far, and who is not here. */
interface KeptRound {
  readonly side: SideName;
  readonly drill: Drill;
  /** Since the clock was started, or the first answer was given. */
  readonly startedAt: number | null;
  /** Since the clock was started: nobody holds anything before. */
  readonly heldFrom: number | null;
  readonly answers: RoundAnswers;
  readonly away: readonly string[];
}

export interface RoundDrill {
  readonly subject: string;
  readonly side: SideName;
  readonly drill: Drill;
}

/** A round for a class. It is on the device at each tap, and becomes one set a student when it is finished. */
export function useRound(
  keptAs: string,
  first: RoundDrill,
  ids: readonly string[],
  tasks?: ReadonlyMap<string, RoundTask>,
) {
  const personId = usePersonId();
  const { subject } = first;
  const fresh: KeptRound = {
    ...{ side: first.side, drill: first.drill, startedAt: null, heldFrom: null },
    ...{ answers: {}, away: [] },
  };
  const [written, setKept, forget] = useLocalStorage<KeptRound>({
    key: `mirrup-round ${personId} ${keptAs} ${subject}`,
    defaultValue: fresh,
    getInitialValueInEffect: false,
  });
  const [openedAt] = useState(() => Date.now());
  // One that was never finished is not of this lesson: its clock would have everybody hold it since.
  const isOld = written.startedAt !== null && isForgotten(written.startedAt, openedAt);
  // What an older version left of it lacks what is newer.
  const kept = isOld ? fresh : { ...fresh, ...written };
  const [sent, setSent] = useState<readonly SetRequest[] | null>(null);
  const [unkept, setUnkept] = useState(false);
  const taskOf = (studentId: string): RoundTask => tasks?.get(studentId) ?? kept;

  const answer = (studentId: string, given: RoundAnswer | null) => {
    const { [studentId]: _, ...others } = kept.answers;
    const startedAt = kept.startedAt ?? Date.now();
    setKept({ ...kept, startedAt, answers: given === null ? others : { ...others, [studentId]: given } });
  };
  const finish = async () => {
    const now = Date.now();
    const seconds = kept.startedAt === null ? undefined : Math.round((now - kept.startedAt) / 100) / 10;
    const here = ids.filter((id) => !kept.away.includes(id));
    const held = kept.heldFrom === null ? null : (now - kept.heldFrom) / 1000;
    const answers = answersAt(kept.answers, here, (id) => taskOf(id).drill, held);
    const sets = Object.entries(answers).map(([studentId, given]): SetRequest => {
      const set = roundSet({ studentId, subject }, taskOf(studentId), given, new Date(now));
      return seconds === undefined || set.seconds !== undefined ? set : { ...set, seconds };
    });
    try {
      await saySets(sets);
      setSent(sets);
      forget();
    } catch {
      setUnkept(true);
    }
  };
  return {
    ...kept,
    sent,
    unkept,
    taskOf,
    begin: () => {
      const now = Date.now();
      setKept({ ...kept, startedAt: kept.startedAt ?? now, heldFrom: now });
    },
    ask: (changes: Partial<Pick<KeptRound, "side" | "drill">>) => setKept({ ...kept, ...changes }),
    answer,
    /** Ends somebody's hold now. */
    stop: (studentId: string) => {
      if (kept.heldFrom === null) return;
      const held = heldFor(taskOf(studentId).drill, (Date.now() - kept.heldFrom) / 1000);
      if (held !== null) answer(studentId, held);
    },
    mark: (studentId: string, isAway: boolean) => {
      const others = kept.away.filter((id) => id !== studentId);
      setKept({ ...kept, away: isAway ? [...others, studentId] : others });
    },
    finish,
    again: () => setSent(null),
  };
}
