/** Brings the database up to date and, unless told not to, loads the demo club into an empty one. */
import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { DataSource } from "typeorm";
import { readConfig } from "../config/config.js";
import { databaseOptions } from "../database/data-source.js";
import { NewerSchemaError, prepareDatabase } from "../database/prepare.js";
import { backupName, KeepingRefusal, makeBackup } from "../keeping/index.js";
import { loadDemo } from "../demo/index.js";

const config = readConfig(process.env);

/** What an older Mirrup kept is saved before this one changes its shape. */
async function saveBefore(): Promise<void> {
  const folder = process.env.MIRRUP_BACKUPS;
  if (folder === undefined) return;
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const now = new Date();
  const file = join(folder, backupName(now, "before-update"));
  await makeBackup(config.databaseAdminUrl, file, { version: config.version, now });
  console.log(`Saved what is there to ${file} before it is brought up to date.`);
}

try {
  await prepareDatabase(config, saveBefore);
} catch (error) {
  if (!(error instanceof NewerSchemaError) && !(error instanceof KeepingRefusal)) throw error;
  console.error(error.message);
  process.exit(1);
}
if (!process.argv.includes("--no-demo")) {
  const database = await new DataSource(databaseOptions(config.databaseAdminUrl)).initialize();
  try {
    if (await loadDemo(database, new Date())) console.log("Loaded the demo club.");
  } finally {
    await database.destroy();
  }
}
