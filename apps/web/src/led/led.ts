/**
 * A planned session being held with one student: which block is under way, since when, and what was done of those
 * before. Values only; each act names the block that it is about, so that one said twice, or on another tab, is said
 * once.
 */
import type { SideName, Drill } from "@mirrup/core";
import type { Phase } from "@mirrup/core/planning";

export interface LedBlock {
  /** Of its phase and side; each stands once in a session. */
  readonly key: string;
  readonly name: string;
  readonly phase: Phase;
  readonly subject: string;
  readonly side: SideName;
  readonly drill: Drill;
  /** As planned. */
  readonly sets: number;
  readonly minutes: number;
  /** The kept combo that it is; null for a skill's side. */
  readonly comboId: string | null;
}

/** A set as it counts for a block. */
export interface LedSet {
  readonly id: string;
  readonly clean: number;
  readonly tries: number;
}

interface Spent {
  readonly sets: readonly LedSet[];
  /** Minutes that were added by hand. */
  readonly added: number;
}

export interface PastBlock extends Spent {
  readonly block: LedBlock;
  readonly end: "done" | "skipped";
  readonly seconds: number;
}

export interface Led {
  readonly startedAt: number;
  readonly past: readonly PastBlock[];
  /** The block under way and those to come; none once all are over. */
  readonly ahead: readonly LedBlock[];
  /** When the block under way began. */
  readonly since: number;
  readonly now: Spent;
}

const NOTHING: Spent = { sets: [], added: 0 };
const MOST_ADDED = 60;

export function ledFrom(blocks: readonly LedBlock[], now: number): Led {
  return { startedAt: now, past: [], ahead: blocks, since: now, now: NOTHING };
}

export function blockNow({ ahead }: Led): LedBlock | null {
  return ahead[0] ?? null;
}

/** Seconds that the block under way still has; negative once it has had more. */
export function secondsLeft(led: Led, now: number): number {
  const block = blockNow(led);
  if (block === null) return 0;
  return Math.ceil(60 * (block.minutes + led.now.added) - Math.max(0, now - led.since) / 1000);
}

/** Whether what was planned of the block has been done, or its time is up. */
export function isDue(led: Led, now: number): boolean {
  const block = blockNow(led);
  return block !== null && (led.now.sets.length >= block.sets || secondsLeft(led, now) <= 0);
}

/** Leaves a block, done or skipped; nothing where another one is under way. */
export function left(led: Led, key: string, end: PastBlock["end"], now: number): Led {
  const [block, ...ahead] = led.ahead;
  if (block?.key !== key) return led;
  const seconds = Math.max(0, Math.round((now - led.since) / 1000));
  return {
    ...led,
    past: [...led.past, { block, end, seconds, ...led.now }],
    ahead,
    since: now,
    now: NOTHING,
  };
}

/** Whether the last block can still be gone back to: nothing has been done since. */
export function canTakeBack(led: Led): boolean {
  return led.past.length > 0 && led.now.sets.length === 0;
}

/** Goes back to the last block that was left, and on with it: its time goes on from what it had. */
export function takenBack(led: Led, now: number): Led {
  const last = led.past.at(-1);
  if (last === undefined || !canTakeBack(led)) return led;
  const { block, seconds, sets, added } = last;
  return {
    ...led,
    past: led.past.slice(0, -1),
    ahead: [block, ...led.ahead],
    since: now - 1000 * seconds,
    now: { sets, added },
  };
}

/** Minutes more for the block under way. */
export function lengthened(led: Led, key: string, minutes: number): Led {
  if (blockNow(led)?.key !== key) return led;
  return { ...led, now: { ...led.now, added: Math.min(MOST_ADDED, led.now.added + minutes) } };
}

/** Exchanges the block under way for one that is still to come, which begins now; not once anything is done of it. */
export function swapped(led: Led, key: string, withKey: string, now: number): Led {
  const [block] = led.ahead;
  const place = led.ahead.findIndex((one) => one.key === withKey);
  const other = led.ahead[place];
  if (block?.key !== key || other === undefined || place === 0 || led.now.sets.length > 0) return led;
  return { ...led, ahead: led.ahead.with(0, other).with(place, block), since: now, now: NOTHING };
}

/** Counts a set for the block under way that is of its side; each once. */
export function withSet(led: Led, of: Pick<LedBlock, "subject" | "side">, set: LedSet): Led {
  const block = blockNow(led);
  const isOfBlock = block?.subject === of.subject && block.side === of.side;
  if (!isOfBlock || led.now.sets.some((one) => one.id === set.id)) return led;
  return { ...led, now: { ...led.now, sets: [...led.now.sets, set] } };
}
