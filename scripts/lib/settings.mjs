import { existsSync } from "node:fs";
import { resolve } from "node:path";
import { ROOT } from "./install.mjs";
import { Stop } from "./stop.mjs";

function portOf(name, fallback) {
  const text = process.env[name] ?? String(fallback);
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65_535) {
    throw new Stop(`${name} is "${text}". Set it to a whole number from 1 to 65535.`);
  }
  return port;
}

/** What the start script takes from its options and the environment. */
export function readSettings(args) {
  const unknown = args.filter((arg) => arg !== "--no-demo");
  if (unknown.length > 0) throw new Stop(`"${unknown[0]}" is not an option. The only one is --no-demo.`);
  const { MIRRUP_TLS_CERT: cert, MIRRUP_TLS_KEY: key } = process.env;
  if ((cert === undefined) !== (key === undefined)) {
    throw new Stop("For https set both MIRRUP_TLS_CERT and MIRRUP_TLS_KEY, each to a PEM file.");
  }
  for (const file of [cert, key]) {
    if (file !== undefined && !existsSync(file))
      throw new Stop(`There is no file ${file}. Check MIRRUP_TLS_CERT and MIRRUP_TLS_KEY.`);
  }
  const host = process.env.MIRRUP_HOST ?? "127.0.0.1";
  const port = portOf("MIRRUP_PORT", 4310);
  const shown = ["0.0.0.0", "::", "127.0.0.1"].includes(host) ? "localhost" : host;
  return {
    host,
    port,
    dbPort: portOf("MIRRUP_DB_PORT", 54329),
    dataDir: resolve(ROOT, process.env.MIRRUP_DATA ?? ".mirrup"),
    databaseUrl: process.env.DATABASE_URL ?? null,
    demo: !args.includes("--no-demo"),
    address: `${cert === undefined ? "http" : "https"}://${shown}:${port}`,
  };
}
