/** A whole Mirrup of its own, on free ports, in a folder that goes away: for tests, pictures and the bench. */
import { randomUUID } from "node:crypto";
import { chmodSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { freePort } from "./ports.mjs";
import { DATABASE, programs, startPostgres } from "./postgres.mjs";
import { atEnd } from "./processes.mjs";
import { prepareDatabase, startServer } from "./server.mjs";

/** A throwaway PostgreSQL. */
export async function throwawayPostgres() {
  const dataDir = mkdtempSync(join(tmpdir(), "mirrup-"));
  chmodSync(dataDir, 0o755);
  const port = await freePort();
  const start = () => startPostgres({ dataDir, port, throwaway: true });
  let postgres = await start();
  atEnd(async () => {
    await postgres.stop();
    rmSync(dataDir, { recursive: true, force: true });
  });
  return {
    url: postgres.url,
    adminUrl: postgres.adminUrl,
    bin: await programs(join(dataDir, "postgres")),
    stop: () => postgres.stop(),
    restart: async () => {
      postgres = await start();
    },
  };
}

const FRESH = "mirrup_fresh";

/** Copies a database of a cluster, in place of what stands under that name. Nobody may be using either. */
async function copyDatabase(adminUrl, from, to) {
  // Not above: whoever imports this file may be about to install it.
  const { default: pg } = await import("pg");
  const client = new pg.Client({
    connectionString: Object.assign(new URL(adminUrl), { pathname: "/postgres" }).href,
  });
  await client.connect();
  try {
    await client.query(`DROP DATABASE IF EXISTS ${to} WITH (FORCE)`);
    await client.query(`CREATE DATABASE ${to} TEMPLATE ${from}`);
  } finally {
    await client.end();
  }
}

/** A throwaway Mirrup with the demo club. */
export async function throwawayStack({ demo = true, program = "main.js" } = {}) {
  const postgres = await throwawayPostgres();
  const port = await freePort();
  const env = {
    DATABASE_URL: postgres.url,
    DATABASE_ADMIN_URL: postgres.adminUrl,
    MIRRUP_HOST: "127.0.0.1",
    MIRRUP_PORT: String(port),
    MIRRUP_SESSION_SECRET: randomUUID(),
  };
  await prepareDatabase(env, { demo });
  await copyDatabase(postgres.adminUrl, DATABASE, FRESH);
  const start = () => startServer(env, program);
  let server = await start();
  atEnd(() => server.stop());
  return {
    address: `http://127.0.0.1:${port}`,
    postgres,
    server: () => server,
    stopServer: () => server.stop(),
    startServer: async () => {
      server = await start();
    },
    /** Has everything be as it was at first. */
    renew: async () => {
      await server.stop();
      await copyDatabase(postgres.adminUrl, FRESH, DATABASE);
      server = await start();
    },
  };
}

/** Signs in as the demo club's coach: the headers that every request then carries. */
export async function coachHeaders(address) {
  const reply = await fetch(`${address}/api/auth/demo`, { method: "POST" });
  const { memberships } = await reply.json();
  const cookie = reply.headers.getSetCookie()[0].split(";")[0];
  return { cookie, "x-mirrup-studio": memberships[0].studioId, "content-type": "application/json" };
}
