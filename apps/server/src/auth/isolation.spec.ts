import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import pg from "pg";
import { v7 as uuid } from "uuid";
import type { OwnProgramme } from "@mirrup/core";
import type { Client } from "../testing/client.js";
import { comboOf, decisionOf, lessonOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

type Who = "public" | "signed-in" | "viewer" | "coach" | "owner";

let server: TestApp;
let student: string;
let person: string;
let lesson: string;
let combo: string;
let set: string;
const PROGRAMME = `programme:${uuid()}`;
const programmeOf = (): OwnProgramme => ({
  ...{ kind: "programme", name: "Wagtail", order: "free", before: null, allBut: 0 },
  headings: [{ title: "", items: [{ skill: "cross", side: "both", ask: { kind: "gate" } }] }],
});
let group: string;
let viewer: Client;
let coach: Client;
/** Owner of another studio, asking for this one. */
let neighbour: Client;

beforeAll(async () => {
  server = await startTestApp();
  student = await server.addStudent("Wren Alder");
  viewer = await server.addPerson(server.studioId, "viewer");
  coach = await server.addPerson(server.studioId, "coach");
  lesson = lessonOf().id;
  await coach.post("/api/lessons", { lessons: [lessonOf({ id: lesson })] });
  set = setOf(student).id;
  await coach.post("/api/sets", { sets: [{ ...setOf(student), id: set }] });
  combo = comboOf().id;
  await coach.post("/api/combos", { combos: [comboOf({ id: combo })] });
  await coach.post("/api/catalogue/changes", {
    changes: [{ subject: PROGRAMME, was: null, is: programmeOf() }],
  });
  group = ((await coach.post("/api/groups", { name: "Tuesday" })).body as { id: string }).id;
  person = ((await coach.get("/api/auth/session")).body as { person: { id: string } }).person.id;
  const elsewhere = await server.addStudio("Other Hall");
  neighbour = (await server.addPerson(elsewhere, "owner")).inStudio(server.studioId);
});
afterAll(() => server.close());

/** Every route, the least that it asks for, and a body that it takes. A route that is not here fails the test. */
const ROUTES: Readonly<Record<string, readonly [Who, (() => object)?]>> = {
  "GET /api/health": ["public"],
  "GET /api/auth/session": ["public"],
  "POST /api/auth/sign-in": ["public"],
  "POST /api/auth/demo": ["public"],
  "POST /api/auth/set-up": ["public"],
  "POST /api/auth/reset-requests": ["public"],
  "POST /api/auth/resets": ["public"],
  "POST /api/auth/joinings": ["public"],
  "POST /api/auth/sign-out": ["signed-in"],
  "POST /api/auth/sign-out-everywhere": ["signed-in"],
  "POST /api/auth/password": ["signed-in"],
  "PATCH /api/auth/account": ["signed-in"],
  "POST /api/studios": ["signed-in"],
  "DELETE /api/studios/mine": ["owner"],
  "GET /api/handle/stream": ["signed-in"],
  "GET /api/studio": ["viewer"],
  "PATCH /api/studio": ["owner", () => ({ version: 1 })],
  "GET /api/studio/rules-changes": ["owner"],
  "POST /api/studio/rules-changes": ["owner", () => ({ keep: true })],
  "POST /api/studio/preview": ["coach", () => ({ school: "steady-hold", students: [student] })],
  "GET /api/groups": ["viewer"],
  "POST /api/groups": ["coach", () => ({ name: "Monday" })],
  "PATCH /api/groups/{id}": ["coach", () => ({ version: 1 })],
  "GET /api/groups/{id}/weeks": ["viewer"],
  "GET /api/grid": ["viewer"],
  "GET /api/pairs": ["coach"],
  "PUT /api/pairs": ["coach", () => ({ students: [student, uuid()], wish: "apart" })],
  "POST /api/students": ["coach", () => ({ name: "New Student" })],
  "POST /api/students/import": ["coach", () => ({ students: [{ name: "New Student" }] })],
  "GET /api/students/details": ["coach"],
  "GET /api/students/{id}/detail": ["viewer"],
  "PATCH /api/students/{id}": ["coach", () => ({ version: 1 })],
  "GET /api/students/{id}/path": ["viewer"],
  "GET /api/students/{id}/schools": ["viewer"],
  "GET /api/students/{id}/decisions": ["viewer"],
  "GET /api/students/{id}/sets": ["viewer"],
  "GET /api/students/{id}/ladder": ["viewer"],
  "GET /api/students/{id}/load": ["viewer"],
  "GET /api/students/{id}/floor": ["viewer"],
  "GET /api/students/{id}/plan": ["viewer"],
  "GET /api/students/{id}/done": ["viewer"],
  "GET /api/students/{id}/weeks": ["viewer"],
  "GET /api/lessons/{id}/options": ["viewer"],
  "GET /api/lessons": ["viewer"],
  "POST /api/lessons": ["coach", () => ({ lessons: [lessonOf()] })],
  "GET /api/lessons/{id}": ["viewer"],
  "PATCH /api/lessons/{id}": ["coach", () => ({ version: 1 })],
  "PATCH /api/lessons/{id}/run": ["coach"],
  "GET /api/lessons/{id}/done": ["viewer"],
  "DELETE /api/lessons/{id}": ["coach"],
  "GET /api/combos": ["viewer"],
  "POST /api/combos": ["coach", () => ({ combos: [comboOf()] })],
  "GET /api/combos/{id}": ["viewer"],
  "PATCH /api/combos/{id}": ["coach", () => ({ version: 1 })],
  "POST /api/combos/{id}/link": ["coach"],
  "DELETE /api/combos/{id}/link": ["coach"],
  "GET /api/shared-combos/{token}": ["public"],
  "GET /api/students/{id}/home": ["viewer"],
  "POST /api/students/{id}/home": ["coach", () => ({ days: 30, agreed: true })],
  "DELETE /api/students/{id}/home": ["coach"],
  "POST /api/students/{id}/report-letter": [
    "coach",
    () => ({ to: "parent@home.example", text: "New: the cross." }),
  ],
  "GET /api/practised-at-home": ["viewer"],
  "GET /api/home/{token}": ["public"],
  "POST /api/home/{token}/sets": ["public"],
  "GET /api/students/{id}/combos": ["viewer"],
  "GET /api/students/{id}/combo-sets": ["viewer"],
  "PUT /api/students/{id}/notes": ["coach", () => ({ setId: set, text: "Wrists" })],
  "GET /api/students/{id}/jumps": ["viewer"],
  "PUT /api/students/{id}/jumps": [
    "coach",
    () => ({
      ...{ id: uuid(), turns: 2, heightMm: 180, contactMs: 250, landings: 11, way: "taps" },
      ...{ measuredAt: new Date().toISOString(), removed: false },
    }),
  ],
  "PUT /api/students/{id}/stop": ["coach"],
  "DELETE /api/students/{id}/stop": ["coach"],
  "POST /api/decisions": ["coach", () => ({ decisions: [decisionOf(student)] })],
  "GET /api/students": ["viewer"],
  "GET /api/students/archived": ["viewer"],
  "GET /api/students/{id}": ["viewer"],
  "GET /api/students/{id}/standings": ["viewer"],
  "GET /api/students/{id}/next": ["viewer"],
  "POST /api/sets": ["coach", () => ({ sets: [setOf(student)] })],
  "GET /api/students/{id}/export": ["owner"],
  "DELETE /api/students/{id}": ["owner"],
  "POST /api/students/{id}/second-records": ["coach", () => ({ id: uuid() })],
  "DELETE /api/students/{id}/second-records/{second}": ["coach"],
  "GET /api/people": ["owner"],
  "POST /api/people/invitations": ["owner", () => ({ email: "new@hall.example", role: "coach" })],
  "PATCH /api/people/{id}": ["owner", () => ({ role: "viewer" })],
  "DELETE /api/people/{id}": ["owner"],
  "GET /api/mail": ["owner"],
  "GET /api/audit": ["owner"],
  "GET /api/changes": ["viewer"],
  "GET /api/catalogue": ["viewer"],
  "GET /api/catalogue/editions": ["coach"],
  "GET /api/catalogue/catching-up": ["coach"],
  "GET /api/catalogue/editions/{edition}": ["coach"],
  "POST /api/catalogue/changes": [
    "coach",
    () => ({ changes: [{ subject: "skier", was: null, is: { kind: "changed", name: "slalom" } }] }),
  ],
  "POST /api/catalogue/preview": [
    "coach",
    () => ({ changes: [{ subject: "skier", is: { kind: "changed", name: "slalom" } }], students: [student] }),
  ],
  "GET /api/programmes/{programme}/progress": ["viewer"],
  "GET /api/students/{id}/log": ["viewer"],
  "GET /api/students/{id}/progress": ["viewer"],
  "GET /api/students/{id}/progress/side": ["viewer"],
  "GET /api/studio/archive": ["owner"],
  "POST /api/studio/archive": ["owner"],
  "GET /api/progress": ["viewer"],
  "GET /api/progress/refit": ["viewer"],
  "GET /api/presence": ["viewer"],
  "POST /api/presence": [
    "coach",
    () => ({ place: "station", tab: uuid(), turn: null, takesOver: false, round: null }),
  ],
  "DELETE /api/presence": ["coach", () => ({ place: "station", tab: uuid(), isFinished: true })],
  // The last, since whoever has left is let in nowhere.
  "DELETE /api/people/me": ["viewer"],
};

/** What a route's address has to say beside its path. */
const QUERIES: Readonly<Record<string, () => string>> = {
  "/api/students/{id}/ladder": () => "?subject=cross&side=left",
  "/api/students/{id}/sets": () => "?subject=cross&side=left",
  "/api/students/{id}/progress/side": () => "?subject=cross&side=left",
  "/api/students/{id}/floor": () => "?subject=cross&side=left",
  "/api/students/{id}/weeks": () => `?until=${new Date().getUTCFullYear() + 1}-01-01`,
  "/api/groups/{id}/weeks": () => `?until=${new Date().getUTCFullYear() + 1}-01-01&goal=cross:both`,
  "/api/students/{id}/combo-sets": () => `?combo=${combo}`,
  "/api/lessons": () => "?from=2026-01-01&to=2026-01-07",
};

function ask(client: Client, route: string): Promise<{ status: number; body: unknown }> {
  const [method = "", path = ""] = route.split(" ");
  const places = { "/people/": person, "/lessons/": lesson, "/combos/": combo, "/groups/": group };
  const id = Object.entries(places).find(([part]) => path.startsWith(`/api${part}`))?.[1] ?? student;
  const body = ROUTES[route]?.[1]?.();
  const query = method === "GET" ? (QUERIES[path]?.() ?? "") : "";
  return client.ask(
    method,
    path
      .replace("{id}", id)
      .replace("{second}", student)
      .replace("{edition}", "1")
      .replace("{programme}", PROGRAMME) + query,
    method === "GET" ? undefined : (body ?? {}),
  );
}

const of = (...kinds: readonly Who[]) =>
  Object.entries(ROUTES)
    .filter(([, [who]]) => kinds.includes(who))
    .map(([route]) => route);

describe("every route of the API's description", () => {
  it("is in the table", async () => {
    const { body } = await server.get("/api/openapi.json");
    const { paths } = body as { paths: Record<string, Record<string, object>> };
    const described = Object.entries(paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method.toUpperCase()} ${path}`),
    );
    expect(described.sort()).toEqual(Object.keys(ROUTES).sort());
  });

  it.each(of("signed-in", "viewer", "coach", "owner"))("%s: 401 for whoever is signed out", async (route) => {
    expect(await ask(server.stranger(), route)).toMatchObject({
      status: 401,
      body: { type: "not-signed-in" },
    });
  });

  it.each(of("viewer", "coach", "owner"))("%s: 404 for a member of another studio", async (route) => {
    expect(await ask(neighbour, route)).toMatchObject({ status: 404, body: { type: "unknown-studio" } });
  });

  it.each(of("coach", "owner"))("%s: 403 for a viewer", async (route) => {
    expect(await ask(viewer, route)).toMatchObject({ status: 403, body: { type: "not-allowed" } });
  });

  it.each(of("owner"))("%s: 403 for a coach", async (route) => {
    expect(await ask(coach, route)).toMatchObject({ status: 403, body: { type: "not-allowed" } });
  });

  it.each(of("viewer"))("%s: open to a viewer", async (route) => {
    expect((await ask(viewer, route)).status).toBe(200);
  });

  it("asks which studio is meant, and takes no other text for one", async () => {
    const nowhere = await server.addPerson(server.studioId, "owner");
    const without = server.stranger(null).withCookie(nowhere.sessionCookie());
    expect(await without.get("/api/students")).toMatchObject({
      status: 400,
      body: { type: "no-studio-named" },
    });
    for (const studio of ["x", uuid(), "' OR 1=1"]) {
      expect((await nowhere.inStudio(studio).get("/api/students")).status).toBe(404);
    }
  });
});

describe("row-level security, should the server ever forget", () => {
  it("shows the server's role nothing outside the studio of its transaction", async () => {
    const other = await server.addStudio("Third Hall");
    await server.addStudent("Someone Else", other);
    const client = new pg.Client({ connectionString: server.appUrl });
    await client.connect();
    const names = async () =>
      (await client.query<{ name: string }>("SELECT name FROM student ORDER BY name")).rows.map(
        (row) => row.name,
      );
    expect(await names()).toEqual([]);
    await client.query("BEGIN");
    await client.query("SELECT set_config('mirrup.studio', $1, true)", [other]);
    expect(await names()).toEqual(["Someone Else"]);
    await expect(
      client.query("INSERT INTO student (studio_id, id, name) VALUES ($1, $2, 'x')", [
        server.studioId,
        uuid(),
      ]),
    ).rejects.toThrow(/row-level security/);
    await client.query("ROLLBACK");
    expect(await names()).toEqual([]);
    const { rows } = await client.query<{ name: string }>(
      `SELECT c.relname AS name FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
       WHERE n.nspname = 'public' AND c.relkind = 'r' AND NOT c.relrowsecurity ORDER BY 1`,
    );
    // What is known before a studio is. Each is reached by a secret, or by the person's own id.
    expect(rows.map((row) => row.name)).toEqual(["auth_session", "migrations", "one_time_link", "person"]);
    await client.end();
  });
});

describe("requests of other sites", () => {
  it("are refused where they would change something", async () => {
    const sent = (headers: Record<string, string>) =>
      coach.ask("POST", "/api/sets", { sets: [setOf(student)] }, headers);
    expect(await sent({ "sec-fetch-site": "cross-site" })).toMatchObject({
      status: 403,
      body: { type: "other-site" },
    });
    expect((await sent({ origin: "https://elsewhere.example" })).status).toBe(403);
    expect((await sent({ origin: "null" })).status).toBe(403);
    expect((await sent({ origin: server.address, "sec-fetch-site": "same-origin" })).status).toBe(200);
  });

  it("get strict headers, and personal data is not kept on the way", async () => {
    const { headers } = await server.get("/api/students");
    expect(headers.get("cache-control")).toBe("no-store");
    const policy = headers.get("content-security-policy") ?? "";
    expect(policy).toContain("script-src 'self';");
    expect(policy).toContain("default-src 'self'");
    expect(headers.get("x-content-type-options")).toBe("nosniff");
  });
});

describe("the audit trail", () => {
  it("tells who sent the set that cleared a side", async () => {
    const climber = await server.addStudent("Ash Rowan");
    await coach.post("/api/sets", { sets: [setOf(climber, { clean: 20, bestStreak: 20 })] });
    const { items } = (await server.get("/api/audit")).body as { items: object[] };
    expect(items[0]).toMatchObject({ action: "cleared", whom: "Ash Rowan", about: "basic-bounce:whole" });
  });
});

describe("a student's record", () => {
  it("is handed out whole, and deleted with nothing left in any table", async () => {
    const gone = await server.addStudent("Juniper Vanish");
    const sets = [
      setOf(gone),
      setOf(gone, { misses: [{ position: 3, fault: "toes" }], bestStreak: 8, seconds: 9.5 }),
    ];
    await server.post("/api/sets", { sets });
    await server.post("/api/decisions", { decisions: [decisionOf(gone)] });
    const pair = { students: [gone, student], wish: "together" };
    expect((await server.owner.ask("PUT", "/api/pairs", pair)).status).toBe(200);
    const { body: evenings } = await server.post("/api/groups", { name: "Evenings", members: [gone] });
    expect(evenings).toMatchObject({ members: [gone] });
    const { id: groupId } = evenings as { id: string };
    const evening = lessonOf({ groupId, title: "Evenings" });
    expect((await server.post("/api/lessons", { lessons: [evening] })).body).toMatchObject({
      items: [{ students: [{ studentId: gone }] }],
    });
    const { body } = await server.get(`/api/students/${gone}/export`);
    expect(body).toMatchObject({
      format: "mirrup-student",
      version: 4,
      student: { id: gone, name: "Juniper Vanish", groups: ["Evenings"] },
      decisions: [{ subject: "cross", side: "left", by: expect.any(String) }],
      lessons: [{ title: "Evenings", attendance: "expected" }],
    });
    expect((body as { sets: { id: string }[] }).sets.map((set) => set.id).sort()).toEqual(
      sets.map((set) => set.id).sort(),
    );

    expect((await server.owner.ask("DELETE", `/api/students/${gone}`)).status).toBe(200);
    const tables = await server.database.query<{ name: string }[]>(
      "SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public'",
    );
    for (const { name } of tables) {
      const rows = await server.database.query<{ found: string }[]>(
        `SELECT t::text AS found FROM ${name} t WHERE t::text ILIKE '%' || $1 || '%' OR t::text ILIKE '%juniper%'`,
        [gone],
      );
      expect([name, rows]).toEqual([name, []]);
    }
    expect((await server.get(`/api/students/${gone}`)).status).toBe(410);
    const audit = (await server.get("/api/audit")).body as {
      items: { action: string; about: string | null }[];
    };
    expect(audit.items.slice(0, 2)).toMatchObject([
      { action: "deleted", about: "a student" },
      { action: "exported", whom: null, about: null },
    ]);
  });
});
