/** Sets of a file on their way into the log, a batch after another; and all of them taken back. */
import { MAX_SETS_PER_BATCH, type DecisionsReply, type SetRequest, type SetsReply } from "@mirrup/contract";
import { isProblem, post } from "../app/api.js";
import { voidOf } from "../app/void-of.js";
import type { ReadSet } from "./set-file.js";

/** A line that the server does not take, and why. */
export interface RefusedLine {
  readonly line: number;
  readonly message: string;
}

export interface Stored {
  /** What this went into the log, and can be taken back. */
  readonly sets: readonly SetRequest[];
  /** What was in it before. */
  readonly known: number;
  readonly refused: readonly RefusedLine[];
}

const NONE: Stored = { sets: [], known: 0, refused: [] };

function batchesOf<T>(all: readonly T[], most: number): readonly (readonly T[])[] {
  return Array.from({ length: Math.ceil(all.length / most) }, (_, at) =>
    all.slice(at * most, (at + 1) * most),
  );
}

/** Which lines of a batch a refusal is about; null where it is about none of them. */
function refusedOf(batch: readonly ReadSet[], error: unknown): ReadonlyMap<ReadSet, string> | null {
  const errors = isProblem(error) ? (error.problem.errors ?? []) : [];
  const named = errors.flatMap(({ item, message }) => {
    const one = item === undefined ? undefined : batch[item];
    return one === undefined ? [] : [[one, message] as const];
  });
  return named.length === 0 ? null : new Map(named);
}

/** Sends a batch; what of it is refused is left out, and the rest sent again. Throws where nobody answers. */
async function sendBatch(batch: readonly ReadSet[]): Promise<Stored> {
  if (batch.length === 0) return NONE;
  try {
    const { stored, alreadyStored } = await post<SetsReply>("/sets", { sets: batch.map(({ set }) => set) });
    const fresh = new Set(stored);
    return {
      sets: batch.flatMap(({ set }) => (fresh.has(set.id) ? [set] : [])),
      ...{ known: alreadyStored.length, refused: [] },
    };
  } catch (error) {
    const refused = refusedOf(batch, error);
    if (refused === null) throw error;
    const rest = await sendBatch(batch.filter((one) => !refused.has(one)));
    const lines = [...refused].map(([{ line }, message]) => ({ line, message }));
    return { ...rest, refused: [...lines, ...rest.refused] };
  }
}

/** Sends all, telling how far it is; stopped, it answers what is in the log by then. */
export async function sendSets(
  sets: readonly ReadSet[],
  onProgress: (sent: number) => void,
  signal: AbortSignal,
): Promise<Stored> {
  let all = NONE;
  let sent = 0;
  for (const batch of batchesOf(sets, MAX_SETS_PER_BATCH)) {
    if (signal.aborted) break;
    const one = await sendBatch(batch);
    all = {
      sets: [...all.sets, ...one.sets],
      known: all.known + one.known,
      refused: [...all.refused, ...one.refused],
    };
    sent += batch.length;
    onProgress(sent);
  }
  return all;
}

/** Takes all of them back. */
export async function takeBack(sets: readonly SetRequest[], now: Date): Promise<void> {
  for (const batch of batchesOf(sets, MAX_SETS_PER_BATCH)) {
    const decisions = batch.map((set) => voidOf(set, now));
    await post<DecisionsReply>("/decisions", { decisions });
  }
}
