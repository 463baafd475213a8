/**
 * Which faults of a side went away, and what was new in its practice between: what the days of practice tell, as a
 * coach would look through them. A fault that nobody noted any more is only gone where enough was tried since.
 */
import { grouped } from "../grouped.js";
import type { LocalDate } from "../instant.js";
import type { SideName } from "../sides.js";
import { sideKey } from "../syllabus/side-text.js";
import { countOf, type PracticeDay } from "./practice-day.js";

/** Noted so often, on so many days, it was a habit and no slip. */
const LEAST_NOTED = 3;
const LEAST_DAYS = 2;
/** So many tries, on so many days, without it: it has gone. */
const LEAST_TRIES_SINCE = 20;
const LEAST_DAYS_SINCE = 2;

export interface FaultGone {
  readonly subject: string;
  readonly side: SideName;
  readonly fault: string;
  /** How often it was noted. */
  readonly noted: number;
  readonly lastOn: LocalDate;
  readonly triesSince: number;
  /** Kinds of drill that came in between its first day and the first day without it. */
  readonly after: readonly string[];
}

function goneFrom(days: readonly PracticeDay[], fault: string): FaultGone | null {
  const [first] = days;
  const noted = days.filter((day) => countOf(day.faults, fault) > 0);
  const begun = noted[0];
  const last = noted.at(-1);
  if (first === undefined || begun === undefined || last === undefined) return null;
  const times = noted.reduce((sum, day) => sum + countOf(day.faults, fault), 0);
  const since = days.filter(({ day, clean, missed }) => day > last.day && clean + missed > 0);
  const triesSince = since.reduce((sum, { clean, missed }) => sum + clean + missed, 0);
  if (times < LEAST_NOTED || noted.length < LEAST_DAYS) return null;
  if (triesSince < LEAST_TRIES_SINCE || since.length < LEAST_DAYS_SINCE) return null;
  const untilDay = since[0]?.day ?? last.day;
  const before = new Set(
    days.filter(({ day }) => day <= begun.day).flatMap(({ kinds }) => Object.keys(kinds)),
  );
  const between = days.filter(({ day }) => day > begun.day && day <= untilDay);
  const after = [...new Set(between.flatMap(({ kinds }) => Object.keys(kinds)))].filter(
    (kind) => !before.has(kind),
  );
  const { subject, side } = first;
  return { subject, side, fault, noted: times, lastOn: last.day, triesSince, after };
}

/** The faults that went away, the one that was noted most first. O(days × faults). */
export function faultsGone(days: readonly PracticeDay[]): readonly FaultGone[] {
  const bySide = grouped(days, ({ subject, side }) => sideKey(subject, side));
  return [...bySide.values()]
    .flatMap((own) => {
      const inOrder = [...own].sort((one, other) => (one.day < other.day ? -1 : 1));
      const faults = new Set(inOrder.flatMap((day) => Object.keys(day.faults)));
      return [...faults].flatMap((fault) => goneFrom(inOrder, fault) ?? []);
    })
    .sort((one, other) => other.noted - one.noted);
}
