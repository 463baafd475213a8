import { auditReply, mailReply, membersReply, sessionReply } from "@mirrup/contract/schemas";
import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { request as httpRequest } from "node:http";
import { PASSWORD, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;

beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

const letters = async () => {
  const { body } = await server.get("/api/mail");
  expect(mailReply.validate(body).error).toBeUndefined();
  return (body as { items: { to: string; text: string }[] }).items;
};
const tokenFor = async (address: string) => {
  const letter = (await letters()).find(({ to }) => to === address);
  return /#(\S+)/.exec(letter?.text ?? "")?.[1] ?? "";
};

describe("signing in", () => {
  it("begins a session behind a cookie that scripts cannot read", async () => {
    const client = server.stranger();
    const { body, headers } = await client.signIn("Owner@hall.example", PASSWORD);
    expect(sessionReply.validate(body).error).toBeUndefined();
    expect(body).toMatchObject({ person: { email: "owner@hall.example" }, memberships: [{ role: "owner" }] });
    const [cookie] = headers.getSetCookie();
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Lax/);
    expect((await client.get("/api/students")).status).toBe(200);
  });

  it("says the same for a wrong password and for a stranger, and leaks nothing", async () => {
    const wrong = await server.stranger().signIn("owner@hall.example", "not this one");
    const nobody = await server.stranger().signIn("nobody@hall.example", "not this one");
    const said = (body: unknown) => ({ ...(body as object), requestId: "" });
    expect(said(wrong.body)).toEqual(said(nobody.body));
    expect(wrong.body).toMatchObject({ status: 401, type: "wrong-password" });
    expect(JSON.stringify(wrong.body)).not.toMatch(/stack|argon|no such/i);
  });

  it("waits after too many failures, whatever the account", async () => {
    const client = server.stranger();
    for (let time = 0; time < 6; time += 1) await client.signIn("throttled@hall.example", "wrong");
    const answer = await client.signIn("throttled@hall.example", "wrong");
    expect(answer).toMatchObject({ status: 429, body: { type: "too-many-tries" } });
    expect(Number(answer.headers.get("retry-after"))).toBeGreaterThan(0);
    expect((await client.signIn("owner@hall.example", PASSWORD)).status).toBe(200);
  });

  it("counts guesses made all at once like those made one by one", async () => {
    const guess = () => server.stranger().signIn("parallel@hall.example", "wrong");
    const answers = await Promise.all(Array.from({ length: 30 }, guess));
    expect(answers.filter(({ status }) => status === 401)).toHaveLength(6);
    expect(answers.filter(({ status }) => status === 429)).toHaveLength(24);
  });

  it("lets nobody guess at the password of who is signed in, and them sign in elsewhere all the same", async () => {
    const coach = await server.addPerson(server.studioId, "coach", "guessed@hall.example");
    const guess = () => coach.post("/api/auth/password", { current: "wrong", next: "another long password" });
    const answers = await Promise.all(Array.from({ length: 8 }, guess));
    expect(answers.map(({ status }) => status).sort()).toEqual([...Array<number>(6).fill(401), 429, 429]);
    expect((await server.stranger().signIn("guessed@hall.example", PASSWORD)).status).toBe(200);
  });

  it("takes no cookie that is forged, changed, signed out, or of someone who is gone", async () => {
    const real = await server.addPerson(server.studioId, "coach", "leaving@hall.example");
    const cookie = real.sessionCookie();
    for (const forged of ["mirrup=s%3Anobody.forged", `${cookie}x`, cookie.replace("s%3A", "s%3Ax")]) {
      expect((await server.stranger().withCookie(forged).get("/api/students")).status).toBe(401);
    }
    await server.sql("DELETE FROM person WHERE email = 'leaving@hall.example'");
    expect((await real.get("/api/students")).status).toBe(404);
    expect((await real.get("/api/auth/session")).body).toMatchObject({ person: null, memberships: [] });
    const other = await server.addPerson(server.studioId, "coach");
    await other.post("/api/auth/sign-out");
    expect((await server.stranger().withCookie(other.sessionCookie()).get("/api/students")).status).toBe(401);
  });

  it("lasts as long as pages are opened, and no answer that comes late brings an older one back", async () => {
    const client = await server.addPerson(server.studioId, "coach");
    const cookieOf = async (path: string) => (await client.get(path)).headers.getSetCookie();
    const [renewed] = await cookieOf("/api/auth/session");
    expect(renewed?.split(";")[0]).toBe(client.sessionCookie());
    expect(Date.parse(/Expires=([^;]+)/.exec(renewed ?? "")?.[1] ?? "") - Date.now()).toBeGreaterThan(
      13 * 86_400_000,
    );
    for (const path of ["/api/students", "/api/changes", "/api/studio"])
      expect(await cookieOf(path)).toEqual([]);
  });

  it("can be ended everywhere, and is elsewhere by a new password", async () => {
    const here = await server.addPerson(server.studioId, "coach", "everywhere@hall.example");
    const there = server.stranger();
    await there.signIn("everywhere@hall.example", PASSWORD);
    const change = (current: string) =>
      here.post("/api/auth/password", { current, next: "another long password" });
    expect((await change("wrong")).status).toBe(401);
    expect((await here.post("/api/auth/password", { current: PASSWORD, next: "short" })).status).toBe(400);
    expect((await change(PASSWORD)).status).toBe(200);
    expect((await here.get("/api/students")).status).toBe(200);
    expect((await there.get("/api/students")).status).toBe(401);
    await there.signIn("everywhere@hall.example", "another long password");
    expect((await here.post("/api/auth/sign-out-everywhere")).status).toBe(200);
    expect((await there.get("/api/students")).status).toBe(401);
  });
});

describe("one-time links", () => {
  it("bring someone in once, as what they were invited as", async () => {
    await server.post("/api/people/invitations", { email: "New@hall.example", role: "coach" });
    const token = await tokenFor("new@hall.example");
    const join = { token, name: "Newly Come", password: "quite long enough" };
    const client = server.stranger();
    expect((await client.post("/api/auth/joinings", { ...join, password: "short" })).status).toBe(400);
    const { body } = await client.post("/api/auth/joinings", join);
    expect(body).toMatchObject({ person: { name: "Newly Come" }, memberships: [{ role: "coach" }] });
    expect((await client.get("/api/students")).status).toBe(200);
    expect(await client.post("/api/auth/joinings", join)).toMatchObject({
      status: 410,
      body: { type: "bad-link" },
    });
    const people = await server.get("/api/people");
    expect(membersReply.validate(people.body).error).toBeUndefined();
    const audit = await server.get("/api/audit");
    expect(auditReply.validate(audit.body).error).toBeUndefined();
    expect((audit.body as { items: object[] }).items.slice(0, 2)).toMatchObject([
      { action: "joined", by: "Newly Come" },
      { action: "invited" },
    ]);
  });

  it("give a new password, end the old sessions, and expire", async () => {
    const person = await server.addPerson(server.studioId, "coach", "forgot@hall.example");
    const ask = (email: string) => server.stranger().post("/api/auth/reset-requests", { email });
    expect((await ask("nobody@hall.example")).body).toEqual((await ask("forgot@hall.example")).body);
    const token = await tokenFor("forgot@hall.example");
    const stored = await server.database.query<object[]>(
      "SELECT * FROM one_time_link WHERE token_hash = $1",
      [token],
    );
    expect(stored).toEqual([]);
    const use = () => server.stranger().post("/api/auth/resets", { token, password: "a brand new password" });
    await ask("forgot@hall.example");
    const other = await tokenFor("forgot@hall.example");
    expect((await use()).status).toBe(200);
    expect((await use()).status).toBe(410);
    // A link that was asked for before is of no use after the password was chosen.
    const old = { token: other, password: "yet another password" };
    expect(other).not.toBe(token);
    expect((await server.stranger().post("/api/auth/resets", old)).status).toBe(410);
    expect((await person.get("/api/students")).status).toBe(401);
    expect((await server.stranger().signIn("forgot@hall.example", "a brand new password")).status).toBe(200);

    await ask("forgot@hall.example");
    await server.sql(
      "UPDATE one_time_link SET expires_at = now() - interval '1 second' WHERE used_at IS NULL",
    );
    const late = await tokenFor("forgot@hall.example");
    expect(
      (await server.stranger().post("/api/auth/resets", { token: late, password: "a brand new password" }))
        .status,
    ).toBe(410);
  });
});

describe("letters", () => {
  it("lead to this machine, whatever name whoever asks gives it", async () => {
    await server.addPerson(server.studioId, "coach", "lured@hall.example");
    const { port } = new URL(server.address);
    const ask = (host: string) =>
      new Promise<number>((resolve, reject) => {
        const request = httpRequest(
          {
            ...{ port, path: "/api/auth/reset-requests", method: "POST" },
            headers: { host, origin: `http://${host}`, "content-type": "application/json" },
          },
          (answer) => resolve(answer.resume().statusCode ?? 0),
        );
        request.on("error", reject);
        request.end(JSON.stringify({ email: "lured@hall.example" }));
      });
    const addressOf = async () => {
      const [letter] = (await letters()).filter(({ to }) => to === "lured@hall.example");
      return /https?:\/\/[^/]+/.exec(letter?.text ?? "")?.[0];
    };
    expect(await ask("evil.example")).toBe(200);
    expect(await addressOf()).toBe(`http://localhost:${port}`);
    expect(await ask(`192.168.1.20:${port}`)).toBe(200);
    expect(await addressOf()).toBe(`http://192.168.1.20:${port}`);
  });
});

describe("an invitation", () => {
  const join = (token: string, password: string = PASSWORD) =>
    server.stranger().post("/api/auth/joinings", { token, name: "Somebody", password });
  const invite = async (email: string, role: string) => {
    expect((await server.post("/api/people/invitations", { email, role })).status).toBe(200);
    return tokenFor(email);
  };
  const roleOf = async (email: string) => {
    const { items } = (await server.get("/api/people")).body as { items: { email: string; role: string }[] };
    return items.find((one) => one.email === email)?.role;
  };

  it("gives and never takes: the last owner stays one", async () => {
    const token = await invite("owner@hall.example", "viewer");
    expect((await join(token)).status).toBe(200);
    expect(await roleOf("owner@hall.example")).toBe("owner");
    await server.addPerson(server.studioId, "viewer", "rising@hall.example");
    expect((await join(await invite("rising@hall.example", "coach"))).status).toBe(200);
    expect(await roleOf("rising@hall.example")).toBe("coach");
  });

  it("does not bring back who was taken out after it", async () => {
    await server.addPerson(server.studioId, "coach", "out@hall.example");
    const token = await invite("out@hall.example", "owner");
    const { items } = (await server.get("/api/people")).body as { items: { id: string; email: string }[] };
    const id = items.find((one) => one.email === "out@hall.example")?.id ?? "";
    expect((await server.owner.ask("DELETE", `/api/people/${id}`)).status).toBe(200);
    expect((await join(token)).status).toBe(410);
    expect(await roleOf("out@hall.example")).toBeUndefined();
    // Invited anew, they come.
    expect((await join(await invite("out@hall.example", "viewer"))).status).toBe(200);
  });

  it("is no way to guess a password", async () => {
    await server.addPerson(server.studioId, "viewer", "known@hall.example");
    const token = await invite("known@hall.example", "coach");
    const answers = await Promise.all(Array.from({ length: 9 }, () => join(token, "not this one at all")));
    expect(answers.map(({ status }) => status).sort()).toEqual([
      ...Array<number>(6).fill(401),
      ...Array<number>(3).fill(429),
    ]);
  });
});

describe("people", () => {
  it("can be given another part and taken out, but an owner stays", async () => {
    const coach = await server.addPerson(server.studioId, "coach", "part@hall.example");
    const { body } = await server.get("/api/people");
    const { items } = body as { items: { id: string; email: string }[] };
    const idOf = (email: string) => items.find((one) => one.email === email)?.id ?? "";
    const part = idOf("part@hall.example");
    expect((await server.owner.ask("PATCH", `/api/people/${part}`, { role: "viewer" })).status).toBe(200);
    expect((await coach.post("/api/sets", { sets: [] })).status).toBe(403);
    expect((await server.owner.ask("DELETE", `/api/people/${part}`)).status).toBe(200);
    expect((await coach.get("/api/students")).status).toBe(404);
    const own = idOf("owner@hall.example");
    expect(await server.owner.ask("DELETE", `/api/people/${own}`)).toMatchObject({
      status: 409,
      body: { type: "last-owner" },
    });
    expect((await server.owner.ask("PATCH", `/api/people/${own}`, { role: "coach" })).status).toBe(409);
    expect((await server.owner.ask("DELETE", `/api/people/${part}`)).status).toBe(404);
  });
});

describe("setting up", () => {
  it("makes the first studio and its owner, once", async () => {
    const bare = await startTestApp({ bare: true });
    const request = {
      studioName: "First Hall",
      timeZone: "Europe/Paris",
      school: "steady-hold",
      name: "Founder",
      email: "founder@hall.example",
      password: "long enough for this",
    };
    const client = bare.stranger(null);
    expect((await client.get("/api/auth/session")).body).toMatchObject({ isSetUp: false, hasDemo: false });
    expect((await client.post("/api/auth/demo")).status).toBe(404);
    expect((await client.post("/api/auth/set-up", { ...request, timeZone: "Moon/Base" })).status).toBe(400);
    const both = await Promise.all([
      client.post("/api/auth/set-up", request),
      client.post("/api/auth/set-up", request),
    ]);
    expect(both.map((answer) => answer.status).sort()).toEqual([200, 404]);
    const { body } = both.find((answer) => answer.status === 200) ?? { body: {} };
    expect(body).toMatchObject({ isSetUp: true, memberships: [{ studioName: "First Hall", role: "owner" }] });
    await bare.close();
  });
});
