import pg from "pg";
import { DataSource } from "typeorm";
import { databaseOptions } from "./data-source.js";
import { knownSteps, unknownSteps } from "./schema-steps.js";

export interface DatabaseUrls {
  /** The server's connection. */
  readonly databaseUrl: string;
  /** The owner's connection, for the schema. */
  readonly databaseAdminUrl: string;
}

/** The same server and role, for another of its databases. */
export function withDatabase(url: string, database: string): string {
  const changed = new URL(url);
  changed.pathname = `/${database}`;
  return changed.href;
}

/** The name of the database that an address leads to. */
export function databaseOf(url: string): string {
  return decodeURIComponent(new URL(url).pathname.slice(1));
}

async function withClient(url: string, work: (client: pg.Client) => Promise<void>): Promise<void> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 });
  await client.connect();
  try {
    await work(client);
  } finally {
    await client.end();
  }
}

/** Makes the database when the server has none of that name. */
async function ensureDatabase(adminUrl: string): Promise<void> {
  const name = databaseOf(adminUrl);
  await withClient(withDatabase(adminUrl, "postgres"), async (client) => {
    const found = await client.query("SELECT 1 FROM pg_database WHERE datname = $1", [name]);
    if (found.rowCount === 0) await client.query(`CREATE DATABASE ${pg.escapeIdentifier(name)}`);
  });
}

/** Makes the server's own role, which can read and write rows but owns nothing, and lets it do so. */
async function ensureAppRole({ databaseUrl, databaseAdminUrl }: DatabaseUrls): Promise<void> {
  const { username, password } = new URL(databaseUrl);
  const role = pg.escapeIdentifier(decodeURIComponent(username));
  const secret = pg.escapeLiteral(decodeURIComponent(password));
  await withClient(databaseAdminUrl, async (client) => {
    const found = await client.query("SELECT 1 FROM pg_roles WHERE rolname = $1", [
      decodeURIComponent(username),
    ]);
    const verb = found.rowCount === 0 ? "CREATE" : "ALTER";
    await client.query(`${verb} ROLE ${role} LOGIN NOBYPASSRLS NOSUPERUSER PASSWORD ${secret}`);
    await client.query(`GRANT USAGE ON SCHEMA public TO ${role}`);
    await client.query(`GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO ${role}`);
    // The log is added to and never changed; with a student it goes as the owner's, by its foreign key.
    await client.query(`REVOKE UPDATE, DELETE ON practice_set, decision FROM ${role}`);
  });
}

/** The database was made by a newer Mirrup, which keeps what this one would not. */
export class NewerSchemaError extends Error {
  constructor() {
    super("This database was made by a newer Mirrup. Start that one; this one leaves it as it is.");
  }
}

/** The steps of the schema that a database has; none for one that is empty. */
async function stepsDone(source: DataSource): Promise<readonly string[]> {
  const [found] = await source.query<readonly { readonly known: boolean }[]>(
    "SELECT to_regclass('public.migrations') IS NOT NULL AS known",
  );
  if (found?.known !== true) return [];
  const rows = await source.query<readonly { readonly name: string }[]>(
    "SELECT name FROM migrations ORDER BY id",
  );
  return rows.map((row) => row.name);
}

/**
 * Brings the database up to the present schema. With a separate owner, the database and the
 * server's role are made too; with one connection for both, that role must own its database. `beforeSteps` runs
 * before what is there is changed. Throws `NewerSchemaError` for a database of a newer Mirrup.
 */
export async function prepareDatabase(
  urls: DatabaseUrls,
  beforeSteps: () => Promise<void> = () => Promise.resolve(),
): Promise<void> {
  const separate = urls.databaseAdminUrl !== urls.databaseUrl;
  if (separate) await ensureDatabase(urls.databaseAdminUrl);
  const source = await new DataSource(databaseOptions(urls.databaseAdminUrl)).initialize();
  try {
    const done = await stepsDone(source);
    if (unknownSteps(done).length > 0) throw new NewerSchemaError();
    if (done.length > 0 && done.length < knownSteps().length) await beforeSteps();
    await source.runMigrations();
  } finally {
    await source.destroy();
  }
  if (separate) await ensureAppRole(urls);
}
