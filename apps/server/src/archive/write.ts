/**
 * Writes a studio as files into a folder: a table's rows as lines of JSON, to be read back, and as a sheet, to be
 * looked at. Page by page, so that a log of a million sets asks for as much memory as one of a thousand.
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

/** What may stand in a statement as it is. */
const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
const CURSOR = "archived";

/**
 * A table's rows as JSON, page by page in the order of their key, by a cursor: what is asked of the database stays as
 * much a page however long the table is.
 */
async function* pagesOf(
  { manager, studio }: Scope,
  { name, key, without }: ArchivedTable,
): AsyncGenerator<readonly string[]> {
  if (!UUID.test(studio.id)) throw new RangeError("The studio's id is none.");
  const columns = key.map((column) => `"${column}"`).join(", ");
  const left = ["studio_id", ...Object.keys(without)].map((column) => `'${column}'`).join(", ");
  await manager.query(
    `DECLARE ${CURSOR} NO SCROLL CURSOR FOR
     SELECT (to_jsonb(one) - ARRAY[${left}])::text AS line
       FROM (SELECT * FROM "${name}" WHERE studio_id = '${studio.id}' ORDER BY ${columns}) AS one`,
  );
  for (;;) {
    const rows = await manager.query<{ line: string }[]>(`FETCH ${PAGE} FROM ${CURSOR}`);
    if (rows.length > 0) yield rows.map(({ line }) => line);
    if (rows.length < PAGE) break;
  }
  await manager.query(`CLOSE ${CURSOR}`);
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
  for await (const page of pagesOf(scope, table)) {
    const read = page.map((line) => JSON.parse(line) as Row);
    const named: readonly string[] = columns ?? Object.keys(read[0] ?? {});
    if (columns === null) await sheet.write(stringify([[...named]], { record_delimiter: "windows" }));
    columns = named;
    await lines.write(page.map((line) => `${line}\n`).join(""));
    // A spreadsheet would run what begins like a formula.
    const cells = read.map((row) => cellsOf(row, named));
    await sheet.write(stringify(cells, { escape_formulas: true, record_delimiter: "windows" }));
    rows += page.length;
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
