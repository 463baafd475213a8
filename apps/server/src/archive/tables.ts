/**
 * What of a studio an archive holds, in the order in which it can be read back: what people wrote and counted. What is
 * worked out of that is made anew; accounts, secrets and what is only of the moment stay behind.
 */
import {
  combosRequest,
  decisionsRequest,
  jumpRequest,
  lessonPlan,
  overlayEntry,
  setRequest,
  studentProfile,
} from "@mirrup/contract/schemas";
import type { Topic } from "@mirrup/contract";
import type Joi from "joi";

export interface ArchivedTable {
  readonly name: string;
  /** Its key within the studio. */
  readonly key: readonly string[];
  /** Columns that are not handed out, with what stands in them when it is read back. */
  readonly without: Readonly<Record<string, unknown>>;
  /** What is wrong with a row that the database itself would take; undefined for nothing. */
  readonly fault?: (row: Row) => string | undefined;
  /** The version of archives that has it first; every one where nothing is said. */
  readonly since?: number;
}

export type Row = Readonly<Record<string, unknown>>;

const faultOf = (schema: Joi.Schema, value: unknown): string | undefined =>
  schema.validate(value, { convert: false, allowUnknown: true }).error?.message;

/** A set as the contract has it: what stands in a column as null is not said there. */
function setFault(row: Row): string | undefined {
  const said = Object.fromEntries(
    ["seconds", "said", "ticks"].flatMap((name) => (row[name] === null ? [] : [[name, row[name]]])),
  );
  const { id, subject, side, drill, clean, misses } = row;
  return faultOf(setRequest, {
    ...{ id, subject, side, drill, clean, misses, ...said },
    ...{ studentId: row.student_id, bestStreak: row.best_streak, countedBy: row.counted_by },
    at: row.happened_at,
  });
}

function decisionFault(row: Row): string | undefined {
  const { id, subject, side, decision, reason } = row;
  const at = row.happened_at;
  const one = { id, studentId: row.student_id, subject, side, decision, reason, at };
  return faultOf(decisionsRequest, { decisions: [one] });
}

function jumpFault({ id, turns, landings, way, removed, ...row }: Row): string | undefined {
  return faultOf(jumpRequest, {
    ...{ id, turns, landings, way, removed, heightMm: row.height_mm, contactMs: row.contact_ms },
    measuredAt: row.measured_at,
  });
}

function overlayFault({ entries }: Row): string | undefined {
  const all = typeof entries === "object" && entries !== null ? Object.values(entries) : [null];
  return all.map((entry) => faultOf(overlayEntry, entry)).find((fault) => fault !== undefined);
}

function studentFault(row: Row): string | undefined {
  const { name, goals, school, settings, notes, cautions } = row;
  return faultOf(studentProfile, {
    ...{ name, goals, school, settings, notes, cautions, birthYear: row.birth_year },
    ...{ yearsJumping: row.years_jumping, heightMm: row.height_mm, dominantHand: row.dominant_hand },
    ...{ strongerSide: row.stronger_side, ropeKind: row.rope_kind, ropeLengthMm: row.rope_length_mm },
    ...{ ropeUse: row.rope_use, homeStep: row.home_step },
  });
}

function comboFault({ id, name, parts }: Row): string | undefined {
  return faultOf(combosRequest, { combos: [{ id, name, parts }] });
}

function lessonFault({ plan }: Row): string | undefined {
  return plan === null ? undefined : faultOf(lessonPlan, plan);
}

const NOTHING = {};

export const ARCHIVED: readonly ArchivedTable[] = [
  { name: "studio_overlay", key: ["id"], without: { person_id: null }, fault: overlayFault },
  { name: "student", key: ["id"], without: { facts_rules: "", facts_edition: 0 }, fault: studentFault },
  { name: "deleted_student", key: ["id_hash"], without: NOTHING },
  { name: "student_group", key: ["id"], without: NOTHING },
  { name: "group_member", key: ["group_id", "student_id"], without: NOTHING },
  { name: "student_pair", key: ["one_id", "other_id"], without: NOTHING },
  { name: "combo", key: ["id"], without: { link_hash: null, linked_at: null }, fault: comboFault },
  { name: "lesson", key: ["id"], without: NOTHING, fault: lessonFault },
  { name: "lesson_student", key: ["lesson_id", "student_id"], without: NOTHING },
  { name: "practice_set", key: ["id"], without: { person_id: null }, fault: setFault },
  { name: "set_note", key: ["set_id"], without: NOTHING },
  { name: "decision", key: ["id"], without: { person_id: null }, fault: decisionFault },
  { name: "early_stop", key: ["student_id", "day"], without: NOTHING },
  { name: "jump", key: ["student_id", "id"], without: NOTHING, fault: jumpFault, since: 2 },
];

/** What of the studio itself goes along; its name stays that of where it is read. */
export const STUDIO_COLUMNS = [
  ...["time_zone", "school", "settings", "model", "model_sets", "model_at", "overlay_id"],
] as const;

/** What of a studio is another once an archive was read. */
export const TOUCHED: readonly Topic[] = [
  ...(["studio", "catalogue", "students", "groups", "lessons", "combos", "pairs"] as const),
];

export const FORMAT = "mirrup-studio";
export const VERSION = 2;
/** The tables that an archive of a version has. */
export const tablesOf = (version: number): readonly ArchivedTable[] =>
  ARCHIVED.filter(({ since = 1 }) => since <= version);
export const MANIFEST = "manifest.json";
export const STUDIO = "studio.json";
/** Where a table's lines and its sheet stand. */
export const linesFile = (name: string) => `lines/${name}.jsonl`;
export const sheetFile = (name: string) => `sheets/${name}.csv`;

export interface ArchivedFile {
  readonly rows: number;
  readonly sha256: string;
}

export interface Manifest {
  readonly format: string;
  readonly version: number;
  readonly madeAt: string;
  /** Of the lines that are read back, by the table's name; of the studio's own under `studio`. */
  readonly files: Readonly<Record<string, ArchivedFile>>;
}
