/** A studio's season in plain words and a few numbers, for whoever keeps the hall or pays for it. */
import type { ClassProgressView, GroupView, ProgrammeProgress, StudentProgress } from "@mirrup/contract";
import { byName, FAMILIES, grouped, type Family } from "@mirrup/core";
import type { Sheet } from "../app/sheet.js";
import { familyOf } from "../app/family.js";
import { counted } from "../app/plural.js";
import { dateWords, FAMILY_NAMES, listWords, percentWords, skillName, wholeWords } from "../app/words.js";

/** What some students' period comes to. */
export interface Sums {
  readonly students: number;
  /** Those of whom anything was counted. */
  readonly practised: number;
  readonly tries: number;
  readonly clean: number;
  /** Places in lessons that were held, and those that were taken. */
  readonly held: number;
  readonly came: number;
  /** Sides. */
  readonly cleared: number;
}

export interface GroupSeason extends Sums {
  readonly name: string;
}

export interface Season {
  readonly all: Sums;
  /** Days with practice. */
  readonly days: number;
  readonly families: readonly (readonly [Family, number])[];
  /** Groups with anybody in them, and whoever is in none last; none where there is but one. */
  readonly groups: readonly GroupSeason[];
  /** Skills that most cleared a side of, with how many students did. */
  readonly learned: readonly (readonly [subject: string, students: number])[];
  /** Those who cleared most, the first of them first. */
  readonly furthest: readonly StudentProgress[];
}

const MOST_LEARNED = 12;
const MOST_NAMED = 8;

function sumsOf(students: readonly StudentProgress[]): Sums {
  const sum = (of: (one: StudentProgress) => number) => students.reduce((all, one) => all + of(one), 0);
  return {
    students: students.length,
    practised: students.filter(({ days }) => days > 0).length,
    tries: sum(({ clean, missed }) => clean + missed),
    clean: sum(({ clean }) => clean),
    held: sum(({ came, missing }) => came + missing),
    came: sum(({ came }) => came),
    cleared: sum(({ cleared }) => cleared.length),
  };
}

export function seasonOf(view: ClassProgressView, groups: readonly GroupView[]): Season {
  const { students } = view;
  const inGroup = groups.map(({ name, members }) => ({
    name,
    own: students.filter(({ studentId }) => members.includes(studentId)),
  }));
  const isGrouped = new Set(groups.flatMap(({ members }) => members));
  const alone = students.filter(({ studentId }) => !isGrouped.has(studentId));
  const told = [...inGroup, { name: "In no group", own: alone }].filter(({ own }) => own.length > 0);
  const subjects = students.flatMap(({ cleared }) => [...new Set(cleared.map(({ subject }) => subject))]);
  const learned = [...grouped(subjects, (subject) => subject)]
    .map(([subject, own]) => [subject, own.length] as const)
    .sort(([one, many], [other, more]) => more - many || byName(skillName(one), skillName(other)));
  const families = students.flatMap(({ cleared }) => cleared.map(({ subject }) => familyOf(subject)));
  return {
    all: sumsOf(students),
    days: new Set(view.days.filter(({ sets }) => sets > 0).map(({ day }) => day)).size,
    families: FAMILIES.map((family) => [family, families.filter((one) => one === family).length] as const),
    groups: told.length < 2 ? [] : told.map(({ name, own }) => ({ name, ...sumsOf(own) })),
    learned: learned.slice(0, MOST_LEARNED),
    furthest: students
      .filter(({ cleared }) => cleared.length > 0)
      .sort((one, other) => other.cleared.length - one.cleared.length)
      .slice(0, MOST_NAMED),
  };
}

/** What happened, in sentences. */
export function seasonWords(
  { all, days, families }: Season,
  { from, to }: { readonly from: string; readonly to: string },
): readonly string[] {
  const time = `From ${dateWords(from)} to ${dateWords(to)}`;
  if (all.practised === 0) return [`${time}, nothing was counted.`];
  const cleared = families
    .filter(([, many]) => many > 0)
    .map(([family, many]) => `${wholeWords(many)} of ${FAMILY_NAMES[family].toLowerCase()}`);
  return [
    `${time}, ${wholeWords(all.practised)} of ${counted(all.students, "student")} practised on ${counted(days, "day")}: ${counted(all.tries, "try", "tries")}, ${percentWords(all.clean / Math.max(1, all.tries))} of them clean.`,
    all.cleared === 0
      ? "No side of a skill was cleared."
      : `${counted(all.cleared, "side")} of skills ${all.cleared === 1 ? "was" : "were"} cleared: ${listWords(cleared)}.`,
    ...(all.held === 0
      ? []
      : [`Of ${counted(all.held, "place")} in lessons that were held ${attendedWords(all)} were taken.`]),
  ];
}

/** `331 (87%)`; empty where no lesson was held. */
export function attendedWords({ came, held }: Pick<Sums, "came" | "held">): string {
  return held === 0 ? "" : `${wholeWords(came)} (${percentWords(came / held)})`;
}

/** Who finished a programme in a period, the first first. */
export function finishedIn(
  progress: readonly ProgrammeProgress[],
  { from, to }: { readonly from: string; readonly to: string },
): readonly { readonly studentId: string; readonly name: string; readonly on: string }[] {
  return progress
    .flatMap(({ studentId, name, finishedOn: on }) =>
      on !== null && on >= from && on <= to ? [{ studentId, name, on }] : [],
    )
    .sort((one, other) => (one.on < other.on ? -1 : one.on > other.on ? 1 : 0));
}

/** The groups as a table for other programs, everybody last. */
export function seasonSheet({ groups, all }: Season): Sheet {
  return {
    fields: ["Group", "Students", "Practised", "Tries", "Clean", "Places held", "Places taken", "Cleared"],
    rows: [...groups, { name: "Everybody", ...all }].map((one) => [
      ...[one.name, one.students, one.practised, one.tries, one.clean],
      ...[one.held, one.came, one.cleared],
    ]),
  };
}
