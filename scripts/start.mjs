/** Installs what is missing, starts the database and the server, and stops both on Ctrl-C. */
import { join } from "node:path";
import { buildIfStale } from "./lib/build.mjs";
import { ensureNodeModules } from "./lib/install.mjs";
import { takeLock } from "./lib/lock.mjs";
import { listenFault } from "./lib/ports.mjs";
import { programs, readSecrets, startPostgres } from "./lib/postgres.mjs";
import { atEnd, endAll, endOnSignals, isEnding } from "./lib/processes.mjs";
import { catchUp, prepareDatabase, startServer } from "./lib/server.mjs";
import { readSettings } from "./lib/settings.mjs";
import { main, Stop } from "./lib/stop.mjs";

function portSentence(fault, { port, host }) {
  switch (fault) {
    case "EADDRINUSE":
      return `Port ${port} is in use by another program. Stop it, or set MIRRUP_PORT to a free port.`;
    case "EACCES":
      return `This user may not listen on port ${port}. Set MIRRUP_PORT to one above 1023.`;
    default:
      return `Mirrup cannot listen at ${host}:${port} (${fault}). Check MIRRUP_HOST and MIRRUP_PORT.`;
  }
}

async function start() {
  const settings = readSettings(process.argv.slice(2));
  endOnSignals();
  const letGo = takeLock(settings.dataDir, settings.address);
  atEnd(async () => letGo());
  const fault = await listenFault(settings.port, settings.host);
  if (fault !== null) throw new Stop(portSentence(fault, settings));
  await ensureNodeModules();
  if (isEnding()) return;
  await buildIfStale();
  if (isEnding()) return;
  const database = settings.databaseUrl === null ? await ownDatabase(settings) : givenDatabase(settings);
  const env = {
    MIRRUP_SESSION_SECRET: readSecrets(settings.dataDir).session,
    ...database,
    MIRRUP_HOST: settings.host,
    MIRRUP_PORT: String(settings.port),
  };
  await prepareDatabase({ ...env, MIRRUP_BACKUPS: join(settings.dataDir, "backups") }, settings);
  if (isEnding()) return;
  await ownServer(env);
  console.log(`\nMirrup is at ${settings.address}\nPress Ctrl-C to stop.`);
  catchUp(env);
}

async function stopWith(sentence) {
  if (isEnding()) return;
  console.error(`\n${sentence}\n`);
  await endAll();
  process.exit(1);
}

/** So many times within so long a server that stops by itself is started again. */
const MOST_STARTS = 5;
const WITHIN_MS = 60_000;

/** Starts the server and, should it ever stop by itself, starts it again. */
async function ownServer(env) {
  let server = await startServer(env);
  let starts = [];
  const again = async () => {
    if (isEnding()) return;
    const now = Date.now();
    starts = [...starts.filter((at) => now - at < WITHIN_MS), now];
    if (starts.length > MOST_STARTS) {
      await stopWith(
        "The server stops by itself again and again; its reason is above. Nothing stored is lost.",
      );
      return;
    }
    console.error("The server stopped by itself; its reason is above. Starting it again …");
    try {
      server = await startServer(env);
      watch();
    } catch {
      await again();
    }
  };
  const watch = () => server.child.once("exit", () => void again());
  watch();
  atEnd(() => server.stop());
}

/** Starts the database and, should it ever stop by itself, starts it again. */
async function ownDatabase({ dataDir, dbPort }) {
  const options = { dataDir, port: dbPort };
  let postgres = await startPostgres(options);
  const watch = () =>
    postgres.child.once("exit", () => {
      if (isEnding()) return;
      console.error("The database stopped by itself. Starting it again …");
      startPostgres(options).then(
        (again) => {
          postgres = again;
          watch();
        },
        (error) => stopWith(error.message),
      );
    });
  watch();
  atEnd(() => postgres.stop());
  const bin = await programs(join(dataDir, "postgres"));
  return { DATABASE_URL: postgres.url, DATABASE_ADMIN_URL: postgres.adminUrl, MIRRUP_PG_BIN: bin };
}

function givenDatabase({ databaseUrl }) {
  return { DATABASE_URL: databaseUrl };
}

await main(async () => {
  try {
    await start();
  } catch (error) {
    if (isEnding()) return;
    await endAll();
    throw error;
  }
});
