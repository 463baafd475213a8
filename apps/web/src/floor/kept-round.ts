/**
 * A round in progress, as a device keeps it, and as it goes along when another device takes over. What the server has
 * was told; what it has not is this device's alone, and stays here until somebody takes it up again. Pure.
 */
import type { PresenceReply, RoundCounted } from "@mirrup/contract";
import type { Drill, SideName } from "@mirrup/core";
import type { RoundAnswer } from "@mirrup/core/teaching";
import { v5 as uuidOf } from "uuid";
import { isForgotten } from "../app/forgotten.js";
import type { RoundAnswers } from "./round-answers.js";

/** What is asked, since when, everybody's answer so far, and who is not here. */
export interface KeptRound {
  /** Names the round once it has begun. */
  readonly id: string | null;
  readonly side: SideName;
  readonly drill: Drill;
  /** Since the clock was started, or the first answer was given. */
  readonly startedAt: number | null;
  /** Since the clock was started: nobody holds anything before. */
  readonly heldFrom: number | null;
  readonly answers: RoundAnswers;
  readonly away: readonly string[];
  /** The last turn of hands that this device knows of. */
  readonly turn: string | null;
  /** What the server has of it; null where nothing. */
  readonly told: Pick<RoundCounted, "id" | "answers"> | null;
  /** The round that was finished here last. */
  readonly finishedId: string | null;
}

export function freshRound(side: SideName, drill: Drill, finishedId: string | null = null): KeptRound {
  return {
    ...{ id: null, side, drill, startedAt: null, heldFrom: null, answers: {}, away: [] },
    ...{ turn: null, told: null, finishedId },
  };
}

/** The round once it is under way; `id` names one that begins. */
export function begunRound(kept: KeptRound, id: string, now: number): KeptRound {
  return { ...kept, id: kept.id ?? id, startedAt: kept.startedAt ?? now };
}

/** The round with somebody's answer; null takes it back. */
export function answeredRound(kept: KeptRound, studentId: string, given: RoundAnswer | null): KeptRound {
  const { [studentId]: _, ...others } = kept.answers;
  return { ...kept, answers: given === null ? others : { ...others, [studentId]: given } };
}

/** The round as another device can go on with it; null before it has begun. `toServer` turns an instant of this one. */
export function countedOf(kept: KeptRound, toServer: (at: number) => string): RoundCounted | null {
  const { id, side, drill, startedAt, heldFrom, answers, away } = kept;
  if (id === null || startedAt === null) return null;
  const times = { startedAt: toServer(startedAt), heldFrom: heldFrom === null ? null : toServer(heldFrom) };
  return { id, side, drill, ...times, answers, away };
}

/** What of the round only this device knows: all that is left here of one that another has. */
function untold(kept: KeptRound): KeptRound {
  const { told } = kept;
  if (told?.id !== kept.id) return { ...kept, told: null, turn: null };
  const answers = Object.fromEntries(
    Object.entries(kept.answers).filter(([id, given]) => told.answers[id] !== given),
  );
  if (Object.keys(answers).length === 0) return freshRound(kept.side, kept.drill, kept.finishedId);
  return { ...kept, answers, told: null, turn: null };
}

/** A round with what was counted elsewhere, whose word stands; where it was another drill, that one alone. */
function joined(own: KeptRound, counted: RoundCounted, toOwn: (instant: string) => number): KeptRound {
  const { id, side, drill, answers, away } = counted;
  const isSame = own.side === side && JSON.stringify(own.drill) === JSON.stringify(drill);
  const startedAt = toOwn(counted.startedAt);
  return {
    ...own,
    ...{ id, side, drill, away },
    startedAt: isSame ? Math.min(own.startedAt ?? startedAt, startedAt) : startedAt,
    heldFrom: counted.heldFrom === null ? null : toOwn(counted.heldFrom),
    answers: isSame ? { ...own.answers, ...answers } : answers,
  };
}

/** The round after the server answered, at `now`, what was told of it. `toOwn` turns an instant of the server's. */
export function afterReply(
  kept: KeptRound,
  told: RoundCounted | null,
  { isYours, turn, round }: Pick<PresenceReply, "isYours" | "turn" | "round">,
  toOwn: (instant: string) => number,
  now: number,
): KeptRound {
  // Another tab of this browser may hold it: what is kept is its own as well.
  if (!isYours) return turn === kept.turn ? kept : untold(kept);
  if (turn === kept.turn) return { ...kept, told };
  const own = untold(kept);
  // What was finished here is in the log; word of that may have been lost.
  if (round === null || round.id === kept.finishedId) return { ...own, turn };
  // On a tablet that was left on over night it is of another lesson.
  if (isForgotten(toOwn(round.startedAt), now)) return { ...own, turn };
  return { ...joined(own, round, toOwn), turn, told: round };
}

/** The id of the set that a student's answer comes to: the same on every device that finishes the round. */
export function setIdOf(roundId: string, studentId: string): string {
  return uuidOf(studentId, roundId);
}
