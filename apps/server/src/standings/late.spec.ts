import { afterAll, beforeAll, beforeEach, describe, expect, it } from "@jest/globals";
import { DAY_MS } from "@mirrup/core";
import { DataSource, type Logger } from "typeorm";
import { decisionOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";
import { rebuildAll } from "./rebuild.js";
import { StandingEntity } from "./standing.entity.js";

let server: TestApp;
let students: readonly string[];
/** What the server asked of the database, as it was asked. */
let asked: string[] = [];
beforeAll(async () => {
  server = await startTestApp();
  const heard = { logQuery: (query: string) => asked.push(query) } as unknown as Logger;
  server.app.get(DataSource, { strict: false }).setOptions({ logging: ["query"], logger: heard });
  students = await Promise.all(Array.from({ length: 20 }, (_, at) => server.addStudent(`Late ${at}`)));
  for (let day = 12; day >= 3; day -= 1) await send(day);
});
afterAll(() => server.close());
beforeEach(() => {
  asked = [];
});

/** Of the day, so that no set falls on another day of the studio than the one that is meant. */
const NOON = Math.floor(Date.now() / DAY_MS) * DAY_MS + DAY_MS / 2;
/** A set of each of some, so many days ago. */
async function send(daysAgo: number, of = students): Promise<void> {
  const at = new Date(NOON - daysAgo * DAY_MS).toISOString();
  const { status } = await server.post("/api/sets", { sets: of.map((id) => setOf(id, { at })) });
  expect(status).toBe(200);
}

/** How many statements a batch takes: the fewest of several, since what goes on beside them asks too. */
async function fewestOf(days: readonly number[], of = students): Promise<number> {
  const counts: number[] = [];
  for (const daysAgo of days) {
    asked = [];
    await send(daysAgo, of);
    counts.push(asked.length);
  }
  return Math.min(...counts);
}

describe("what is taken back", () => {
  it("leaves nothing of a side of which only a kindred set is left, that came late and is older", async () => {
    const student = await server.addStudent("Taken back");
    const ago = (days: number) => new Date(NOON - days * DAY_MS).toISOString();
    const own = setOf(student, { at: ago(3) });
    await server.post("/api/sets", { sets: [own] });
    await server.post("/api/sets", {
      sets: [setOf(student, { subject: "cross", side: "left", at: ago(9) })],
    });
    const decision = { kind: "void", target: own.id } as const;
    await server.post("/api/decisions", {
      decisions: [decisionOf(student, { subject: "basic-bounce", side: "whole", decision })],
    });
    const facts = () =>
      server.database.manager.find(StandingEntity, {
        where: { studentId: student },
        order: { subject: "ASC", side: "ASC" },
        select: { subject: true, side: true, sets: true },
      });
    const kept = await facts();
    expect(kept.map(({ subject }) => subject)).toEqual(["cross"]);
    await rebuildAll(server.database);
    expect(await facts()).toEqual(kept);
  });
});

describe("sets that come late", () => {
  it("take at most twice the statements of those that come in order, however many students", async () => {
    const inOrder = await fewestOf([2, 1.99, 1.98, 1.97, 1.96]);
    const late = await fewestOf([2.2, 2.19, 2.18, 2.17, 2.16]);
    expect(late).toBeLessThanOrEqual(2 * inOrder);
    expect(late).toBe(await fewestOf([2.25, 2.24, 2.23, 2.22, 2.21], students.slice(0, 1)));
  });

  it.each([
    ["since the lesson before them", 2.7],
    ["since themselves, where they are older than all that is known of the side", 30],
  ])("have the log read %s, once", async (_since, daysAgo) => {
    await send(daysAgo);
    const reads = asked.filter((query) => {
      const [what = "", where = ""] = query.split(" WHERE ");
      return what.includes('FROM "practice_set"') && where.includes('"student_id" =');
    });
    expect(reads).toHaveLength(1);
    // Of each student both what is about the subjects and what has a score of its own.
    expect(reads[0]?.split('"happened_at" >= ')).toHaveLength(2 * students.length + 1);
  });
});
