import { spawn, spawnSync } from "node:child_process";
import { Stop } from "./stop.mjs";

const children = new Set();
const endings = [];
let ending = null;

/** Registers what must be undone before this process ends; the last one registered goes first. */
export function atEnd(work) {
  endings.push(work);
}

/** Stops everything that was started, once. */
export function endAll() {
  ending ??= (async () => {
    for (const child of children) child.kill("SIGTERM");
    for (const work of endings.reverse()) await work().catch((error) => console.error(error.message));
  })();
  return ending;
}

/** Ends everything on Ctrl-C, SIGTERM or SIGHUP, with `exitCode`. */
export function endOnSignals(exitCode = 0) {
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) {
    process.on(signal, () => {
      void endAll().then(() => process.exit(exitCode));
    });
  }
}

export function isEnding() {
  return ending !== null;
}

/** Runs a command to its end, in the foreground. Answers its exit code; ended with this process. */
export function run(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: "inherit", ...options });
    children.add(child);
    child.on("error", reject);
    child.on("exit", (code, signal) => {
      children.delete(child);
      resolve(code ?? (signal === null ? 0 : 1));
    });
  });
}

/** Runs a command and stops with `sentence` when it fails. */
export async function runOrStop(sentence, command, args, options = {}) {
  const code = await run(command, args, options);
  if (code !== 0 && !isEnding()) throw new Stop(sentence);
}

/** The trimmed output of a short command, or null when it fails. */
export function outputOf(command, args, options = {}) {
  const { status, stdout } = spawnSync(command, args, { encoding: "utf8", ...options });
  return status === 0 ? stdout.trim() : null;
}

export function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === "EPERM";
  }
}

/** Waits until `child` has ended, asking with `signal` and insisting after `seconds`. */
export async function endChild(child, signal, seconds = 10) {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const ended = new Promise((resolve) => child.once("exit", resolve));
  child.kill(signal);
  const insist = setTimeout(() => child.kill("SIGKILL"), seconds * 1000);
  await ended;
  clearTimeout(insist);
}

export const sleep = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));
