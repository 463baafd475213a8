import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { DEVICE_HEADER, type ChangesReply } from "@mirrup/contract";
import { declaredRoutes } from "../door/index.js";
import { Forgetting } from "../mail/forgetting.js";
import type { Client } from "../testing/client.js";
import { comboOf, lessonOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let coach: Client;
let student: string;

beforeAll(async () => {
  server = await startTestApp();
  coach = await server.addPerson(server.studioId, "coach");
  student = await server.addStudent("Wren Alder");
});
afterAll(() => server.close());

async function after(number?: number, client = server.owner): Promise<ChangesReply> {
  const { status, body } = await client.get(`/api/changes${number === undefined ? "" : `?after=${number}`}`);
  expect(status).toBe(200);
  return body as ChangesReply;
}
const log = () => coach.ask("POST", "/api/sets", { sets: [setOf(student)] }, { [DEVICE_HEADER]: "tablet-1" });

describe("what was changed", () => {
  it("is told to who waits as soon as it is kept, with whose it is and which page did it", async () => {
    const { number } = await after();
    const begun = Date.now();
    const waiting = after(number);
    expect((await log()).status).toBe(200);
    expect(await waiting).toEqual({
      number: number + 1,
      all: false,
      items: [{ number: number + 1, topics: ["students"], studentIds: [student], device: "tablet-1" }],
    });
    // The issue's promise: two tablets agree within two seconds.
    expect(Date.now() - begun).toBeLessThan(2000);
  });

  it("is nothing where a command was refused", async () => {
    const { number } = await after();
    const unknown = await coach.post("/api/sets", {
      sets: [{ ...setOf(student), subject: "no such skill" }],
    });
    expect(unknown.status).toBe(422);
    expect(await after()).toMatchObject({ number });
  });

  it("has a number each without gaps, in the order in which it is seen, however many change at once", async () => {
    const { number } = await after();
    const many = 24;
    const seen: number[] = [];
    const watching = (async () => {
      for (let last = number; last < number + many;) {
        const reply = await after(last);
        seen.push(...reply.items.map((item) => item.number));
        last = reply.number;
      }
    })();
    const answers = await Promise.all(
      Array.from({ length: many }, (_, place) =>
        place % 3 === 0 ? coach.post("/api/combos", { combos: [comboOf()] }) : log(),
      ),
    );
    expect(answers.map(({ status }) => status)).toEqual(answers.map(() => 200));
    await watching;
    expect(seen).toEqual(Array.from({ length: many }, (_, place) => number + place + 1));
  });

  it("of the last seconds is told to a page that opens: it may have come between two of its readings", async () => {
    await log();
    const { number, items } = await after();
    expect(items.at(-1)).toMatchObject({ number, studentIds: [student], device: "tablet-1" });
  });

  it("stays with its studio", async () => {
    const other = await server.addPerson(await server.addStudio("Other Hall"), "owner");
    const { number } = await after(undefined, other);
    await log();
    expect(await after(undefined, other)).toEqual({ number, all: false, items: [] });
  });

  it("may be everything for who was away for too long, or comes from another database", async () => {
    const { number } = await after();
    await coach.post("/api/lessons", { lessons: [lessonOf()] });
    await log();
    expect((await after(number)).items.map(({ topics }) => topics)).toEqual([["lessons"], ["students"]]);
    await server.app.get(Forgetting).forget(new Date(Date.now() + 25 * 3_600_000));
    expect(await after(number)).toEqual({ number: number + 2, all: true, items: [] });
    expect(await after(number + 1000)).toMatchObject({ number: number + 2, all: true });
  });

  it("is heard of also after the connection that listens was cut", async () => {
    const { number } = await after();
    await server.maintain(
      `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
       WHERE datname = '${server.databaseName}' AND query LIKE 'LISTEN%'`,
    );
    const waiting = after(number);
    await log();
    expect((await waiting).items).toHaveLength(1);
  });

  it("is declared of every command of a studio's", () => {
    const silent = declaredRoutes(server.app).filter(
      ({ route }) => route.kind === "command" && route.touches.length === 0 && route.for !== "public",
    );
    // One's own account, a studio that is new or gone: nobody else has them on a screen.
    expect(silent.map(({ id }) => id).sort()).toEqual([
      ...["Account.change", "Account.password", "Account.signOutEverywhere", "Auth.signOut"],
      ...["Studios.create", "Studios.delete"],
    ]);
  });
});

describe("a wait", () => {
  it("ends with the server, which does not wait for it", async () => {
    const own = await startTestApp();
    const { number } = (await own.get("/api/changes")).body as ChangesReply;
    // A page that asks again at once, over the connection that it has.
    const page = (async () => {
      for (;;) await own.owner.get(`/api/changes?after=${number}`);
    })().catch(() => undefined);
    await new Promise((resolve) => setTimeout(resolve, 200));
    const begun = Date.now();
    await own.app.close();
    expect(Date.now() - begun).toBeLessThan(5000);
    await page;
    await own.close();
  });
});
