/**
 * Sets that were counted elsewhere, out of a table: which column says what, what each line comes to, and what is wrong
 * with it. Pure; a line makes the same set however often and in whatever file it is read, so that nothing counts twice.
 */
import type { SetRequest } from "@mirrup/contract";
import { checkSetCounts, sidesOf, type Catalogue, type SideName, type Skill } from "@mirrup/core";
import { v5 as uuidOf } from "uuid";
import { plain, plainName } from "../app/plain.js";

/** What a column can say. */
export const FIELDS = [
  "student",
  "skill",
  "side",
  "day",
  "time",
  "clean",
  "missed",
  "best",
  "seconds",
] as const;
export type Field = (typeof FIELDS)[number];

export const FIELD_NAMES: Readonly<Record<Field, string>> = {
  student: "Student",
  skill: "Skill",
  side: "Side",
  day: "Day",
  time: "Time of day",
  clean: "Clean tries",
  missed: "Missed",
  best: "Best in a row",
  seconds: "Seconds",
};
/** Without these a line says nothing. */
export const NEEDED: readonly Field[] = ["student", "skill", "day", "clean"];

/** What each field is called elsewhere, as far as one can guess. */
const CALLED: Readonly<Record<Field, readonly string[]>> = {
  student: ["student", "name", "jumper", "athlete", "who"],
  skill: ["skill", "trick", "exercise", "what"],
  side: ["side", "left right"],
  day: ["day", "date", "at", "when"],
  time: ["time", "time of day", "hour"],
  clean: ["clean", "clean tries", "made", "hits", "reps", "repetitions"],
  missed: ["missed", "misses", "failed"],
  best: ["best", "best in a row", "streak", "in a row"],
  seconds: ["seconds", "duration"],
};

/** Which column says what, by its place; what no column says is not in it. */
export type Mapping = Readonly<Partial<Record<Field, number>>>;

export function guessMapping(headings: readonly string[]): Mapping {
  const taken = new Set<number>();
  const found = FIELDS.flatMap((field): (readonly [Field, number])[] => {
    const place = headings.findIndex(
      (heading, at) => !taken.has(at) && CALLED[field].includes(plain(heading)),
    );
    if (place < 0) return [];
    taken.add(place);
    return [[field, place]];
  });
  return Object.fromEntries(found);
}

/** In which order a day is written with slashes or dots. */
export type DayOrder = "day-first" | "month-first";

export interface Known {
  readonly catalogue: Catalogue;
  /** By their plain names; null for a name that several have. */
  readonly students: ReadonlyMap<string, string | null>;
}

export interface LineFault {
  /** Of the file, from 1, the heading's line counted. */
  readonly line: number;
  readonly field: Field;
  readonly message: string;
}

export interface ReadSet {
  readonly line: number;
  readonly set: SetRequest;
}

export interface ReadSets {
  readonly sets: readonly ReadSet[];
  readonly faults: readonly LineFault[];
}

/** Whose names are whose; two of one name are told apart by nobody. */
export function studentsByName(
  students: readonly { readonly id: string; readonly name: string }[],
): Known["students"] {
  const byName = new Map<string, string | null>();
  for (const { id, name } of students) {
    const key = plainName(name);
    byName.set(key, byName.has(key) ? null : id);
  }
  return byName;
}

const skillNames = new WeakMap<Catalogue, ReadonlyMap<string, Skill>>();

function skillNamed(catalogue: Catalogue, name: string): Skill | undefined {
  const known = skillNames.get(catalogue) ?? namesOf(catalogue);
  skillNames.set(catalogue, known);
  return known.get(plain(name));
}

function namesOf({ skills }: Catalogue): ReadonlyMap<string, Skill> {
  const names = new Map<string, Skill>();
  // A skill's own name before what others are called too.
  for (const skill of skills.values()) for (const alias of skill.aliases) names.set(plain(alias), skill);
  for (const skill of skills.values()) names.set(plain(skill.id), skill);
  for (const skill of skills.values()) names.set(plain(skill.name), skill);
  return names;
}

const SIDES: Readonly<Record<string, SideName>> = {
  ...{ l: "left", left: "left", "left side": "left" },
  ...{ r: "right", right: "right", "right side": "right" },
  ...{ "": "whole", whole: "whole", both: "whole" },
};

const two = (number: string) => number.padStart(2, "0");

/** A day as people write one, with the time behind it where that stands there; null for what is none. */
function dayOf(text: string, order: DayOrder): { readonly day: string; readonly time: string } | null {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ](\d{1,2}:\d{2}).*)?$/.exec(text);
  const written = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})(?: (\d{1,2}:\d{2}).*)?$/.exec(text);
  const [, first = "", second = "", year = "", hour = ""] = written ?? [];
  const [month, day] = order === "day-first" ? [second, first] : [first, second];
  const parts = iso === null ? [year, month, day, hour] : iso.slice(1);
  const [years = "", months = "", days = "", time = ""] = parts;
  const told = `${years}-${two(months)}-${two(days)}`;
  const at = new Date(`${told}T12:00:00Z`);
  const isDay = !Number.isNaN(at.getTime()) && at.toISOString().startsWith(told);
  return isDay
    ? { day: told, time: time === "" ? "" : two(time.split(":")[0] ?? "") + time.slice(time.indexOf(":")) }
    : null;
}

const INSTANT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(?::\d{2}(?:\.\d+)?)?(?:Z|[+-]\d{2}:\d{2})$/;
const TIME = /^([01]?\d|2[0-3]):[0-5]\d(?::\d\d)?$/;
const MOST_TRIES = 20_000;
/** Where the ids of lines come from. */
const NAMESPACE = "5f0c7c1e-6d2b-5b7e-9f1a-2b8f0d3c4a51";

function numberOf(text: string, isWhole: boolean): number | null {
  const number = Number(text.replace(",", "."));
  return text === "" || !Number.isFinite(number) || number < 0 || (isWhole && !Number.isInteger(number))
    ? null
    : number;
}

/** What one line comes to: its set, or the first thing that is wrong with it. */
function setOf(
  cells: readonly string[],
  mapping: Mapping,
  order: DayOrder,
  { catalogue, students }: Known,
): Omit<SetRequest, "id"> | Omit<LineFault, "line"> {
  const cell = (field: Field) => {
    const place = mapping[field];
    // Undoes the mark that keeps a cell from being run as a formula.
    return place === undefined ? "" : (cells[place] ?? "").trim().replace(/^'(?=[=+\-@])/, "");
  };
  const fault = (field: Field, message: string) => ({ field, message });
  const studentId = students.get(plainName(cell("student")));
  if (studentId === undefined) return fault("student", `Nobody here is called “${cell("student")}”.`);
  if (studentId === null) return fault("student", `Several here are called “${cell("student")}”.`);
  const [, named = "", behind = ""] = /^(.*?)(?:, (left|right) side)?$/.exec(cell("skill")) ?? [];
  const skill = skillNamed(catalogue, named);
  if (skill === undefined) return fault("skill", `No skill is called “${named}”.`);
  const side = SIDES[plain(cell("side")) || behind];
  if (side === undefined || !sidesOf(skill).includes(side)) {
    const sides = skill.twoSided ? "Say left or right" : "It has no sides: leave the side empty";
    return fault("side", `${sides} for the ${skill.name}.`);
  }
  const when = dayOf(cell("day"), order);
  if (when === null) return fault("day", `“${cell("day")}” is no day. Write one such as 2026-06-01.`);
  const time = cell("time") || when.time || "12:00";
  if (!TIME.test(time)) return fault("time", `“${time}” is no time of day. Write one such as 17:30.`);
  // With its zone beside it an instant is told already; without, it is as the clock here shows it.
  const at = INSTANT.test(cell("day"))
    ? new Date(cell("day"))
    : new Date(`${when.day}T${/^\d:/.test(time) ? `0${time}` : time}`);
  if (at.getTime() > Date.now()) return fault("day", `${when.day} has not come yet.`);
  const numbers = {
    clean: numberOf(cell("clean"), true),
    missed: cell("missed") === "" ? 0 : numberOf(cell("missed"), true),
    best: cell("best") === "" ? undefined : numberOf(cell("best"), true),
    seconds: cell("seconds") === "" ? undefined : numberOf(cell("seconds"), false),
  };
  const wrong = (["clean", "missed", "best", "seconds"] as const).find((field) => numbers[field] === null);
  if (wrong !== undefined)
    return fault(wrong, `“${cell(wrong)}” is no number of ${FIELD_NAMES[wrong].toLowerCase()}.`);
  const { clean, missed, best, seconds } = numbers;
  if (clean === null || missed === null || best === null || seconds === null)
    return fault("clean", "Give a number.");
  const tries = clean + missed;
  if (tries === 0) return fault("clean", "Nothing was tried: leave the line out.");
  if (tries > MOST_TRIES) return fault("clean", `A set has at most ${MOST_TRIES} tries.`);
  const misses = missed === 0 ? [] : [{ count: missed }];
  // Where nobody says how many came in a row, none is claimed: single ones then, with a bounce between.
  const inARow = best ?? (missed === 0 && cell("missed") !== "" ? clean : null);
  const drill =
    inARow === null ? { kind: "one-out", count: tries } : { kind: "streak", count: Math.max(1, inARow) };
  const set = {
    ...{ studentId, subject: skill.id, side, drill, clean, misses, bestStreak: inARow ?? Math.min(1, clean) },
    ...(seconds === undefined ? {} : { seconds }),
    ...{ countedBy: "hand" as const, at: at.toISOString() },
  };
  const [count] = checkSetCounts(set);
  return count === undefined ? set : fault("best", count.message);
}

/** Reads the lines behind the heading. O(lines). */
export function readSets(
  rows: readonly (readonly string[])[],
  mapping: Mapping,
  order: DayOrder,
  known: Known,
): ReadSets {
  const sets: ReadSet[] = [];
  const faults: LineFault[] = [];
  // Two lines that say the same are two sets, and the same two when they are read again.
  const times = new Map<string, number>();
  rows.forEach((cells, place) => {
    if (place === 0 || cells.every((cell) => cell.trim() === "")) return;
    const line = place + 1;
    const read = setOf(cells, mapping, order, known);
    if ("message" in read) {
      faults.push({ line, ...read });
      return;
    }
    const text = JSON.stringify(read);
    const time = (times.get(text) ?? 0) + 1;
    times.set(text, time);
    sets.push({ line, set: { ...read, id: uuidOf(`${text} ${time}`, NAMESPACE) } });
  });
  return { sets, faults };
}
