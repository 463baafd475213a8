/** Starts Mirrup on data kept between runs, asks for the first page, and stops it: timed by the bench as a whole. */
import { spawn } from "node:child_process";
import { mkdirSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { freePort } from "./lib/ports.mjs";

const dataDir = join(tmpdir(), "mirrup-bench-start");
mkdirSync(dataDir, { recursive: true, mode: 0o755 });
const env = {
  ...process.env,
  MIRRUP_DATA: dataDir,
  MIRRUP_PORT: String(await freePort()),
  MIRRUP_DB_PORT: String(await freePort()),
};
const child = spawn(process.execPath, ["scripts/start.mjs"], { env, stdio: ["ignore", "pipe", "inherit"] });
child.stdout.on("data", (text) => {
  const address = /Mirrup is at (\S+)/.exec(text.toString())?.[1];
  if (address !== undefined)
    fetch(address)
      .then((page) => page.text())
      .finally(() => child.kill("SIGTERM"));
});
child.on("exit", (code) => process.exit(code ?? 1));
