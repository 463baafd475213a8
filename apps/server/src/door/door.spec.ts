import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { AUDIT_ACTIONS, type StandingItem } from "@mirrup/contract";
import { Controller, Get, Module } from "@nestjs/common";
import { DiscoveryModule, NestFactory } from "@nestjs/core";
import pg from "pg";
import { AuditService } from "../audit/index.js";
import { Scopes } from "../database/scope.js";
import { decisionOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";
import { declaredRoutes } from "./declared.js";
import { Paces } from "./pace.js";
import { auditsOf, refusalsOf } from "./route.js";

let server: TestApp;

beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

@Controller("silent")
class SilentController {
  @Get()
  read(): object {
    return {};
  }
}

@Module({ imports: [DiscoveryModule], controllers: [SilentController] })
class SilentModule {}

describe("what routes declare", () => {
  it("is asked of every route before the server starts", async () => {
    const app = await NestFactory.create(SilentModule, { logger: false });
    expect(() => declaredRoutes(app)).toThrow("These do not say what they are: Silent.read.");
    await app.close();
  });

  it("tells the audit trail of every command, or why not", () => {
    for (const { id, route } of declaredRoutes(server.app)) {
      expect(route.says).not.toBe("");
      if (route.kind === "reading") continue;
      const told = "because" in route.audit ? route.audit.because : route.audit.join();
      expect(`${id}: ${told}`).toMatch(/: .+/);
    }
  });

  it("has an action for whatever the audit trail knows, and none that nobody declares", () => {
    const declared = new Set(declaredRoutes(server.app).flatMap(({ route }) => auditsOf(route)));
    expect([...declared].sort()).toEqual([...AUDIT_ACTIONS].sort());
  });

  it("names what anybody may meet: signed out, too often, too busy", () => {
    const of = (id: string) => {
      const found = declaredRoutes(server.app).find((one) => one.id === id);
      return found === undefined ? [] : refusalsOf(found.route);
    };
    expect(of("Sets.log")).toEqual([400, 401, 403, 404, 409, 410, 422, 429, 503]);
    expect(of("Students.list")).toEqual([400, 401, 404, 429, 503]);
    expect(of("Health.read")).toEqual([400, 429, 503]);
  });
});

describe("a scope", () => {
  const scopes = () => server.app.get(Scopes);

  it("that is for reading is one snapshot, and PostgreSQL lets nothing be written in it", async () => {
    const student = await server.addStudent("Read Only");
    const names = await scopes().run({ studioId: server.studioId, mode: "read" }, async ({ manager }) => {
      const read = () =>
        manager.query<{ name: string }[]>("SELECT name FROM student WHERE id = $1", [student]);
      const before = await read();
      await server.database.query("UPDATE student SET name = 'Renamed' WHERE id = $1", [student]);
      return [...before, ...(await read())];
    });
    expect(names).toEqual([{ name: "Read Only" }, { name: "Read Only" }]);
    const writing = scopes().run({ studioId: server.studioId, mode: "read" }, ({ manager }) =>
      manager.query("UPDATE student SET name = 'x'"),
    );
    await expect(writing).rejects.toMatchObject({ code: "25006" });
  });

  it("makes facts of older rules anew also for whoever only reads", async () => {
    const student = await server.addStudent("Old Rules");
    await server.post("/api/sets", { sets: [setOf(student)] });
    const read = async () => {
      const { body } = await server.get(`/api/students/${student}/standings`);
      return (body as { items: StandingItem[] }).items.map(({ status, bestStreak }) => ({
        status,
        bestStreak,
      }));
    };
    const before = await read();
    await server.sql("UPDATE student SET facts_rules = 'older' WHERE id = $1", [student]);
    expect(await read()).toEqual(before);
    const [row] = await server.database.query<{ facts_rules: string }[]>(
      "SELECT facts_rules FROM student WHERE id = $1",
      [student],
    );
    expect(row?.facts_rules).not.toBe("older");
  });

  it("tells the audit trail nothing that its route does not declare", async () => {
    const audit = server.app.get(AuditService);
    const work = (audits: readonly "shared"[]) =>
      scopes().run({ studioId: server.studioId, audits }, (scope) => audit.note(scope, "shared"));
    await expect(work([])).rejects.toThrow("does not declare it");
    await expect(work(["shared"])).resolves.toBeUndefined();
  });
});

describe("the log", () => {
  it("is added to by the server's role and never changed; with a student it goes whole", async () => {
    const student = await server.addStudent("Kept Line");
    const set = setOf(student);
    await server.post("/api/sets", { sets: [set] });
    await server.post("/api/decisions", { decisions: [decisionOf(student)] });
    const client = new pg.Client({ connectionString: server.appUrl });
    await client.connect();
    try {
      await client.query("SELECT set_config('mirrup.studio', $1, false)", [server.studioId]);
      for (const table of ["practice_set", "decision"])
        for (const change of [`UPDATE ${table} SET student_id = student_id`, `DELETE FROM ${table}`])
          await expect(client.query(change)).rejects.toMatchObject({ code: "42501" });
    } finally {
      await client.end();
    }
    expect((await server.owner.ask("DELETE", `/api/students/${student}`)).status).toBe(200);
    const left = await server.database.query<object[]>("SELECT 1 FROM practice_set WHERE id = $1", [set.id]);
    expect(left).toEqual([]);
  });
});

describe("the pace", () => {
  it("is kept by each person for themselves", async () => {
    const paces = new Paces();
    const take = (who: string) => paces.take("letters", who);
    for (let time = 0; time < 30; time += 1) await take("one");
    await expect(take("one")).rejects.toMatchObject({ status: 429, code: "too-many-requests" });
    await expect(take("another")).resolves.toBeUndefined();
  });

  it("is told over HTTP with the time to wait", async () => {
    const owner = await server.addPerson(server.studioId, "owner");
    const invite = () => owner.post("/api/people/invitations", { email: "x@hall.example", role: "viewer" });
    const answers = await Promise.all(Array.from({ length: 32 }, invite));
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(30);
    const late = answers.find(({ status }) => status === 429);
    expect(late?.body).toMatchObject({ type: "too-many-requests" });
    expect(Number(late?.headers.get("retry-after"))).toBeGreaterThan(0);
  });
});

describe("a body", () => {
  const padded = (kilobytes: number) => ({ name: "x", notes: "n".repeat(kilobytes * 1024) });

  it("may be as large as its route declares, and is not read where it is larger", async () => {
    const answers = [
      await server.post("/api/students", padded(65)),
      await server.post("/api/sets", padded(1025)),
      await server.post("/api/students/import", padded(4097)),
    ];
    expect(answers).toMatchObject(answers.map(() => ({ status: 413, body: { type: "too-large" } })));
    const read = [
      await server.post("/api/students", padded(63)),
      await server.post("/api/sets", padded(1023)),
      await server.post("/api/students/import", padded(4095)),
    ];
    expect(read.map(({ status }) => status)).toEqual([400, 400, 400]);
  });
});
