/** Whether this Mirrup is in order: each thing as a sentence, and what to do where it is not. */
import { existsSync } from "node:fs";
import { readdir, stat, statfs } from "node:fs/promises";
import { join } from "node:path";
import type pg from "pg";
import type { DatabaseUrls } from "../database/prepare.js";
import { knownSteps, unknownSteps } from "../database/schema-steps.js";
import { stepsOf, withClient } from "./backup.js";
import { BACKUP_ENDING } from "./backup-name.js";

export interface Finding {
  readonly isWell: boolean;
  readonly sentence: string;
}

const well = (sentence: string): Finding => ({ isWell: true, sentence });
const ill = (sentence: string): Finding => ({ isWell: false, sentence });

const DAYS_OLD = 7;
const LEAST_FREE_MB = 500;
const MB = 1e6;

async function schema(client: pg.Client): Promise<Finding> {
  const steps = await stepsOf(client).catch(() => []);
  if (unknownSteps(steps).length > 0) return ill("The database was made by a newer Mirrup. Start that one.");
  const missing = knownSteps().length - steps.length;
  if (missing > 0)
    return ill(`The database is ${missing} steps behind. Start Mirrup: it brings it up to date.`);
  return well("The database is up to date.");
}

/** Whether the server's own role can see more than the studio it works for. */
async function walls({ databaseUrl, databaseAdminUrl }: DatabaseUrls): Promise<Finding> {
  if (databaseUrl === databaseAdminUrl)
    return ill(
      "The server owns its tables, so that row-level security does not hold it. Set DATABASE_ADMIN_URL to the owner, and DATABASE_URL to a role of its own.",
    );
  const { rows } = await withClient(databaseUrl, (client) =>
    client.query<{ many: string }>("SELECT count(*) AS many FROM student"),
  );
  return Number(rows[0]?.many) === 0
    ? well("Row-level security holds: without a studio the server's role sees no student.")
    : ill("The server's role sees students without naming a studio. Take BYPASSRLS and ownership from it.");
}

async function owners(client: pg.Client): Promise<Finding> {
  const { rows } = await client.query<{ name: string }>(
    `SELECT name FROM studio WHERE NOT EXISTS (
       SELECT 1 FROM membership WHERE studio_id = studio.id AND role = 'owner') ORDER BY name`,
  );
  if (rows.length === 0) return well("Every studio has an owner.");
  const names = rows.map((row) => row.name).join(", ");
  return ill(`Without an owner: ${names}. Give it one: npm run mirrup -- make-owner E-MAIL --studio NAME.`);
}

async function disk(dataDir: string): Promise<Finding> {
  const { bavail, bsize } = await statfs(dataDir);
  const free = Math.floor((bavail * bsize) / MB);
  return free < LEAST_FREE_MB
    ? ill(`Only ${free} MB are free where the data are. Make room.`)
    : well(`${free} MB are free where the data are.`);
}

async function lastBackup(dataDir: string, now: Date): Promise<Finding> {
  const folder = join(dataDir, "backups");
  const files = existsSync(folder) ? await readdir(folder) : [];
  const made = await Promise.all(
    files
      .filter((name) => name.endsWith(BACKUP_ENDING))
      .map(async (name) => (await stat(join(folder, name))).mtime.getTime()),
  );
  const last = Math.max(...made);
  const how = "npm run mirrup -- backup";
  if (made.length === 0) return ill(`There is no backup in ${folder}. Make one: ${how}.`);
  const days = Math.floor((now.getTime() - last) / 86_400_000);
  return days > DAYS_OLD
    ? ill(`The last backup is ${days} days old. Make one: ${how}.`)
    : well(`The last backup is ${days === 0 ? "of today" : `${days} days old`}.`);
}

/** Looks at everything that can be looked at; what cannot is a finding too. */
export async function examine(urls: DatabaseUrls, dataDir: string, now: Date): Promise<readonly Finding[]> {
  const inDatabase = (look: (client: pg.Client) => Promise<Finding>) =>
    withClient(urls.databaseAdminUrl, look);
  const looks: readonly (() => Promise<Finding>)[] = [
    () => inDatabase(schema),
    () => walls(urls),
    () => inDatabase(owners),
    () => disk(dataDir),
    () => lastBackup(dataDir, now),
  ];
  const findings: Finding[] = [];
  for (const look of looks) {
    findings.push(
      await look().catch((error: unknown) => ill(`This could not be looked at: ${String(error)}`)),
    );
  }
  return findings;
}
