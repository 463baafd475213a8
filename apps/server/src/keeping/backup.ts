/**
 * A backup is a tar file of PostgreSQL's own dump and a manifest. All of it is from one moment, whatever is
 * written meanwhile: the counts and the dump read the same snapshot.
 */
import { randomUUID } from "node:crypto";
import { existsSync } from "node:fs";
import { mkdtemp, rename, rm, writeFile, chmod } from "node:fs/promises";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import pg from "pg";
import { create, extract } from "tar";
import { COUNTED, DUMP, MANIFEST, manifestOf, measureDump, readManifest, type Manifest } from "./manifest.js";
import { runProgram } from "./programs.js";
import { KeepingRefusal } from "./refusal.js";

/** Runs work with a folder that is gone afterwards. */
export async function withFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), "mirrup-backup-"));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Runs work with a connection of its own. */
export async function withClient<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** The steps of the schema that a database has, in order. */
export async function stepsOf(client: pg.Client): Promise<readonly string[]> {
  const { rows } = await client.query<{ name: string }>("SELECT name FROM migrations ORDER BY id");
  return rows.map((row) => row.name);
}

async function countsOf(client: pg.Client): Promise<Manifest["counts"]> {
  const entries: [string, number][] = [];
  for (const table of COUNTED) {
    const { rows } = await client.query<{ many: string }>(`SELECT count(*) AS many FROM ${table}`);
    entries.push([table, Number(rows[0]?.many)]);
  }
  return Object.fromEntries(entries) as Manifest["counts"];
}

/** Reads the database as it is at one moment into a folder, and says what is there. */
async function dump(adminUrl: string, folder: string): Promise<Pick<Manifest, "schema" | "counts">> {
  return withClient(adminUrl, async (client) => {
    await client.query("BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY");
    const { rows } = await client.query<{ id: string }>("SELECT pg_export_snapshot() AS id");
    const read = { schema: await stepsOf(client), counts: await countsOf(client) };
    await runProgram("pg_dump", [
      ...["--format=custom", "--no-owner", "--no-acl", `--snapshot=${rows[0]?.id}`],
      ...[`--file=${join(folder, DUMP)}`, adminUrl],
    ]);
    await client.query("COMMIT");
    return read;
  });
}

/**
 * Saves the database to a file that only its owner can read. Throws `KeepingRefusal` where there is such a file;
 * what fails leaves none behind.
 */
export async function makeBackup(
  adminUrl: string,
  file: string,
  { version, now }: { readonly version: string; readonly now: Date },
): Promise<Manifest> {
  if (existsSync(file)) throw new KeepingRefusal(`There is a file ${file} already. Give another name.`);
  if (!existsSync(dirname(file)))
    throw new KeepingRefusal(`There is no folder ${dirname(file)}. Make it first, or give another.`);
  return withFolder(async (folder) => {
    const read = await dump(adminUrl, folder);
    const measured = await measureDump(folder);
    const manifest = manifestOf({ madeAt: now.toISOString(), mirrup: version, ...read, dump: measured });
    await writeFile(join(folder, MANIFEST), `${JSON.stringify(manifest, null, 2)}\n`);
    const part = `${file}.${randomUUID()}.part`;
    try {
      await create({ cwd: folder, file: part, mode: 0o600, portable: true }, [MANIFEST, DUMP]);
      await chmod(part, 0o600);
      await rename(part, file);
    } finally {
      await rm(part, { force: true });
    }
    return manifest;
  });
}

/** Opens a backup in a folder of its own and checks that it is whole, before anything is done with it. */
export async function withBackup<T>(
  file: string,
  work: (manifest: Manifest, dumpFile: string) => Promise<T>,
): Promise<T> {
  if (!existsSync(file)) throw new KeepingRefusal(`There is no file ${file}.`);
  return withFolder(async (folder) => {
    try {
      await extract({
        file,
        cwd: folder,
        strict: true,
        filter: (path) => path === MANIFEST || path === DUMP,
      });
    } catch {
      throw new KeepingRefusal("This backup is damaged, or is none: it cannot be opened. Take another one.");
    }
    return work(await readManifest(folder), join(folder, DUMP));
  });
}
