import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { AuditView } from "@mirrup/contract";
import { loadDemo } from "../demo/load.js";
import { PASSWORD, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;

beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

async function actions(): Promise<readonly AuditView[]> {
  return ((await server.get("/api/audit")).body as { items: AuditView[] }).items;
}

describe("one's own account", () => {
  it("has another name at once, without a password", async () => {
    const coach = await server.addPerson(server.studioId, "coach", "name@hall.example");
    expect((await coach.ask("PATCH", "/api/auth/account", { name: " Ada Rowan " })).status).toBe(200);
    expect((await coach.get("/api/auth/session")).body).toMatchObject({
      person: { name: "Ada Rowan", email: "name@hall.example" },
    });
    expect((await actions())[0]).toMatchObject({ action: "changed-account", about: "name", by: "Ada Rowan" });
  });

  it("has another e-mail by its password alone, and is signed in to by that from then on", async () => {
    const coach = await server.addPerson(server.studioId, "coach", "old@hall.example");
    await server.stranger().post("/api/auth/reset-requests", { email: "old@hall.example" });
    const change = (body: object) => coach.ask("PATCH", "/api/auth/account", body);
    expect((await change({ email: "new@hall.example" })).status).toBe(400);
    expect(await change({ email: "new@hall.example", current: "a guess" })).toMatchObject({
      status: 401,
      body: { type: "wrong-password" },
    });
    expect(await change({ email: "OWNER@hall.example", current: PASSWORD })).toMatchObject({
      status: 422,
      body: { errors: [{ field: "email", code: "taken" }] },
    });
    expect((await change({ email: "New@hall.example", current: PASSWORD })).status).toBe(200);
    expect((await server.stranger().signIn("old@hall.example", PASSWORD)).status).toBe(401);
    expect((await server.stranger().signIn("new@hall.example", PASSWORD)).status).toBe(200);
    const links = await server.database.query<object[]>(
      "SELECT 1 FROM one_time_link WHERE email = 'old@hall.example'",
    );
    expect(links).toEqual([]);
  });

  it("gives no more than six guesses at its password, whichever way they are made", async () => {
    const coach = await server.addPerson(server.studioId, "coach", "guessed@hall.example");
    const guess = () =>
      coach.ask("PATCH", "/api/auth/account", { email: "thief@hall.example", current: "a guess" });
    const answers = await Promise.all(Array.from({ length: 20 }, guess));
    expect(answers.filter(({ status }) => status === 401)).toHaveLength(6);
    expect(answers.filter(({ status }) => status === 429)).toHaveLength(14);
  });

  it("tells the owner who signed in, and who tried to", async () => {
    await server.addPerson(server.studioId, "coach", "seen@hall.example");
    await server.stranger().signIn("seen@hall.example", "not this one");
    const own = (await actions()).filter((entry) => entry.by === "seen@hall.example");
    expect(own.map(({ action }) => action)).toEqual(["sign-in-failed", "signed-in"]);
  });
});

describe("leaving", () => {
  it("ends a person's part in the studio, and leaves them their account", async () => {
    const coach = await server.addPerson(server.studioId, "coach", "leaver@hall.example");
    expect((await coach.ask("DELETE", "/api/people/me")).status).toBe(200);
    expect((await coach.get("/api/students")).status).toBe(404);
    expect((await coach.get("/api/auth/session")).body).toMatchObject({
      person: { email: "leaver@hall.example" },
      memberships: [],
    });
  });

  it("is not for the last owner, also where two leave at once", async () => {
    const studio = await server.addStudio("Two Owners");
    const owners = [await server.addPerson(studio, "owner"), await server.addPerson(studio, "owner")];
    const answers = await Promise.all(owners.map((owner) => owner.ask("DELETE", "/api/people/me")));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
  });
});

describe("studios", () => {
  const asked = { studioName: "Second Hall", timeZone: "Europe/London", school: "steady-hold" };

  it("are made beside the first by whoever is signed in, and are theirs", async () => {
    const viewer = await server.addPerson(server.studioId, "viewer");
    const { status, body } = await viewer.post("/api/studios", asked);
    expect({ status, body }).toMatchObject({
      status: 200,
      body: { studioName: "Second Hall", role: "owner" },
    });
    const own = viewer.inStudio((body as { studioId: string }).studioId);
    expect((await own.get("/api/studio")).body).toMatchObject({ name: "Second Hall", school: "steady-hold" });
    expect((await own.post("/api/students", { name: "Wren Alder" })).status).toBe(200);
    expect(
      (await server.owner.inStudio((body as { studioId: string }).studioId).get("/api/studio")).status,
    ).toBe(404);
  });

  it("are deleted whole by their owner, who types their name, and nothing else is", async () => {
    const studio = await server.addStudio("Closing Hall");
    const owner = await server.addPerson(studio, "owner");
    await server.addStudent("Wren Alder", studio);
    const students = async () =>
      (await server.database.query<{ studio_id: string }[]>("SELECT studio_id FROM student")).map(
        (row) => row.studio_id,
      );
    const others = (await students()).filter((id) => id !== studio).length;
    const erase = (studioName: string) => owner.ask("DELETE", "/api/studios/mine", { studioName });
    expect(await erase("Another Hall")).toMatchObject({
      status: 422,
      body: { errors: [{ field: "studioName", code: "other-name" }] },
    });
    expect(await students()).toContain(studio);
    expect((await erase("Closing Hall")).status).toBe(200);
    expect((await students()).filter((id) => id === studio)).toEqual([]);
    expect(await students()).toHaveLength(others);
    expect((await owner.get("/api/studio")).status).toBe(404);
  });
});

describe("the demo's coach, who may be anybody", () => {
  it("changes nothing of the account, leaves nothing and makes no studio", async () => {
    const demo = await startTestApp({ bare: true });
    try {
      await loadDemo(demo.database, new Date());
      const visitor = demo.stranger(null);
      const { body } = await visitor.post("/api/auth/demo");
      const [{ studioId } = { studioId: "" }] = (body as { memberships: { studioId: string }[] }).memberships;
      const coach = visitor.inStudio(studioId);
      const answers = [
        await coach.ask("PATCH", "/api/auth/account", { name: "Somebody" }),
        await coach.post("/api/studios", asked()),
        await coach.ask("DELETE", "/api/people/me"),
      ];
      expect(answers).toMatchObject(answers.map(() => ({ status: 409, body: { type: "demo-account" } })));
    } finally {
      await demo.close();
    }
  });
});

function asked() {
  return { studioName: "A Visitor's", timeZone: "Europe/London", school: "steady-hold" };
}
