import { afterAll, beforeAll, describe, expect, it } from "@jest/globals";
import {
  MOST_HOME_SETS_A_DAY,
  type HomePracticeView,
  type HomeSet,
  type HomeView,
  type NewHomeLink,
  type PractisedAtHome,
  type StandingItem,
} from "@mirrup/contract";
import { DAY_MS } from "@mirrup/core";
import { v7 as uuid } from "uuid";
import { noonZone } from "../testing/noon.js";
import { decisionOf, setOf, startTestApp, type TestApp } from "../testing/test-app.js";

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp({ timeZone: noonZone() });
});
afterAll(() => server.close());

const AGREED = { days: 30, agreed: true };

async function linkOf(student: string): Promise<string> {
  const { status, body } = await server.post(`/api/students/${student}/home`, AGREED);
  expect(status).toBe(200);
  return (body as NewHomeLink).token;
}

function homeSet(more: Partial<HomeSet> = {}): HomeSet {
  return {
    ...{ id: uuid(), subject: "basic-bounce", side: "whole", drill: { kind: "streak", count: 20 } },
    ...{ clean: 25, misses: [], bestStreak: 25, at: new Date(Date.now() - 3_600_000).toISOString() },
    ...more,
  };
}

const read = (token: string) => server.stranger(null).get(`/api/home/${token}`);
const send = (token: string, sets: readonly HomeSet[], more: object = {}) =>
  server.stranger(null).post(`/api/home/${token}/sets`, { sets, ...more });
const practice = async (student: string) =>
  (await server.get(`/api/students/${student}/home`)).body as HomePracticeView;
const bounceOf = async (student: string) =>
  ((await server.get(`/api/students/${student}/standings`)).body as { items: StandingItem[] }).items.find(
    ({ subject }) => subject === "basic-bounce",
  );

describe("a home link", () => {
  it("shows a student's own practice, and nobody's name", async () => {
    const student = await server.addStudent("Verity Sandpiper");
    await server.post("/api/sets", { sets: [setOf(student, { clean: 4, bestStreak: 4 })] });
    const { status, body } = await read(await linkOf(student));
    expect(status).toBe(200);
    const view = body as HomeView;
    expect(view.drills.map(({ subject }) => subject)).toContain("basic-bounce");
    expect(view.strands.find(({ subject }) => subject === "basic-bounce")?.status).toBe("working");
    for (const secret of ["Verity", "Sandpiper", "Test Hall", student, server.studioId])
      expect(JSON.stringify(view)).not.toContain(secret);
  });

  it("is not made without a guardian's word for whoever may be a minor", async () => {
    const year = new Date().getUTCFullYear();
    const student = await server.addStudent("Young Case");
    const make = (agreed: boolean) => server.post(`/api/students/${student}/home`, { days: 30, agreed });
    expect((await make(false)).body).toMatchObject({ errors: [{ field: "agreed" }] });
    await server.sql("UPDATE student SET birth_year = $1 WHERE id = $2", [year - 16, student]);
    expect(await make(false)).toMatchObject({ status: 422 });
    await server.sql("UPDATE student SET birth_year = $1 WHERE id = $2", [year - 17, student]);
    expect(await make(false)).toMatchObject({ status: 200 });
    expect((await practice(student)).isGrown).toBe(true);
  });

  it("ends when it is taken back, when another is made, when its time is up, and with the student", async () => {
    const student = await server.addStudent("Ending Case");
    const gone = async (token: string) => {
      const { status, body } = await read(token);
      expect({ status, body }).toMatchObject({ status: 410, body: { type: "bad-home-link" } });
      expect((await send(token, [homeSet()])).status).toBe(410);
    };
    const first = await linkOf(student);
    const second = await linkOf(student);
    await gone(first);
    expect((await read(second)).status).toBe(200);
    await server.owner.ask("DELETE", `/api/students/${student}/home`);
    await gone(second);
    expect((await practice(student)).link).toBeNull();
    const third = await linkOf(student);
    await server.sql(
      "UPDATE home_link SET made_at = now() - interval '2 days', expires_at = now() - interval '1 second'",
    );
    await gone(third);
    const fourth = await linkOf(student);
    await server.sql("UPDATE student SET archived_at = now() WHERE id = $1", [student]);
    await gone(fourth);
    expect((await server.post(`/api/students/${student}/home`, AGREED)).status).toBe(422);
    await gone("a-guess-of-twenty-letters-or-more");
  });

  it("keeps no secret that could be used", async () => {
    const student = await server.addStudent("Secret Case");
    const token = await linkOf(student);
    const [row] = await server.sql<Record<string, unknown>>("SELECT * FROM home_link WHERE student_id = $1", [
      student,
    ]);
    expect(JSON.stringify(row)).not.toContain(token);
  });

  it("asks for no drill once jumping has ended for today", async () => {
    const student = await server.addStudent("Stopped Case");
    const token = await linkOf(student);
    await server.owner.ask("PUT", `/api/students/${student}/stop`, {});
    expect((await read(token)).body).toMatchObject({ rest: "stopped", drills: [] });
  });
});

describe("sets from home", () => {
  it("are kept apart, hint at the chance and count as landings, until they are accepted", async () => {
    const student = await server.addStudent("Home Case");
    const token = await linkOf(student);
    const set = homeSet();
    const sent = await send(token, [set]);
    expect(sent).toMatchObject({ status: 200, body: { stored: [set.id] } });
    expect(await bounceOf(student)).toMatchObject({ status: "ready", bestStreak: 0 });
    const load = (await server.get(`/api/students/${student}/load`)).body as {
      landings: number;
      estimated: number;
    };
    expect(load).toMatchObject({ landings: 25, estimated: 25 });
    expect((await practice(student)).sets).toMatchObject([{ id: set.id, countedBy: "student" }]);
    const { items } = (await server.get("/api/practised-at-home")).body as { items: PractisedAtHome[] };
    expect(items.find(({ studentId }) => studentId === student)).toMatchObject({
      name: "Home Case",
      sets: 1,
    });
    expect((await read(token)).body).toMatchObject({ waiting: 1 });
    const decision = { kind: "accept", target: set.id } as const;
    const about = { subject: "basic-bounce", side: "whole", reason: "" } as const;
    await server.post("/api/decisions", { decisions: [decisionOf(student, { ...about, decision })] });
    expect(await bounceOf(student)).toMatchObject({ status: "cleared", bestStreak: 25 });
    expect((await practice(student)).sets).toEqual([]);
    expect((await read(token)).body).toMatchObject({ waiting: 0 });
  });

  it("count once, however often and from however many phones they are sent at once", async () => {
    const student = await server.addStudent("Twice Case");
    const token = await linkOf(student);
    const sets = [homeSet(), homeSet({ clean: 3, bestStreak: 3 })];
    const answers = await Promise.all([1, 2, 3].map(() => send(token, sets)));
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200]);
    expect((await practice(student)).sets).toHaveLength(2);
    expect(await send(token, [{ ...sets[0], clean: 99, bestStreak: 99 } as HomeSet])).toMatchObject({
      status: 409,
    });
  });

  it("come a month late, and from a clock that is wrong, as they were", async () => {
    const student = await server.addStudent("Late Case");
    const token = await linkOf(student);
    const late = homeSet({ at: new Date(Date.now() - 40 * DAY_MS).toISOString() });
    expect((await send(token, [late])).status).toBe(200);
    const wrong = new Date(Date.now() + 3 * DAY_MS);
    const ahead = homeSet({ at: new Date(wrong.getTime() - 60_000).toISOString() });
    const { body } = await send(token, [ahead], { sentAt: wrong.toISOString() });
    expect((body as { clockAheadSeconds: number }).clockAheadSeconds).toBeCloseTo((3 * DAY_MS) / 1000, -2);
    const [newest] = (await practice(student)).sets;
    expect(newest?.id).toBe(ahead.id);
  });

  it("are refused whole with a sentence where one is wrong, and say nothing of another student", async () => {
    const student = await server.addStudent("Wrong Case");
    const other = await server.addStudent("Other Case");
    const token = await linkOf(student);
    const bad = [homeSet(), homeSet({ subject: "somersault" })];
    expect(await send(token, bad)).toMatchObject({ status: 422 });
    expect((await practice(student)).sets).toEqual([]);
    expect((await send(token, [{ ...homeSet(), studentId: other } as HomeSet])).status).toBe(400);
    expect((await send(token, [{ ...homeSet(), countedBy: "tapped" } as unknown as HomeSet])).status).toBe(
      400,
    );
    expect((await practice(other)).sets).toEqual([]);
  });

  it("are as many in a day as somebody practises, and no more", async () => {
    const student = await server.addStudent("Flood Case");
    const token = await linkOf(student);
    const many = (count: number) => Array.from({ length: count }, () => homeSet({ clean: 1, bestStreak: 1 }));
    const first = many(MOST_HOME_SETS_A_DAY - 10);
    expect((await send(token, first)).status).toBe(200);
    const past = await send(token, many(11));
    expect(past).toMatchObject({ status: 422, body: { type: "enough-for-today" } });
    // What is known already is none that is new.
    expect((await send(token, [...first.slice(0, 30), ...many(10)])).status).toBe(200);
    expect((await practice(student)).sets).toHaveLength(MOST_HOME_SETS_A_DAY);
  });
});
