/**
 * Restoring goes into a database of its own, which takes the place of the old one only when all of it is there. The
 * old one is kept under another name.
 */
import { DataSource } from "typeorm";
import { databaseOptions } from "../database/data-source.js";
import { databaseOf, prepareDatabase, withDatabase, type DatabaseUrls } from "../database/prepare.js";
import { rebuildAll, refreshAll } from "../standings/index.js";
import { withBackup, withClient } from "./backup.js";
import { factsOf, type Facts } from "./facts.js";
import type { Manifest } from "./manifest.js";
import { runProgram } from "./programs.js";
import { KeepingRefusal } from "./refusal.js";
import { unknownSteps } from "../database/schema-steps.js";
import pg from "pg";

const quoted = (name: string) => pg.escapeIdentifier(name);

/** Runs work with a database of its own that a backup was read into, at the present schema; gone after a failure. */
async function withRestored<T>(
  urls: DatabaseUrls,
  name: string,
  file: string,
  work: (restored: DatabaseUrls, manifest: Manifest) => Promise<T>,
): Promise<T> {
  const { databaseAdminUrl, databaseUrl } = urls;
  const maintenance = withDatabase(databaseAdminUrl, "postgres");
  return withBackup(file, async (manifest, dumpFile) => {
    const [unknown] = unknownSteps(manifest.schema);
    if (unknown !== undefined)
      throw new KeepingRefusal(
        `This backup is from a newer Mirrup (${manifest.mirrup}). Install that one, and restore it there.`,
      );
    const restored = {
      databaseUrl: withDatabase(databaseUrl, name),
      databaseAdminUrl: withDatabase(databaseAdminUrl, name),
    };
    const drop = () =>
      withClient(maintenance, (client) =>
        client.query(`DROP DATABASE IF EXISTS ${quoted(name)} WITH (FORCE)`),
      );
    await withClient(maintenance, (client) =>
      client.query(`CREATE DATABASE ${quoted(name)} TEMPLATE template0`),
    );
    try {
      await runProgram("pg_restore", [
        ...["--exit-on-error", "--no-owner", "--no-acl", `--dbname=${restored.databaseAdminUrl}`, dumpFile],
      ]);
      await prepareDatabase(restored);
      return await work(restored, manifest);
    } catch (error) {
      await drop();
      throw error;
    }
  });
}

const stamp = (now: Date) => now.toISOString().replaceAll(/\D/g, "").slice(0, 14);

/** Gives a database the name of another, which is put away under a third; whoever is connected is cut off. */
async function takePlace(
  maintenance: string,
  fresh: string,
  current: string,
  kept: string,
): Promise<boolean> {
  return withClient(maintenance, async (client) => {
    const { rowCount } = await client.query("SELECT 1 FROM pg_database WHERE datname = $1", [current]);
    // Whoever is still connected keeps a database from being renamed.
    await client.query("SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = ANY ($1)", [
      [current, fresh],
    ]);
    await client.query("BEGIN");
    if (rowCount === 1) await client.query(`ALTER DATABASE ${quoted(current)} RENAME TO ${quoted(kept)}`);
    await client.query(`ALTER DATABASE ${quoted(fresh)} RENAME TO ${quoted(current)}`);
    await client.query("COMMIT");
    return rowCount === 1;
  });
}

/**
 * Puts a backup in the place of the database. Answers what it holds, and the name under which the old one is kept;
 * null where there was none.
 */
export async function restoreBackup(
  urls: DatabaseUrls,
  file: string,
  now: Date,
): Promise<{ readonly manifest: Manifest; readonly kept: string | null }> {
  const current = databaseOf(urls.databaseAdminUrl);
  const [fresh, kept] = [`${current}_restored_${stamp(now)}`, `${current}_before_${stamp(now)}`];
  return withRestored(urls, fresh, file, async (_restored, manifest) => {
    const had = await takePlace(withDatabase(urls.databaseAdminUrl, "postgres"), fresh, current, kept);
    return { manifest, kept: had ? kept : null };
  });
}

/** What a backup holds, and how many of its standings are not what its own log comes to. */
export interface Checked {
  readonly manifest: Manifest;
  readonly standings: number;
  readonly unlike: number;
}

/** Restores a backup beside the database, makes every standing anew from its log, and takes it away again. */
export async function checkBackup(urls: DatabaseUrls, file: string, now: Date): Promise<Checked> {
  const name = `${databaseOf(urls.databaseAdminUrl)}_check_${stamp(now)}`;
  const checked = await withRestored(urls, name, file, async (restored, manifest) => {
    const database = await new DataSource(databaseOptions(restored.databaseAdminUrl)).initialize();
    try {
      // What a change of the rules has not reached yet is no fault: nobody reads it before it has.
      await refreshAll(database);
      const before = await factsOf(database);
      await rebuildAll(database);
      const after = await factsOf(database);
      return { manifest, standings: after.size, unlike: differences(before, after) };
    } finally {
      await database.destroy();
    }
  });
  await withClient(withDatabase(urls.databaseAdminUrl, "postgres"), (client) =>
    client.query(`DROP DATABASE IF EXISTS ${quoted(name)} WITH (FORCE)`),
  );
  return checked;
}

function differences(before: Facts, after: Facts): number {
  const keys = new Set([...before.keys(), ...after.keys()]);
  return [...keys].filter((key) => before.get(key) !== after.get(key)).length;
}
