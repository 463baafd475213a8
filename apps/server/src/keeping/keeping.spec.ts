import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from "@jest/globals";
import { mkdir, mkdtemp, readdir, readFile, rm, stat, utimes, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { create, extract } from "tar";
import type { SessionView } from "@mirrup/contract";
import { DataSource } from "typeorm";
import { databaseOptions } from "../database/data-source.js";
import { prepareDatabase } from "../database/prepare.js";
import { knownSteps } from "../database/schema-steps.js";
import { decisionOf, setOf, startTestApp, PASSWORD, type TestApp } from "../testing/test-app.js";
import { makeBackup } from "./backup.js";
import { backupName } from "./backup-name.js";
import { removeDemo } from "./demo.js";
import { examine } from "./doctor.js";
import { DUMP, MANIFEST } from "./manifest.js";
import { makeOwner } from "./owner.js";
import { KeepingRefusal } from "./refusal.js";
import { checkBackup, restoreBackup } from "./restore.js";

let server: TestApp;
let folder: string;
let file: string;
let students: readonly string[];
beforeAll(async () => {
  server = await startTestApp();
  students = await Promise.all(["Rowan", "Hazel"].map((name) => server.addStudent(name)));
  await server.post("/api/sets", { sets: students.flatMap((id) => [setOf(id), setOf(id)]) });
  await server.post("/api/decisions", { decisions: [decisionOf(students[0] ?? "")] });
});
afterAll(() => server.close());
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "keeping-"));
  file = join(folder, backupName(NOW));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const NOW = new Date("2026-06-01T10:00:00.000Z");
const urls = () => ({ databaseUrl: server.appUrl, databaseAdminUrl: server.adminUrl });
const save = (to = file) => makeBackup(server.adminUrl, to, { version: "1.2.3", now: NOW });
const names = async () => {
  const rows = await server.database.query<readonly { datname: string }[]>(
    "SELECT datname FROM pg_database WHERE datname LIKE $1 ORDER BY 1",
    [`${server.databaseName}%`],
  );
  return rows.map((row) => row.datname);
};
const shown = async () => {
  const { body } = await server.get("/api/students");
  return (body as { items: { name: string }[] }).items.map((one) => one.name).sort();
};

/** Opens a backup, changes what is in it, and closes it again as it was. */
async function tamper(change: (folder: string) => Promise<void>): Promise<void> {
  await extract({ file, cwd: folder });
  await change(folder);
  await create({ file, cwd: folder }, [MANIFEST, DUMP]);
}

const inManifest = (changes: object) => async (at: string) => {
  const manifest = JSON.parse(await readFile(join(at, MANIFEST), "utf8")) as object;
  await writeFile(join(at, MANIFEST), JSON.stringify({ ...manifest, ...changes }));
};

describe("a backup", () => {
  it("is of one moment, whole, and only its owner's to read, whatever is counted meanwhile", async () => {
    const counting = Promise.all(
      Array.from({ length: 20 }, () => server.post("/api/sets", { sets: students.map((id) => setOf(id)) })),
    );
    const manifest = await save();
    expect(new Set((await counting).map(({ status }) => status))).toEqual(new Set([200]));
    expect(manifest).toMatchObject({ mirrup: "1.2.3", counts: { studio: 1, student: 2, decision: 1 } });
    expect((await stat(file)).mode & 0o777).toBe(0o600);
    expect(await readdir(folder)).toEqual([backupName(NOW)]);
    const checked = await checkBackup(urls(), file, NOW);
    expect(checked).toMatchObject({ manifest, unlike: 0 });
    expect(checked.standings).toBeGreaterThan(2);
    expect(await names()).toEqual([server.databaseName]);
  });

  it("is told from one whose standings are not what its log comes to", async () => {
    await server.sql("UPDATE standing SET best_streak = best_streak + 1 WHERE student_id = $1", [
      students[0],
    ]);
    await save();
    await server.sql("UPDATE standing SET best_streak = best_streak - 1 WHERE student_id = $1", [
      students[0],
    ]);
    expect((await checkBackup(urls(), file, NOW)).unlike).toBeGreaterThan(0);
  });

  it("is sound right after a change of school, before everybody was followed", async () => {
    const schoolIs = (school: string) => server.sql("UPDATE studio SET school = $1", [school]);
    const [{ school } = { school: "" }] = await server.sql<{ school: string }>("SELECT school FROM studio");
    await schoolIs(school === "steady-hold" ? "quick-frontier" : "steady-hold");
    await save();
    await schoolIs(school);
    expect(await checkBackup(urls(), file, NOW)).toMatchObject({ unlike: 0 });
  });

  it("takes no other file's place, and leaves nothing where it fails", async () => {
    await writeFile(file, "mine");
    await expect(save()).rejects.toThrow("There is a file");
    expect(await readFile(file, "utf8")).toBe("mine");
    await expect(save(join(folder, "nowhere", "x"))).rejects.toThrow("There is no folder");
    await rm(file);
    await expect(makeBackup(`${server.adminUrl}_gone`, file, { version: "1", now: NOW })).rejects.toThrow();
    expect(await readdir(folder)).toEqual([]);
  });
});

describe("restoring", () => {
  it("brings back what was saved, and keeps what was there under another name", async () => {
    await save();
    await server.owner.ask("DELETE", `/api/students/${students[0] ?? ""}`);
    expect(await shown()).toEqual(["Hazel"]);
    const { manifest, kept } = await restoreBackup(urls(), file, NOW);
    expect(manifest.counts.student).toBe(2);
    // Connections that were cut off are replaced at the next request.
    await expect(server.get("/api/students").catch(() => null)).resolves.not.toBeNull();
    expect(await shown()).toEqual(["Hazel", "Rowan"]);
    expect((await server.post("/api/sets", { sets: [setOf(students[0] ?? "")] })).status).toBe(200);
    expect(await names()).toEqual([server.databaseName, kept]);
    await server.maintain(`DROP DATABASE ${kept ?? ""} WITH (FORCE)`);
  });

  it("makes the database where there is none yet", async () => {
    await save();
    const elsewhere = (url: string) => url.replace(server.databaseName, `${server.databaseName}_new`);
    const there = {
      databaseUrl: elsewhere(server.appUrl),
      databaseAdminUrl: elsewhere(server.adminUrl),
    };
    expect(await restoreBackup(there, file, NOW)).toMatchObject({ kept: null });
    expect(await names()).toEqual([server.databaseName, `${server.databaseName}_new`]);
    await server.maintain(`DROP DATABASE ${server.databaseName}_new WITH (FORCE)`);
  });

  it.each<[string, string, () => Promise<void>]>([
    ["is cut short", "damaged", async () => writeFile(file, (await readFile(file)).subarray(0, 4000))],
    ["is no backup", "damaged", () => writeFile(file, "a letter")],
    ["lacks its manifest", "no manifest", () => tamper((at) => writeFile(join(at, MANIFEST), "{"))],
    [
      "has other data than were saved",
      "is damaged",
      () =>
        tamper(async (at) => {
          const dump = await readFile(join(at, DUMP));
          dump[dump.length - 10] = (dump[dump.length - 10] ?? 0) ^ 1;
          await writeFile(join(at, DUMP), dump);
        }),
    ],
    ["is of a newer format", "newer Mirrup", () => tamper(inManifest({ version: 2 }))],
    [
      "is from a newer Mirrup",
      "from a newer Mirrup (1.2.3)",
      () => tamper(inManifest({ schema: [...knownSteps(), "Later1999999999999"] })),
    ],
  ])("refuses one that %s, and touches nothing", async (_what, says, spoil) => {
    await save();
    await spoil();
    const before = await shown();
    for (const what of [restoreBackup, checkBackup]) {
      const failed: unknown = await what(urls(), file, NOW).catch((error: unknown) => error);
      expect(failed).toBeInstanceOf(KeepingRefusal);
      expect(String(failed)).toContain(says);
    }
    expect(await names()).toEqual([server.databaseName]);
    expect(await shown()).toEqual(before);
  });
});

describe("the doctor", () => {
  const ills = async (at: Parameters<typeof examine>[0] = urls()) =>
    (await examine(at, folder, NOW)).filter((one) => !one.isWell).map((one) => one.sentence);
  const saved = async () => {
    const backups = join(folder, "backups");
    await rm(backups, { recursive: true, force: true });
    await mkdir(backups);
    await save(join(backups, backupName(NOW)));
    return join(backups, backupName(NOW));
  };

  it("finds nothing where all is well", async () => {
    await utimes(await saved(), NOW, NOW);
    expect(await ills()).toEqual([]);
  });

  it("finds what is not, and says what to do", async () => {
    expect(await ills()).toEqual([expect.stringContaining("There is no backup")]);
    const old = new Date(NOW.getTime() - 9 * 86_400_000);
    await utimes(await saved(), old, old);
    expect(await ills()).toEqual([expect.stringContaining("9 days old")]);
    await utimes(await saved(), NOW, NOW);
    const one = { databaseUrl: server.adminUrl, databaseAdminUrl: server.adminUrl };
    expect(await ills(one)).toEqual([expect.stringContaining("row-level security does not hold it")]);
    await server.sql("UPDATE membership SET role = 'coach'");
    expect(await ills()).toEqual([expect.stringContaining("Without an owner: Test Hall")]);
    await server.sql("UPDATE membership SET role = 'owner'");
    await server.sql("INSERT INTO migrations (timestamp, name) VALUES (1, 'Later1999999999999')");
    expect(await ills()).toEqual([expect.stringContaining("newer Mirrup")]);
    await server.sql("DELETE FROM migrations WHERE timestamp = 1");
    const nowhere = `${server.adminUrl}_gone`;
    expect(await ills({ databaseUrl: nowhere, databaseAdminUrl: server.adminUrl })).toEqual([
      expect.stringContaining("could not be looked at"),
    ]);
  });
});

describe("an owner is made", () => {
  const made = (email: string, studio: string | null = null) =>
    makeOwner(server.database, { email, studio, now: new Date() });

  it("of whoever has an account, in the studio that is named", async () => {
    const coach = await server.addPerson(server.studioId, "coach", "coach@hall.example");
    expect((await coach.get("/api/people")).status).toBe(403);
    expect(await made("Coach@hall.example")).toEqual({ kind: "owner", studio: "Test Hall" });
    expect((await coach.get("/api/people")).status).toBe(200);
  });

  it("of whoever has none, by a link that is used once", async () => {
    const invited = await made("fresh@hall.example");
    const token = invited.kind === "invited" ? invited.token : "";
    const fresh = server.stranger();
    const joining = { token, name: "Fresh", password: PASSWORD };
    const { status, body } = await fresh.post("/api/auth/joinings", joining);
    expect([status, (body as SessionView).memberships[0]?.role]).toEqual([200, "owner"]);
    expect((await server.stranger().post("/api/auth/joinings", joining)).status).not.toBe(200);
  });

  it("not where there are several studios and none is named", async () => {
    await server.addStudio("Second Hall");
    await expect(made("coach@hall.example")).rejects.toThrow("of: Second Hall, Test Hall");
    await expect(made("coach@hall.example", "Third Hall")).rejects.toThrow("Say which studio");
    expect(await made("coach@hall.example", "Second Hall")).toMatchObject({ studio: "Second Hall" });
  });
});

describe("the demo club", () => {
  it("is taken away with whoever belonged to nothing else, and nothing else of anybody", async () => {
    await expect(removeDemo(server.database)).rejects.toThrow("no demo club");
    const demo = await server.addStudio("Made up");
    await server.sql("UPDATE studio SET is_demo = true WHERE id = $1", [demo]);
    await server.addStudent("Made up", demo);
    await server.addPerson(demo, "coach", "only@demo.example");
    const both = await server.addPerson(demo, "owner", "both@demo.example");
    await server.sql(
      "INSERT INTO membership (studio_id, person_id, role) SELECT $1, id, 'coach' FROM person WHERE email = 'both@demo.example'",
      [server.studioId],
    );
    const before = await shown();
    expect(await removeDemo(server.database)).toBe(1);
    expect(await shown()).toEqual(before);
    const session = (await both.get("/api/auth/session")).body as SessionView;
    expect(session.memberships.map((one) => one.studioName)).toEqual(["Test Hall"]);
    const only = await server.stranger().signIn("only@demo.example", PASSWORD);
    expect(only.status).toBe(401);
  });

  it("does not count as set up", async () => {
    const bare = await startTestApp({ bare: true });
    const demo = await bare.addStudio("Made up");
    await bare.sql("UPDATE studio SET is_demo = true WHERE id = $1", [demo]);
    const isSetUp = async () =>
      ((await bare.stranger(null).get("/api/auth/session")).body as SessionView).isSetUp;
    expect(await isSetUp()).toBe(false);
    await bare.addStudio("Somebody's");
    expect(await isSetUp()).toBe(true);
    await bare.close();
  });
});

describe("the schema", () => {
  const shape = async () => {
    const columns = await server.database.query<readonly object[]>(
      `SELECT table_name, column_name, data_type, is_nullable FROM information_schema.columns
       WHERE table_schema = 'public' ORDER BY 1, 2`,
    );
    const rest = await server.database.query<readonly object[]>(
      `SELECT conrelid::regclass::text AS of, conname AS name, pg_get_constraintdef(oid) AS what FROM pg_constraint
         WHERE connamespace = 'public'::regnamespace
       UNION ALL SELECT tablename, indexname, indexdef FROM pg_indexes WHERE schemaname = 'public'
       UNION ALL SELECT tablename, policyname, coalesce(qual, '') FROM pg_policies WHERE schemaname = 'public'
       ORDER BY 1, 2, 3`,
    );
    return { columns, rest };
  };

  it("goes down step by step, each time up again to the same, and saves what is there before it does", async () => {
    const before = await shape();
    const owner = await new DataSource(databaseOptions(server.adminUrl)).initialize();
    let saved = 0;
    for (let steps = 1; steps <= knownSteps().length; steps += 1) {
      for (let step = 0; step < steps; step += 1) await owner.undoLastMigration();
      await prepareDatabase(urls(), async () => {
        saved += 1;
        await Promise.resolve();
      });
      expect(await shape()).toEqual(before);
    }
    await owner.destroy();
    // A database without any step has nothing to save.
    expect(saved).toBe(knownSteps().length - 1);
    await prepareDatabase(urls(), () => Promise.reject(new Error("there is nothing to do")));
  }, 60_000);

  it("of a newer Mirrup is left as it is", async () => {
    await server.sql("INSERT INTO migrations (timestamp, name) VALUES (1, 'Later1999999999999')");
    await expect(prepareDatabase(urls())).rejects.toThrow("made by a newer Mirrup");
  });
});
