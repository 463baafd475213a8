/** A student's log in words, day by day. */
import { FAULTS } from "@mirrup/catalogue";
import type { Became, LogKind, LogLine, SetView } from "@mirrup/contract";
import { grouped, type CountedBy, type Miss, type SideName } from "@mirrup/core";
import { ATTENDANCE_NAMES } from "../app/attendance-names.js";
import { decisionWords } from "../app/decision-words.js";
import { loggedDrillWords } from "../app/drill-words.js";
import { beatName, heightWords, JUMP_WAY_NAMES } from "../app/jump-words.js";
import { ownDay } from "../app/own-day.js";
import { counted } from "../app/plural.js";
import type { Sheet } from "../app/sheet.js";
import { capital, listWords, type LengthUnit } from "../app/words.js";

const COUNTED_WORDS: Readonly<Record<CountedBy, string>> = {
  tapped: "tapped",
  sensor: "counted with a handle",
  sound: "counted from its sound",
  hand: "written down",
  student: "counted by the student, alone",
};

export const KIND_NAMES: Readonly<Record<LogKind, string>> = {
  set: "sets",
  milestone: "clearings and reviews",
  decision: "decisions",
  lesson: "lessons",
  stop: "early stops",
  jump: "measured jumps",
};

/** What a line is about, in words. */
export type NameOf = (subject: string, side: SideName) => string;

/** What became of a side by a set. */
export function becameWords({ subject, side, kind }: Became, nameOf: NameOf): string {
  const of = nameOf(subject, side);
  switch (kind) {
    case "cleared":
      return `Cleared: ${of}.`;
    case "kept":
      return `Review of ${of}: still there.`;
    case "in-part":
      return `Review of ${of}: there in part, so it comes again after as long.`;
    case "lost":
      return `Review of ${of}: not there, so it comes again soon.`;
  }
}

type Event = Exclude<LogLine, { readonly kind: "set" | "decision" }>;

/** What happened beside the sets, and more of it. */
export function eventWords(line: Event, unit: LengthUnit): { readonly what: string; readonly more: string } {
  switch (line.kind) {
    case "lesson": {
      const { title, minutes, attendance } = line.lesson;
      return {
        what: `Lesson: ${ATTENDANCE_NAMES[attendance].toLowerCase()}`,
        more: `${title}, ${minutes} min`,
      };
    }
    case "stop":
      return { what: "Stopped early", more: "" };
    case "jump": {
      const { heightMm, turns, way } = line.jump;
      return {
        what: `Jumped ${heightWords(heightMm / 1000, unit)}`,
        more: `in a ${beatName(turns)}, ${JUMP_WAY_NAMES[way]}`,
      };
    }
  }
}

/** The device's day of an instant. */

/** Lines that are in order, by their day. */
export function byDay(
  lines: readonly LogLine[],
): readonly (readonly [day: string, lines: readonly LogLine[]])[] {
  return [...grouped(lines, ({ at }) => ownDay(at))];
}

function missWords({ position, fault, count = 1 }: Miss): string {
  const where = position === undefined ? counted(count, "miss", "misses") : `try ${position}`;
  return fault === undefined ? where : `${where}: ${FAULTS[fault].name}`;
}

/** Where it was missed and why, as far as somebody noted it; null where nobody did. */
export function missesWords({ misses }: Pick<SetView, "misses">): string | null {
  const told = misses.filter(({ position, fault }) => position !== undefined || fault !== undefined);
  return told.length === 0 ? null : `Missed at ${listWords(told.map(missWords))}.`;
}

/** Who or what counted it, for how long, and what chance was said of it. */
export function howWords({ countedBy, seconds, said }: SetView, by: string | null): string {
  return `${[
    `${capital(COUNTED_WORDS[countedBy])}${by === null ? "" : ` by ${by}`}`,
    ...(seconds === undefined ? [] : [`${Math.round(seconds)} s`]),
    ...(said === undefined ? [] : [`${Math.round(10 * said)} in 10 was said of it`]),
  ].join(", ")}.`;
}

/** What a day came to: `4 sets, 52 clean`; nothing for one on which nothing was counted or decided. */
export function dayWords(lines: readonly LogLine[]): string {
  const sets = lines.flatMap((line) => (line.kind === "set" && !line.isVoided ? [line.set] : []));
  const decisions = lines.filter((line) => line.kind === "decision" && !line.decision.isVoided);
  return [
    ...(sets.length === 0 ? [] : [counted(sets.length, "set")]),
    ...(sets.length === 0 ? [] : [`${sets.reduce((sum, { clean }) => sum + clean, 0)} clean`]),
    ...(decisions.length === 0 ? [] : [counted(decisions.length, "decision")]),
  ].join(", ");
}

const COLUMNS = {
  at: "At",
  skill: "Skill",
  what: "What",
  clean: "Clean",
  missed: "Missed",
  best: "Best in a row",
  seconds: "Seconds",
  counted: "Counted",
  by: "By",
  voided: "Taken back",
  note: "Note",
  became: "What became",
} as const;

type Row = Readonly<Partial<Record<keyof typeof COLUMNS, string | number | null>>>;

function rowOf(line: LogLine, unit: LengthUnit, nameOf: NameOf): Row {
  const { at } = line;
  if (line.kind === "decision") {
    const { subject, side, decision, reason, by, isVoided } = line.decision;
    const what = decisionWords(decision, subject);
    return { at, skill: nameOf(subject, side), what, by, voided: isVoided ? "yes" : "", note: reason };
  }
  if (line.kind !== "set") {
    const { what, more } = eventWords(line, unit);
    return { at, what: [what, more].filter(Boolean).join(", ") };
  }
  const { set, by, isVoided, became } = line;
  const { subject, side, drill, clean, misses, bestStreak, seconds, countedBy, note } = set;
  return {
    ...{ at, skill: nameOf(subject, side), what: loggedDrillWords(drill), clean, best: bestStreak },
    ...{ missed: misses.reduce((sum, { count = 1 }) => sum + count, 0), seconds: seconds ?? null },
    ...{ counted: COUNTED_WORDS[countedBy], by, voided: isVoided ? "yes" : "", note },
    became: became.map((one) => becameWords(one, nameOf)).join(" "),
  };
}

/** The log as a table for other programs: a row a line, those that were taken back marked. */
export function logSheet(lines: readonly LogLine[], unit: LengthUnit, nameOf: NameOf): Sheet {
  const keys = Object.keys(COLUMNS) as (keyof typeof COLUMNS)[];
  return {
    fields: keys.map((key) => COLUMNS[key]),
    rows: lines.map((line) => {
      const row = rowOf(line, unit, nameOf);
      return keys.map((key) => row[key] ?? null);
    }),
  };
}
