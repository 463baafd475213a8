/**
 * A rope handle that nobody holds: it turns and trips as a simulated jumper would, and its radio is
 * as poor as a hall's. The same seed gives the same set; everything is worked out ahead, and whoever
 * plays it keeps the time.
 */
import type { HandleMessage } from "@mirrup/core/combos";
import { between, normal, randomFrom, type Random } from "./random.js";

export interface Jumper {
  readonly seed: number;
  /** Turns a minute at the start. */
  readonly tempo: number;
  /** Chance of a clean turn at the start. */
  readonly clean: number;
  /** How the tempo changes, percent a minute. */
  readonly drift: number;
  /** 100 for a clockwork; 100 × (1 − coefficient of variation of the intervals). */
  readonly evenness: number;
  /** What a minute takes from the chance of a clean turn. */
  readonly fatigue: number;
}

/** How a message goes out: when, and whether the line breaks after it. */
export interface Sending {
  readonly message: HandleMessage;
  /** Milliseconds after the handle was switched on. */
  readonly sentAt: number;
  readonly breaksAfter: boolean;
}

const FIRST_TURN_MS = 800;
/** Untangling a rope and setting up again takes this long. */
const RECOVERY_MS = { least: 1200, most: 2600 } as const;
const SHORTEST_MS = 90;
const LATE_SHARE = 0.04;
const LATE_MS = { least: 150, most: 900 } as const;
const TWICE_SHARE = 0.04;
const LOST_SHARE = 0.02;
const BREAK_SHARE = 0.01;

function* messagesOf(jumper: Jumper, random: Random, seconds: number): Generator<HandleMessage> {
  const usual = 60_000 / jumper.tempo;
  let at = FIRST_TURN_MS;
  let turns = 0;
  for (let seq = 0; at < seconds * 1000; seq += 1) {
    const minutes = at / 60_000;
    const isClean = random() < Math.max(0, jumper.clean - jumper.fatigue * minutes);
    if (isClean) turns += 1;
    yield { v: 1, seq, kind: isClean ? "turn" : "trip", at: Math.round(at), turns };
    const interval = usual / (1 + (jumper.drift / 100) * minutes);
    const uneven = interval * (1 + (1 - jumper.evenness / 100) * normal(random));
    at +=
      Math.max(SHORTEST_MS, uneven) + (isClean ? 0 : between(random, RECOVERY_MS.least, RECOVERY_MS.most));
  }
}

/** All that the handle sends in so many seconds, in the order of sending. */
export function playHandle(jumper: Jumper, seconds: number): readonly Sending[] {
  const random = randomFrom(jumper.seed);
  const radio = randomFrom(jumper.seed + 1);
  const sendings: Sending[] = [];
  for (const message of messagesOf(jumper, random, seconds)) {
    if (radio() < LOST_SHARE && message.kind === "turn") continue;
    const delay = radio() < LATE_SHARE ? between(radio, LATE_MS.least, LATE_MS.most) : 0;
    const breaksAfter = radio() < BREAK_SHARE;
    sendings.push({ message, sentAt: message.at + delay, breaksAfter });
    if (radio() < TWICE_SHARE)
      sendings.push({ message, sentAt: message.at + delay + 40, breaksAfter: false });
  }
  return sendings.sort((one, other) => one.sentAt - other.sentAt);
}
