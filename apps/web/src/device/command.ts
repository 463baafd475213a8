/**
 * What is said on this device: everything tapped is a small command with an id, a time, and whoever said it. Pure.
 * The server takes each as often as it comes, and in any order.
 */
import type { DecisionRequest, JumpMeasure, LessonRun, SetRequest } from "@mirrup/contract";
import type { Sender } from "./sender.js";

interface Said {
  readonly id: string;
  /** When it was said, by this device's clock. */
  readonly at: string;
  /** Who said it, and in which studio. It outlives their session. */
  readonly sender: Sender;
}

export type Saying =
  | { readonly kind: "set"; readonly set: SetRequest }
  /** That somebody is a student of the studio from now on. */
  | { readonly kind: "student"; readonly studentId: string; readonly name: string }
  /** What was decided about one student, all of it or nothing. */
  | {
      readonly kind: "decide";
      readonly studentId: string;
      readonly decisions: readonly DecisionRequest[];
    }
  /** That jumping ends for a student today, or that this was a mistake. */
  | { readonly kind: "stop"; readonly studentId: string; readonly stops: boolean }
  /** What is noted to a set; an empty text takes it back. */
  | { readonly kind: "note"; readonly studentId: string; readonly setId: string; readonly text: string }
  /** How high somebody jumps, as it was measured, or that the measure is taken back. */
  | {
      readonly kind: "jump";
      readonly studentId: string;
      readonly jump: JumpMeasure;
      readonly removed: boolean;
    }
  /** What was tapped in a hall: who comes, who has a rope, how far it is, that it is over. */
  | { readonly kind: "lesson"; readonly lessonId: string; readonly run: LessonRun };

export type Kind = Saying["kind"];
export type Command<K extends Kind = Kind> = Said & Extract<Saying, { kind: K }>;

const KINDS: Readonly<Record<Kind, true>> = {
  ...{ set: true, student: true, decide: true, stop: true, note: true, jump: true, lesson: true },
};

/** Whether this version can tell it: another page of a device may have a newer one, and tells its own. */
export function isUnderstood({ kind }: { readonly kind: string }): boolean {
  return Object.hasOwn(KINDS, kind);
}

export function isOfKind<K extends Kind>(command: Command, kind: K): command is Command<K> {
  return command.kind === kind;
}

/** What a command is about: those about one thing are told in the order in which they were said. */
export function aboutOf(command: Command): string {
  switch (command.kind) {
    case "set":
      return `student ${command.set.studentId}`;
    case "decide":
    case "note":
    case "jump":
      return `student ${command.studentId}`;
    case "stop":
      return `stop ${command.studentId}`;
    case "student":
      return newcomer(command.studentId);
    case "lesson":
      return `lesson ${command.lessonId}`;
  }
}

const newcomer = (studentId: string) => `newcomer ${studentId}`;

/** Whom a command names. */
function namedIn(command: Command): readonly string[] {
  if (command.kind === "set") return [command.set.studentId];
  if (command.kind !== "lesson") return [command.studentId];
  return [...Object.keys(command.run.attendance ?? {}), ...Object.keys(command.run.ownRopes ?? {})];
}

/** Whether a command has to wait while what is about some things does: of whom it names the server has to know first. */
export function waitsFor(command: Command, things: ReadonlySet<string>): boolean {
  return things.has(aboutOf(command)) || namedIn(command).some((id) => things.has(newcomer(id)));
}

/** Every single thing that a run of a lesson says. */
function thingsOf(run: LessonRun): readonly string[] {
  const { attendance = {}, ownRopes = {}, progress, takesBack, finished } = run;
  return [
    ...Object.keys(attendance).map((id) => `comes ${id}`),
    ...Object.keys(ownRopes).map((id) => `rope ${id}`),
    ...(progress === undefined ? [] : ["step"]),
    ...(takesBack === undefined ? [] : [`back ${takesBack}`]),
    ...(finished === undefined ? [] : ["end"]),
  ];
}

/** Whether nothing of an earlier command is left to say once a later one is said. */
export function isReplacedBy(earlier: Command, later: Command): boolean {
  if (aboutOf(earlier) !== aboutOf(later)) return false;
  if (earlier.kind === "stop") return true;
  if (earlier.kind === "jump") return later.kind === "jump" && earlier.jump.id === later.jump.id;
  if (earlier.kind === "note") return later.kind === "note" && earlier.setId === later.setId;
  if (earlier.kind !== "lesson" || later.kind !== "lesson") return false;
  const said = new Set(thingsOf(later.run));
  return thingsOf(earlier.run).every((thing) => said.has(thing));
}
