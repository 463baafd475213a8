import type { SetRequest } from "@mirrup/contract";
import type { Drill, SideName } from "@mirrup/core";
import type { RoundAnswer } from "@mirrup/core/teaching";
import { useLocalStorage } from "@mantine/hooks";
import { useRef, useState } from "react";
import { v7 as uuid } from "uuid";
import { isForgotten } from "../app/forgotten.js";
import { roundSet, type RoundTask } from "../app/round-set.js";
import { byOwnClock, byServerClock } from "../app/server-clock.js";
import { saySets, usePersonId } from "../device/index.js";
import { usePresence } from "../presence/index.js";
import {
  afterReply,
  answeredRound,
  begunRound,
  countedOf,
  freshRound,
  setIdOf,
  type KeptRound,
} from "./kept-round.js";
import { answersAt, heldFor } from "./round-answers.js";

export interface RoundDrill {
  readonly subject: string;
  /** Of a repetition. */
  readonly beats: number;
  readonly side: SideName;
  readonly drill: Drill;
}

/** Where a round is counted, under what it is kept there, and for whom. */
interface RoundAsked {
  readonly keptAs: string;
  readonly place: string;
  readonly first: RoundDrill;
  readonly ids: readonly string[];
  /** For whom jumping has ended today: what they had done by then counts. */
  readonly ended: ReadonlySet<string>;
  readonly tasks: ReadonlyMap<string, RoundTask> | undefined;
}

const toServer = (at: number) => byServerClock(new Date(at).toISOString());

/**
 * A round for a class. It is on the device at each tap, goes along when another device takes over, and becomes one set
 * a student when it is finished.
 */
export function useRound({ keptAs, place, first, ids, ended, tasks }: RoundAsked) {
  const personId = usePersonId();
  const { subject, beats } = first;
  const fresh = freshRound(first.side, first.drill);
  const [written, setKept] = useLocalStorage<KeptRound>({
    key: `mirrup-round ${personId} ${keptAs} ${subject}`,
    defaultValue: fresh,
    getInitialValueInEffect: false,
  });
  const [openedAt] = useState(() => Date.now());
  /** As it stands now; what an older version left of it lacks what is newer. */
  const asOfNow = (round: KeptRound): KeptRound => {
    // One that was never finished is not of this lesson: its clock would have everybody hold it since.
    const isOld = round.startedAt !== null && isForgotten(round.startedAt, openedAt);
    return isOld ? fresh : { ...fresh, ...round };
  };
  const change = (to: (kept: KeptRound) => KeptRound) => setKept((before) => to(asOfNow(before)));
  const kept = asOfNow(written);
  const [sent, setSent] = useState<readonly SetRequest[] | null>(null);
  const [unkept, setUnkept] = useState(false);
  /** Tapped twice, a round would be said twice: with the same ids, and other times. */
  const isFinishing = useRef(false);
  const taskOf = (studentId: string): RoundTask => tasks?.get(studentId) ?? kept;
  const presence = usePresence({
    place,
    isHere: true,
    counted: { turn: kept.turn, round: countedOf(kept, toServer) },
    onReply: (reply, { round }) => {
      const now = Date.now();
      change((before) => afterReply(before, round, reply, byOwnClock, now));
    },
  });

  const answer = (studentId: string, given: RoundAnswer | null) => {
    const [id, now] = [uuid(), Date.now()];
    change((before) => answeredRound(begunRound(before, id, now), studentId, given));
  };
  const finish = async () => {
    if (isFinishing.current) return;
    isFinishing.current = true;
    const now = Date.now();
    const { startedAt, heldFrom, answers: tapped, away, turn, ...round } = kept;
    const id = round.id ?? uuid();
    const seconds = startedAt === null ? undefined : Math.round((now - startedAt) / 100) / 10;
    const here = ids.filter((one) => !away.includes(one) && (!ended.has(one) || tapped[one] !== undefined));
    const held = heldFrom === null ? null : (now - heldFrom) / 1000;
    const answers = answersAt(tapped, here, (one) => taskOf(one).drill, held);
    const sets = Object.entries(answers).map(([studentId, given]): SetRequest => {
      const who = { id: setIdOf(id, studentId), studentId, subject, beats };
      const set = roundSet(who, taskOf(studentId), given, new Date(now));
      return seconds === undefined || set.seconds !== undefined ? set : { ...set, seconds };
    });
    try {
      await saySets(sets);
      setSent(sets);
      setKept({ ...freshRound(first.side, first.drill, id), turn });
      presence.finish();
    } catch {
      setUnkept(true);
    } finally {
      isFinishing.current = false;
    }
  };
  return {
    ...kept,
    presence,
    sent,
    unkept,
    taskOf,
    begin: () => {
      const [id, now] = [uuid(), Date.now()];
      change((before) => ({ ...begunRound(before, id, now), heldFrom: now }));
    },
    ask: (changes: Partial<Pick<KeptRound, "side" | "drill">>) =>
      change((before) => ({ ...before, ...changes })),
    answer,
    /** Ends somebody's hold now. */
    stop: (studentId: string) => {
      if (kept.heldFrom === null) return;
      const held = heldFor(taskOf(studentId).drill, (Date.now() - kept.heldFrom) / 1000);
      if (held !== null) answer(studentId, held);
    },
    mark: (studentId: string, isAway: boolean) =>
      change((before) => {
        const others = before.away.filter((id) => id !== studentId);
        return { ...before, away: isAway ? [...others, studentId] : others };
      }),
    finish,
    again: () => setSent(null),
  };
}
