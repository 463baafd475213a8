/**
 * Beside the server that listens already: works out from the log how students learn, and makes facts of older rules
 * anew before anybody asks for them. Whoever asks sooner has theirs made at once.
 */
import { setPriority } from "node:os";
import { DataSource } from "typeorm";
import { readConfig } from "../config/config.js";
import { databaseOptions } from "../database/data-source.js";
import { refitAll, refreshAll } from "../standings/index.js";

/** Whoever is in the hall goes first. */
const LATER = 10;

setPriority(LATER);
const database = await new DataSource(databaseOptions(readConfig(process.env).databaseAdminUrl)).initialize();
try {
  const keepOdds = (studioId: string) =>
    console.error(
      `How the students of studio ${studioId} learn could not be worked out; its odds stay as they were.`,
    );
  if ((await refitAll(database, new Date(), keepOdds)) > 0)
    console.log("Worked out from the log how its students learn; the odds go by that from now on.");
  const stale = await refreshAll(database);
  if (stale > 0) console.log(`Made the standings of ${stale} students anew from the log.`);
} finally {
  await database.destroy();
}
