/** A planned lesson as a JSON file, and back (docs/formats.md). Students are told by their names. */
import type { LessonPlace, LessonView, NewLesson } from "@mirrup/contract";
import { lessonsRequest } from "@mirrup/contract/schemas";
import { v7 as uuid } from "uuid";

const FORMAT = "mirrup-lesson";
const VERSION = 1;

interface LessonFile {
  readonly format: typeof FORMAT;
  readonly version: typeof VERSION;
  readonly lesson: Pick<LessonView, "title" | "day" | "startTime" | "minutes" | "place" | "plan">;
  readonly students: readonly { readonly name: string; readonly places: readonly (LessonPlace | null)[] }[];
}

export function writeLesson(view: LessonView, nameOf: (id: string) => string): string {
  const { title, day, startTime, minutes, place, plan, students } = view;
  const file: LessonFile = {
    format: FORMAT,
    version: VERSION,
    lesson: { title, day, startTime, minutes, place, plan },
    students: students.map((one) => ({ name: nameOf(one.studentId), places: one.places })),
  };
  return JSON.stringify(file, null, 2);
}

export type ReadLesson =
  | { readonly ok: true; readonly lesson: NewLesson; readonly unknown: readonly string[] }
  | { readonly ok: false; readonly message: string };

function isLessonFile(value: unknown): value is Omit<LessonFile, "version"> & { readonly version?: unknown } {
  if (typeof value !== "object" || value === null) return false;
  const { format, lesson, students } = value as Partial<Record<keyof LessonFile, unknown>>;
  const isStudent = (one: unknown) =>
    typeof one === "object" && one !== null && "name" in one && "places" in one;
  return (
    format === FORMAT && typeof lesson === "object" && Array.isArray(students) && students.every(isStudent)
  );
}

/** Reads a file onto a day; students who are not in the studio are named and left out. */
export function readLesson(
  text: string,
  known: readonly { readonly id: string; readonly name: string }[],
  day: string,
): ReadLesson {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return {
      ok: false,
      message: "This is not a plan’s file: it is not JSON. Choose the file that was saved here.",
    };
  }
  if (!isLessonFile(value)) {
    return {
      ok: false,
      message: "This JSON is not a lesson of Mirrup’s. Choose a file that was saved as a plan.",
    };
  }
  if (value.version !== VERSION) {
    return {
      ok: false,
      message: "This plan was saved by a newer Mirrup. Update this one, or save it again.",
    };
  }
  const idOf = new Map(known.map((student) => [student.name, student.id]));
  const students = value.students.flatMap(({ name, places }) => {
    const studentId = idOf.get(name);
    return studentId === undefined ? [] : [{ studentId, attendance: "expected" as const, places }];
  });
  const lesson: NewLesson = { ...value.lesson, id: uuid(), day, groupId: null, students };
  const { error } = lessonsRequest.validate({ lessons: [lesson] });
  if (error !== undefined) {
    return {
      ok: false,
      message: `The plan in this file is damaged: ${error.message}. Nothing was added.`,
    };
  }
  const unknown = value.students.map((one) => one.name).filter((name) => !idOf.has(name));
  return { ok: true, lesson, unknown };
}
