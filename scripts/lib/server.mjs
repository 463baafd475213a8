import { spawn } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./install.mjs";
import { atEnd, endChild, runOrStop } from "./processes.mjs";
import { Stop } from "./stop.mjs";

/** Brings the schema up to date and loads the demo club into an empty database. */
export async function prepareDatabase(env, { demo }) {
  await runOrStop(
    "The database could not be brought up to date; the reason is above. Check that it runs and that its address is right.",
    process.execPath,
    [join(ROOT, "apps/server/dist/commands/prepare.js"), ...(demo ? [] : ["--no-demo"])],
    { env: { MIRRUP_VERSION: VERSION, ...process.env, ...env } },
  );
}

export const { version: VERSION } = JSON.parse(readFileSync(join(ROOT, "package.json"), "utf8"));

/** Memory that is free is otherwise taken before anything is tidied. Many times what the server needs. */
const HEAP = "--max-old-space-size=384";

/** Starts the server (or another of its programs) and answers when it listens. */
export async function startServer(env, program = "main.js") {
  const child = spawn(process.execPath, [HEAP, join(ROOT, "apps/server/dist", program)], {
    env: { MIRRUP_LOG_LEVEL: "warn", MIRRUP_VERSION: VERSION, ...process.env, ...env },
    // The channel tells when it listens, and tells the server when this process is gone.
    stdio: ["ignore", "inherit", "inherit", "ipc"],
  });
  await new Promise((resolve, reject) => {
    child.once("message", resolve);
    child.once("error", reject);
    child.once("exit", () => reject(new Stop("The server could not start; its reason is above.")));
  });
  return { child, stop: () => endChild(child, "SIGTERM") };
}

/** Lets what the log says of the studios be worked out beside the server; it ends by itself, or with everything. */
export function catchUp(env) {
  const child = spawn(process.execPath, [join(ROOT, "apps/server/dist/commands/catch-up.js")], {
    env: { ...process.env, ...env },
    stdio: ["ignore", "inherit", "inherit"],
  });
  // What it did not come to is made when somebody asks for it.
  child.once("error", () => undefined);
  atEnd(() => endChild(child, "SIGTERM"));
}
