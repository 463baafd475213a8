/** Makes the standings of every studio anew from the log; as the owner, who sees them all. */
import { DataSource } from "typeorm";
import { readConfig } from "../config/config.js";
import { databaseOptions } from "../database/data-source.js";
import { rebuildAll } from "../standings/index.js";

const database = await new DataSource(databaseOptions(readConfig(process.env).databaseAdminUrl)).initialize();
try {
  await rebuildAll(database);
  console.log("The standings were made anew from the log.");
} finally {
  await database.destroy();
}
