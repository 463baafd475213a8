/**
 * What is on this device: what was said until the server has it, the runs under way, so that a closed tab loses no
 * tap, and what was read last. IndexedDB, because it outlives the page.
 */
import type { DehydratedState } from "@tanstack/react-query";
import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import type { Command } from "./command.js";
import { asideKey, type KeptRun } from "../app/kept-run.js";
import { takeOver } from "./older.js";
import type { Waiting } from "./queue.js";
import type { Sender } from "./sender.js";

/** What was read of a studio, kept for when nobody answers. */
export interface KeptReadings {
  readonly sender: Sender;
  /** Of what the server answered: a version of another shape reads it anew. */
  readonly shape: string;
  readonly savedAt: number;
  readonly state: DehydratedState;
}

interface DeviceSchema extends DBSchema {
  /** By the order in which they were said. */
  commands: { key: number; value: Waiting; indexes: { id: string } };
  runs: { key: string; value: KeptRun };
  readings: { key: string; value: KeptReadings };
}

export type Device = IDBPDatabase<DeviceSchema>;

let opened: Promise<Device> | undefined;

/** Opens a device's database by its name. */
export async function openDevice(name: string): Promise<Device> {
  const database = await openDB<DeviceSchema>(name, 1, {
    upgrade(fresh) {
      const commands = fresh.createObjectStore("commands", { autoIncrement: true });
      commands.createIndex("id", "command.id");
      fresh.createObjectStore("runs");
      fresh.createObjectStore("readings");
    },
    // A newer version in another tab must not wait for this one.
    blocking: () => database.close(),
  });
  return database;
}

async function open(): Promise<Device> {
  const database = await openDevice("mirrup-device");
  const takingOver = takeOver(async ({ commands, runs }) => {
    const transaction = database.transaction(["commands", "runs"], "readwrite");
    await Promise.all([
      ...commands.map((waiting) => transaction.objectStore("commands").put(waiting)),
      ...[...runs].map(([key, run]) => transaction.objectStore("runs").put(run, key)),
      transaction.done,
    ]);
  });
  // What cannot be taken over stays where it is; it must not keep this version from keeping anything.
  await takingOver.catch(() => undefined);
  return database;
}

function device(): Promise<Device> {
  opened ??= open().catch((error: unknown) => {
    // The next one tries again.
    opened = undefined;
    throw error;
  });
  return opened;
}

/** What waits on a device, in the order in which it was said. */
export interface CommandStore {
  readonly all: () => Promise<readonly Waiting[]>;
  /** Takes commands in, in place of those with some ids: all of it or nothing. */
  readonly take: (commands: readonly Command[], replaced: readonly string[]) => Promise<void>;
  /** Says of commands why they were refused, or that they wait again. */
  readonly mark: (waiting: readonly Waiting[]) => Promise<void>;
  readonly drop: (ids: readonly string[]) => Promise<void>;
}

/** The commands in a database: this device's, or that of a page which has one of its own. */
export function commandsIn(device: () => Promise<Device>): CommandStore {
  return {
    all: async () => (await device()).getAll("commands"),
    take: async (commands, replaced) => {
      const transaction = (await device()).transaction("commands", "readwrite");
      const { store } = transaction;
      const taken: Promise<unknown>[] = commands.map((command) => store.put({ command, refusal: null }));
      if (replaced.length > 0) {
        const old = await Promise.all(replaced.map((id) => store.index("id").getAllKeys(id)));
        taken.push(...old.flat().map((key) => store.delete(key)));
      }
      // At once: the page may be closed in the next moment.
      transaction.commit();
      await Promise.all([...taken, transaction.done]);
    },
    mark: async (waiting) => {
      const { store, done } = (await device()).transaction("commands", "readwrite");
      for (const one of waiting) {
        const keys = await store.index("id").getAllKeys(one.command.id);
        await Promise.all(keys.map((key) => store.put(one, key)));
      }
      await done;
    },
    drop: async (ids) => {
      const { store, done } = (await device()).transaction("commands", "readwrite");
      const keys = await Promise.all(ids.map((id) => store.index("id").getAllKeys(id)));
      await Promise.all([...keys.flat().map((key) => store.delete(key)), done]);
    },
  };
}

/** What waits on this device. */
export const commandStore = commandsIn(device);

export async function keptRun(key: string): Promise<KeptRun | undefined> {
  return (await device()).get("runs", key);
}

const writing = new Map<string, Promise<void>>();

/** One write a tap, committed at once: a page that is closed in the next moment has asked for all of it. */
async function writeRun(key: string, run: KeptRun): Promise<void> {
  const transaction = (await device()).transaction("runs", "readwrite");
  const written = transaction.store.put(run, key);
  transaction.commit();
  await Promise.all([written, transaction.done]);
}

/** Keeps a run; answers when it is on the device. */
export function keepRun(key: string, run: KeptRun): Promise<void> {
  const written = writeRun(key, run).finally(() => {
    if (writing.get(key) === written) writing.delete(key);
  });
  writing.set(key, written);
  return written;
}

/** Answers when all that was tapped of a run is on the device. */
export async function writtenRun(key: string): Promise<void> {
  await writing.get(key);
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
  await (await device()).delete("runs", key);
}

/** Exchanges a run for what is said of it, in one transaction: never both, never neither. */
export async function exchangeRun(key: string, command: Command): Promise<void> {
  const transaction = (await device()).transaction(["runs", "commands"], "readwrite");
  const exchanged = [
    transaction.objectStore("runs").delete(key),
    transaction.objectStore("commands").put({ command, refusal: null }),
  ];
  transaction.commit();
  await Promise.all([...exchanged, transaction.done]);
}

/** The same for a run as it stands there, by what is said of it: nothing where it is gone, or nothing is said. */
export async function exchangeLeft(key: string, said: (run: KeptRun) => Command | null): Promise<void> {
  const transaction = (await device()).transaction(["runs", "commands"], "readwrite");
  const run = await transaction.objectStore("runs").get(key);
  const command = run === undefined ? null : said(run);
  if (command !== null) {
    await transaction.objectStore("commands").put({ command, refusal: null });
    await transaction.objectStore("runs").delete(key);
  }
  await transaction.done;
}

/** Takes a run off the device, and answers it; null where there is none. */
export async function takeRun(key: string): Promise<KeptRun | null> {
  const transaction = (await device()).transaction("runs", "readwrite");
  const run = await transaction.store.get(key);
  await transaction.store.delete(key);
  await transaction.done;
  return run ?? null;
}

/** Puts a run beside the place where it was counted, so that another can begin there. */
export async function putAside(key: string, run: KeptRun): Promise<void> {
  const transaction = (await device()).transaction("runs", "readwrite");
  await transaction.store.put(run, asideKey(key, run));
  await transaction.store.delete(key);
  await transaction.done;
}

/** Puts a run back where it was counted, or beside it where another has begun there since. */
export async function putBack(key: string, run: KeptRun): Promise<void> {
  const transaction = (await device()).transaction("runs", "readwrite");
  const there = await transaction.store.get(key);
  await transaction.store.put(run, there === undefined ? key : asideKey(key, run));
  await transaction.done;
}

/** One device keeps one studio's readings: those of whoever used it last. */
const READINGS = "last";

export async function keepReadings(readings: KeptReadings): Promise<void> {
  const transaction = (await device()).transaction("readings", "readwrite");
  const written = transaction.store.put(readings, READINGS);
  // At once: the page may be on its way out.
  transaction.commit();
  await Promise.all([written, transaction.done]);
}

export async function keptReadings(): Promise<KeptReadings | undefined> {
  return (await device()).get("readings", READINGS);
}

export async function dropReadings(): Promise<void> {
  await (await device()).delete("readings", READINGS);
}
