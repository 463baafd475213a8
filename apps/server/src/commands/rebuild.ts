/** Makes the standings of every studio anew from the log; as the owner, who sees them all. */
import { DataSource } from "typeorm";
import { readConfig } from "../config/config.js";
import { databaseOptions } from "../database/data-source.js";
import { rebuildStudios, studiosToRebuild } from "../standings/index.js";

const database = await new DataSource(databaseOptions(readConfig(process.env).databaseAdminUrl)).initialize();
try {
  await rebuildStudios(database, await studiosToRebuild(database, true));
  console.log("The standings were made anew from the log.");
} finally {
  await database.destroy();
}
