import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import type { Items, JumpMeasure, JumpRequest, StudentRecord } from "@mirrup/contract";
import { v7 as uuid } from "uuid";
import type { Client } from "../testing/client.js";
import { startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
let coach: Client;

beforeAll(async () => {
  server = await startTestApp();
  coach = await server.addPerson(server.studioId, "coach");
});
afterAll(() => server.close());

const ago = (minutes: number) => new Date(Date.now() - 60_000 * minutes).toISOString();

function jump(changes: Partial<JumpRequest> = {}): JumpRequest {
  return {
    ...{ id: uuid(), turns: 2, heightMm: 182, contactMs: 250, landings: 11, way: "taps" },
    ...{ measuredAt: ago(5), removed: false },
    ...changes,
  };
}
const say = (student: string, request: unknown) =>
  coach.ask("PUT", `/api/students/${student}/jumps`, request);
const read = async (student: string): Promise<readonly JumpMeasure[]> =>
  ((await coach.get(`/api/students/${student}/jumps`)).body as Items<JumpMeasure>).items;

describe("a measured jump", () => {
  it("is kept with its date and how it was measured, the newest first, however often it is told", async () => {
    const student = await server.addStudent("Wren Alder");
    const [older, newer] = [jump({ measuredAt: ago(60 * 24 * 30), heightMm: 120 }), jump()];
    for (const one of [newer, older, newer]) expect((await say(student, one)).status).toBe(200);
    expect((await read(student)).map(({ heightMm }) => heightMm)).toEqual([182, 120]);
    const { removed, ...kept } = newer;
    expect((await read(student))[0]).toEqual(kept);
    expect(removed).toBe(false);
    const record = (await server.owner.get(`/api/students/${student}/export`)).body as StudentRecord;
    expect(record.jumps.map(({ heightMm }) => heightMm)).toEqual([120, 182]);
  });

  it("is what was said of it last, in whatever order the words come", async () => {
    const student = await server.addStudent("Linnet Ash");
    const one = jump();
    const words = [
      { ...one, at: ago(4) },
      { ...one, removed: true, at: ago(3) },
      { ...one, at: ago(2) },
    ];
    for (const word of [words[2], words[0], words[1]]) await say(student, word);
    expect(await read(student)).toHaveLength(1);
    await say(student, { ...one, removed: true });
    expect(await read(student)).toEqual([]);
  });

  it("is of one student: the same id is another's own, and nobody sees those of others", async () => {
    const [one, other] = [await server.addStudent("Ada Fen"), await server.addStudent("Ben Fen")];
    const measured = jump();
    await say(one, measured);
    expect(await read(other)).toEqual([]);
    expect((await say(other, { ...measured, heightMm: 90 })).status).toBe(200);
    expect((await read(one))[0]?.heightMm).toBe(182);
  });

  it("is refused where nobody jumps so, and nothing of it is kept", async () => {
    const student = await server.addStudent("Ida Reed");
    for (const wrong of [
      { heightMm: 1001 },
      { heightMm: 4 },
      { contactMs: 20 },
      { landings: 3 },
      { turns: 9 },
    ])
      expect([wrong, (await say(student, jump(wrong))).status]).toEqual([wrong, 400]);
    expect((await say(student, { ...jump(), way: "guessed" })).status).toBe(400);
    expect((await say(uuid(), jump())).status).toBe(404);
    expect(await read(student)).toEqual([]);
  });

  it("of a clock that runs ahead counts as of now, and goes with its student", async () => {
    const student = await server.addStudent("Nell Fen");
    await say(student, jump({ measuredAt: new Date(Date.now() + 86_400_000).toISOString() }));
    expect(Date.parse((await read(student))[0]?.measuredAt ?? "")).toBeLessThanOrEqual(Date.now());
    expect((await server.owner.ask("DELETE", `/api/students/${student}`)).status).toBeLessThan(300);
    expect((await say(student, jump())).status).toBe(410);
  });
});
