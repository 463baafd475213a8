import type { SetRequest, SetsReply } from "@mirrup/contract";
import { setsReply } from "@mirrup/contract/schemas";
import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import { v7 as uuid } from "uuid";
import { SetEntity } from "../log/index.js";
import { decisionOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let student: string;

beforeAll(async () => {
  server = await startTestApp();
  student = await server.addStudent("Mila Harrow");
});
afterAll(() => server.close());

const send = (...sets: readonly unknown[]) => server.post("/api/sets", { sets });
const logged = () => server.database.manager.countBy(SetEntity, { studioId: server.studioId });

async function expectRefused(sets: readonly unknown[], status: number, error: object) {
  const before = await logged();
  const answer = await send(...sets);
  expect(answer).toMatchObject({ status, body: { status, errors: [error] } });
  expect(await logged()).toBe(before);
}

describe("a batch of sets", () => {
  it("is stored, judged by the school's gate, and tells what opened", async () => {
    const someone = await server.addStudent("Clears It");
    const first = await send(setOf(someone));
    expect(setsReply.validate(first.body).error).toBeUndefined();
    expect(first.body).toMatchObject({
      changes: [{ from: "ready", to: "working", bestStreak: 10 }],
      opened: [],
    });
    const second = await send(setOf(someone, { clean: 20, bestStreak: 20 }));
    expect(second.body).toMatchObject({ changes: [{ from: "working", to: "cleared", gateBest: 20 }] });
    const { opened } = second.body as { opened: { subject: string; side: string }[] };
    const sides = opened.map((one) => `${one.subject} ${one.side}`);
    expect(sides).toEqual(
      expect.arrayContaining(["run-step whole", "cross left", "cross right", "backward-bounce whole"]),
    );
    expect(sides).not.toContain("held-cross left");
  });

  it("stores a set once, however often it is sent", async () => {
    const set = setOf(student, { seconds: 12.5, misses: [{ position: 4, fault: "toes" }], bestStreak: 7 });
    expect(await send(set, set)).toMatchObject({ status: 200, body: { stored: [set.id] } });
    const before = await server.get(`/api/students/${student}/standings`);
    expect(await send(set)).toMatchObject({
      status: 200,
      body: { stored: [], alreadyStored: [set.id], changes: [] },
    });
    const sameInstant = { ...set, at: set.at.replace("Z", "+00:00") };
    expect(await send(sameInstant)).toMatchObject({ status: 200, body: { alreadyStored: [set.id] } });
    const after = await server.get(`/api/students/${student}/standings`);
    const bests = ({ body }: typeof after) =>
      (body as { items: { bestStreak: number }[] }).items.map((one) => one.bestStreak);
    expect(bests(after)).toEqual(bests(before));
  });

  it("refuses another body under a known id, in the log or in the batch", async () => {
    const set = setOf(student);
    await send(set);
    await expectRefused([{ ...set, clean: 11 }], 409, {
      item: 0,
      id: set.id,
      field: "id",
      code: "other-body",
    });
    const twin = setOf(student);
    await expectRefused([twin, { ...twin, clean: 11 }], 409, { item: 1, code: "other-body" });
  });

  it("keeps two sets of one student in step when they arrive at once", async () => {
    const someone = await server.addStudent("Two Tablets");
    await Promise.all(Array.from({ length: 12 }, () => send(setOf(someone))));
    const rows: unknown = await server.database.query("SELECT sets FROM standing WHERE student_id = $1", [
      someone,
    ]);
    expect(rows).toEqual([{ sets: 12 }]);
  });
});

describe("a set that does not fit", () => {
  const cases: readonly (readonly [string, object, string])[] = [
    ["an unknown key", { shoes: "red" }, "shoes"],
    ["a wrong type", { clean: "10" }, "clean"],
    ["a negative count", { clean: -1 }, "clean"],
    ["a drill without a kind", { drill: { count: 5 } }, "drill.kind"],
    ["an unknown fault", { misses: [{ position: 1, fault: "moon" }] }, "misses[0].fault"],
    ["a miss with both a position and a count", { misses: [{ position: 1, count: 2 }] }, "misses[0]"],
    ["a time that is none", { at: "yesterday" }, "at"],
  ];
  it.each(cases)("is refused with its item and field: %s", async (_name, change, field) => {
    const bad = { ...setOf(student), ...change };
    await expectRefused([setOf(student), bad], 400, { item: 1, id: bad.id, field });
  });

  it("breaks no rule that stands in the log's own terms", async () => {
    const refuse = (changes: Partial<SetRequest>, error: object) =>
      expectRefused([setOf(student), setOf(student, changes)], 422, { item: 1, ...error });
    await refuse({ bestStreak: 11 }, { field: "bestStreak", code: "streak-above-clean" });
    await refuse(
      { misses: [{ position: 12 }] },
      { field: "misses[0].position", code: "position-past-tries" },
    );
    await refuse({ subject: "moonwalk" }, { field: "subject", code: "unknown-subject" });
    await refuse({ side: "left" }, { field: "side", code: "side-not-of-skill" });
    await refuse({ subject: "cross" }, { field: "side", code: "side-not-of-skill" });
    await refuse({ studentId: uuid() }, { field: "studentId", code: "unknown-student" });
  });

  it("is answered in kind when it is no JSON, empty or too long", async () => {
    expect(await server.post("/api/sets", { sets: [] })).toMatchObject({
      status: 400,
      body: { type: "invalid-request" },
    });
    const many = Array.from({ length: 501 }, () => setOf(student));
    expect((await send(...many)).status).toBe(400);
    const garbled = await fetch(`${server.address}/api/sets`, {
      method: "POST",
      headers: { "content-type": "application/json", cookie: server.owner.sessionCookie() },
      body: "{sets:",
    });
    expect(garbled.status).toBe(400);
    expect(garbled.headers.get("content-type")).toMatch("application/problem+json");
  });
});

describe("a set's time and student", () => {
  it.each([-365, -1, 400])("is when it happened, though the device's clock is %d days off", async (days) => {
    const off = days * 86_400_000;
    const byClock = (minutesAgo: number) => new Date(Date.now() - minutesAgo * 60_000 + off).toISOString();
    const set = setOf(student, { at: byClock(30) });
    const sentAt = byClock(0);
    const { body } = await server.post("/api/sets", { sets: [set], sentAt });
    expect(body).toMatchObject({ stored: [set.id] });
    expect(Math.abs((body as SetsReply).clockAheadSeconds - off / 1000)).toBeLessThan(10);
    const line = await server.database.manager.findOneByOrFail(SetEntity, { id: set.id });
    expect(Math.abs(line.happenedAt.getTime() - (line.receivedAt.getTime() - 30 * 60_000))).toBeLessThan(
      10_000,
    );
    expect(line.deviceAt.toISOString()).toBe(set.at);
    // Sent again by a clock that was set right meanwhile, it is the same set.
    const again = await server.post("/api/sets", { sets: [set], sentAt: new Date().toISOString() });
    expect(again.body).toMatchObject({ alreadyStored: [set.id], clockAheadSeconds: 0 });
  });

  it.each(["0000-01-01T00:00:00.000Z", "9999-12-31T00:00:00.000Z"])(
    "is stored whatever the device says its clock is: %s",
    async (sentAt) => {
      expect((await server.post("/api/sets", { sets: [setOf(student)], sentAt })).status).toBe(200);
      const decisions = [decisionOf(student)];
      expect((await server.post("/api/decisions", { decisions, sentAt })).status).toBe(200);
    },
  );

  it("counts at the time of receipt when the device's clock runs ahead, and is marked", async () => {
    const set = setOf(student, { at: "2199-01-01T00:00:00.000Z" });
    expect(await send(set)).toMatchObject({ status: 200, body: { stored: [set.id], clockAhead: [set.id] } });
    const line = await server.database.manager.findOneByOrFail(SetEntity, { id: set.id });
    expect(line.happenedAt).toEqual(line.receivedAt);
    expect(line.deviceAt.toISOString()).toBe(set.at);
    expect(await send(set)).toMatchObject({ status: 200, body: { alreadyStored: [set.id] } });
  });

  it("takes the set of an archived student and refuses that of a deleted one", async () => {
    const archived = await server.addStudent("Gone Quiet");
    await server.sql("UPDATE student SET archived_at = now() WHERE id = $1", [archived]);
    expect((await send(setOf(archived))).status).toBe(200);
    const deleted = await server.addStudent("Gone For Good");
    expect((await server.owner.ask("DELETE", `/api/students/${deleted}`)).status).toBe(200);
    await expectRefused([setOf(deleted)], 410, { field: "studentId", code: "deleted-student" });
    expect((await server.get(`/api/students/${deleted}/standings`)).status).toBe(410);
  });
});
