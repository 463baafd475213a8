import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { isAlive } from "./processes.mjs";
import { Stop } from "./stop.mjs";

function isRunning(pid) {
  if (!isAlive(pid)) return false;
  const file = `/proc/${pid}/cmdline`;
  // The number may have gone to another program since.
  return !existsSync(file) || /scripts\/(start|dev|mirrup)\.mjs/.test(readFileSync(file, "utf8"));
}

/** Where a Mirrup runs on this data; null where none does. */
export function runningAt(dataDir) {
  const held = readLock(join(dataDir, "lock"));
  return held !== null && isRunning(held.pid) ? held.address : null;
}

/** Keeps a second Mirrup off the same data. A lock left by a killed run is taken over. Answers how to let go. */
export function takeLock(dataDir, address) {
  mkdirSync(dataDir, { recursive: true });
  const file = join(dataDir, "lock");
  const content = JSON.stringify({ pid: process.pid, address });
  const write = () => writeFileSync(file, content, { flag: "wx" });
  try {
    write();
  } catch (error) {
    if (error.code !== "EEXIST") {
      throw new Stop(
        `Mirrup cannot write to ${dataDir} (${error.code}). Set MIRRUP_DATA to a folder that it may write to.`,
      );
    }
    const held = readLock(file);
    if (held !== null && isRunning(held.pid)) {
      throw new Stop(
        `Mirrup is running already, at ${held.address} (process ${held.pid}). Open that, or stop it first.`,
      );
    }
    rmSync(file, { force: true });
    write();
  }
  return () => rmSync(file, { force: true });
}

function readLock(file) {
  try {
    return JSON.parse(readFileSync(file, "utf8"));
  } catch {
    return null;
  }
}
