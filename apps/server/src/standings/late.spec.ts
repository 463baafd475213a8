import { afterAll, beforeAll, beforeEach, describe, expect, it } from "@jest/globals";
import { DAY_MS } from "@mirrup/core";
import { DataSource, type Logger } from "typeorm";
import { setOf, startTestApp, type TestApp } from "../testing/test-app.js";

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

const NOW = Date.now();
/** A set of each of some, so many days ago. */
async function send(daysAgo: number, of = students): Promise<void> {
  const at = new Date(NOW - daysAgo * DAY_MS).toISOString();
  const { status } = await server.post("/api/sets", { sets: of.map((id) => setOf(id, { at })) });
  expect(status).toBe(200);
}

describe("sets that come late", () => {
  it("take at most twice the statements of those that come in order, however many students", async () => {
    await send(2);
    const inOrder = asked.length;
    asked = [];
    await send(2.5);
    const late = asked.length;
    asked = [];
    await send(2.6, students.slice(0, 1));
    expect(late).toBeLessThanOrEqual(2 * inOrder);
    expect(late).toBe(asked.length);
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
