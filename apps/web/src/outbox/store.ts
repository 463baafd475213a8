/**
 * What waits on this device: finished sets until the server has them, and the run under way, so
 * that a closed tab loses no tap. IndexedDB, because it outlives the page.
 */
import type { ProblemError, SetRequest } from "@mirrup/contract";
import type { RunnableDrill, Tap } from "@mirrup/core";
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
  readonly drill: RunnableDrill;
  readonly taps: readonly Tap[];
  readonly startedAt: number;
  readonly lastTapAt: number;
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

export async function keepRun(key: string, run: KeptRun): Promise<void> {
  await (await device()).put("runs", run, key);
}

export async function dropRun(key: string): Promise<void> {
  await (await device()).delete("runs", key);
}

/** Exchanges a run for the set that it came to, in one transaction: never both, never neither. */
export async function exchangeRun(key: string, set: SetRequest, sender: Sender): Promise<void> {
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
