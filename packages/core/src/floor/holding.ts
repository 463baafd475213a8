/**
 * Who counts at a place, where several devices could: one of them holds it, and what was counted there goes along when
 * another takes over. Whoever writes must have read: a device that does not know the last turn of hands is told what
 * was counted instead of writing over it, so that an answer which is lost on its way costs nothing.
 */

/** Not heard of for so long, a device that counted nothing holds its place no more, milliseconds. */
const SILENT_MS = 90_000;

/** A place and what was counted there, `R`, as far as its holder has told; times are instants in milliseconds. */
export interface Holding<R> {
  readonly tab: string;
  readonly personId: string;
  readonly since: number;
  readonly seenAt: number;
  /** When its holder went away from it; null while they are there. */
  readonly leftAt: number | null;
  /** Names the last turn of hands. */
  readonly turn: string;
  readonly round: R | null;
}

export interface HoldAsked<R> {
  readonly tab: string;
  readonly personId: string;
  /** The turn that the device knows; null where it holds nothing yet. */
  readonly turn: string | null;
  readonly takesOver: boolean;
  readonly round: R | null;
}

/** Whether a device may have a place that another one has. */
function isFree<R>({ leftAt, seenAt, round }: Holding<R>, now: number): boolean {
  return leftAt !== null || (round === null && now - seenAt > SILENT_MS);
}

/**
 * A place after a device has asked for it, or said what it counted there; the place as it was where another one holds
 * it. `fresh` names the turn that begins, if one does.
 */
export function heldAfter<R>(
  held: Holding<R> | null,
  { tab, personId, turn, takesOver, round }: HoldAsked<R>,
  fresh: string,
  now: number,
): Holding<R> {
  const begins = { tab, personId, since: now, seenAt: now, leftAt: null, turn: fresh };
  if (held === null) return { ...begins, round: null };
  if (held.tab !== tab) return takesOver || isFree(held, now) ? { ...begins, round: held.round } : held;
  const isKnown = held.turn === turn;
  return { ...held, personId, seenAt: now, leftAt: null, round: isKnown ? round : held.round };
}

/** A place that a device goes away from; what it counted stays for whoever comes, unless it was finished. */
export function leftAfter<R>(
  held: Holding<R>,
  { tab, isFinished }: { readonly tab: string; readonly isFinished: boolean },
  now: number,
): Holding<R> {
  if (held.tab !== tab) return held;
  return { ...held, leftAt: held.leftAt ?? now, round: isFinished ? null : held.round };
}
