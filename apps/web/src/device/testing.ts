/** What tests of this device say. */
import type { LessonRun, SetRequest } from "@mirrup/contract";
import type { Command, Saying } from "./command.js";
import type { Sender } from "./sender.js";

export const HERE: Sender = { personId: "coach", studioId: "hall" };
const AT = "2026-06-01T17:00:00.000Z";

export function said(id: string, saying: Saying, at = AT, sender = HERE): Command {
  return { ...saying, id, at, sender };
}

/** A set of which nothing but its student matters. */
export function setOf(id: string, studentId: string): SetRequest {
  return {
    ...{ id, studentId, subject: "cross", side: "whole", drill: { kind: "streak", count: 10 } as const },
    ...{ clean: 10, misses: [], bestStreak: 10, countedBy: "tapped", at: AT },
  };
}

export const setSaid = (id: string, studentId: string) =>
  said(id, { kind: "set", set: setOf(id, studentId) });
export const stopSaid = (id: string, studentId: string, stops: boolean) =>
  said(id, { kind: "stop", studentId, stops });
export const noteSaid = (id: string, studentId: string, setId: string) =>
  said(id, { kind: "note", studentId, setId, text: "Wrists" });
export const newcomerSaid = (id: string, studentId: string) =>
  said(id, { kind: "student", studentId, name: studentId });
export const lessonSaid = (id: string, lessonId: string, run: LessonRun) =>
  said(id, { kind: "lesson", lessonId, run });
