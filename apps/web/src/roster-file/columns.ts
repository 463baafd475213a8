/**
 * The columns of a roster file: which headings are understood, how a cell is read, and how it is
 * written again. One table for both ways, so that what is exported can be imported.
 */
import type { NewStudent, StudentDetail } from "@mirrup/contract";
import { ROPE_USES, SCHOOL_IDS, type RopeUse, type SchoolId } from "@mirrup/core";
import { HOME_STEPS } from "@mirrup/contract";

export type RosterRow = Omit<NewStudent, "groups"> & { readonly groups?: readonly string[] };

export interface Column {
  readonly id: string;
  /** The heading that is written, and others that are understood. */
  readonly heading: string;
  readonly also: readonly string[];
  /** What a cell that is not empty comes to, or a sentence that says what should stand there. */
  readonly read: (text: string) => Partial<RosterRow> | string;
  readonly write: (student: StudentDetail, groupNames: readonly string[]) => string;
}

function wholeNumber(text: string, low: number, high: number): number | null {
  const number = Number(text.replace(",", "."));
  return Number.isFinite(number) && number >= low && number <= high ? number : null;
}

/** Millimetres from `152`, `152 cm`, `59.8 in` or `1.52 m`. */
export function readLength(text: string): number | null {
  const match = /^(\d+(?:[.,]\d+)?)\s*(cm|in|inches|"|m|mm)?$/i.exec(text.trim());
  if (match === null) return null;
  const [, number = "", unit = "cm"] = match;
  const factor = { cm: 10, mm: 1, m: 1000 }[unit.toLowerCase()] ?? 25.4;
  return Math.round(Number(number.replace(",", ".")) * factor);
}

function readHand(text: string): "left" | "right" | null {
  const plain = text.toLowerCase();
  if (plain.startsWith("l")) return "left";
  return plain.startsWith("r") ? "right" : null;
}

function oneOf<T extends string>(values: readonly T[], text: string): T | undefined {
  return values.find((value) => value === text.trim().toLowerCase().replaceAll(" ", "-"));
}

const length = (
  id: "heightMm" | "ropeLengthMm",
  heading: string,
  also: readonly string[],
  [low, high]: readonly [number, number],
): Column => ({
  id,
  heading,
  also,
  read: (text) => {
    const millimetres = readLength(text);
    const fits = millimetres !== null && millimetres >= low * 10 && millimetres <= high * 10;
    return fits
      ? { [id]: millimetres }
      : `“${text}” is no length from ${low} to ${high} cm; write 152 or 60 in.`;
  },
  write: (student) => {
    const millimetres = student[id];
    return millimetres === null ? "" : String(millimetres / 10);
  },
});

const hand = (id: "dominantHand" | "strongerSide", heading: string, also: readonly string[]): Column => ({
  id,
  heading,
  also,
  read: (text) => {
    const side = readHand(text);
    return side === null ? `“${text}” is neither left nor right.` : { [id]: side };
  },
  write: (student) => student[id] ?? "",
});

export const COLUMNS: readonly Column[] = [
  {
    id: "name",
    heading: "Name",
    also: ["student", "full name", "child", "jumper"],
    read: (text) => (text.length > 120 ? "The name is longer than 120 letters." : { name: text }),
    write: (student) => student.name,
  },
  {
    id: "birthYear",
    heading: "Birth year",
    also: ["born", "year of birth", "date of birth", "birthday", "birth date"],
    read: (text) => {
      // A whole date is understood; only its year is kept.
      const year = /(?:^|\D)((?:19|20)\d{2})(?:\D|$)/.exec(text)?.[1];
      const fits = year !== undefined && Number(year) <= new Date().getFullYear();
      return fits ? { birthYear: Number(year) } : `“${text}” holds no year of birth; write one such as 2014.`;
    },
    write: (student) => String(student.birthYear ?? ""),
  },
  {
    id: "yearsJumping",
    heading: "Years jumping",
    also: ["experience", "years"],
    read: (text) => {
      const years = wholeNumber(text, 0, 80);
      return years === null ? `“${text}” is no number of years from 0 to 80.` : { yearsJumping: years };
    },
    write: (student) => String(student.yearsJumping ?? ""),
  },
  length("heightMm", "Height (cm)", ["height", "height cm"], [60, 240]),
  hand("dominantHand", "Dominant hand", ["hand", "writes with"]),
  hand("strongerSide", "Stronger side", ["side", "better side"]),
  {
    id: "ropeKind",
    heading: "Rope",
    also: ["rope kind", "kind of rope"],
    read: (text) => (text.length > 60 ? "The rope’s kind is longer than 60 letters." : { ropeKind: text }),
    write: (student) => student.ropeKind ?? "",
  },
  length("ropeLengthMm", "Rope length (cm)", ["rope length", "length of rope"], [100, 500]),
  {
    id: "ropeUse",
    heading: "Rope for",
    also: ["rope use"],
    read: (text) => {
      const use = oneOf<RopeUse>(ROPE_USES, text);
      return use === undefined ? `“${text}” is none of ${ROPE_USES.join(", ")}.` : { ropeUse: use };
    },
    write: (student) => student.ropeUse,
  },
  {
    id: "homeStep",
    heading: "Home step",
    also: ["step"],
    read: (text) => {
      const step = oneOf(HOME_STEPS, text);
      return step === undefined ? `“${text}” is none of ${HOME_STEPS.join(", ")}.` : { homeStep: step };
    },
    write: (student) => student.homeStep ?? "",
  },
  {
    id: "school",
    heading: "School",
    also: ["teaching school"],
    read: (text) => {
      const school = oneOf<SchoolId>(SCHOOL_IDS, text);
      return school === undefined ? `“${text}” is none of ${SCHOOL_IDS.join(", ")}.` : { school };
    },
    write: (student) => student.school ?? "",
  },
  {
    id: "groups",
    heading: "Groups",
    also: ["group", "class", "team"],
    read: (text) => ({
      groups: text
        .split(/[;|]/)
        .map((name) => name.trim())
        .filter(Boolean),
    }),
    write: (_student, groupNames) => groupNames.join("; "),
  },
  {
    id: "notes",
    heading: "Notes",
    also: ["note", "remarks", "comment"],
    read: (text) => (text.length > 4000 ? "The notes are longer than 4,000 letters." : { notes: text }),
    write: (student) => student.notes,
  },
];

function plain(heading: string): string {
  return heading
    .toLowerCase()
    .replace(/\(.*?\)/g, "")
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();
}

/** The column that a heading means; undefined where none is meant. */
export function columnOf(heading: string): Column | undefined {
  const sought = plain(heading);
  return COLUMNS.find((column) => [column.heading, ...column.also].some((name) => plain(name) === sought));
}
