import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { Items, SetView, StudentRecord } from "@mirrup/contract";
import { v7 as uuid } from "uuid";
import type { Client } from "../testing/client.js";
import { setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let coach: Client;
let student: string;

beforeAll(async () => {
  server = await startTestApp();
  coach = await server.addPerson(server.studioId, "coach");
  student = await server.addStudent("Wren Alder");
});
afterAll(() => server.close());

async function logged(changes: object = {}): Promise<string> {
  const set = { ...setOf(student), ...changes };
  expect((await coach.post("/api/sets", { sets: [set] })).status).toBe(200);
  return set.id;
}
const say = (setId: string, text: string, at?: string, of = student) =>
  coach.ask("PUT", `/api/students/${of}/notes`, { setId, text, ...(at === undefined ? {} : { at }) });
async function read(setId: string): Promise<SetView | undefined> {
  const { subject, side } = setOf(student);
  const { body } = await coach.get(`/api/students/${student}/sets?subject=${subject}&side=${side}`);
  return (body as Items<SetView>).items.find((one) => one.id === setId);
}

describe("a note to a set", () => {
  it("stands with the set, on the floor and in the student's record", async () => {
    const id = await logged();
    expect((await read(id))?.note).toBe("");
    expect((await say(id, "  Begin the cross on the way down ")).status).toBe(200);
    expect((await read(id))?.note).toBe("Begin the cross on the way down");
    const record = (await server.owner.get(`/api/students/${student}/export`)).body as StudentRecord;
    expect(record.sets.find((one) => one.id === id)?.note).toBe("Begin the cross on the way down");
  });

  it("is what was said last, whichever comes first, and can be taken back", async () => {
    const id = await logged();
    const at = (minute: number) => new Date(Date.now() - 60_000 * (10 - minute)).toISOString();
    await say(id, "second", at(2));
    await say(id, "first", at(1));
    expect((await read(id))?.note).toBe("second");
    await say(id, "", at(3));
    expect((await read(id))?.note).toBe("");
  });

  it("is of a set that the student has, and no longer than it is read", async () => {
    const id = await logged();
    const other = await server.addStudent("Linnet Ash");
    expect((await say(id, "Whose?", undefined, other)).status).toBe(404);
    expect((await say(uuid(), "Which?")).status).toBe(404);
    expect((await say(id, "x".repeat(501))).status).toBe(400);
    expect((await read(id))?.note).toBe("");
  });

  it("goes with its student", async () => {
    const gone = await server.addStudent("Teal Rowan");
    const set = { ...setOf(gone) };
    await coach.post("/api/sets", { sets: [set] });
    expect((await say(set.id, "Goes too", undefined, gone)).status).toBe(200);
    // Its line of the log could not go without it.
    expect((await server.owner.ask("DELETE", `/api/students/${gone}`, {})).status).toBe(200);
    expect((await say(set.id, "Late", undefined, gone)).status).toBe(410);
  });
});

describe("when each clean try of a set came", () => {
  it("is kept as it was tapped, and the same set twice is one", async () => {
    const ticks = [0.5, 1.02, 1.49, 2];
    const set = { ...setOf(student), clean: 4, bestStreak: 4, misses: [], ticks };
    for (const count of [1, 0]) {
      const { status, body } = await coach.post("/api/sets", { sets: [set] });
      expect([status, (body as { stored: unknown[] }).stored]).toEqual([200, count === 1 ? [set.id] : []]);
    }
    expect((await read(set.id))?.ticks).toEqual(ticks);
  });

  it("is refused where time runs backward, and where there is more of it than a lesson", async () => {
    for (const ticks of [[2, 1], [-1], Array.from({ length: 5001 }, () => 1)])
      expect((await coach.post("/api/sets", { sets: [{ ...setOf(student), ticks }] })).status).toBe(400);
  });
});
