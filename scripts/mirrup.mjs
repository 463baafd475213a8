/**
 * `npm run mirrup -- …` (with --help): runs what is asked on the database that Mirrup runs on, which is started for
 * it where it does not run.
 */
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { buildIfStale } from "./lib/build.mjs";
import { ensureNodeModules, ROOT } from "./lib/install.mjs";
import { runningAt, takeLock } from "./lib/lock.mjs";
import { knownPostgres, programs, startPostgres } from "./lib/postgres.mjs";
import { atEnd, endAll, endOnSignals } from "./lib/processes.mjs";
import { VERSION } from "./lib/server.mjs";
import { readSettings } from "./lib/settings.mjs";
import { main } from "./lib/stop.mjs";

/** The database's two addresses, and whether Mirrup runs on it now. */
async function reach({ dataDir, dbPort, databaseUrl, address }) {
  if (databaseUrl !== null) return { DATABASE_URL: databaseUrl };
  const bin = await programs(join(dataDir, "postgres"));
  if (runningAt(dataDir) !== null) {
    const { url, adminUrl } = knownPostgres(dataDir, dbPort);
    return { DATABASE_URL: url, DATABASE_ADMIN_URL: adminUrl, MIRRUP_PG_BIN: bin, MIRRUP_RUNS: "1" };
  }
  const letGo = takeLock(dataDir, address);
  atEnd(async () => letGo());
  const postgres = await startPostgres({ dataDir, port: dbPort });
  atEnd(postgres.stop);
  return { DATABASE_URL: postgres.url, DATABASE_ADMIN_URL: postgres.adminUrl, MIRRUP_PG_BIN: bin };
}

await main(async () => {
  const settings = readSettings([]);
  endOnSignals(1);
  try {
    await ensureNodeModules();
    await buildIfStale();
    const database = await reach(settings);
    const env = { ...process.env, ...database, MIRRUP_DATA: settings.dataDir, MIRRUP_VERSION: VERSION };
    const file = join(ROOT, "apps/server/dist/commands/mirrup.js");
    const { status } = spawnSync(process.execPath, [file, ...process.argv.slice(2)], {
      env,
      stdio: "inherit",
    });
    process.exitCode = status ?? 1;
  } finally {
    await endAll();
  }
});
