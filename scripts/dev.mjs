/** The server and the pages with reload, on Mirrup's own database. */
import { join } from "node:path";
import { spawn } from "node:child_process";
import { compile } from "./lib/build.mjs";
import { ensureNodeModules, ROOT } from "./lib/install.mjs";
import { takeLock } from "./lib/lock.mjs";
import { startPostgres } from "./lib/postgres.mjs";
import { atEnd, endAll, endChild, endOnSignals } from "./lib/processes.mjs";
import { prepareDatabase } from "./lib/server.mjs";
import { readSettings } from "./lib/settings.mjs";
import { main } from "./lib/stop.mjs";

const WEB_PORT = process.env.MIRRUP_WEB_PORT ?? "4311";

function keep(args, env, cwd = ROOT) {
  const child = spawn(process.execPath, args, { cwd, stdio: "inherit", env: { ...process.env, ...env } });
  atEnd(() => endChild(child, "SIGTERM"));
}

await main(async () => {
  const settings = readSettings(process.argv.slice(2));
  endOnSignals();
  const letGo = takeLock(settings.dataDir, `http://localhost:${WEB_PORT}`);
  atEnd(async () => letGo());
  try {
    await ensureNodeModules();
    await compile();
    const postgres = await startPostgres({ dataDir: settings.dataDir, port: settings.dbPort });
    atEnd(postgres.stop);
    const env = {
      DATABASE_URL: postgres.url,
      DATABASE_ADMIN_URL: postgres.adminUrl,
      MIRRUP_PORT: String(settings.port),
      MIRRUP_WEB_PORT: WEB_PORT,
    };
    await prepareDatabase(env, settings);
    keep(
      [
        join(ROOT, "node_modules/typescript7/bin/tsc"),
        "-b",
        "apps/server",
        "--watch",
        "--preserveWatchOutput",
      ],
      env,
    );
    keep(["--watch-path", join(ROOT, "apps/server/dist"), join(ROOT, "apps/server/dist/main.js")], env);
    keep([join(ROOT, "node_modules/vite/bin/vite.js")], env, join(ROOT, "apps/web"));
    console.log(`\nThe pages with reload are at http://localhost:${WEB_PORT}`);
  } catch (error) {
    await endAll();
    throw error;
  }
});
