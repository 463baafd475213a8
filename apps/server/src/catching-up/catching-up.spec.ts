import type { CatchingUpView } from "@mirrup/contract";
import { catchingUpReply } from "@mirrup/contract/schemas";
import { between, randomFrom } from "@mirrup/cohort";
import type { OverlayEntry, SchoolId } from "@mirrup/core";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "@jest/globals";
import { setTimeout } from "node:timers/promises";
import { rebuildAll } from "../standings/index.js";
import { StandingEntity } from "../standings/standing.entity.js";
import type { Client } from "../testing/client.js";
import { setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let studioId: string;
let coach: Client;
let owner: Client;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());
beforeEach(async () => {
  studioId = await server.addStudio("Tannery Yard");
  coach = await server.addPerson(studioId, "coach");
  owner = await server.addPerson(studioId, "owner");
});

async function behind(): Promise<CatchingUpView> {
  const { status, body } = await coach.get("/api/catalogue/catching-up");
  expect(status).toBe(200);
  expect(catchingUpReply.validate(body).error).toBeUndefined();
  return body as CatchingUpView;
}

/** Waits until no more are behind; only this is asked, which reads nobody's facts. */
async function caughtUp(most = 0): Promise<CatchingUpView> {
  const until = Date.now() + 20_000;
  for (;;) {
    const now = await behind();
    if (now.behind <= most || Date.now() > until) return now;
    await setTimeout(50);
  }
}

const put = (subject: string, was: OverlayEntry | null, is: OverlayEntry | null) =>
  coach.post("/api/catalogue/changes", { changes: [{ subject, was, is }] });

const log = async (studentId: string, changes: object = {}) =>
  expect((await coach.post("/api/sets", { sets: [setOf(studentId, changes)] })).status).toBe(200);

/** Sums agree to nine digits, whatever they were added up from. */
const facts = async () =>
  (
    await server.database.manager.find(StandingEntity, {
      where: { studioId },
      order: { studentId: "ASC", subject: "ASC", side: "ASC" },
    })
  ).map((row) =>
    JSON.stringify(row, (_, value: unknown) =>
      typeof value === "number" ? Number(value.toPrecision(9)) : value,
    ),
  );

const clearedGates = () =>
  server.sql<{ cleared_at: Date | null }>(
    "SELECT cleared_at FROM standing WHERE studio_id = $1 AND subject = 'skier'",
    [studioId],
  );

/** Another school for the studio; its answer's status. */
async function teach(school: SchoolId): Promise<number> {
  const { version } = (await owner.get("/api/studio")).body as { version: number };
  return (await owner.ask("PATCH", "/api/studio", { version, school })).status;
}

const EASY: OverlayEntry = { kind: "changed", gate: { kind: "streak", count: 4 } };

describe("a change of what is taught", () => {
  it("reaches everybody's facts, though nobody asks for them", async () => {
    const students = [];
    for (let place = 0; place < 8; place += 1)
      students.push(await server.addStudent(`Jumper ${place}`, studioId));
    for (const student of students) await log(student, { subject: "skier", clean: 6, bestStreak: 6 });
    expect((await clearedGates()).map((row) => row.cleared_at)).toEqual(students.map(() => null));
    expect((await put("skier", null, EASY)).status).toBe(200);
    expect((await behind()).students).toBe(8);
    expect(await caughtUp()).toEqual({ students: 8, behind: 0 });
    const cleared = await clearedGates();
    expect(cleared).toHaveLength(8);
    expect(cleared.every((row) => row.cleared_at !== null)).toBe(true);
    // Whoever changed it was shown whom it clears: the owner is not told of newer rules of evidence.
    expect(await server.sql("SELECT * FROM rules_change")).toEqual([]);
  });

  it("reaches the others where somebody holds one of them for too long, and that one later", async () => {
    const students = [];
    for (let place = 0; place < 3; place += 1)
      students.push(await server.addStudent(`Jumper ${place}`, studioId));
    for (const student of students) await log(student, { subject: "skier", clean: 6, bestStreak: 6 });
    await caughtUp();
    const runner = server.database.createQueryRunner();
    await runner.startTransaction();
    await runner.query("SELECT 1 FROM student WHERE id = $1 FOR UPDATE", [students[0]]);
    await put("skier", null, EASY);
    expect(await caughtUp(1)).toEqual({ students: 3, behind: 1 });
    await runner.commitTransaction();
    await runner.release();
    expect(await caughtUp()).toEqual({ students: 3, behind: 0 });
  });

  it.each([0, 1])(
    "is waited for by a reader of everybody, who holds up nobody else meanwhile (%i)",
    async (held) => {
      const students = [
        await server.addStudent("Wren Oakley", studioId),
        await server.addStudent("Teal Fenn", studioId),
      ];
      for (const student of students) await log(student, { subject: "skier", clean: 6, bestStreak: 6 });
      await caughtUp();
      const runner = server.database.createQueryRunner();
      await runner.startTransaction();
      await runner.query("SELECT 1 FROM student WHERE id = $1 FOR UPDATE", [students[held]]);
      await put("skier", null, EASY);
      const everybody = coach.get("/api/students");
      await setTimeout(300);
      const other = coach.get(`/api/students/${students[1 - held] ?? ""}/standings`);
      expect((await Promise.race([other, setTimeout(2500, { status: "waits" })])).status).toBe(200);
      await runner.commitTransaction();
      await runner.release();
      expect((await everybody).status).toBe(200);
    },
  );

  it("is another school too, which nobody who is held keeps waiting, and whose owner is told nothing", async () => {
    const students = [];
    for (let place = 0; place < 3; place += 1)
      students.push(await server.addStudent(`Jumper ${place}`, studioId));
    for (const student of students)
      await log(student, { subject: "basic-bounce", clean: 25, bestStreak: 25 });
    await caughtUp();
    const cleared = () =>
      server.sql(
        "SELECT 1 FROM standing WHERE studio_id = $1 AND subject = 'basic-bounce' AND cleared_at IS NOT NULL",
        [studioId],
      );
    expect(await cleared()).toHaveLength(3);
    const runner = server.database.createQueryRunner();
    await runner.startTransaction();
    await runner.query("SELECT 1 FROM student WHERE id = $1 FOR UPDATE", [students[0]]);
    expect(await teach("foundation-first")).toBe(200);
    expect(await caughtUp(1)).toEqual({ students: 3, behind: 1 });
    await runner.commitTransaction();
    await runner.release();
    expect(await caughtUp()).toEqual({ students: 3, behind: 0 });
    expect(await cleared()).toEqual([]);
    expect(await server.sql("SELECT * FROM rules_change")).toEqual([]);
  });

  it("leaves the facts that a rebuild would make, whatever is changed and counted meanwhile", async () => {
    const random = randomFrom(29);
    const students = await Promise.all(
      [1, 2, 3, 4].map((place) => server.addStudent(`Jumper ${place}`, studioId)),
    );
    let was: OverlayEntry | null = null;
    for (let round = 0; round < 14; round += 1) {
      const is: OverlayEntry | null =
        random() < 0.2
          ? null
          : {
              ...{ kind: "changed", gate: { kind: "streak", count: between(random, 2, 20) } },
              ...(random() < 0.5 ? { needs: "run-step" } : {}),
            };
      const student = students[between(random, 0, students.length - 1)] ?? "";
      const clean = between(random, 1, 20);
      const change = put("skier", was, is);
      const school =
        random() < 0.3 ? teach(between(random, 0, 1) === 0 ? "steady-hold" : "foundation-first") : null;
      await log(student, { subject: "skier", clean, bestStreak: clean });
      expect((await change).status).toBe(200);
      expect((await school) ?? 200).toBe(200);
      was = is;
      if (random() < 0.4) await setTimeout(between(random, 0, 500));
    }
    expect(await caughtUp()).toEqual({ students: 4, behind: 0 });
    const kept = await facts();
    await rebuildAll(server.database);
    expect(await facts()).toEqual(kept);
  });
});
