/** Marks of a substitute's sheet typed back: one for each turn, as `m n 12 -`. */
import type { DoneSide, LessonView, SetRequest } from "@mirrup/contract";
import { skillOf } from "@mirrup/core";
import type { RoundAnswer } from "@mirrup/core/teaching";
import { v5 as uuidOf } from "uuid";
import { catalogue } from "../app/catalogue.js";
import { roundSet } from "../app/round-set.js";
import { stepsOf, type ShownPlan } from "./shown.js";

/** What stands for each answer: letters that are quick to type, and how they are often drawn. */
const MARKS: Readonly<Record<string, Exclude<RoundAnswer, number>>> = {
  m: "made-it",
  "+": "made-it",
  n: "nearly",
  "~": "nearly",
  x: "not-yet",
};
const NOT_DONE = new Set(["-", "."]);
const MOST_IN_A_ROW = 9999;

export type ReadMarks =
  | { readonly ok: true; readonly marks: readonly (RoundAnswer | null)[] }
  /** The first mark that means nothing, from 1, or how many there are too many. */
  | {
      readonly ok: false;
      readonly fault: { readonly code: "unknown"; readonly mark: string } | { readonly code: "too-many" };
    };

/** Reads marks with or without spaces; several digits in a row are one number. */
export function readMarks(text: string, turns: number): ReadMarks {
  const marks: (RoundAnswer | null)[] = [];
  for (const token of text.toLowerCase().match(/\d+|\S/g) ?? []) {
    const answer = MARKS[token];
    if (answer !== undefined) marks.push(answer);
    else if (NOT_DONE.has(token)) marks.push(null);
    else if (/^\d+$/.test(token)) marks.push(Math.min(MOST_IN_A_ROW, Number(token)));
    else return { ok: false, fault: { code: "unknown", mark: token } };
  }
  return marks.length > turns ? { ok: false, fault: { code: "too-many" } } : { ok: true, marks };
}

/**
 * The sets that a student's marks stand for, each at the end of its turn and never ahead of `now`. The same mark of the
 * same turn and batch has the same id.
 */
export function setsOfMarks(
  lesson: Pick<LessonView, "day" | "startTime"> & { readonly batch: string },
  plan: ShownPlan,
  studentId: string,
  marks: readonly (RoundAnswer | null)[],
  now: Date,
): readonly SetRequest[] {
  const places = plan.students.find((one) => one.id === studentId)?.places ?? [];
  const began = new Date(`${lesson.day}T${lesson.startTime ?? "12:00"}:00`).getTime();
  const turns = stepsOf(plan).filter((step) => step.kind === "turn");
  return marks.flatMap((answer, turn) => {
    const place = places[turn];
    const subject = plan.rotations[turn]?.stations[place?.station ?? -1]?.subject;
    const step = turns[turn];
    if (answer === null || place == null || subject == null || step === undefined) return [];
    const at = new Date(Math.min(now.getTime(), began + 60_000 * (step.from + step.minutes)));
    return [
      roundSet(
        {
          id: uuidOf(`${studentId} ${turn} ${answer}`, lesson.batch),
          studentId,
          subject,
          beats: skillOf(catalogue(), subject).beats,
        },
        place,
        answer,
        at,
      ),
    ];
  });
}

/** Those whose side was done on that day already: typed twice, or counted on the floor. */
export function alreadyDone<T extends Pick<SetRequest, "studentId" | "subject" | "side">>(
  sets: readonly T[],
  done: readonly Pick<DoneSide, "studentId" | "subject" | "side">[],
): readonly T[] {
  const keyOf = ({ studentId, subject, side }: Pick<SetRequest, "studentId" | "subject" | "side">) =>
    `${studentId} ${subject} ${side}`;
  const known = new Set(done.map(keyOf));
  return sets.filter((set) => known.has(keyOf(set)));
}
