/** This page's outbox, and what it says of it. */
import type { DecisionRequest, JumpMeasure, LessonRun, SetRequest } from "@mirrup/contract";
import { v7 as uuid } from "uuid";
import { queryClient } from "../app/query-client.js";
import { voidOf } from "../app/void-of.js";
import type { Command, Kind, Saying } from "./command.js";
import { isTabNote, Outbox, type Became } from "./outbox.js";
import { keepDraft, keptDraft, sayTyped } from "./note-draft.js";
import { currentSender, onSenderChange } from "./sender.js";
import type { Newcomer } from "./shown.js";
import { commandStore, exchangeRun } from "./store.js";
import { tell } from "./tell.js";

const NAME = "mirrup-outbox";
/** Another tab may have been put to sleep in the middle of sending: then both send, and the server takes it once. */
const LONGEST_ALONE_MS = 40_000;

async function alone(work: () => Promise<void>): Promise<void> {
  // Plain http from elsewhere has no locks.
  if (!isSecureContext) return work();
  const turn = { hasBegun: false };
  const once = () => {
    turn.hasBegun = true;
    return work();
  };
  try {
    await navigator.locks.request(NAME, { signal: AbortSignal.timeout(LONGEST_ALONE_MS) }, once);
  } catch (error) {
    if (turn.hasBegun) throw error;
    await work();
  }
}

const channel = typeof BroadcastChannel === "undefined" ? null : new BroadcastChannel(NAME);

export const outbox = new Outbox({
  store: commandStore,
  tell: (batch, longestMs) => tell(queryClient, batch, longestMs),
  sender: currentSender,
  onSignedOut: () => void queryClient.invalidateQueries({ queryKey: ["session"] }),
  alone,
  toOtherTabs: (note) => channel?.postMessage(note),
  after: (milliseconds, work) => {
    const timer = setTimeout(work, milliseconds);
    return () => clearTimeout(timer);
  },
});

function commandOf<K extends Kind>(saying: Extract<Saying, { kind: K }>, id: string, at: string): Command<K> {
  const sender = currentSender();
  if (sender === null) throw new Error("Nobody has signed in on this device yet.");
  return { ...saying, id, at, sender };
}

/** What is said of a set, under the set's own id. */
export const setCommand = (set: SetRequest) => commandOf({ kind: "set", set }, set.id, set.at);
const now = () => new Date().toISOString();

/** Takes finished sets onto the device and sends them. */
export async function saySets(sets: readonly SetRequest[]): Promise<void> {
  await outbox.say(sets.map(setCommand));
}

/** Takes back sets that were said before, whether they were sent since or wait here still. */
export async function takeBackSets(sets: readonly SetRequest[]): Promise<void> {
  const at = new Date();
  const students = new Set(sets.map(({ studentId }) => studentId));
  await outbox.say(
    [...students].map((studentId) => {
      const decisions = sets.filter((set) => set.studentId === studentId).map((set) => voidOf(set, at));
      return commandOf({ kind: "decide", studentId, decisions }, uuid(), at.toISOString());
    }),
  );
}

/** Exchanges a run for the set that it came to. */
export async function finishRun(key: string, set: SetRequest): Promise<void> {
  await exchangeRun(key, setCommand(set));
  void outbox.flush();
}

/** Says what was decided about a student, and answers what became of it. */
export async function sayDecisions(
  studentId: string,
  decisions: readonly DecisionRequest[],
): Promise<Became> {
  const command = commandOf({ kind: "decide", studentId, decisions }, uuid(), now());
  const became = outbox.becomes(command.id);
  await outbox.say([command]);
  return became;
}

/** Ends a student's jumping for today, or takes that back: at once here, and with the server as soon as it answers. */
export function sayStop(studentId: string, stops: boolean): void {
  void outbox.say([commandOf({ kind: "stop", studentId, stops }, uuid(), now())]);
}

interface Note {
  readonly studentId: string;
  readonly setId: string;
  readonly text: string;
}
const noteCommand = (note: Note) => commandOf<"note">({ kind: "note", ...note }, uuid(), now());

/** Keeps a note on the device while it is being typed. */
export function draftNote(note: Note): void {
  keepDraft(noteCommand(note), localStorage);
}

/** Notes something to a set. */
export function sayNote(note: Note): void {
  void sayTyped(noteCommand(note), outbox, localStorage);
}

/** Says how high somebody jumps, or takes that back: kept here at once, and with the server as soon as it answers. */
export function sayJump(studentId: string, jump: JumpMeasure, removed: boolean): void {
  void outbox.say([commandOf({ kind: "jump", studentId, jump, removed }, uuid(), now())]);
}

/** Says what was tapped in a hall. */
export function sayOfLesson(lessonId: string, run: LessonRun): void {
  void outbox.say([commandOf({ kind: "lesson", lessonId, run }, uuid(), now())]);
}

/** Adds a student to the studio who has come to a lesson; the device keeps both, or neither. */
export function sayNewcomer(lessonId: string, { id, name }: Newcomer): void {
  void outbox.say([
    commandOf({ kind: "student", studentId: id, name }, uuid(), now()),
    commandOf({ kind: "lesson", lessonId, run: { attendance: { [id]: "present" } } }, uuid(), now()),
  ]);
}

let isStarted = false;

/** Begins to send: now, whenever the network comes back, and when someone signs in. */
export function startOutbox(): void {
  if (isStarted) return;
  isStarted = true;
  window.addEventListener("online", () => void outbox.flush());
  channel?.addEventListener("message", ({ data }: MessageEvent<unknown>) => {
    if (isTabNote(data)) outbox.hear(data);
  });
  onSenderChange(() => void outbox.flush());
  const typed = keptDraft(localStorage);
  if (typed !== null) void sayTyped(typed, outbox, localStorage);
  void outbox.flush();
}
