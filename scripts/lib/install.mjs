import { createHash } from "node:crypto";
import { existsSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { outputOf, run, runOrStop } from "./processes.mjs";
import { Stop } from "./stop.mjs";

export const ROOT = new URL("../..", import.meta.url).pathname;

/** Whether npm itself was run here after the lockfile last changed. */
function installedByHand() {
  const npmStamp = join(ROOT, "node_modules", ".package-lock.json");
  return (
    existsSync(npmStamp) && statSync(npmStamp).mtimeMs >= statSync(join(ROOT, "package-lock.json")).mtimeMs
  );
}

/** Installs the npm packages when they are absent or older than the lockfile. */
export async function ensureNodeModules() {
  const lockfile = readFileSync(join(ROOT, "package-lock.json"));
  const wanted = createHash("sha256").update(lockfile).digest("hex");
  const stamp = join(ROOT, "node_modules", ".mirrup-lockfile");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === wanted) return;
  if (!existsSync(stamp) && installedByHand()) {
    writeFileSync(stamp, wanted);
    return;
  }
  console.log("Installing packages (a few minutes the first time) …");
  await runOrStop(
    "The packages could not be installed; what npm said is above. Check the network and start again.",
    "npm",
    ["ci", "--no-audit", "--no-fund"],
    { cwd: ROOT },
  );
  writeFileSync(stamp, wanted);
}

/** Installs a Debian package with root or sudo, or stops with the command to run. */
export async function installDebian(name) {
  const byHand = `sudo apt-get update && sudo apt-get install -y ${name}`;
  const root = process.getuid?.() === 0;
  if (outputOf("sh", ["-c", "command -v apt-get"]) === null) {
    throw new Stop(
      `Mirrup needs ${name}, and this machine has no apt-get. Install ${name} in its own way, then start again.`,
    );
  }
  if (!root && outputOf("sudo", ["-n", "true"]) === null) {
    throw new Stop(`Mirrup needs Debian's package ${name}. Run this, then start again:\n\n  ${byHand}`);
  }
  console.log(`Installing Debian's ${name} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  const apt = (args) => {
    const command = root
      ? ["apt-get", ...args]
      : ["sudo", "-n", "DEBIAN_FRONTEND=noninteractive", "apt-get", ...args];
    return run(command[0], command.slice(1), { env, stdio: ["ignore", "ignore", "inherit"] });
  };
  await apt(["update", "-qq"]);
  const code = await apt(["install", "-y", "-qq", "--no-install-recommends", name]);
  if (code !== 0)
    throw new Stop(`Debian's ${name} could not be installed. Run this, then start again:\n\n  ${byHand}`);
}

/** Where Debian's Chromium is; installed when missing. */
export async function ensureChromium() {
  const find = () => outputOf("sh", ["-c", "command -v chromium"]);
  if (find() === null) await installDebian("chromium");
  const found = find();
  if (found === null)
    throw new Stop("Chromium was installed but is not on the path. Check `command -v chromium`.");
  return found;
}
