/**
 * Sends what waits on this device. A set is on the device before it is sent and leaves it only
 * when the server has it; the server stores each id once, so sending twice does no harm.
 */
import {
  MAX_SETS_PER_BATCH,
  type Problem,
  type SetRequest,
  type SetsReply,
  type SetsRequest,
} from "@mirrup/contract";
import { isProblem, isSignedOut, post } from "../app/api.js";
import { queryClient } from "../app/query-client.js";
import { fewerOf, isPassing } from "./passing.js";
import { currentSender, isOf, onSenderChange } from "./sender.js";
import { dropSets, keepSet, keepSets, waitingSets, type WaitingSet } from "./store.js";

export interface OutboxState {
  readonly waiting: readonly WaitingSet[];
  readonly refused: readonly WaitingSet[];
  /** Whether the last try to send met silence. */
  readonly silent: boolean;
  /** Whether the last try found nobody signed in: what waits is sent after the next sign-in. */
  readonly signedOut: boolean;
  /** The reply that told of each set stored since the app was opened, by the set's id. */
  readonly replies: ReadonlyMap<string, SetsReply>;
  /** How far this device's clock was ahead when sets were last sent, behind where less than 0; 0 for near enough. */
  readonly clockAheadSeconds: number;
}

const RETRY_SECONDS = [2, 4, 8, 15, 30] as const;

let state: OutboxState = {
  waiting: [],
  refused: [],
  silent: false,
  signedOut: false,
  replies: new Map(),
  clockAheadSeconds: 0,
};
const listeners = new Set<() => void>();
const storedListeners = new Set<() => void>();
let failures = 0;
let retry: ReturnType<typeof setTimeout> | undefined;
let flushing: Promise<void> = Promise.resolve();

export function outboxState(): OutboxState {
  return state;
}

export function onOutboxChange(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Calls back whenever the server has stored sets. */
export function onStored(listener: () => void): () => void {
  storedListeners.add(listener);
  return () => storedListeners.delete(listener);
}

async function refresh(
  changes: Partial<Pick<OutboxState, "silent" | "signedOut" | "replies" | "clockAheadSeconds">> = {},
): Promise<void> {
  const sender = currentSender();
  const all = (await waitingSets()).filter((one) => isOf(sender, one.sender));
  state = {
    ...state,
    ...changes,
    waiting: all.filter((one) => one.refusal === null),
    refused: all.filter((one) => one.refusal !== null),
  };
  listeners.forEach((listener) => listener());
}

/** Marks the sets that the refusal names; a refusal that names none is about the first one. */
async function setAside(batch: readonly WaitingSet[], problem: Problem): Promise<void> {
  const named = (problem.errors ?? []).filter((error) => error.item !== undefined);
  const refusals = new Map(named.map((error) => [error.item, error]));
  if (refusals.size === 0) {
    refusals.set(0, { item: 0, field: "", code: problem.type, message: problem.detail });
  }
  for (const [item, refusal] of refusals) {
    const waiting = batch[item ?? 0];
    if (waiting !== undefined) await keepSet({ ...waiting, refusal });
  }
}

async function sendBatch(batch: readonly WaitingSet[]): Promise<void> {
  const body: SetsRequest = { sets: batch.map((one) => one.set), sentAt: new Date().toISOString() };
  const ids = body.sets.map((set) => set.id);
  const reply = await post<SetsReply>("/sets", body);
  await dropSets(ids);
  failures = 0;
  const replies = new Map([...state.replies, ...ids.map((id) => [id, reply] as const)]);
  const clockAheadSeconds = reply.clockAheadSeconds;
  await refresh({ silent: false, signedOut: false, replies, clockAheadSeconds });
  storedListeners.forEach((listener) => listener());
}

async function sendAll(): Promise<void> {
  await refresh();
  let most = MAX_SETS_PER_BATCH;
  while (state.waiting.length > 0) {
    const batch = state.waiting.slice(0, most);
    try {
      await sendBatch(batch);
    } catch (error) {
      if (isSignedOut(error)) {
        await refresh({ silent: false, signedOut: true });
        void queryClient.invalidateQueries({ queryKey: ["session"] });
        return;
      }
      if (!isProblem(error) || isPassing(error.problem)) {
        await refresh({ silent: true });
        retryLater();
        return;
      }
      const fewer = fewerOf(batch.length, error.problem);
      if (fewer !== null) {
        most = fewer;
        continue;
      }
      await setAside(batch, error.problem);
      await refresh({ silent: false });
    }
  }
}

function retryLater(): void {
  clearTimeout(retry);
  const seconds = RETRY_SECONDS[Math.min(failures, RETRY_SECONDS.length - 1)] ?? 30;
  failures += 1;
  retry = setTimeout(() => void flush(), seconds * 1000);
}

/** Sends all that waits, after whatever is being sent already. */
export function flush(): Promise<void> {
  clearTimeout(retry);
  flushing = flushing.then(sendAll, sendAll);
  return flushing;
}

/** Puts a refused set back among those that wait, and sends. */
export async function sendAgain(waiting: WaitingSet): Promise<void> {
  await keepSet({ ...waiting, refusal: null });
  await flush();
}

/** Takes a refused set off this device for good. */
export async function discard(waiting: WaitingSet): Promise<void> {
  await dropSets([waiting.set.id]);
  await refresh();
}

/** Begins to send: now, whenever the network comes back, and when someone signs in. */
export function startOutbox(): void {
  window.addEventListener("online", () => void flush());
  onSenderChange(() => void flush());
  void flush();
}

/** Takes finished sets onto the device and sends them. */
export async function queueSets(sets: readonly SetRequest[]): Promise<void> {
  const sender = currentSender();
  if (sender === null) throw new Error("Nobody has signed in on this device yet.");
  await keepSets(sets, sender);
  await refresh();
  void flush();
}
