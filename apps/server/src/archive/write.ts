/**
 * Writes a studio as files into a folder: a table's rows as lines of JSON, to be read back, and as a sheet, to be
 * looked at. Page by page along each key, so that a log of a million sets asks for as much memory as one of a thousand.
 */
import { stringify } from "csv-stringify/sync";
import { createHash, type Hash } from "node:crypto";
import { createWriteStream, type WriteStream } from "node:fs";
import { mkdir, writeFile } from "node:fs/promises";
import { once } from "node:events";
import { dirname, join } from "node:path";
import { finished } from "node:stream/promises";
import type { Scope } from "../database/scope.js";
import {
  ARCHIVED,
  FORMAT,
  linesFile,
  MANIFEST,
  sheetFile,
  STUDIO,
  STUDIO_COLUMNS,
  VERSION,
  type ArchivedFile,
  type ArchivedTable,
  type Manifest,
  type Row,
} from "./tables.js";

const PAGE = 2000;

/** A file that says what it holds by its hash. */
class Written {
  readonly hash: Hash = createHash("sha256");
  private readonly stream: WriteStream;

  constructor(path: string) {
    this.stream = createWriteStream(path, { mode: 0o600 });
  }

  async write(text: string): Promise<void> {
    this.hash.update(text);
    // Not faster than the disk takes it: what waits would stand in memory.
    if (!this.stream.write(text)) await once(this.stream, "drain");
  }

  async end(): Promise<string> {
    this.stream.end();
    await finished(this.stream);
    return this.hash.digest("hex");
  }
}

/** A page of a table's rows as JSON, behind a row's key; as many statements as there are pages. */
async function pageAfter(
  { manager, studio }: Scope,
  { name, key, without }: ArchivedTable,
  after: readonly string[] | null,
): Promise<readonly { readonly line: string; readonly row: Row; readonly place: readonly string[] }[]> {
  const columns = key.map((column) => `"${column}"`).join(", ");
  const behind =
    after === null ? "" : `AND (${columns}) > (${after.map((_, place) => `$${place + 4}`).join(", ")})`;
  const rows = await manager.query<{ line: string; place: readonly string[] }[]>(
    `SELECT (to_jsonb(one) - $2::text[])::text AS line, ARRAY[${key.map((column) => `"${column}"::text`).join(", ")}] AS place
       FROM "${name}" AS one WHERE studio_id = $1 ${behind} ORDER BY ${columns} LIMIT $3`,
    [studio.id, ["studio_id", ...Object.keys(without)], PAGE, ...(after ?? [])],
  );
  return rows.map(({ line, place }) => ({ line, place, row: JSON.parse(line) as Row }));
}

/** A row's cells: what is no plain value stands as JSON. */
const cellsOf = (row: Row, columns: readonly string[]) =>
  columns.map((column) => {
    const value = row[column];
    if (value === null || value === undefined) return "";
    return typeof value === "string" ? value : JSON.stringify(value);
  });

async function writeTable(scope: Scope, folder: string, table: ArchivedTable): Promise<ArchivedFile> {
  const lines = new Written(join(folder, linesFile(table.name)));
  const sheet = new Written(join(folder, sheetFile(table.name)));
  let columns: readonly string[] | null = null;
  let rows = 0;
  for (let after: readonly string[] | null = null; ;) {
    const page = await pageAfter(scope, table, after);
    const [first] = page;
    if (first === undefined) break;
    if (columns === null) {
      columns = Object.keys(first.row);
      await sheet.write(stringify([[...columns]], { record_delimiter: "windows" }));
    }
    const named = columns;
    await lines.write(page.map(({ line }) => `${line}\n`).join(""));
    // A spreadsheet would run what begins like a formula.
    const cells = page.map(({ row }) => cellsOf(row, named));
    await sheet.write(stringify(cells, { escape_formulas: true, record_delimiter: "windows" }));
    rows += page.length;
    after = page.at(-1)?.place ?? null;
    if (page.length < PAGE) break;
  }
  await sheet.end();
  return { rows, sha256: await lines.end() };
}

/** Writes all of a studio, as it is at the scope's moment, into an empty folder; answers the files' names. */
export async function writeArchive(scope: Scope, folder: string): Promise<readonly string[]> {
  const [first] = ARCHIVED;
  if (first === undefined) return [];
  for (const file of [linesFile(first.name), sheetFile(first.name)])
    await mkdir(dirname(join(folder, file)), { recursive: true });
  const files: Record<string, ArchivedFile> = {};
  for (const table of ARCHIVED) files[table.name] = await writeTable(scope, folder, table);
  const [studio] = await scope.manager.query<{ line: string }[]>(
    `SELECT (SELECT jsonb_object_agg(key, value) FROM jsonb_each(to_jsonb(one)) WHERE key = ANY ($2))::text AS line
       FROM studio AS one WHERE id = $1`,
    [scope.studio.id, STUDIO_COLUMNS],
  );
  const own = new Written(join(folder, STUDIO));
  await own.write(studio?.line ?? "{}");
  files.studio = { rows: 1, sha256: await own.end() };
  const manifest: Manifest = { format: FORMAT, version: VERSION, madeAt: scope.now.toISOString(), files };
  await writeFile(join(folder, MANIFEST), JSON.stringify(manifest, null, 2), { mode: 0o600 });
  return [MANIFEST, STUDIO, ...ARCHIVED.flatMap(({ name }) => [linesFile(name), sheetFile(name)])];
}
