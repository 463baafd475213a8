/** A student's log in words, day by day. */
import { FAULTS } from "@mirrup/catalogue";
import type { LogLine, SetView } from "@mirrup/contract";
import { grouped, type CountedBy, type Miss } from "@mirrup/core";
import Papa from "papaparse";
import { decisionWords } from "../app/decision-words.js";
import { loggedDrillWords } from "../app/drill-words.js";
import { counted } from "../app/plural.js";
import { capital, listWords, subjectName } from "../app/words.js";

const COUNTED_WORDS: Readonly<Record<CountedBy, string>> = {
  tapped: "tapped",
  sensor: "counted by a handle",
  sound: "counted by its sound",
  hand: "written down by hand",
  student: "counted by the student, alone",
};

/** The device's day of an instant. */
const dayOf = (at: string) => new Date(at).toLocaleDateString("sv-SE");

/** Lines that are in order, by their day. */
export function byDay(
  lines: readonly LogLine[],
): readonly (readonly [day: string, lines: readonly LogLine[]])[] {
  return [...grouped(lines, ({ at }) => dayOf(at))];
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
export function howWords({ countedBy, seconds, said }: SetView): string {
  return `${[
    capital(COUNTED_WORDS[countedBy]),
    ...(seconds === undefined ? [] : [`${Math.round(seconds)} s`]),
    ...(said === undefined ? [] : [`${Math.round(10 * said)} in 10 was said of it`]),
  ].join(", ")}.`;
}

/** What a day came to: `4 sets, 52 clean`. */
export function dayWords(lines: readonly LogLine[]): string {
  const sets = lines.flatMap((line) => (line.kind === "set" && !line.isVoided ? [line.set] : []));
  const decisions = lines.filter((line) => line.kind === "decision" && !line.decision.isVoided);
  return [
    ...(sets.length === 0 ? [] : [counted(sets.length, "set")]),
    ...(sets.length === 0 ? [] : [`${sets.reduce((sum, { clean }) => sum + clean, 0)} clean`]),
    ...(decisions.length === 0 ? [] : [counted(decisions.length, "decision")]),
  ].join(", ");
}

/** The log as a table for other programs: a line a set or a decision, those that were taken back marked. */
export function logCsv(lines: readonly LogLine[]): string {
  const fields = [
    "At",
    "Skill",
    "What",
    "Clean",
    "Missed",
    "Best in a row",
    "Seconds",
    "Counted",
    "Taken back",
    "Note",
  ];
  const data = lines.map((line) => {
    if (line.kind === "decision") {
      const { subject, side, decision, reason, isVoided } = line.decision;
      const what = decisionWords(decision, subject);
      return [line.at, subjectName(subject, side), what, "", "", "", "", "", isVoided ? "yes" : "", reason];
    }
    const { subject, side, drill, clean, misses, bestStreak, seconds, countedBy, note } = line.set;
    const missed = misses.reduce((sum, { count = 1 }) => sum + count, 0);
    return [
      ...[
        line.at,
        subjectName(subject, side),
        loggedDrillWords(drill),
        clean,
        missed,
        bestStreak,
        seconds ?? "",
      ],
      ...[COUNTED_WORDS[countedBy], line.isVoided ? "yes" : "", note],
    ];
  });
  // A spreadsheet would run what begins like a formula.
  return Papa.unparse({ fields, data }, { escapeFormulae: true, newline: "\r\n" });
}
