/** What waits on this device, in words. */
import { counted } from "../app/plural.js";
import { ATTENDANCE_NAMES } from "../app/attendance-names.js";
import { decisionWords } from "../app/decision-words.js";
import { dateTimeWords, listWords, subjectName } from "../app/words.js";
import type { LessonRun } from "@mirrup/contract";
import type { Command } from "./command.js";

type NameOf = (studentId: string) => string;

function runWords({ attendance = {}, ownRopes = {}, progress, finished }: LessonRun, nameOf: NameOf): string {
  const said = [
    ...Object.entries(attendance).map(([id, one]) => `${nameOf(id)}: ${ATTENDANCE_NAMES[one].toLowerCase()}`),
    ...Object.entries(ownRopes).map(([id, has]) => `${nameOf(id)}: ${has ? "has" : "no"} rope along`),
    ...(progress === undefined ? [] : ["how far it is"]),
    ...(finished === undefined ? [] : [finished ? "it is over" : "it goes on"]),
  ];
  return `A lesson: ${listWords(said)}`;
}

/** What was said, and when. */
export function commandWords(command: Command, nameOf: NameOf): string {
  switch (command.kind) {
    case "set": {
      const { subject, side, clean, bestStreak, studentId, at } = command.set;
      return `${nameOf(studentId)}, ${subjectName(subject, side)}: ${clean} clean, best ${bestStreak}, ${dateTimeWords(at)}`;
    }
    case "decide":
      return `${nameOf(command.studentId)}: ${listWords(
        command.decisions.map(
          ({ subject, side, decision }) =>
            `${subjectName(subject, side)} ${decisionWords(decision, subject)}`,
        ),
      )}, ${dateTimeWords(command.at)}`;
    case "stop":
      return command.stops
        ? `${nameOf(command.studentId)}: jumping ended early, ${dateTimeWords(command.at)}`
        : `${nameOf(command.studentId)}: jumping did not end early, ${dateTimeWords(command.at)}`;
    case "note":
      return `${nameOf(command.studentId)}: a note, “${command.text}”, ${dateTimeWords(command.at)}`;
    case "jump":
      return command.removed
        ? `${nameOf(command.studentId)}: a measured jump is taken back, ${dateTimeWords(command.at)}`
        : `${nameOf(command.studentId)}: jumps ${Math.round(command.jump.heightMm / 10)} cm high, ${dateTimeWords(command.at)}`;
    case "student":
      return `${command.name}: a new student, ${dateTimeWords(command.at)}`;
    case "lesson":
      return `${runWords(command.run, nameOf)}, ${dateTimeWords(command.at)}`;
  }
}

/** `1 set`, or `3 sets and 2 other things`. */
export function waitingWords(commands: readonly Pick<Command, "kind">[]): string {
  const sets = commands.filter(({ kind }) => kind === "set").length;
  const others = commands.length - sets;
  const parts = [
    ...(sets === 0 ? [] : [counted(sets, "set")]),
    ...(others === 0 ? [] : [counted(others, "other thing")]),
  ];
  return sets === 0 ? parts.join("").replace("other ", "") : listWords(parts);
}
