import type { SetRequest } from "@mirrup/contract";
import type { SideName } from "@mirrup/core";
import type { RoundAnswer } from "@mirrup/core/teaching";
import { useLocalStorage } from "@mantine/hooks";
import { useState } from "react";
import { roundSet, type RoundTask } from "../app/round-set.js";
import { currentSender, saySets } from "../device/index.js";

/** A round in progress: what is asked, since when, and everybody's answer so far. */
interface KeptRound {
  readonly side: SideName;
  readonly asked: number;
  readonly startedAt: number | null;
  readonly answers: Readonly<Record<string, RoundAnswer>>;
}

export interface RoundDrill {
  readonly subject: string;
  readonly side: SideName;
  readonly asked: number;
}

/** A round for a class. It is on the device at each tap, and becomes one set a student when it is finished. */
export function useRound(keptAs: string, first: RoundDrill, tasks?: ReadonlyMap<string, RoundTask>) {
  const sender = currentSender();
  const { subject } = first;
  const fresh: KeptRound = { side: first.side, asked: first.asked, startedAt: null, answers: {} };
  const [kept, setKept, forget] = useLocalStorage<KeptRound>({
    key: `mirrup-round ${sender?.personId ?? ""} ${keptAs} ${subject}`,
    defaultValue: fresh,
  });
  const [sent, setSent] = useState<readonly SetRequest[] | null>(null);
  const [unkept, setUnkept] = useState(false);

  const answer = (studentId: string, given: RoundAnswer | null) => {
    const { [studentId]: _, ...others } = kept.answers;
    const startedAt = kept.startedAt ?? Date.now();
    setKept({ ...kept, startedAt, answers: given === null ? others : { ...others, [studentId]: given } });
  };
  const finish = async () => {
    const now = Date.now();
    const seconds = kept.startedAt === null ? undefined : Math.round((now - kept.startedAt) / 100) / 10;
    const sets = Object.entries(kept.answers).map(([studentId, given]): SetRequest => {
      const task = tasks?.get(studentId) ?? kept;
      const set = roundSet({ studentId, subject }, task, given, new Date(now));
      return seconds === undefined ? set : { ...set, seconds };
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
    begin: () => setKept({ ...kept, startedAt: Date.now() }),
    ask: (changes: Partial<Pick<KeptRound, "side" | "asked">>) => setKept({ ...kept, ...changes }),
    answer,
    finish,
    again: () => setSent(null),
  };
}
