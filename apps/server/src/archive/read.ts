/**
 * Reads a studio's archive back, out of a folder that it was unpacked into: first all of it is held against the
 * manifest and the contract, then it is written, in the one transaction of the scope.
 */
import { createHash } from "node:crypto";
import { createReadStream } from "node:fs";
import { readFile } from "node:fs/promises";
import { createInterface } from "node:readline";
import { join } from "node:path";
import Joi from "joi";
import { studioChange } from "@mirrup/contract/schemas";
import type { Scope } from "../database/scope.js";
import { isTimeZone } from "../studios/index.js";
import { BadArchiveProblem } from "../problems/problem.js";
import {
  tablesOf,
  FORMAT,
  linesFile,
  MANIFEST,
  STUDIO,
  STUDIO_COLUMNS,
  VERSION,
  type ArchivedTable,
  type Manifest,
  type Row,
} from "./tables.js";

const BATCH = 1000;
/** One line of a plan is long, and no line is longer. */
const LONGEST_LINE = 8_000_000;

async function textOf(folder: string, file: string): Promise<string> {
  try {
    return await readFile(join(folder, file), "utf8");
  } catch {
    throw new BadArchiveProblem(`It lacks ${file}. Save it anew where it came from.`);
  }
}

function parsed(text: string, file: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new BadArchiveProblem(`What stands in ${file} is damaged. Save it anew where it came from.`);
  }
}

const isRow = (value: unknown): value is Row =>
  typeof value === "object" && value !== null && !Array.isArray(value);

async function manifestOf(folder: string): Promise<Manifest> {
  const manifest = parsed(await textOf(folder, MANIFEST), MANIFEST);
  if (!isRow(manifest) || manifest.format !== FORMAT || !isRow(manifest.files))
    throw new BadArchiveProblem("It is no archive of a studio. Choose the file that a studio was saved to.");
  if (typeof manifest.version !== "number" || manifest.version > VERSION)
    throw new BadArchiveProblem("It was saved by a newer Mirrup. Install that one here, and read it again.");
  return manifest as unknown as Manifest;
}

/** The lines of a table, each with its number from 1. */
async function* linesOf(folder: string, { name }: ArchivedTable): AsyncGenerator<[number, string]> {
  const input = createReadStream(join(folder, linesFile(name)), "utf8");
  let number = 0;
  for await (const line of createInterface({ input, crlfDelay: Infinity })) {
    number += 1;
    if (line !== "") yield [number, line];
  }
}

function rowOf(table: ArchivedTable, number: number, line: string): Row {
  const place = `Line ${number} of ${linesFile(table.name)}`;
  if (line.length > LONGEST_LINE) throw new BadArchiveProblem(`${place} is too long.`);
  const row = parsed(line, linesFile(table.name));
  if (!isRow(row)) throw new BadArchiveProblem(`${place} is no row.`);
  const fault = table.fault?.(row);
  if (fault !== undefined) throw new BadArchiveProblem(`${place} does not fit: ${fault}.`);
  return row;
}

/** Holds a table's lines against the manifest and the contract. */
async function checkTable(folder: string, table: ArchivedTable, { files }: Manifest): Promise<void> {
  const said = files[table.name] ?? { rows: 0, sha256: "" };
  const file = linesFile(table.name);
  const hash = createHash("sha256");
  let rows = 0;
  try {
    for await (const chunk of createReadStream(join(folder, file))) hash.update(chunk as Buffer);
  } catch {
    throw new BadArchiveProblem(`It lacks ${file}. Save it anew where it came from.`);
  }
  if (hash.digest("hex") !== said.sha256)
    throw new BadArchiveProblem(
      `What stands in ${file} is not what was saved. Save it anew where it came from.`,
    );
  for await (const [number, line] of linesOf(folder, table)) {
    rowOf(table, number, line);
    rows += 1;
  }
  if (rows !== said.rows)
    throw new BadArchiveProblem(`${file} has ${rows} rows, and ${said.rows} were saved. Save it anew.`);
}

const numbers = Joi.object().pattern(Joi.string(), Joi.number()).required();
/** The numbers of a learner model, whatever build wrote them. */
const learnerModel = Joi.object({
  ...{ version: Joi.number().required(), startMiss: numbers, pace: numbers, shares: numbers },
  paceSpread: Joi.number().positive().required(),
  halfLifeDays: Joi.number().positive().required(),
  halfLifeTries: Joi.number().positive().required(),
})
  .unknown()
  .allow(null);

async function studioOf(folder: string, { files }: Manifest): Promise<Row> {
  const text = await textOf(folder, STUDIO);
  if (files.studio?.sha256 !== createHash("sha256").update(text).digest("hex"))
    throw new BadArchiveProblem(`What stands in ${STUDIO} is not what was saved. Save it anew.`);
  const studio = parsed(text, STUDIO);
  if (!isRow(studio)) throw new BadArchiveProblem(`What stands in ${STUDIO} is no studio.`);
  const { school, settings } = studio;
  const change = { version: 1, timeZone: studio.time_zone, school, settings };
  const { error } = studioChange.validate(change, { convert: false });
  if (error !== undefined) throw new BadArchiveProblem(`${STUDIO} does not fit: ${error.message}.`);
  if (!isTimeZone(String(studio.time_zone)))
    throw new BadArchiveProblem("This machine does not know its time zone.");
  const fault = learnerModel.validate(studio.model, { convert: false }).error;
  if (fault !== undefined) throw new BadArchiveProblem(`${STUDIO} does not fit: ${fault.message}.`);
  return studio;
}

export interface Checked {
  readonly studio: Row;
  /** Those that an archive of its version has. */
  readonly tables: readonly ArchivedTable[];
}

/** Checks all of an unpacked archive; answers what it says of the studio. Throws `BadArchiveProblem`. */
export async function checkArchive(folder: string): Promise<Checked> {
  const manifest = await manifestOf(folder);
  const studio = await studioOf(folder, manifest);
  const tables = tablesOf(manifest.version);
  for (const table of tables) await checkTable(folder, table, manifest);
  return { studio, tables };
}

/** Writes a checked archive into the scope's studio, which has nothing of its own. */
export async function readArchive(
  scope: Scope,
  folder: string,
  { studio, tables }: Checked,
): Promise<number> {
  let sets = 0;
  for (const table of tables) {
    let batch: Row[] = [];
    const write = async () => {
      if (batch.length > 0) await insert(scope, table, batch);
      batch = [];
    };
    for await (const [number, line] of linesOf(folder, table)) {
      batch.push(rowOf(table, number, line));
      if (table.name === "practice_set") sets += 1;
      if (batch.length >= BATCH) await write();
    }
    await write();
  }
  await checkTogether(scope);
  await scope.manager.query(
    `UPDATE studio SET (${STUDIO_COLUMNS.join(", ")}) =
       (SELECT ${STUDIO_COLUMNS.map((column) => `read.${column}`).join(", ")}
          FROM jsonb_populate_record(NULL::studio, $2) AS read),
       version = version + 1
     WHERE id = $1`,
    [scope.studio.id, JSON.stringify(studio)],
  );
  return sets;
}

/** What of the records of one child is held only once all of them are there. */
async function checkTogether({ manager, studio }: Scope): Promise<void> {
  await manager.query("SET CONSTRAINTS ALL IMMEDIATE");
  const [chained] = await manager.query<object[]>(
    `SELECT FROM student second JOIN student kept ON kept.studio_id = second.studio_id AND kept.id = second.same_as
       WHERE second.studio_id = $1 AND kept.same_as IS NOT NULL LIMIT 1`,
    [studio.id],
  );
  if (chained !== undefined)
    throw new BadArchiveProblem("A record in it is part of one that is itself a part. Save it anew.");
}

async function insert({ manager, studio }: Scope, table: ArchivedTable, rows: readonly Row[]): Promise<void> {
  const own = rows.map((row) => ({ ...row, ...table.without, studio_id: studio.id }));
  await manager.query(
    `INSERT INTO "${table.name}" SELECT * FROM jsonb_populate_recordset(NULL::"${table.name}", $1)`,
    [JSON.stringify(own)],
  );
}
