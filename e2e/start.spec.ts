import { expect, test } from "@playwright/test";
import { spawn, type ChildProcess } from "node:child_process";
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { freePort } from "../scripts/lib/ports.mjs";
import { isAlive } from "../scripts/lib/processes.mjs";

const KEEPER = new URL("../scripts/mirrup.mjs", import.meta.url).pathname;
const SCRIPT = new URL("../scripts/start.mjs", import.meta.url).pathname;

interface Started {
  readonly child: ChildProcess;
  readonly output: () => string;
  readonly ended: Promise<number | null>;
}

let dataDir: string;
let env: NodeJS.ProcessEnv;
const children: ChildProcess[] = [];

test.beforeEach(async () => {
  dataDir = mkdtempSync(join(tmpdir(), "mirrup-start-"));
  chmodSync(dataDir, 0o755);
  const [port, dbPort] = [await freePort(), await freePort()];
  env = { ...process.env, MIRRUP_DATA: dataDir, MIRRUP_PORT: String(port), MIRRUP_DB_PORT: String(dbPort) };
});

test.afterEach(async () => {
  for (const child of children) child.kill("SIGKILL");
  await expect.poll(() => databasePid() ?? 0).toBe(0);
  rmSync(dataDir, { recursive: true, force: true });
});

function databasePid(): number | null {
  const file = join(dataDir, "postgres/postmaster.pid");
  if (!existsSync(file)) return null;
  const pid = Number(readFileSync(file, "utf8").split("\n")[0]);
  return isAlive(pid) ? pid : null;
}

/** The process that answers the browser. */
function serverPid({ child }: Started): number {
  const ids = readFileSync(`/proc/${child.pid}/task/${child.pid}/children`, "utf8").trim().split(" ");
  const runs = (pid: string) => readFileSync(`/proc/${pid}/cmdline`, "utf8").includes("server/dist/main.js");
  return Number(ids.find(runs));
}

const start = (...args: readonly string[]) => run(SCRIPT, args);
/** What the owner asks of the program that keeps Mirrup. */
const keep = (...args: readonly string[]) => run(KEEPER, args);

function run(script: string, args: readonly string[]): Started {
  const child = spawn(process.execPath, [script, ...args], { env, stdio: ["ignore", "pipe", "pipe"] });
  children.push(child);
  let output = "";
  child.stdout.on("data", (text: Buffer) => (output += text.toString()));
  child.stderr.on("data", (text: Buffer) => (output += text.toString()));
  const ended = new Promise<number | null>((resolve) => child.once("exit", resolve));
  return { child, output: () => output, ended };
}

const isUp = (started: Started) =>
  expect.poll(started.output, { timeout: 45_000 }).toContain("Mirrup is at http");
/** How many students the demo club's coach sees; undefined where there is no demo club. */
const students = async () => {
  const address = `http://127.0.0.1:${env.MIRRUP_PORT ?? ""}/api`;
  const signIn = await fetch(`${address}/auth/demo`, { method: "POST" });
  const { memberships } = (await signIn.json()) as { memberships?: { studioId: string }[] };
  const studio = memberships?.[0]?.studioId;
  if (studio === undefined) return undefined;
  const cookie = signIn.headers.getSetCookie()[0]?.split(";")[0] ?? "";
  const reply = await fetch(`${address}/students`, { headers: { cookie, "x-mirrup-studio": studio } });
  return ((await reply.json()) as { items?: unknown[] }).items?.length;
};

const DEMO_STUDENTS = 24;

test("starts, refuses to start twice, stops all of it on SIGTERM, and is kept in a backup", async () => {
  const first = start();
  await isUp(first);
  expect(await students()).toBe(DEMO_STUDENTS);
  const second = start();
  expect(await second.ended).toBe(1);
  expect(second.output()).toContain("Mirrup is running already");
  const file = join(dataDir, "kept.mirrup-backup");
  const saving = keep("backup", file, "--check");
  expect([await saving.ended, saving.output()]).toEqual([
    0,
    expect.stringContaining("The backup is whole: 24"),
  ]);
  const early = keep("restore", file);
  expect([await early.ended, early.output()]).toEqual([
    1,
    expect.stringContaining("Mirrup is running. Stop it"),
  ]);
  const pid = databasePid() ?? 0;
  first.child.kill("SIGTERM");
  expect(await first.ended).toBe(0);
  expect(isAlive(pid)).toBe(false);
  expect(existsSync(join(dataDir, "lock"))).toBe(false);

  // Another machine, where there is nothing yet.
  rmSync(join(dataDir, "postgres"), { recursive: true });
  const restoring = keep("restore", file);
  expect([await restoring.ended, restoring.output()]).toEqual([
    0,
    expect.stringContaining("Restored what was saved"),
  ]);
  expect(databasePid()).toBeNull();
  const again = start("--no-demo");
  await isUp(again);
  expect(await students()).toBe(DEMO_STUDENTS);
  again.child.kill("SIGTERM");
  expect(await again.ended).toBe(0);
});

test("recovers from a run that was killed, with its data, and brings a killed database and a killed server back", async () => {
  const killed = start();
  await isUp(killed);
  const left = databasePid() ?? 0;
  killed.child.kill("SIGKILL");
  await killed.ended;
  expect(isAlive(left)).toBe(true);
  await expect
    .poll(() => fetch(`http://127.0.0.1:${env.MIRRUP_PORT ?? ""}`).catch(() => "gone"))
    .toBe("gone");

  // Its passwords are gone too: nobody has to know them.
  rmSync(join(dataDir, "secrets.json"));
  const again = start();
  await isUp(again);
  expect(again.output()).not.toContain("Loaded the demo club");
  expect(await students()).toBe(DEMO_STUDENTS);

  process.kill(databasePid() ?? 0, "SIGKILL");
  await expect.poll(again.output).toContain("Starting it again");
  await expect.poll(() => students().catch(() => 0), { timeout: 30_000 }).toBe(DEMO_STUDENTS);

  process.kill(serverPid(again), "SIGKILL");
  await expect.poll(again.output).toContain("The server stopped by itself");
  await expect.poll(() => students().catch(() => 0), { timeout: 30_000 }).toBe(DEMO_STUDENTS);
  again.child.kill("SIGINT");
  expect(await again.ended).toBe(0);
});

test("an empty studio can be had, and bad settings are told in a sentence", async () => {
  const wrong = start("--demo");
  expect(await wrong.ended).toBe(1);
  expect(wrong.output()).toContain('"--demo" is not an option');

  const blocker = createServer().listen(Number(env.MIRRUP_PORT), "127.0.0.1");
  const blocked = start();
  expect(await blocked.ended).toBe(1);
  expect(blocked.output()).toContain("is in use by another program. Stop it, or set MIRRUP_PORT");
  blocker.close();

  writeFileSync(join(dataDir, "secrets.json"), "{ half of");
  const broken = start();
  expect(await broken.ended).toBe(1);
  expect(broken.output()).toContain("secrets.json cannot be read. Move it away");
  rmSync(join(dataDir, "secrets.json"));

  const empty = start("--no-demo");
  await isUp(empty);
  expect(await students()).toBeUndefined();
  empty.child.kill("SIGTERM");
  expect(await empty.ended).toBe(0);
});
