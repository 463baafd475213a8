/**
 * What waits on this device: finished sets until the server has them, and the run under way, so
 * that a closed tab loses no tap. IndexedDB, because it outlives the page.
 */
import type { ProblemError, SetRequest } from "@mirrup/contract";
import type { CountedBy, Drill } from "@mirrup/core";
import type { Tap } from "@mirrup/core/teaching";
import type { Sender } from "./sender.js";
import type { DehydratedState } from "@tanstack/react-query";
import { openDB, type DBSchema, type IDBPDatabase } from "idb";

export interface WaitingSet {
  readonly set: SetRequest;
  /** Why the server refused it; null while it only waits. */
  readonly refusal: ProblemError | null;
  /** Who counted it, and for which studio. It outlives their session. */
  readonly sender: Sender;
}

/** A run under way, kept at every tap. */
export interface KeptRun {
  readonly setId: string;
  readonly drill: Drill;
  /** The chance that was said of the drill, where it was proposed. */
  readonly said?: number;
  readonly taps: readonly Tap[];
  readonly startedAt: number;
  readonly lastTapAt: number;
  /** By taps where nothing is said. */
  readonly countedBy?: CountedBy;
  /** While a handle is listened to: how many taps were there before it. */
  readonly sensedFrom?: number;
  /** When a page last saw the count going on by itself. */
  readonly seenAt?: number;
}

/** What was read of a studio, kept for when nobody answers. */
export interface KeptReadings {
  readonly sender: Sender;
  readonly savedAt: number;
  readonly state: DehydratedState;
}

interface DeviceSchema extends DBSchema {
  sets: { key: string; value: WaitingSet };
  runs: { key: string; value: KeptRun };
  readings: { key: string; value: KeptReadings };
}

let opened: Promise<IDBPDatabase<DeviceSchema>> | undefined;

function device(): Promise<IDBPDatabase<DeviceSchema>> {
  opened ??= openDB<DeviceSchema>("mirrup", 1, {
    upgrade(database) {
      database.createObjectStore("sets");
      database.createObjectStore("runs");
      database.createObjectStore("readings");
    },
  });
  return opened;
}

export async function waitingSets(): Promise<WaitingSet[]> {
  return (await device()).getAll("sets");
}

export async function keepSet(waiting: WaitingSet): Promise<void> {
  await (await device()).put("sets", waiting, waiting.set.id);
}

/** Puts finished sets among those that wait, all of them or none. */
export async function keepSets(sets: readonly SetRequest[], sender: Sender): Promise<void> {
  const transaction = (await device()).transaction("sets", "readwrite");
  await Promise.all([
    ...sets.map((set) => transaction.store.put({ set, refusal: null, sender }, set.id)),
    transaction.done,
  ]);
}

export async function dropSets(ids: readonly string[]): Promise<void> {
  const transaction = (await device()).transaction("sets", "readwrite");
  await Promise.all([...ids.map((id) => transaction.store.delete(id)), transaction.done]);
}

export async function keptRun(key: string): Promise<KeptRun | undefined> {
  return (await device()).get("runs", key);
}

/** The newest run of each key that is yet to be written: a burst of taps is one write after the one under way. */
const unwritten = new Map<string, KeptRun>();
const writing = new Map<string, Promise<void>>();

async function writeRun(key: string): Promise<void> {
  for (let run = unwritten.get(key); run !== undefined; run = unwritten.get(key)) {
    unwritten.delete(key);
    await (await device()).put("runs", run, key);
  }
}

/** Keeps a run; answers when it, or a newer state of it, is on the device. */
export function keepRun(key: string, run: KeptRun): Promise<void> {
  unwritten.set(key, run);
  const under = writing.get(key);
  if (under !== undefined) return under;
  const written = writeRun(key).finally(() => writing.delete(key));
  writing.set(key, written);
  return written;
}

/** All runs under way of whoever counts, by key. */
export async function keptRuns(prefix: string): Promise<ReadonlyMap<string, KeptRun>> {
  const database = await device();
  const range = IDBKeyRange.bound(prefix, `${prefix}\uffff`);
  const transaction = database.transaction("runs");
  const [keys, runs] = await Promise.all([
    transaction.store.getAllKeys(range),
    transaction.store.getAll(range),
  ]);
  return new Map(keys.flatMap((key, place) => (runs[place] === undefined ? [] : [[key, runs[place]]])));
}

export async function dropRun(key: string): Promise<void> {
  unwritten.delete(key);
  await writing.get(key);
  await (await device()).delete("runs", key);
}

/** Exchanges a run for the set that it came to, in one transaction: never both, never neither. */
export async function exchangeRun(key: string, set: SetRequest, sender: Sender): Promise<void> {
  unwritten.delete(key);
  await writing.get(key);
  const transaction = (await device()).transaction(["runs", "sets"], "readwrite");
  await Promise.all([
    transaction.objectStore("runs").delete(key),
    transaction.objectStore("sets").put({ set, refusal: null, sender }, set.id),
    transaction.done,
  ]);
}

/** One device keeps one studio's readings: those of whoever used it last. */
const READINGS = "last";

export async function keepReadings(readings: KeptReadings): Promise<void> {
  await (await device()).put("readings", readings, READINGS);
}

export async function keptReadings(): Promise<KeptReadings | undefined> {
  return (await device()).get("readings", READINGS);
}

export async function dropReadings(): Promise<void> {
  await (await device()).delete("readings", READINGS);
}
