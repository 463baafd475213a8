import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let student: string;

beforeAll(async () => {
  server = await startTestApp();
  student = await server.addStudent("Ivo Larch");
});
afterAll(() => server.close());

describe("while the database does not take connections", () => {
  it("says so with 503, stores nothing, and goes on when it answers again", async () => {
    const set = setOf(student);
    const { databaseName } = server;
    await server.maintain(`ALTER DATABASE ${databaseName} ALLOW_CONNECTIONS false`);
    await server.maintain(
      `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '${databaseName}'`,
    );
    const refused = await server.post("/api/sets", { sets: [set] });
    expect(refused).toMatchObject({ status: 503, body: { type: "database-unavailable" } });
    expect(await server.get("/api/health")).toMatchObject({
      status: 503,
      body: { status: "unavailable", database: "down", version: "0.0.0-test" },
    });
    await server.maintain(`ALTER DATABASE ${databaseName} ALLOW_CONNECTIONS true`);
    expect(await server.post("/api/sets", { sets: [set] })).toMatchObject({
      status: 200,
      body: { stored: [set.id] },
    });
  });
});

describe("while the database may only be read", () => {
  it("takes nothing and says why, shows what there is, and takes it afterwards", async () => {
    const set = setOf(student);
    const { databaseName } = server;
    const only = async (how: "on" | "off") => {
      await server.maintain(`ALTER DATABASE ${databaseName} SET default_transaction_read_only = ${how}`);
      await server.maintain(
        `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '${databaseName}'`,
      );
    };
    await only("on");
    expect(await server.post("/api/sets", { sets: [set] })).toMatchObject({
      status: 503,
      body: { type: "database-unavailable" },
    });
    expect(await server.get("/api/health")).toMatchObject({
      status: 503,
      body: { status: "unavailable", database: "read-only" },
    });
    expect((await server.get("/api/students")).status).toBe(200);
    await only("off");
    expect((await server.post("/api/sets", { sets: [set] })).status).toBe(200);
    expect(await server.get("/api/health")).toMatchObject({ status: 200, body: { database: "up" } });
  });
});
