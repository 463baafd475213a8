/**
 * What an older version of Mirrup left on this device: sets in a database of another name, early stops and a hall's
 * taps in lists. It is taken over once; a page of that version that is still open leaves more for the next start.
 */
import type { SetRequest } from "@mirrup/contract";
import { openDB, type IDBPDatabase } from "idb";
import { v7 as uuid } from "uuid";
import type { Command } from "./command.js";
import type { Waiting } from "./queue.js";
import { isSender, type Sender } from "./sender.js";
import type { KeptRun } from "../app/kept-run.js";

const OLD_DATABASE = "mirrup";
const LISTS = { stops: "mirrup-stops", lessons: "mirrup-lesson-runs" } as const;

export interface Older {
  readonly commands: readonly Waiting[];
  readonly runs: ReadonlyMap<string, KeptRun>;
}

interface OldSet {
  readonly set: SetRequest;
  readonly refusal: Waiting["refusal"];
  readonly sender: Sender;
}

function has<K extends string>(value: unknown, keys: readonly K[]): value is Record<K, unknown> {
  return typeof value === "object" && value !== null && keys.every((key) => key in value);
}

function isOldSet(value: unknown): value is OldSet {
  return has(value, ["set", "refusal", "sender"]) && has(value.set, ["id", "at"]) && isSender(value.sender);
}

function waiting(command: Command, refusal: Waiting["refusal"] = null): Waiting {
  return { command, refusal };
}

export function setsOf(values: readonly unknown[]): readonly Waiting[] {
  return values
    .filter(isOldSet)
    .map(({ set, refusal, sender }) =>
      waiting({ kind: "set", id: set.id, at: set.at, sender, set }, refusal),
    );
}

/** What stands in a list of an older version; nothing where it cannot be read. */
export function listOf(text: string | null): readonly unknown[] {
  try {
    const value: unknown = JSON.parse(text ?? "[]");
    return Array.isArray(value) ? value : [];
  } catch {
    return [];
  }
}

/** Early stops of the day on which they are taken over: of another day they would be told as of that one. */
export function stopsOf(values: readonly unknown[], day: string, at: string): readonly Waiting[] {
  return values.flatMap((value) => {
    if (!has(value, ["studentId", "stops", "day", "sender"]) || !isSender(value.sender)) return [];
    const { studentId, stops, sender } = value;
    if (typeof studentId !== "string" || typeof stops !== "boolean" || value.day !== day) return [];
    return [waiting({ kind: "stop", id: uuid(), at, sender, studentId, stops })];
  });
}

export function lessonsOf(values: readonly unknown[], at: string): readonly Waiting[] {
  return values.flatMap((value) => {
    if (!has(value, ["lessonId", "run", "sender"]) || !isSender(value.sender)) return [];
    const { lessonId, run, sender } = value;
    if (typeof lessonId !== "string" || typeof run !== "object" || run === null) return [];
    return [waiting({ kind: "lesson", id: uuid(), at, sender, lessonId, run: run })];
  });
}

/** The older version's database; null where there is none. */
async function oldDatabase(): Promise<IDBPDatabase | null> {
  const all = await indexedDB.databases();
  return all.some(({ name }) => name === OLD_DATABASE) ? openDB(OLD_DATABASE) : null;
}

function lists(now: Date): readonly Waiting[] {
  const day = new Intl.DateTimeFormat("sv-SE").format(now);
  const at = now.toISOString();
  return [
    ...stopsOf(listOf(localStorage.getItem(LISTS.stops)), day, at),
    ...lessonsOf(listOf(localStorage.getItem(LISTS.lessons)), at),
  ];
}

/** Hands over what is there, and takes it away once it has been taken. */
export async function takeOver(take: (older: Older) => Promise<void>): Promise<void> {
  const waiting = lists(new Date());
  const database = await oldDatabase();
  if (database === null) {
    if (waiting.length > 0) await take({ commands: waiting, runs: new Map() });
  } else {
    const ids = await database.getAllKeys("sets");
    const sets: unknown[] = await Promise.all(ids.map((id) => database.get("sets", id)));
    const keys = await database.getAllKeys("runs");
    const runs = await Promise.all(
      keys.map((key): Promise<KeptRun | undefined> => database.get("runs", key)),
    );
    const byKey = keys.map((key, place) => [typeof key === "string" ? key : "", runs[place]] as const);
    const kept = byKey.flatMap(([key, run]) => (run === undefined ? [] : [[key, run] as const]));
    await take({ commands: [...setsOf(sets), ...waiting], runs: new Map(kept) });
    // What a page of that version has left there meanwhile stays for the next start.
    for (const id of ids) await database.delete("sets", id);
    for (const key of keys) await database.delete("runs", key);
    await database.clear("readings");
    database.close();
  }
  for (const key of Object.values(LISTS)) localStorage.removeItem(key);
}
