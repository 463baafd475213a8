/**
 * What a rope handle with a sensor says (docs/formats.md, Handle): one message a turn or trip, each
 * with its number and all turns so far. Messages may come twice, late, or not at all: what they come
 * to is read from all that have come, in the order of their numbers.
 */
import type { Tap } from "../floor/tap.js";

export interface HandleMessage {
  readonly v: 1;
  /** From 0, one more with each message. */
  readonly seq: number;
  readonly kind: "turn" | "trip";
  /** Milliseconds by the handle's own clock. */
  readonly at: number;
  /** Turns since the handle was switched on, this one included. */
  readonly turns: number;
}

/** No rope turns faster; a message that says so is wrong. */
const MOST_TURNS_A_SECOND = 14;
const MOST = 1e9;

function isWhole(value: unknown): value is number {
  return typeof value === "number" && Number.isInteger(value) && value >= 0 && value <= MOST;
}

/** A message as it came, or null for anything that is none. */
export function readHandleMessage(value: unknown): HandleMessage | null {
  if (typeof value !== "object" || value === null) return null;
  const { v, seq, kind, at, turns } = value as Partial<Record<keyof HandleMessage, unknown>>;
  if (v !== 1 || (kind !== "turn" && kind !== "trip")) return null;
  if (!isWhole(seq) || !isWhole(at) || !isWhole(turns)) return null;
  return { v, seq, kind, at, turns };
}

/** The messages with another one taken in, in order; the same list where it was there already. */
export function withMessage(
  messages: readonly HandleMessage[],
  message: HandleMessage,
): readonly HandleMessage[] {
  const place = messages.findLastIndex((one) => one.seq <= message.seq);
  if (messages[place]?.seq === message.seq) return messages;
  return messages.toSpliced(place + 1, 0, message);
}

interface Heard {
  readonly kind: "turn" | "trip";
  /** Seconds by the handle's clock. */
  readonly at: number;
}

/**
 * Turns and trips in order. Turns whose messages were lost are filled in evenly from the counts; a
 * message that runs backwards, or faster than a rope can, is passed over.
 */
export function heardFrom(messages: readonly HandleMessage[]): readonly Heard[] {
  const heard: Heard[] = [];
  let before: Pick<HandleMessage, "at" | "turns"> | null = null;
  for (const { kind, at, turns } of messages) {
    const more: number = turns - (before?.turns ?? turns - Number(kind === "turn"));
    const since: number = at - (before?.at ?? at);
    const possible = before === null || more <= Math.ceil((since / 1000) * MOST_TURNS_A_SECOND);
    if (since < 0 || more < 0 || !possible) continue;
    const from = at - since;
    for (let turn = 1; turn <= more; turn += 1) {
      heard.push({ kind: "turn", at: (from + (since * turn) / more) / 1000 });
    }
    if (kind === "trip") heard.push({ kind: "trip", at: at / 1000 });
    before = { at, turns };
  }
  return heard;
}

/** When the rope ticked, seconds by the handle's clock, for its rhythm. */
export function ticksOf(messages: readonly HandleMessage[]): readonly number[] {
  return heardFrom(messages).flatMap(({ kind, at }) => (kind === "turn" ? [at] : []));
}

/**
 * The tries that a handle heard, as taps. A repetition is so many turns; a trip within one is a miss
 * at the turn that did not come. `offset` is the seconds from the set's beginning to the handle's.
 */
export function sensedTaps(
  messages: readonly HandleMessage[],
  turnsPerRepetition: number,
  offset: number,
): readonly Tap[] {
  const taps: Tap[] = [];
  let turned = 0;
  for (const { kind, at } of heardFrom(messages)) {
    if (kind === "trip") {
      taps.push({ kind: "miss", turn: turned + 1, at: offset + at });
      turned = 0;
    } else if (turned + 1 === turnsPerRepetition) {
      taps.push({ kind: "clean", at: offset + at });
      turned = 0;
    } else {
      turned += 1;
    }
  }
  return taps;
}
