import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { Items, LogPage, StandingItem, StudentView } from "@mirrup/contract";
import { DAY_MS } from "@mirrup/core";
import { createHash } from "node:crypto";
import { mkdtemp, readdir, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { create, extract } from "tar";
import { v7 as uuid } from "uuid";
import type { Client } from "../testing/client.js";
import { comboOf, decisionOf, lessonOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";
import type { Manifest } from "./tables.js";

const PATH = "/api/studio/archive";
let server: TestApp;
let folder: string;
let saved: Uint8Array<ArrayBuffer>;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "mirrup-archive-test-"));
  server = await startTestApp();
  await fill();
  const { status, bytes } = await server.owner.file("GET", PATH);
  expect(status).toBe(200);
  saved = bytes;
});
afterAll(async () => {
  await server.close();
  await rm(folder, { recursive: true, force: true });
});

async function ok(answer: Promise<{ readonly status: number; readonly body: unknown }>) {
  const { status, body } = await answer;
  expect({ status, body }).toMatchObject({ status: 200 });
  return body;
}

/** A studio with something of everything. */
async function fill(): Promise<void> {
  const { post, owner } = server;
  const [ada, again, ben, gone] = [
    await server.addStudent("Ada Fen"),
    await server.addStudent("A. Fen"),
    await server.addStudent("=Ben(1)"),
    await server.addStudent("Gone"),
  ];
  const ago = (days: number) => new Date(Date.now() - days * DAY_MS).toISOString();
  const named = { subject: "skier", was: null, is: { kind: "changed", name: "slalom" } };
  await ok(post("/api/catalogue/changes", { changes: [named] }));
  const group = (await ok(
    post("/api/groups", { name: "First year", weekday: 1, startTime: "17:30", place: "Hall" }),
  )) as { readonly id: string };
  await ok(
    owner.ask("PATCH", `/api/students/${ada}`, {
      version: 1,
      groups: [group.id],
      birthYear: 2014,
      goals: [{ subject: "cross", side: "both" }],
    }),
  );
  const note = setOf(ada, {
    at: ago(3),
    clean: 40,
    bestStreak: 40,
    said: 0.7,
    ticks: Array.from({ length: 40 }, (_, at) => at / 2),
  });
  const alone = setOf(ada, {
    at: ago(2),
    countedBy: "student",
    clean: 25,
    bestStreak: 25,
    subject: "side-swing",
    side: "left",
  });
  const lost = setOf(ada, { at: ago(1) });
  await ok(
    post("/api/sets", {
      sets: [note, alone, lost, setOf(ben, { at: ago(9), misses: [{ fault: "toes" }] }), setOf(gone)],
    }),
  );
  await ok(owner.ask("PUT", `/api/students/${ada}/notes`, { setId: note.id, text: "Low hands", at: ago(3) }));
  const decisions = [
    decisionOf(ada),
    decisionOf(ada, {
      side: "whole",
      subject: "double-under",
      decision: { kind: "override", gate: { kind: "streak", count: 7 } },
    }),
    decisionOf(ada, {
      subject: "basic-bounce",
      side: "whole",
      decision: { kind: "void", target: lost.id },
      reason: "",
    }),
    decisionOf(ada, { subject: "side-swing", decision: { kind: "accept", target: alone.id }, reason: "" }),
  ];
  await ok(post("/api/decisions", { decisions }));
  await ok(post("/api/combos", { combos: [comboOf()] }));
  const jump = { id: uuid(), turns: 2, heightMm: 180, contactMs: 250, landings: 11, way: "taps" };
  await ok(
    owner.ask("PUT", `/api/students/${ada}/jumps`, {
      ...jump,
      measuredAt: ago(2),
      removed: false,
      at: ago(1),
    }),
  );
  await ok(
    post("/api/lessons", {
      lessons: [
        lessonOf({ groupId: group.id, students: [{ studentId: ada, attendance: "present", places: [] }] }),
      ],
    }),
  );
  await ok(post("/api/sets", { sets: [setOf(again, { at: ago(8) })] }));
  await ok(post(`/api/students/${ada}/second-records`, { id: again }));
  await ok(owner.ask("PUT", `/api/students/${ben}/stop`, {}));
  await ok(owner.ask("DELETE", `/api/students/${gone}`));
  await ok(owner.ask("PATCH", "/api/studio", { version: 1, school: "steady-hold", timeZone: "Asia/Tokyo" }));
}

async function unpacked(bytes: Uint8Array): Promise<string> {
  const into = await mkdtemp(join(folder, "un-"));
  const file = join(folder, `${uuid()}.tar.gz`);
  await writeFile(file, bytes);
  await extract({ file, cwd: into });
  return into;
}

const manifestOf = async (at: string) =>
  JSON.parse(await readFile(join(at, "manifest.json"), "utf8")) as Manifest;

/** The saved archive with one file another, and its manifest true to it where that is asked for. */
async function changed(
  name: string,
  change: (text: string) => string,
  isTrue = true,
): Promise<Uint8Array<ArrayBuffer>> {
  const at = await unpacked(saved);
  const text = change(await readFile(join(at, name), "utf8"));
  await writeFile(join(at, name), text);
  const table = /^lines\/(\w+)\.jsonl$/.exec(name)?.[1];
  if (isTrue && table !== undefined) {
    const manifest = await manifestOf(at);
    const rows = text.split("\n").filter(Boolean).length;
    const files = {
      ...manifest.files,
      [table]: { rows, sha256: createHash("sha256").update(text).digest("hex") },
    };
    await writeFile(join(at, "manifest.json"), JSON.stringify({ ...manifest, files }));
  }
  return packedOf(at, await readdir(at));
}

async function packedOf(at: string, files: readonly string[]): Promise<Uint8Array<ArrayBuffer>> {
  const file = join(folder, `${uuid()}.tar.gz`);
  await create({ cwd: at, file, gzip: true }, [...files]);
  return new Uint8Array(await readFile(file));
}

const foldersHere = async () =>
  (await readdir(tmpdir())).filter((name) => /^mirrup-archive-(?!test)/.test(name));

let studios = 0;
/** Another studio, with nothing in it, and its owner. */
async function empty(): Promise<{ readonly studioId: string; readonly owner: Client }> {
  const studioId = await server.addStudio(`Barn ${(studios += 1)}`);
  return { studioId, owner: await server.addPerson(studioId, "owner") };
}

async function refused(bytes: Uint8Array<ArrayBuffer>): Promise<string> {
  const { studioId, owner } = await empty();
  const answer = await owner.file("POST", PATH, bytes);
  const text = new TextDecoder().decode(answer.bytes);
  expect({ status: answer.status, text }).toMatchObject({ status: 422 });
  expect(text).toContain("nothing of it was kept");
  for (const table of ["student", "practice_set", "studio_overlay", "lesson"])
    expect(await server.sql(`SELECT FROM ${table} WHERE studio_id = $1`, [studioId])).toEqual([]);
  return text;
}

describe("a studio's archive", () => {
  it("holds a table's rows as lines and as a sheet, with what they hash to, and no secret", async () => {
    const at = await unpacked(saved);
    const { format, version, files } = await manifestOf(at);
    expect({ format, version }).toEqual({ format: "mirrup-studio", version: 2 });
    expect(files.practice_set?.rows).toBe(5);
    const lines = await readFile(join(at, "lines/student.jsonl"), "utf8");
    expect(lines).not.toMatch(/studio_id|facts_rules/);
    const sheet = await readFile(join(at, "sheets/student.csv"), "utf8");
    expect(sheet).toContain("'=Ben(1)");
    expect(await readFile(join(at, "lines/decision.jsonl"), "utf8")).not.toContain("person_id");
  });

  it("is read back into an empty studio as it was: every standing, every line of the log, all that is taught", async () => {
    const { owner } = await empty();
    const { status, bytes } = await owner.file("POST", PATH, saved);
    expect({ status, text: new TextDecoder().decode(bytes) }).toEqual({
      status: 200,
      text: '{"students":3,"sets":5}',
    });
    const both = async (path: string) => [(await server.get(path)).body, (await owner.get(path)).body];
    for (const path of [
      "/api/groups",
      "/api/combos",
      "/api/catalogue",
      "/api/lessons?from=2026-05-30&to=2026-06-02",
    ]) {
      const [here, there] = await both(path);
      expect(there).toEqual(here);
    }
    const [students, copies] = (await both("/api/students")) as Items<StudentView>[];
    expect(copies?.items.map(({ name }) => name)).toEqual(students?.items.map(({ name }) => name));
    for (const { id } of students?.items ?? []) {
      const [standings, same] = (await both(`/api/students/${id}/standings`)) as Items<StandingItem>[];
      const rounded = (items: readonly StandingItem[] = []) =>
        items.map((one) => ({ ...one, cleanChance: Math.round(1e6 * one.cleanChance) }));
      expect(rounded(same?.items)).toEqual(rounded(standings?.items));
      const [log, copy] = (await both(`/api/students/${id}/log`)) as LogPage[];
      // Who counted and decided has an account where it was saved, and none here.
      const nameless = (page: LogPage | undefined) =>
        page?.items.map((line) =>
          line.kind === "decision"
            ? { ...line, decision: { ...line.decision, by: null } }
            : line.kind === "set"
              ? { ...line, by: null }
              : line,
        );
      expect(nameless(copy)).toEqual(nameless(log));
    }
    const studio = (await owner.get("/api/studio")).body;
    expect(studio).toMatchObject({
      timeZone: "Asia/Tokyo",
      school: "steady-hold",
      name: expect.stringMatching(/^Barn/),
    });
    // Saved again it is the same, line by line.
    const again = await manifestOf(await unpacked((await owner.file("GET", PATH)).bytes));
    expect(again.files).toEqual((await manifestOf(await unpacked(saved))).files);
  });

  it("is not read where something is already, nor over itself", async () => {
    const { status, bytes } = await server.owner.file("POST", PATH, saved);
    expect(status).toBe(409);
    expect(new TextDecoder().decode(bytes)).toContain("Make a new one");
  });

  it("is read once, however often it is sent at once", async () => {
    const { owner } = await empty();
    const answers = await Promise.all([1, 2, 3].map(() => owner.file("POST", PATH, saved)));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
  });

  it("is an owner's to save and to read", async () => {
    const coach = await server.addPerson(server.studioId, "coach");
    expect((await coach.file("GET", PATH)).status).toBe(403);
    expect((await coach.file("POST", PATH, saved)).status).toBe(403);
  });
});

it("of an older Mirrup is read without what it did not know of", async () => {
  const at = await unpacked(saved);
  const manifest = await manifestOf(at);
  const { jump, ...files } = manifest.files;
  expect(jump?.rows).toBe(1);
  await writeFile(join(at, "manifest.json"), JSON.stringify({ ...manifest, version: 1, files }));
  await rm(join(at, "lines/jump.jsonl"));
  const { studioId, owner } = await empty();
  expect((await owner.file("POST", PATH, await packedOf(at, await readdir(at)))).status).toBe(200);
  expect(await server.sql("SELECT FROM jump WHERE studio_id = $1", [studioId])).toEqual([]);
  expect(await server.sql("SELECT FROM practice_set WHERE studio_id = $1", [studioId])).toHaveLength(5);
});

describe("an archive that cannot be read", () => {
  it("is one that was damaged on its way, cut off, or none at all", async () => {
    expect(
      await refused(
        await changed(
          "lines/practice_set.jsonl",
          (text) => text.replace('"clean": 40', '"clean": 41'),
          false,
        ),
      ),
    ).toContain("is not what was saved");
    expect(await refused(saved.slice(0, saved.length / 2))).toContain("damaged");
    expect(await refused(new TextEncoder().encode("no archive at all"))).toContain("no archive");
    const at = await unpacked(saved);
    expect(await refused(await packedOf(at, ["manifest.json", "studio.json"]))).toContain("It lacks lines/");
  });

  it("is one of a newer Mirrup, or of something else", async () => {
    const manifest = (change: object) => (text: string) => JSON.stringify({ ...JSON.parse(text), ...change });
    expect(await refused(await changed("manifest.json", manifest({ version: 3 })))).toContain("newer Mirrup");
    expect(await refused(await changed("manifest.json", manifest({ format: "mirrup-student" })))).toContain(
      "no archive of a studio",
    );
    expect(await refused(await changed("manifest.json", () => "{"))).toContain("damaged");
  });

  it.each([
    [
      "a drill of no kind",
      "practice_set",
      (text: string) => text.replaceAll('"kind": "streak"', '"sort": "streak"'),
    ],
    [
      "a set of nobody",
      "practice_set",
      (text: string) => text.replace(/"student_id": "[^"]+"/, `"student_id": "${uuid()}"`),
    ],
    [
      "more in a row than clean",
      "practice_set",
      (text: string) => text.replace(/"best_streak": \d+/, '"best_streak": 999'),
    ],
    [
      "a decision of another kind",
      "decision",
      (text: string) => text.replace('"kind": "clear"', '"kind": "forgive"'),
    ],
    ["what is no row", "student", (text: string) => `${text}[1,2]\n`],
    ["a goal that is none", "student", (text: string) => text.replace('"side": "both"', '"side": "under"')],
    ["one student twice", "student", (text: string) => `${text}${text.split("\n")[0] ?? ""}\n`],
  ])(
    "is one that says %s, true to its hash or not, and nothing of it is kept",
    async (_what, table, change) => {
      await refused(await changed(`lines/${table}.jsonl`, change));
    },
  );

  it("puts no file anywhere but in its folder", async () => {
    const at = await unpacked(saved);
    await writeFile(join(folder, "outside.txt"), "x");
    const file = join(folder, "evil.tar.gz");
    await create({ cwd: at, file, gzip: true, preservePaths: true }, [
      ...(await readdir(at)),
      "../outside.txt",
    ]);
    const { owner } = await empty();
    const before = await foldersHere();
    const { status } = await owner.file("POST", PATH, new Uint8Array(await readFile(file)));
    expect([200, 422]).toContain(status);
    const left = (await foldersHere()).filter((name) => !before.includes(name));
    expect(left).toEqual([]);
  });
});
