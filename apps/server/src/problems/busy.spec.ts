import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { STUDIO_HEADER } from "@mirrup/contract";
import type { Answer } from "../testing/client.js";
import { setOf, startTestApp, type TestApp } from "../testing/test-app.js";
import { MOST } from "./busy.js";

let server: TestApp;
let student: string;
beforeAll(async () => {
  server = await startTestApp();
  student = await server.addStudent("Busy Case");
});
afterAll(() => server.close());

const many = <T>(times: number, one: () => Promise<T>) => Promise.all(Array.from({ length: times }, one));

/** Asks for the students and hangs up before they are told. */
async function hangUp(): Promise<void> {
  const ending = new AbortController();
  const headers = { cookie: server.owner.sessionCookie(), [STUDIO_HEADER]: server.studioId };
  const asked = fetch(`${server.address}/api/students`, { headers, signal: ending.signal });
  setTimeout(() => ending.abort(), 5);
  await asked.catch(() => undefined);
}

describe("a server that is asked for more than it can do", () => {
  it("says so at once to those who read, and takes what was counted", async () => {
    const runner = server.database.createQueryRunner();
    await runner.startTransaction();
    await runner.query("LOCK TABLE student IN ACCESS EXCLUSIVE MODE");
    const answered: Answer[] = [];
    const reading = many(150, async () => answered.push(await server.get("/api/students")));
    while (answered.length < 150 - MOST.reads) await new Promise((resolve) => setImmediate(resolve));
    for (const { status, body, headers } of answered) {
      expect({ status, body }).toMatchObject({ status: 503, body: { type: "busy" } });
      expect(headers.get("retry-after")).toBe("1");
    }
    const counting = many(20, () => server.post("/api/sets", { sets: [setOf(student)] }));
    await runner.rollbackTransaction();
    await runner.release();
    await reading;
    const read = answered.map(({ status }) => status);
    expect(read.filter((status) => status === 200)).toHaveLength(MOST.reads);
    expect(new Set((await counting).map(({ status }) => status))).toEqual(new Set([200]));
  });

  it("has all its room again afterwards, also after those who hung up", async () => {
    await many(60, hangUp);
    await expect(
      (async () => {
        for (;;) {
          const read = await many(40, () => server.get("/api/students"));
          if (read.every(({ status }) => status === 200)) return true;
        }
      })(),
    ).resolves.toBe(true);
  });
});

describe("streams that are left open", () => {
  it("take nobody's place", async () => {
    const ending = new AbortController();
    const headers = { cookie: server.owner.sessionCookie(), [STUDIO_HEADER]: server.studioId };
    const streams = await many(60, () =>
      fetch(`${server.address}/api/handle/stream?seed=1&tempo=30`, { headers, signal: ending.signal }),
    );
    expect(new Set(streams.map(({ status }) => status))).toEqual(new Set([200]));
    const read = await many(40, () => server.get("/api/students"));
    expect(new Set(read.map(({ status }) => status))).toEqual(new Set([200]));
    ending.abort();
  });
});

describe("what another holds for too long", () => {
  it("is not waited for without end: 503, and it is stored when it is sent again", async () => {
    const runner = server.database.createQueryRunner();
    await runner.startTransaction();
    await runner.query("SELECT 1 FROM student WHERE id = $1 FOR UPDATE", [student]);
    const sets = [setOf(student)];
    const kept = await server.post("/api/sets", { sets });
    await runner.rollbackTransaction();
    await runner.release();
    expect(kept).toMatchObject({ status: 503, body: { type: "database-unavailable" } });
    expect((await server.post("/api/sets", { sets })).status).toBe(200);
  }, 30_000);
});
